import { type BenchEvent, type Tally, talliesOf } from "@/core/bench/events";
import { layoutRequest } from "@/core/job/ask";
import { inShop } from "@/core/job/inshop";
import { sawnAct, takesOf, unsawn } from "@/core/job/sawn";
import { takingUp } from "@/core/job/takeup";
import { workJob } from "@/core/job/worked";
import type { Act } from "@/core/job/acts";
import { allLayouts } from "@/core/layout/layout";
import { partKey } from "@/core/line/line";
import { namesOf } from "@/core/work/names";
import type { Operation } from "@/core/work/operation";
import { operations } from "@/core/work/operations";
import { JobFileError } from "@/core/problem/problem";
import { benchStore } from "@/store/bench";
import type { Db } from "@/store/database";
import { jobStore, NoJobError } from "@/store/jobs";
import { StaleError } from "@/store/keeper";
import { askLayoutBy } from "./pool";
import { freshen } from "./standings";

const held = globalThis as { rundikBooking?: Map<number, Promise<void>> };

/** Books what happened at the bench to its jobs, behind whoever told it, one job after another; what fails is booked with the next event. */
export function book(db: Db, events: BenchEvent[], tallies: Tally[], today: string): void {
  const running = (held.rundikBooking ??= new Map());
  for (const id of new Set(events.map((e) => e.job))) {
    const mine = events.filter((e) => e.job === id);
    if (!matters(db, id, mine, tallies)) continue;
    const next = (running.get(id) ?? Promise.resolve())
      .then(() => bookOne(db, id, mine, today))
      .catch((e: Error) => {
        if (!(e instanceof NoJobError)) process.stderr.write(`Rundik: the bench was not booked to job ${id}: ${e.message}\n`); // prettier-ignore
      })
      .finally(() => {
        if (running.get(id) === next) running.delete(id);
      });
    running.set(id, next);
  }
}

/** When all that is being booked is booked. */
export const booked = async (): Promise<void> => void (await Promise.all(held.rundikBooking?.values() ?? []));

/** True where something happened that may change the job: a part was spoiled, or an operation that works boards first begins or is all made. */
function matters(db: Db, id: number, events: BenchEvent[], tallies: Tally[]): boolean {
  if (events.some((e) => e.what.do === "spoil" && e.what.of)) return true;
  const begins = new Set(events.filter((e) => e.what.do === "begin").map((e) => e.name));
  const work = jobStore(db).workOf(id);
  const names = namesOf(work);
  return work.some((w) => {
    const name = names.get(w.id)!;
    const made = tallies.find((t) => t.job === id && t.name === name)?.made;
    return w.from && (begins.has(name) || (made !== undefined && made >= w.pieces));
  });
}

/**
 * Books what happened at the bench to one job. Where sawing has begun its layouts stay as they are and their boards are kept; boards of which
 * every first cut is made are sawn, and go out of the yard; for what was spoiled as much more is cut.
 */
export async function bookOne(db: Db, id: number, events: BenchEvent[], today: string): Promise<void> {
  const store = jobStore(db);
  const { job, around } = store.load(id);
  const happened = benchStore(db).of(id);
  const known = new Set((job.spoiled ?? []).map((s) => s.id));
  const spoils = happened.filter((e) => e.what.do === "spoil" && e.what.of && !known.has(e.id));
  const here = inShop(job, id, around);
  const worked = workJob(here);
  const result = await askLayoutBy(layoutRequest(worked));
  const work = operations(worked, result);
  const names = namesOf(work);
  const tallies = talliesOf(happened, 0);
  const tallyOf = (o: Operation) => tallies.get(`${id} ${names.get(o.id)!}`);
  const first = work.filter((o) => o.boards.size > 0);
  const left = unsawn(result);
  const begun = first.filter((o) => (tallyOf(o)?.setUps ?? 0) > 0 || (tallyOf(o)?.made ?? 0) > 0);
  const begins = events.some((e) => e.what.do === "begin" && begun.some((o) => names.get(o.id) === e.name));
  const acts: { key: string; act: Act }[] = [];
  const newest = Math.max(...happened.map((e) => e.at));
  if ((begins || (spoils.length > 0 && begun.length > 0)) && left.some((l) => l.pin === undefined)) {
    const pinned = allLayouts(result).map(({ layout: { stock, repeat, strips } }) => ({ stock, repeat, strips }));
    const lots = [...takesOf(left, result)].map(([lot, count]) => ({ id: lot, count }));
    acts.push({ key: `bench-hold.${newest}`, act: { do: "hold", pinned: pinned.map((p) => ({ ...p, stock: placeIn(here.stock, p.stock) })), lots } }); // prettier-ignore
  }
  const isSawn = (stock: number) => {
    const of = first.filter((o) => o.boards.has(stock));
    return of.length > 0 && of.every((o) => (tallyOf(o)?.made ?? 0) >= o.pieces);
  };
  const sawn = left.filter((l) => isSawn(l.stock));
  const made = first.reduce((n, o) => n + (tallyOf(o)?.made ?? 0), 0);
  if (sawn.length > 0) acts.push({ key: `bench-sawn.${made}`, act: sawnAct(sawn, result) });
  for (const e of spoils) {
    if (e.what.do !== "spoil") continue;
    const { of = [], n } = e.what;
    const op = work.find((o) => names.get(o.id) === e.name);
    for (const [k, part] of of.entries()) {
      const through = op?.parts.get(partKey(part));
      // Of what is put together one piece is spoiled, not all that go into it.
      const each = through ? through.pieces / Math.max(1, through.units) : 1;
      const id = `${e.id}${k > 0 ? `/${k + 1}` : ""}`;
      acts.push({ key: `bench-${id}`, act: { do: "spoil", spoiled: { id, of: part, pieces: Math.ceil(n * each - 1e-9), units: n, at: e.name } } }); // prettier-ignore
    }
  }
  for (const { key, act } of acts)
    try {
      const now = store.load(id);
      const { before, act: mine } = takingUp(act, now.job, inShop(now.job, id, now.around));
      for (const b of before) store.act(id, store.load(id).revision, b);
      store.act(id, store.load(id).revision, mine, key);
    } catch (e) {
      // What somebody else did meanwhile stands; the next event looks again.
      if (!(e instanceof StaleError || e instanceof JobFileError)) throw e;
    }
  if (acts.length > 0) freshen(db, [id], today);
}

/** Where the n-th board of a layout's stock is among all that a job has, with its packs. */
const placeIn = (stock: { form: string }[], n: number): number =>
  stock.flatMap((s, i) => (s.form === "pack" ? [] : [i]))[n]!;
