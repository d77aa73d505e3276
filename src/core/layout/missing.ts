import { lengthWithUnit } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import type { Missing } from "./request";

/** Said wherever something follows from a layout that not everything is in; empty where all is. */
export function shortText({ missing }: { missing: readonly unknown[] }): string {
  if (missing.length === 0) return "";
  const parts = missing.length === 1 ? "one of its parts" : `${missing.length} of its parts`;
  return `No board gives ${parts}: ${missing.length === 1 ? "its wood is" : "their wood is"} not counted here, nor the work of sawing it.`;
}

/** What a part that cannot be laid out wants, in one sentence. */
export function missingText(m: Missing, units: Units): string {
  const say = (l: Parameters<typeof lengthWithUnit>[0]) => lengthWithUnit(l, units);
  const { thickness, width, length } = m.needs;
  const wood = m.blank.material === "wood";
  const kind = wood ? "board" : `sheet of ${m.blank.material}`;
  const kinds = wood ? "boards" : `sheets of ${m.blank.material}`;
  const board = `a ${kind} ${wood ? "at least " : ""}${say(thickness)} thick, ${say(width)} wide and ${say(length)} long`;
  switch (m.why) {
    case "no stock":
      return `${m.blank.name}: the job has no ${kinds}; it wants ${board}`;
    case "too few":
      return `${m.blank.name}: ${m.short} of ${m.blank.quantity} are left over when the stock runs out; add more ${kinds} ${say(thickness)} thick`;
    case "too narrow":
      return `${m.blank.name}: every ${kind} is too narrow for it; it wants ${board}${wood ? ", or panels glued up from narrower boards (say so in the workshop)" : ""}`;
    default:
      return `${m.blank.name}: every ${kind} is ${m.why === "other thickness" ? "of another thickness" : m.why} for it; it wants ${board}`;
  }
}
