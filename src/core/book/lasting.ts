/** How long one lasted, years; `ended` where it failed, otherwise it is still in use. */
export interface Lasted {
  years: number;
  ended: boolean;
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
  for (let i = 0; i < order.length;) {
    const { years } = order[i]!;
    let next = i;
    let failed = 0;
    for (; next < order.length && order[next]!.years === years; next++) failed += Number(order[next]!.ended);
    const atRisk = order.length - i;
    i = next;
    if (failed === 0) continue;
    lasts *= 1 - failed / atRisk;
    sum += atRisk > failed ? failed / (atRisk * (atRisk - failed)) : 0;
    steps.push({ years, atRisk, failed, lasts, error: lasts * Math.sqrt(sum) });
  }
  return steps;
}

/** What pieces may have in common. */
export const LASTING_BY = ["title", "wood", "joint", "finish", "design"] as const;
export type LastingBy = (typeof LASTING_BY)[number];

/** A piece as its lasting is reckoned. */
export interface Lived {
  value: string;
  madeOn: string;
  ended: { on: string; why: string } | null;
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
      const lasted = list.map(({ madeOn, ended }): Lasted => {
        const years = Math.max(0, (Date.parse(ended?.on ?? today) - Date.parse(madeOn)) / YEAR);
        return { years: Math.round(years * 10) / 10, ended: ended !== null && !NO_FAILING.includes(ended.why) };
      });
      const failed = lasted.filter((l) => l.ended).length;
      const why = new Map<string, number>();
      for (const { ended } of list) if (ended) why.set(ended.why, (why.get(ended.why) ?? 0) + 1);
      const steps = list.length >= PIECES && failed >= FAILED ? lasting(lasted) : [];
      const half = steps.find((s) => s.lasts <= 0.5)?.years;
      return { value, pieces: list.length, failed, why: [...why].map(([fault, n]) => ({ fault, n })).toSorted((a, b) => b.n - a.n), steps, ...(half === undefined ? {} : { half }) }; // prettier-ignore
    })
    .toSorted((a, b) => b.pieces - a.pieces);
}
