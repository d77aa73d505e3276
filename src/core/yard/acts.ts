import { z } from "zod";
import { JobFileError } from "@/core/problem/problem";
import { type Lot, lotSchema, type LotThere, freeFor, lotKey, lotText, type Why, WHYS } from "./lot";
import type { Units } from "@/core/length/length";

/** Most lines one act may put in: a yard's whole stock from a spreadsheet. */
export const MOST_ROWS = 50_000;
const id = z.number().int().min(1);
/** Most there may be of anything; glue and screws are many. */
const MOST = 1e9;
const amount = z.number().min(0.01).max(MOST);
/** So many of lots, each named once. */
export const someLotsSchema = z.lazy(() =>
  z
    .array(z.strictObject({ id, count: amount }))
    .max(500)
    .refine((lots) => new Set(lots.map((l) => l.id)).size === lots.length, "a lot is named twice; say once how many"),
);

/** Everything a person can do to the yard; each is written down as movements, and never written over. */
export const yardActSchema = z.lazy(() =>
  z.discriminatedUnion("do", [
    z.strictObject({
      do: z.literal("put in"),
      why: z.enum(WHYS).extract(["counted", "received", "kept"]),
      lots: z.array(z.strictObject({ lot: lotSchema, count: amount })).min(1).max(MOST_ROWS), // prettier-ignore
      job: id.optional(),
    }),
    z.strictObject({
      do: z.literal("take out"),
      why: z.enum(WHYS).extract(["cut", "used", "spoiled"]),
      lots: someLotsSchema.unwrap().min(1),
      job: id.optional(),
    }),
    /** A stock-take: so many were found. */
    z.strictObject({ do: z.literal("count"), id, found: z.number().min(0).max(MOST) }),
    /** So many of a lot are something else than was thought, or lie elsewhere. */
    z.strictObject({ do: z.literal("put right"), id, count: amount, lot: lotSchema }),
    /** What is kept for a job, in the place of what was before. */
    z.strictObject({ do: z.literal("reserve"), job: id, lots: someLotsSchema }),
  ]),
);
export type YardAct = z.output<typeof yardActSchema>;

/** A movement an act makes, of a lot that is there or one that is described. */
export interface Moving {
  of: number | Lot;
  why: Why;
  change: number;
  job?: number;
}

/** Looks a lot up by its number, or by what it is. */
export type LotOf = (of: number | Lot) => LotThere | undefined;

const refuse = (path: string, message: string) => new JobFileError([{ path, message }]);

/** The movements an act makes. @throws JobFileError where more would go than there is, or a whole thing would come in parts */
export function movesOf(act: YardAct, lotOf: LotOf, units: Units): Moving[] {
  const there = (n: number): LotThere => {
    const lot = lotOf(n);
    if (!lot) throw refuse("id", `there is no lot ${n} in the yard`);
    return lot;
  };
  const whole = (lot: Lot, count: number, path: string) => {
    if (lot.form !== "pack" && !Number.isInteger(count))
      throw refuse(path, `read ${count}; boards and sheets are whole ones`);
    return Math.round(count * 100) / 100;
  };
  const out = (n: number, count: number, why: Why, job?: number): Moving => {
    const { lot, there: now } = there(n);
    if (count > now)
      throw refuse("count", `there are ${now} of ${lotText(lot, units)}; ${count} cannot go. If there are more, count them first`); // prettier-ignore
    return { of: n, why, change: -whole(lot, count, "count"), ...(job ? { job } : {}) };
  };
  switch (act.do) {
    case "put in": {
      const sums = new Map<string, Moving & { of: Lot }>();
      for (const [i, { lot, count }] of act.lots.entries()) {
        const key = lotKey(lot);
        const sum = sums.get(key) ?? { of: lot, why: act.why, change: 0, ...(act.job ? { job: act.job } : {}) };
        sum.change += whole(lot, count, `lots[${i}].count`);
        sums.set(key, sum);
      }
      // What was counted is what is there, also when the same list is put in again.
      return [...sums.values()].map((m) => ({ ...m, change: m.change - (act.why === "counted" ? (lotOf(m.of)?.there ?? 0) : 0) })); // prettier-ignore
    }
    case "take out": {
      // A lot named twice gives what it is asked for in all.
      const sums = new Map<number, number>();
      for (const { id: n, count } of act.lots) sums.set(n, (sums.get(n) ?? 0) + count);
      return [...sums].map(([n, count]) => out(n, count, act.why, act.job));
    }
    case "count": {
      const { lot, there: now } = there(act.id);
      return [{ of: act.id, why: "counted", change: whole(lot, act.found, "found") - now }];
    }
    case "put right":
      return [out(act.id, act.count, "put right"), { of: act.lot, why: "put right", change: whole(act.lot, act.count, "count") }]; // prettier-ignore
    case "reserve":
      for (const { id: n, count } of act.lots) {
        const lot = there(n);
        const free = freeFor(lot, act.job);
        if (count > free)
          throw refuse("count", `${free} of ${lotText(lot.lot, units)} are free; ${count} cannot be kept for this job`);
      }
      return [];
  }
}

