import { z } from "zod";
import { type Length, nm } from "@/core/length/length";
import type { Range } from "@/core/solid/plane";
import type { Axis, Bite, Prism } from "@/core/solid/solid";
import { atOf, ENDS, end, formula, kindOf, PAST } from "../kind";

const KEEPS = ["odd", "even"] as const;

/**
 * Box fingers on one end: rows from the reference edge down, the first of its own height; `keep` says which rows stay, `key` how
 * much lower every row line sits. With `slant`, dovetails: how far each row line slants over the depth of the joint.
 */
export const fingers = kindOf({
  fields: {
    end,
    rows: formula,
    row: formula,
    first: formula,
    long: formula,
    keep: z.enum(KEEPS),
    key: formula,
    slant: formula.optional(),
  },
  work(recipe, { size, length, count }) {
    const rows = count(recipe.rows, "finger rows");
    const [row, first, long, key] = [length(recipe.row), length(recipe.first), length(recipe.long), length(recipe.key)];
    const slant = recipe.slant === undefined ? 0 : length(recipe.slant);
    const line = (i: number) => (i <= 0 ? 0 : i >= rows ? size.w : first + (i - 1) * row + key);
    const l: Range = recipe.end === "left" ? [0, long] : [size.l - long, size.l];
    const bites: Bite[] = [];
    const lines: Length[] = [];
    for (let i = recipe.keep === "odd" ? 1 : 0; i < rows; i += 2) {
      const gap: Range = [line(i), line(i + 1)];
      lines.push(nm(gap[0]), nm(gap[1]));
      bites.push(
        slant === 0
          ? { box: { l, w: gap, t: [0, size.t] } }
          : { prism: dovetailGap(recipe.keep, recipe.end, l, gap, slant, size, rows - 1 === i, i === 0) },
      );
    }
    const at = {
      ...atOf({ l, w: [0, size.w] }, size),
      from: [recipe.end === "left" ? "left end" : "right end", "reference edge"] as const,
    };
    const degrees = Math.round((Math.atan(slant / long) * 1800) / Math.PI) / 10;
    return {
      bites,
      face: "through",
      machine: slant === 0 ? "dado" : "hand tools",
      settings: [
        { kind: "width", value: row },
        { kind: "height", value: long },
        { kind: "from edge", value: nm(first + key) },
        ...(slant === 0 ? [] : [{ kind: "angle" as const, degrees }]),
      ],
      measures: { "top row": nm(first + key), row, long },
      at: { ...at, from: [...at.from] },
      marks: { along: "edge", at: lines },
      setup: slant === 0 ? 30 : 20,
      each: slant === 0 ? 1.1 : 5,
      ...(slant === 0 ? { hazard: "dado" as const } : {}),
      check:
        slant === 0 ? "two test pieces slide together under hand pressure" : "a corner closes by tapping with a mallet",
      note: `${rows} rows from the reference edge, the ${recipe.keep} ones stay`,
    };
  },
  editor: [
    { key: "end", label: "end", is: "choice", choices: ENDS },
    { key: "keep", label: "keeps", is: "choice", choices: KEEPS },
    { key: "rows", label: "rows", is: "count" },
    { key: "row", label: "row", is: "length" },
    { key: "first", label: "first row", is: "length" },
    { key: "long", label: "long", is: "length" },
    { key: "key", label: "key step", is: "length" },
    { key: "slant", label: "slant", is: "length", optional: true },
  ],
  begins: { end: "left", keep: "odd", rows: "5", row: "3/4*inch", first: "3/4*inch", long: "3/4*inch", key: "0*inch" },
});

/**
 * What goes between two dovetails. Tails (odd rows, on the side) are widest at the end of the board, so the gap there is
 * narrowest; pins (even rows, on the end) slant through the thickness to match.
 */
function dovetailGap(
  keep: "odd" | "even",
  end: "left" | "right",
  l: Range,
  [top, bottom]: Range,
  slant: number,
  size: Record<Axis, number>,
  last: boolean,
  first: boolean,
): Prism {
  const half = Math.round(slant / 2);
  // The tail's outer half-width is wider by `half` at the end of the side, which is the outside face of the end.
  const up = first ? 0 : half;
  const down = last ? 0 : half;
  if (keep === "odd") {
    const [tip, base] = end === "left" ? l : [l[1], l[0]];
    return {
      axis: "t",
      range: [-PAST, size.t + PAST],
      polygon: [
        [tip, top + up],
        [base, top - up],
        [base, bottom + down],
        [tip, bottom - down],
      ],
    };
  }
  return {
    axis: "l",
    range: l,
    polygon: [
      [top - up, 0],
      [bottom + down, 0],
      [bottom - down, size.t],
      [top + up, size.t],
    ],
  };
}
