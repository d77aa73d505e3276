import type { Material } from "@/core/feature/material";
import type { Length } from "@/core/length/length";

/** Material on hand or for sale. `available` null is unlimited; `yard` costs nothing and is used first. */
export type StockEntry = BoardStock | PackStock;
export interface BoardStock {
  /** Boards give solid wood; sheets give ply parts, their face grain along the length. */
  form: "board" | "sheet";
  material: string;
  thickness: Length;
  width: Length;
  length: Length;
  price: number;
  available: number | null;
  source: "yard" | "buy";
  /** Bad stretches of a single board, from its left end: nothing is laid on them. */
  bad?: [Length, Length][];
  /** Rough sawn: it gets a straight edge before anything is measured from it. */
  rough?: true;
  /** How many turned out unusable: they count as gone, and bought ones are bought again. */
  struck?: number;
}
/** Fasteners, glue, foundation: `pack` is how many (or grams of glue) one pack holds. */
export interface PackStock {
  form: "pack";
  material: string;
  pack: number;
  price: number;
  available: number | null;
  source: "yard" | "buy";
}

/** What a stock is, by the words it is called: boards are wood, and a sheet is ply unless it says otherwise. */
export function kindOf(s: Pick<BoardStock, "form" | "material">): Material {
  if (s.form === "board") return "wood";
  const words: [Material, RegExp][] = [
    ["mesh", /mesh|cloth|net/i],
    ["metal", /metal|alumin|steel|zinc|tin/i],
    ["foam", /foam|polystyrene/i],
    ["plastic", /plastic|polycarbonate|acrylic|hdpe/i],
  ];
  return words.find(([, word]) => word.test(s.material))?.[0] ?? "ply";
}
