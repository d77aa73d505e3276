import type { Order } from "@/core/order/order";
import type { Taken } from "@/core/work/operation";
import { type Thing, thingKey, thingOf } from "./thing";

/** Something a job has to have bought; `on` is the day it is first used, where the job is planned. */
export interface Want {
  thing: Thing;
  quantity: number;
  unit: "board" | Taken["unit"];
  on?: string;
  /** How the quantity came about. */
  working: string;
}

/** The day something is first used: boards when sawing begins, hardware at the first step that takes it. */
export type FirstUse = (what: string) => string | undefined;

/** What of an order is neither in the yard nor sawn. */
export const wantsOf = (order: Order, firstUse: FirstUse): Want[] =>
  order.lines.flatMap(({ of, bought, unit, what, working }) => {
    if (bought <= 0) return [];
    const on = firstUse(unit === "board" ? "sawing" : what);
    return [{ thing: thingOf(of), quantity: bought, unit, working, ...(on ? { on } : {}) }];
  });

/** How much of a thing a job wants, and by when. */
export interface Share {
  job: number;
  quantity: number;
  on?: string;
  working: string;
}
/** What all jobs together still have to have bought. */
export interface Wanted {
  key: string;
  thing: Thing;
  unit: Want["unit"];
  quantity: number;
  /** Who wants it, the soonest first. */
  shares: Share[];
}

/** What is on its way: a thing, how much of it, and how much of that is for which job. */
export interface Coming {
  key: string;
  quantity: number;
  for: { job: number; quantity: number }[];
}

const soonest = (a: Share, b: Share) => (a.on ?? "9999").localeCompare(b.on ?? "9999") || a.job - b.job;
const tidy = (n: number) => Math.round(n * 100) / 100;

/** The wants of several jobs, thing by thing, less what is on its way: first what comes for the job, then what comes for nobody. */
export function wantedOf(jobs: { job: number; wants: Want[] }[], coming: Coming[]): Wanted[] {
  const all = new Map<string, Wanted>();
  for (const { job, wants } of jobs)
    for (const { thing, unit, quantity, on, working } of wants) {
      const key = thingKey(thing);
      const w = all.get(key) ?? { key, thing, unit, quantity: 0, shares: [] };
      w.shares.push({ job, quantity, working, ...(on ? { on } : {}) });
      all.set(key, w);
    }
  return [...all.values()].flatMap((w) => {
    const onTheWay = coming.filter((c) => c.key === w.key);
    // More may come for a job than it wants by now, and packs hold more than they were bought for.
    let spare = onTheWay.reduce((s, c) => s + c.quantity, 0);
    const left = w.shares.toSorted(soonest).map((s) => {
      const own = onTheWay.flatMap((c) => c.for).reduce((n, f) => n + (f.job === s.job ? f.quantity : 0), 0);
      const taken = Math.min(s.quantity, own, spare);
      spare -= taken;
      return { ...s, quantity: s.quantity - taken };
    });
    const shares = left.flatMap((s) => {
      const taken = Math.min(s.quantity, spare);
      spare -= taken;
      const quantity = tidy(s.quantity - taken);
      return quantity > 0 ? [{ ...s, quantity }] : [];
    });
    const quantity = tidy(shares.reduce((n, s) => n + s.quantity, 0));
    return quantity > 0 ? [{ ...w, quantity, shares }] : [];
  });
}

/** Of what is wanted, what some jobs want of it. */
export const wantedBy = (wanted: Wanted[], jobs: number[]): Wanted[] =>
  wanted.flatMap((w) => {
    const shares = w.shares.filter((s) => jobs.includes(s.job));
    const quantity = tidy(shares.reduce((n, s) => n + s.quantity, 0));
    return quantity > 0 ? [{ ...w, quantity, shares }] : [];
  });
