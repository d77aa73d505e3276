import type { Fault } from "./book";
import { type Age, agesOf, type Group, groupsOf, type Lived, livedYears } from "./lasting";

/** What the Book knows of one piece of a design. */
export interface Known {
  /** The mark of the maker's own design it was made by; null of what ships. */
  mark: number | null;
  wood: string | null;
  joint: string | null;
  finish: string | null;
  madeOn: string;
  /** Nobody knows how old it is. */
  ageless: boolean;
  ended: Lived["ended"];
  /** What was ever found wrong with it, and when. */
  found: [Fault, string][];
  repairs: number;
}

/** How the pieces of one mark did. */
export interface MarkRecord {
  mark: number | null;
  pieces: number;
  inUse: number;
  repairs: number;
  /** Faults by how many pieces had them, and how old these were at the first: half of them older. */
  faults: { fault: Fault; pieces: number; age: number | null }[];
}

/** How a design did in use, by its marks and by what its pieces have in common. */
export interface DesignRecord {
  marks: MarkRecord[];
  lasting: { by: string; groups: Group[] }[];
  ages: Age[];
  /** What its newest pieces fail of most, and what is tried against it. */
  next: { mark: number | null; fault: Fault; pieces: number; try: string } | null;
}

/** What is tried against a fault that comes again and again. [trade: handbook 05 and 06; what is tried first is common practice] */
const TRY: Record<Fault, string> = {
  "joint loose":
    "more glue face at the corner: fingers for a rabbet, a rabbet for a butt; waterproof glue in every joint, screws for nails",
  "corner rotten":
    "a stand that keeps it off wet ground, end grain sealed before the first coat, a wood that lasts; joints that hold no water",
  split: "pilot holes, nails further from the ends, quarter-sawn boards or narrower ones glued up; the heart side out",
  "rest broken": "a thicker lip or a shallower rest, a metal rest, ends from a stronger wood",
  "rest too deep": "a stop on the fence and a sample cut tried with a frame before the batch",
  warped: "drier wood, quarter-sawn, the heart side out; stacked flat until they are glued up square",
};

/** Adds up how the pieces of a design did up to a day. */
export function recordOf(all: Known[], today: string): DesignRecord {
  const byMark = new Map<number | null, Known[]>();
  for (const k of all) into(byMark, k.mark, k);
  const marks = [...byMark].toSorted(([a], [b]) => (b ?? 0) - (a ?? 0)).map(([mark, list]): MarkRecord => ({
    mark,
    pieces: list.length,
    inUse: list.filter((k) => k.ended === null).length,
    repairs: list.reduce((n, k) => n + k.repairs, 0),
    faults: faultsOf(list),
  })); // prettier-ignore
  const aged = all.filter((k) => !k.ageless);
  const lived = (of: (k: Known) => string | null): Group[] => groupsOf(aged.map((k) => ({ value: of(k) ?? "not said", madeOn: k.madeOn, ended: k.ended })), today); // prettier-ignore
  const first = marks[0]?.faults[0];
  const common = [
    { by: "mark", groups: lived((k) => (k.mark === null ? null : `mark ${k.mark}`)) },
    { by: "wood", groups: lived((k) => k.wood) },
    { by: "corner", groups: lived((k) => k.joint) },
    { by: "finish", groups: lived((k) => k.finish) },
  ].filter(({ groups }) => groups.some((g) => g.value !== "not said"));
  // What all have alike is said once.
  const differ = common.filter(({ groups }) => groups.length > 1);
  return {
    marks,
    lasting: differ.length > 0 ? differ : common.slice(0, 1),
    ages: agesOf(aged, today),
    next: first ? { mark: marks[0]!.mark, fault: first.fault, pieces: first.pieces, try: TRY[first.fault] } : null,
  };
}

function into<K, V>(lists: Map<K, V[]>, key: K, value: V): void {
  const list = lists.get(key);
  if (list) list.push(value);
  else lists.set(key, [value]);
}

/** Each fault pieces had or ended of, most first; a piece counts once for each. */
function faultsOf(list: Known[]): MarkRecord["faults"] {
  const ages = new Map<Fault, (number | null)[]>();
  for (const { found, ended, madeOn, ageless } of list) {
    const first = new Map<Fault, string>();
    const ends = ended && ended.why in TRY ? [[ended.why as Fault, ended.on] as const] : [];
    for (const [fault, on] of [...found, ...ends].toSorted(([, a], [, b]) => a.localeCompare(b))) if (!first.has(fault)) first.set(fault, on); // prettier-ignore
    for (const [fault, on] of first) into(ages, fault, ageless ? null : livedYears(madeOn, on));
  }
  return [...ages]
    .map(([fault, all]) => {
      const known = all.filter((a) => a !== null).toSorted((a, b) => a - b);
      return { fault, pieces: all.length, age: known.length > 0 ? known[Math.floor((known.length - 1) / 2)]! : null };
    })
    .toSorted((a, b) => b.pieces - a.pieces);
}
