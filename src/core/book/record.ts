import type { Fault } from "./book";
import { type Age, agesOf, type Group, groupsOf, type Lived, livedYears, numberOf } from "./lasting";

/** What the Book knows of a piece of a design, or of so many that are alike. */
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
  /** One when not said. */
  n?: number;
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
    pieces: numberOf(list),
    inUse: numberOf(list.filter((k) => k.ended === null)),
    repairs: list.reduce((sum, { repairs, n = 1 }) => sum + repairs * n, 0),
    faults: faultsOf(list),
  })); // prettier-ignore
  const aged = all.filter((k) => !k.ageless);
  const lived = (of: (k: Known) => string | null): Group[] => groupsOf(aged.map((k) => ({ value: of(k) ?? "not said", madeOn: k.madeOn, ended: k.ended, n: k.n ?? 1 })), today); // prettier-ignore
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

/** The age half of them are older than; null where none is known. */
function middle(all: { age: number | null; n: number }[]): number | null {
  const known = all.filter((a) => a.age !== null).toSorted((a, b) => a.age! - b.age!);
  let left = Math.ceil(numberOf(known) / 2);
  for (const { age, n } of known) {
    left -= n;
    if (left <= 0) return age;
  }
  return null;
}

/** Each fault pieces had or ended of, most first; a piece counts once for each. */
function faultsOf(list: Known[]): MarkRecord["faults"] {
  const ages = new Map<Fault, { age: number | null; n: number }[]>();
  for (const { found, ended, madeOn, ageless, n = 1 } of list) {
    const first = new Map<Fault, string>();
    const ends = ended && ended.why in TRY ? [[ended.why as Fault, ended.on] as const] : [];
    for (const [fault, on] of [...found, ...ends].toSorted(([, a], [, b]) => a.localeCompare(b))) if (!first.has(fault)) first.set(fault, on); // prettier-ignore
    for (const [fault, on] of first) into(ages, fault, { age: ageless ? null : livedYears(madeOn, on), n });
  }
  return [...ages]
    .map(([fault, all]) => {
      return { fault, pieces: numberOf(all), age: middle(all) };
    })
    .toSorted((a, b) => b.pieces - a.pieces);
}
