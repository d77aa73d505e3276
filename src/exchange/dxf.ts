import { oneLine } from "./text";
import { DxfWriter, point2d, point3d, Units as DxfUnits } from "@tarikjabiri/dxf";
import { faceOf, partLetter } from "@/core/drawing/face";
import type { Shape } from "@/core/shape/shape";

/** Colours (AutoCAD index) by layer: outline black, cuts apart from each other. */
const COLOURS: Record<string, number> = {
  OUTLINE: 7,
  LABEL: 8,
  RABBET: 1,
  GROOVE: 5,
  FINGERS: 7,
  NOTCH: 7,
  HOLE: 3,
  HANDHOLD: 4,
  BEVEL: 6,
  TAPER: 7,
  FOLD: 2,
};

/**
 * Every part of an item, face on at true size in mm, one above the other; a layer for the outline, one for each kind
 * of cut, one for the labels. What goes right through is part of the outline.
 */
export function itemDxf(shape: Shape): string {
  const dxf = new DxfWriter();
  dxf.setUnits(DxfUnits.Millimeters);
  for (const [name, colour] of Object.entries(COLOURS)) dxf.addLayer(name, colour, "CONTINUOUS");
  const mm = (n: number) => n / 1e6;
  let bottom = 0;
  shape.parts.forEach((part, i) => {
    const face = faceOf(part);
    bottom -= mm(part.size.w) + 30;
    const y0 = bottom + mm(part.size.w);
    const polygon = (ring: [number, number][], layerName: string) =>
      dxf.addLWPolyline(
        ring.map(([l, w]) => ({ point: point2d(mm(l), y0 - mm(w)) })),
        { flags: 1, layerName },
      );
    for (const rings of face.outline) for (const ring of rings) polygon(ring, "OUTLINE");
    for (const cut of face.cuts) {
      for (const c of cut.circle ?? [])
        dxf.addCircle(point3d(mm(c.at[0]), y0 - mm(c.at[1])), mm(c.radius), { layerName: cut.layer });
      if (cut.line) {
        const [a, b] = cut.line;
        dxf.addLine(point3d(mm(a[0]), y0 - mm(a[1])), point3d(mm(b[0]), y0 - mm(b[1])), { layerName: cut.layer });
      }
      if (cut.feature.face !== "through") for (const ring of cut.rings) polygon(ring, cut.layer);
    }
    dxf.addText(
      point3d(0, bottom - 12),
      8,
      `${partLetter(i)}  ${oneLine(part.name)}  ${part.places.length} off  ${mm(part.size.l)} x ${mm(part.size.w)} x ${mm(part.size.t)} mm`,
      { layerName: "LABEL" },
    );
  });
  return dxf.stringify();
}
