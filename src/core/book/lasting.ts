/** How long one lasted, years; `ended` where it failed, otherwise it is still in use. */
export interface Lasted {
  years: number;
  ended: boolean;
  /** So many of them are alike; one when not said. */
  n?: number;
}

/** One step of the curve: at that age so many were still watched, so many failed, and this part lasts longer. */
export interface Step {
  years: number;
  atRisk: number;
  failed: number;
  lasts: number;
  /** Standard error by Greenwood's formula. */
  error: number;
}

/** The part that lasts longer than each age at which one failed (Kaplan and Meier 1958; errors by Greenwood 1926). */
export function lasting(all: Lasted[]): Step[] {
  const order = all.toSorted((a, b) => a.years - b.years);
  const steps: Step[] = [];
  let [lasts, sum] = [1, 0];
  let atRisk = numberOf(all);
  for (let i = 0; i < order.length;) {
    const { years } = order[i]!;
    let next = i;
    let [failed, left] = [0, 0];
    for (; next < order.length && order[next]!.years === years; next++) {
      const { ended, n = 1 } = order[next]!;
      left += n;
      if (ended) failed += n;
    }
    i = next;
    if (failed > 0) {
      lasts *= 1 - failed / atRisk;
      sum += atRisk > failed ? failed / (atRisk * (atRisk - failed)) : 0;
      steps.push({ years, atRisk, failed, lasts, error: lasts * Math.sqrt(sum) });
    }
    atRisk -= left;
  }
  return steps;
}

/** How many there are in all. */
export const numberOf = (all: { n?: number }[]): number => all.reduce((sum, { n = 1 }) => sum + n, 0);

/** What pieces may have in common. */
export const LASTING_BY = ["title", "wood", "joint", "finish", "design"] as const;
export type LastingBy = (typeof LASTING_BY)[number];

/** A piece as its lasting is reckoned. */
export interface Lived {
  value: string;
  madeOn: string;
  ended: { on: string; why: string } | null;
  /** So many of them are alike; one when not said. */
  n?: number;
}

/** Pieces that have something in common: how many, how many failed and of what, and from enough of them how long they last. */
export interface Group {
  value: string;
  pieces: number;
  failed: number;
  why: { fault: string; n: number }[];
  /** Empty where too few are known. */
  steps: Step[];
  /** Half last longer, years; undefined where more than half still do. */
  half?: number;
}

/** Fewer say nothing: pieces, and of them failed. */
const [PIECES, FAILED] = [10, 3];
/** What ends a piece and is no failing of it. */
const NO_FAILING = ["lost", "burned"];
const YEAR = 365.25 * 24 * 3600 * 1000;

const isFailing = (ended: Lived["ended"]): boolean => ended !== null && !NO_FAILING.includes(ended.why);

/** Years from one day to another, to a tenth. */
export const livedYears = (from: string, to: string): number => Math.round(Math.max(0, (Date.parse(to) - Date.parse(from)) / YEAR) * 10) / 10; // prettier-ignore

/** Of those that reached an age, how many failed before the next, and of what. */
export interface Age {
  /** Years; to the next. */
  from: number;
  to: number;
  reached: number;
  failed: number;
  why: { fault: string; n: number }[];
}
/** Ages are told apart in steps of so many years. */
const AGES = 5;

/** At which age things fail, in steps of five years. */
export function agesOf(all: Omit<Lived, "value">[], today: string): Age[] {
  const ages: Age[] = [];
  const years = all.map((l) => livedYears(l.madeOn, l.ended?.on ?? today));
  for (let from = 0; years.some((y) => y >= from); from += AGES) {
    const reached = all.flatMap(({ ended, n = 1 }, i) => (years[i]! >= from ? [{ ended, n, years: years[i]! }] : []));
    const failed = reached.filter((l) => l.years < from + AGES && isFailing(l.ended));
    ages.push({ from, to: from + AGES, reached: numberOf(reached), failed: numberOf(failed), why: counted(failed) }); // prettier-ignore
  }
  return ages;
}

/** How many ended of each thing, most first. */
function counted(all: Pick<Lived, "ended" | "n">[]): { fault: string; n: number }[] {
  const of = new Map<string, number>();
  for (const { ended, n = 1 } of all) if (ended) of.set(ended.why, (of.get(ended.why) ?? 0) + n);
  return [...of].map(([fault, n]) => ({ fault, n })).toSorted((a, b) => b.n - a.n);
}

/** How long pieces lasted up to a day, group by group, the largest first; what was lost or burned was watched until then. */
export function groupsOf(all: Lived[], today: string): Group[] {
  const by = new Map<string, Lived[]>();
  for (const l of all) {
    const list = by.get(l.value);
    if (list) list.push(l);
    else by.set(l.value, [l]);
  }
  return [...by]
    .map(([value, list]): Group => {
      const lasted = list.map(({ madeOn, ended, n = 1 }): Lasted => {
        return { years: livedYears(madeOn, ended?.on ?? today), ended: isFailing(ended), n };
      });
      const pieces = numberOf(list);
      const failed = numberOf(lasted.filter((l) => l.ended));
      const why = counted(list);
      const steps = pieces >= PIECES && failed >= FAILED ? lasting(lasted) : [];
      const half = steps.find((s) => s.lasts <= 0.5)?.years;
      return { value, pieces, failed, why, steps, ...(half === undefined ? {} : { half }) }; // prettier-ignore
    })
    .toSorted((a, b) => b.pieces - a.pieces);
}
