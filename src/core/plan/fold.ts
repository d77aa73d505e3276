import { DAY } from "./calendar";
import type { Planned } from "./plan";

/** Operations that differ only by their lot, on one day, as one row of a run sheet. */
export interface Row {
  /** The first of them. */
  op: Planned;
  lots: Planned[];
  pieces: number;
  minutes: number;
  startsAt: number;
  endsAt: number;
}

/** The rows of a run sheet in the order they begin: lots of one step that begin on one day are folded into one. */
export function rowsOf(operations: Planned[]): Row[] {
  const rows = new Map<string, Row>();
  for (const op of operations) {
    const key =
      op.lot === "all"
        ? op.id
        : `${op.line === null ? op.whole : `${op.line} ${op.name}`} ${Math.floor(op.startsAt / DAY)}`;
    const row = rows.get(key) ?? { op, lots: [], pieces: 0, minutes: 0, startsAt: op.startsAt, endsAt: op.endsAt };
    row.lots.push(op);
    row.pieces += op.pieces;
    row.minutes += op.minutes;
    row.startsAt = Math.min(row.startsAt, op.startsAt);
    row.endsAt = Math.max(row.endsAt, op.endsAt);
    rows.set(key, row);
  }
  return [...rows.values()].sort((a, b) => a.startsAt - b.startsAt);
}