/** True when what a later act says can not stand after the other: a lot was counted or put right from what was seen before it moved. */
export const yardCollides = (done: YardAct, later: YardAct): boolean => {
  if (later.do === "reserve") return done.do === "reserve" && done.job === later.job;
  if (later.do !== "count" && later.do !== "put right") return false;
  return movesLot(done, later.id);
};

const movesLot = (act: YardAct, n: number): boolean =>
  act.do === "take out" ? act.lots.some((l) => l.id === n) : (act.do === "count" || act.do === "put right") && act.id === n; // prettier-ignore

/** What an act is called where it is taken back. */
export function yardActText(act: YardAct, lotOf: LotOf, units: Units): string {
  const named = (n: number) => {
    const found = lotOf(n);
    return found ? lotText(found.lot, units) : `lot ${n}`;
  };
  switch (act.do) {
    case "put in": {
      const all = act.lots.reduce((s, l) => s + (l.lot.form === "pack" ? 1 : l.count), 0);
      return act.lots.length === 1 ? `${act.why} ${act.lots[0]!.count} ${lotText(act.lots[0]!.lot, units)}` : `${act.why} ${all} things`; // prettier-ignore
    }
    case "take out":
      return act.lots.length === 1 ? `${act.why} ${act.lots[0]!.count} ${named(act.lots[0]!.id)}` : `${act.why} of ${act.lots.length} lots`; // prettier-ignore
    case "count":
      return `count of ${named(act.id)}`;
    case "put right":
      return `${named(act.id)} put right`;
    case "reserve":
      return "what is kept for a job";
  }
}

/** The yard's lots after a page did something, before the server has answered: what is new has no number yet. */
export function foreseen(lots: LotThere[], act: YardAct, units: Units): LotThere[] {
  if (act.do === "reserve")
    return lots.map((l) => {
      const kept = act.lots.find((r) => r.id === l.id);
      const others = l.reserved.filter((r) => r.job !== act.job);
      return { ...l, reserved: kept ? [...others, { job: act.job, count: kept.count }] : others };
    });
  const byId = new Map(lots.map((l) => [l.id, l]));
  const byKey = new Map(lots.map((l) => [lotKey(l.lot), l]));
  const moved = new Map<number, number>();
  for (const m of movesOf(act, (of) => (typeof of === "number" ? byId.get(of) : byKey.get(lotKey(of))), units)) {
    const n = typeof m.of === "number" ? m.of : byKey.get(lotKey(m.of))?.id;
    if (n !== undefined) moved.set(n, (moved.get(n) ?? 0) + m.change);
  }
  return lots.map((l) => (moved.has(l.id) ? { ...l, there: l.there + moved.get(l.id)! } : l));
}
