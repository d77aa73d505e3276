import type { Work } from "./tasks";
import { lotsOf, namesOf } from "@/core/work/names";
import type { Tally } from "@/core/bench/events";

/** An operation as it was planned, and what became of it. Minutes are worked ones. */
export interface Against {
  name: string;
  title: string;
  of: string;
  pieces: number;
  made: number;
  spoiled: number;
  /** For all of its pieces; and for as many as are made, a set-up each time one was made. */
  planned: number;
  forMade: number;
  took: number;
  /** Somebody has been at it. */
  begun: boolean;
}

/** A job's operations against what happened, in the order of the work; lots of one are one. */
export function againstOf(work: Work[], tallies: Tally[]): Against[] {
  const names = namesOf(work);
  return [...lotsOf(work).values()].map((lots) => {
    const [first] = lots as [Work];
    const name = names.get(first.id)!;
    const t = tallies.find((x) => x.name === name);
    const pieces = lots.reduce((n, w) => n + w.pieces, 0);
    const each = first.each * first.share;
    return {
      name,
      title: first.name,
      of: first.of ?? "",
      pieces,
      made: t?.made ?? 0,
      spoiled: (t?.spoiled ?? []).reduce((n, s) => n + s.n, 0),
      planned: first.setup + each * pieces,
      forMade: t ? t.setUps * first.setup + each * t.made : 0,
      took: t?.minutes ?? 0,
      begun: t !== undefined && (t.setUps > 0 || t.made > 0),
    };
  });
}

/** All operations together. */
export const inAll = (all: Against[]): Pick<Against, "planned" | "forMade" | "took" | "spoiled"> => {
  const sum = (of: (a: Against) => number) => all.reduce((n, a) => n + of(a), 0);
  return { planned: sum((a) => a.planned), forMade: sum((a) => a.forMade), took: sum((a) => a.took), spoiled: sum((a) => a.spoiled) }; // prettier-ignore
};
