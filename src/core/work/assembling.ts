import type { Units } from "@/core/length/length";
import type { WorkedLine } from "@/core/line/shapes";
import { type Step, stepsOf, type Use } from "@/core/shape/steps";
import type { Workshop } from "@/core/shop/shop";
import { type Operation, operation, type Taken } from "./operation";

/** What joints are glued with; its recipes give the area, the shop the grams for a square metre. */
export const GLUE = "waterproof wood glue";

/** A step of one line as its lots. */
export interface Assembling {
  step: Step;
  lots: Operation[];
}

/** So much of what one item takes, for so many; what is spread on an area by its grams a square metre, glue by the shop's. */
export function taken(use: Use, items: number, glue: number): Taken {
  const { what, spare, quantity } = use;
  const grams = use.unit === "m2" ? (what === GLUE ? glue : use.grams) : undefined;
  return grams === undefined
    ? { what, quantity: quantity * items, unit: use.unit, spare }
    : { what, quantity: quantity * grams * items, unit: "g", spare };
}

/**
 * The steps of a line in order, in lots no larger than clamps and jigs allow: a lot follows the lots of the step before that
 * hold its items.
 */
export function assembling(
  line: WorkedLine,
  units: Units,
  { glue, lots: most }: Pick<Workshop, "glue" | "lots">,
): Assembling[] {
  const { quantity } = line.line;
  const out: Assembling[] = [];
  for (const step of stepsOf(line.shape, units)) {
    const size = Math.min(step.lot ?? quantity, most[step.station] ?? quantity, quantity);
    const count = Math.ceil(quantity / size);
    const before = out.at(-1);
    const lots = Array.from({ length: count }, (_, i): Operation => {
      const items = Math.min(size, quantity - i * size);
      const upTo = i * size + items;
      return operation({
        id: `${line.at}/${step.id}${count > 1 ? `/${i + 1}` : ""}`,
        name: step.name,
        station: step.station,
        line: line.at,
        step: step.id,
        lot: count > 1 ? `lot ${i + 1} of ${count}` : "all",
        pieces: items,
        of: line.shape.title.toLowerCase(),
        joins: step.joins.map((p) => ({ part: { line: line.at, part: p.id }, pieces: p.places.length * items })),
        uses: step.uses.map((u) => taken(u, items, glue)),
        how: [step.text],
        mistakes: step.mistakes,
        people: step.people,
        setup: i === 0 ? step.setup : 0,
        each: step.each,
        wait: step.wait,
        after: before ? lotsUpTo(before.lots, upTo, i * size) : [],
        ...(step.hazard ? { hazard: step.hazard } : {}),
        ...(step.check ? { check: step.check } : {}),
      });
    });
    out.push({ step, lots });
  }
  return out;
}

/** The lots of a step that hold items from one number up to another. */
function lotsUpTo(lots: Operation[], to: number, from: number): string[] {
  let seen = 0;
  return lots.flatMap((l) => {
    const [a, b] = [seen, seen + l.pieces];
    seen = b;
    return a < to && b > from ? [l.id] : [];
  });
}
