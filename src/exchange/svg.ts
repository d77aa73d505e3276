import { faceOf, partLetter } from "@/core/drawing/face";
import type { Shape } from "@/core/shape/shape";
import { escape } from "./text";

/** Every part of an item, face on at true size (mm), one below the other; a group for each layer, black on white. */
export function itemSvg(shape: Shape): string {
  const mm = (n: number) => Math.round(n / 1e3) / 1e3;
  const margin = 10;
  let y = margin;
  const parts = shape.parts.map((part, i) => {
    const face = faceOf(part);
    const path = (rings: [number, number][][]) =>
      rings.map((r) => `M${r.map(([l, w]) => `${mm(l)} ${mm(w)}`).join("L")}Z`).join("");
    const cuts = face.cuts
      .filter((c) => c.feature.face !== "through" || c.circle)
      .map((c) =>
        c.line
          ? `<path data-layer="${c.layer}" d="M${c.line.map(([l, w]) => `${mm(l)} ${mm(w)}`).join("L")}" stroke-dasharray="6 1.5 1 1.5"/>`
          : c.circle
            ? c.circle
                .map(
                  (o) =>
                    `<circle data-layer="${c.layer}" cx="${mm(o.at[0])}" cy="${mm(o.at[1])}" r="${mm(o.radius)}"/>`,
                )
                .join("")
            : `<path data-layer="${c.layer}" d="${path(c.rings)}"${c.feature.face === "far" ? ' stroke-dasharray="3 1.5"' : ""}/>`,
      )
      .join("");
    const text = `${partLetter(i)}  ${part.name}, ${part.places.length} off, ${mm(part.size.l)} × ${mm(part.size.w)} × ${mm(part.size.t)} mm`;
    const group = `<g id="${escape(part.id)}" transform="translate(${margin} ${y})"><path data-layer="OUTLINE" d="${path(face.outline.flat())}"/>${cuts}<text x="0" y="${mm(part.size.w) + 7}" font-size="5" fill="#000" stroke="none">${escape(text)}</text></g>`;
    y += mm(part.size.w) + 20;
    return group;
  });
  const width = margin * 2 + Math.max(...shape.parts.map((p) => mm(p.size.l)));
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${y}mm" viewBox="0 0 ${width} ${y}"><title>${escape(shape.title)}</title><g fill="none" stroke="#000" stroke-width="0.3" font-family="sans-serif">${parts.join("")}</g></svg>\n`;
}
