import type { BoardStock } from "@/core/boards/stock";
import { inch, nm } from "@/core/length/length";
import { cutList } from "@/core/line/cutlist";
import type { WorkedLine } from "@/core/line/shapes";

/** Boards and sheets that any part of the lines can be cut from: of its own thickness, or so much thicker, to be planed. */
export function anyStock(lines: WorkedLine[], thicker = 0): BoardStock[] {
  const kinds = new Map<string, BoardStock>();
  for (const { part } of cutList(lines)) {
    const wood = part.material === "wood";
    const thickness = nm(part.cut.t + (wood ? thicker : 0));
    const stock: BoardStock = {
      form: wood ? "board" : "sheet",
      material: wood ? "pine" : part.material === "metal" ? "aluminium" : part.material,
      thickness,
      width: nm(Math.max(part.cut.w + inch(2), inch(6))),
      length: nm(Math.max(2 * part.cut.l, inch(24))),
      price: 1,
      available: null,
      source: "buy",
    };
    const key = `${part.material} ${thickness}`;
    const other = kinds.get(key) ?? stock;
    kinds.set(key, {
      ...stock,
      width: nm(Math.max(stock.width, other.width)),
      length: nm(Math.max(stock.length, other.length)),
    });
  }
  return [...kinds.values()];
}
