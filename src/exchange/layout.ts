import { pieceKey } from "@/core/line/line";
import { DxfWriter, point2d, point3d, Units as DxfUnits } from "@tarikjabiri/dxf";
import Papa from "papaparse";
import { cutsOf } from "@/core/layout/cuts";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { piecesOf } from "@/core/boards/laid";
import { escape, oneLine } from "./text";

const mm = (n: number) => Math.round(n / 1e3) / 1e3;

/** Gap between one board and the next in a drawing of all, mm. */
const GAP = 60;

function boards(result: LayoutResult) {
  const names = new Map(result.request.blanks.map((b) => [pieceKey(b.of), b.name]));
  let top = 0;
  return allLayouts(result).map(({ layout }, i) => {
    const board = result.request.stock[layout.stock]!;
    const y = top;
    top += mm(board.width) + GAP;
    const size = [board.thickness, board.width, board.length].map(mm).join(" × ");
    return { layout, board, names, y, text: `${i + 1}: ${layout.repeat} like this, ${board.material} ${size} mm` };
  });
}

/** Every layout at true size (mm), one below the other: board, pieces, kept offcuts and bad stretches as groups. */
export function layoutSvg(result: LayoutResult, title: string): string {
  const all = boards(result);
  const box = (o: { x: number; y: number; length: number; width: number }) =>
    `x="${mm(o.x)}" y="${mm(o.y)}" width="${mm(o.length)}" height="${mm(o.width)}"`;
  const drawn = all.map(({ layout, board, names, y, text }) => {
    const pieces = piecesOf(layout).map(
      (p) =>
        `<g data-part="${escape(pieceKey(p.of))}"><rect ${box(p)}/><text x="${mm(p.x) + mm(p.length) / 2}" y="${mm(p.y) + mm(p.width) / 2}" font-size="${Math.min(24, mm(p.width) * 0.5)}" text-anchor="middle" dominant-baseline="central" fill="#000" stroke="none">${escape(names.get(pieceKey(p.of))!)}</text></g>`,
    );
    const kept = layout.offcuts
      .filter((o) => o.keep)
      .map((o) => `<rect data-layer="KEEP" stroke-dasharray="12 8" ${box(o)}/>`);
    const bad = (board.bad ?? []).map(
      ([a, b]) => `<rect data-layer="BAD" ${box({ x: a, y: 0, length: b - a, width: board.width })}/>`,
    );
    return `<g transform="translate(0 ${y})"><rect data-layer="BOARD" ${box({ x: 0, y: 0, length: board.length, width: board.width })}/>${pieces.join("")}${kept.join("")}${bad.join("")}<text x="0" y="${mm(board.width) + 28}" font-size="22" fill="#000" stroke="none">${escape(text)}</text></g>`;
  });
  const width = Math.max(1, ...all.map(({ board }) => mm(board.length)));
  const height = all.reduce((s, { board }) => s + mm(board.width) + GAP, 0);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}"><title>${escape(title)}</title><g fill="none" stroke="#000" stroke-width="1" font-family="sans-serif">${drawn.join("")}</g></svg>\n`;
}

/** The same as DXF in mm, y upwards; layers BOARD, PIECE, KEEP, BAD and LABEL. */
export function layoutDxf(result: LayoutResult): string {
  const dxf = new DxfWriter();
  dxf.setUnits(DxfUnits.Millimeters);
  for (const [name, colour] of Object.entries({ BOARD: 8, PIECE: 7, KEEP: 3, BAD: 1, LABEL: 5 }))
    dxf.addLayer(name, colour, "CONTINUOUS");
  for (const { layout, board, names, y, text } of boards(result)) {
    const box = (o: { x: number; y: number; length: number; width: number }, layerName: string) => {
      const [x0, x1, y0, y1] = [mm(o.x), mm(o.x + o.length), -y - mm(o.y), -y - mm(o.y + o.width)];
      dxf.addLWPolyline([[x0, y0], [x1, y0], [x1, y1], [x0, y1]].map(([px, py]) => ({ point: point2d(px!, py!) })), { flags: 1, layerName }); // prettier-ignore
    };
    box({ x: 0, y: 0, length: board.length, width: board.width }, "BOARD");
    for (const p of piecesOf(layout)) {
      box(p, "PIECE");
      dxf.addText(
        point3d(mm(p.x) + 5, -y - mm(p.y) - mm(p.width) / 2),
        Math.min(12, mm(p.width) / 3),
        oneLine(names.get(pieceKey(p.of))!),
        { layerName: "LABEL" },
      );
    }
    for (const o of layout.offcuts) if (o.keep) box(o, "KEEP");
    for (const [a, b] of board.bad ?? []) box({ x: a, y: 0, length: b - a, width: board.width }, "BAD");
    dxf.addText(point3d(0, -y - mm(board.width) - 28), 18, oneLine(text), { layerName: "LABEL" });
  }
  return dxf.stringify();
}

/** Every cut and every piece as a table; sizes in mm. */
export function layoutCsv(result: LayoutResult): string {
  const rows = boards(result).flatMap(({ layout, board, names }, i) => {
    const base = { layout: i + 1, boards: layout.repeat, material: board.material, boardLengthMm: mm(board.length), boardWidthMm: mm(board.width), thicknessMm: mm(board.thickness) }; // prettier-ignore
    return [
      ...cutsOf(layout, board, result.request.saw).map((c, n) => ({ ...base, row: "cut", number: n + 1, what: c.kind, count: c.count, settingMm: mm(c.setting), xMm: "", yMm: "", lengthMm: "", widthMm: "" })),
      ...piecesOf(layout).map((p, n) => ({ ...base, row: "piece", number: n + 1, what: names.get(pieceKey(p.of))!, count: 1, settingMm: "", xMm: mm(p.x), yMm: mm(p.y), lengthMm: mm(p.length), widthMm: mm(p.width) })),
    ]; // prettier-ignore
  });
  // What begins as a formula is only found out on one line.
  const plain = rows.map((r) =>
    Object.fromEntries(Object.entries(r).map(([k, v]) => [k, typeof v === "string" ? oneLine(v) : v])),
  );
  return `${Papa.unparse(plain, { newline: "\n", escapeFormulae: true })}\n`;
}
