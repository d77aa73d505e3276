import { createHash } from "node:crypto";
import { DAY, dayOf, dayStart } from "@/core/plan/calendar";
import { dueEnd } from "@/core/plan/plan";
import type { Put } from "@/core/plan/replan";
import { type Run, runsOf } from "@/core/plan/runs";
import { type Occasion, occasionOf, yearOf } from "@/core/plan/season";
import type { LeftOut, OnItsWay, OpenDay, PlannedJob, PutForward, RunPlan, ShownPlan } from "@/core/plan/shown";
import { handsOf, hoursOn } from "@/core/shop/shop";
import type { PlanShop, ToPlan, Work } from "@/core/plan/tasks";
import { namesOf } from "@/core/work/names";
import { tallyKey } from "@/core/bench/events";
import type { Block, WholeAsk } from "@/core/plan/block";
import type { WholePlan } from "@/core/plan/whole";
import { dueOf, type Purchase } from "@/core/purchase/purchase";
import { thingKey } from "@/core/purchase/thing";
import { benchStore } from "@/store/bench";
import type { Standing } from "@/core/today/standing";
import type { Db } from "@/store/database";
import { jobStore, type OpenWork } from "@/store/jobs";
import { StaleError } from "@/store/keeper";
import { planStore } from "@/store/plans";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";
import { askGains, askMended, askPlan } from "./pool";

/** All that a plan is made from. */
export interface Facts {
  whole: WholeAsk;
  /** Another one wants another plan. */
  facts: string;
  jobs: PlannedJob[];
  left: LeftOut[];
  coming: OnItsWay[];
  /** Jobs whose work is not known as it is now: it has to be worked out. */
  old: number[];
}

/** All that a plan of the shop is made from, at a clock minute of a day. */
export function factsOf(db: Db, now: number, today: string): Facts {
  const store = jobStore(db);
  const open = store.work();
  const stale = store.list({ day: today }).filter((j) => !j.fresh).map((j) => j.id); // prettier-ignore
  const { people, staff, days, hours, closed, stations } = shopStore(db).load().shop.workshop;
  const shop: PlanShop = { people, staff, days, hours, closed, stations };
  const planned = open.filter((j) => whyNot(j) === undefined);
  const coming = purchaseStore(db).open().flatMap(({ id, purchase }) => onItsWay(id, purchase)); // prettier-ignore
  const jobs = planned.map((j): ToPlan => {
    const mine = coming.filter((c) => c.job === j.id && c.on);
    return { job: j.id, from: j.start ? dayStart(j.start) : 0, due: dueEnd(j.due ?? undefined), work: j.work!, comes: comesTo(j.work!, mine) }; // prettier-ignore
  });
  const occasions = new Map<number, Set<Occasion>>();
  for (const { job, ...line } of store.items())
    occasions.set(job, (occasions.get(job) ?? new Set()).add(occasionOf(line)));
  const made: NonNullable<WholeAsk["made"]> = {};
  for (const t of benchStore(db).tallies(0).values())
    (made[t.job] ??= {})[t.name] = { pieces: t.made, at: now - (Date.now() - t.at) / 60_000 };
  const facts = createHash("sha256").update(JSON.stringify({ jobs, shop })).digest("base64url"); // prettier-ignore
  return {
    whole: { jobs, shop, now, made },
    facts,
    jobs: planned.map(({ id, name, customer, units, due, work }) => ({ id, name, customer, units, due, work: work!, for: [...(occasions.get(id) ?? [])] })), // prettier-ignore
    left: open.flatMap((j) => {
      const why = whyNot(j);
      return why === undefined ? [] : [{ id: j.id, name: j.name, why }];
    }),
    coming: coming.map(({ key: _key, board: _board, ...c }) => c),
    old: stale,
  };
}

/** Why a job is not planned yet. */
function whyNot({ standing, work }: OpenWork): string | undefined {
  if (!standing || !work) return "what has to be done is being worked out";
  if (standing.lines === 0) return "nothing is asked for yet";
  if (standing.stops > 0) return standing.stop ?? "something in it will not fit";
  if (standing.missing > 0) return `no board gives ${standing.missing} of its parts`;
  return work.length === 0 ? "there is nothing to do in it" : undefined;
}

/** What of an order is still to come, for which job, and when. */
function onItsWay(id: number, p: Purchase): (OnItsWay & { key: string; board: boolean })[] {
  const due = dueOf(p);
  return p.lines.flatMap((l, i) => {
    if (due[i]! <= 0) return [];
    const on = p.answer?.lines[i]?.comes;
    return l.for.map(({ job }) => ({ purchase: id, from: p.name, job, what: l.thing.material, key: thingKey(l.thing), board: l.thing.form !== "pack", ...(on ? { on } : {}) })); // prettier-ignore
  });
}

/** When the things come that operations take up; a board no operation is known to begin with holds up all that begin. */
function comesTo(work: Work[], coming: ReturnType<typeof onItsWay>): Record<string, number> {
  const comes: Record<string, number> = {};
  for (const { key, board, on } of coming) {
    const takers = work.filter((w) => w.takes?.includes(key));
    const held = takers.length > 0 ? takers : board ? work.filter((w) => w.after.length === 0 && w.step === undefined) : []; // prettier-ignore
    for (const w of held) comes[w.id] = Math.max(comes[w.id] ?? 0, dayStart(on!));
  }
  return comes;
}

/** Looks for the best plan of all that is open, and puts it forward. @throws AbortError, LayoutLimit, FullError */
export async function planAnew(
  db: Db,
  now: number,
  today: string,
  how: Parameters<typeof askPlan>[1],
): Promise<PutForward> {
  // prettier-ignore
  const { whole, facts } = factsOf(db, now, today);
  if (whole.jobs.length === 0) throw new StaleError("there is no job that can be planned");
  const store = planStore(db);
  const was = store.standing()?.plan.blocks;
  const plan = await askPlan({ whole, seed: 1, ...(was ? { was } : {}) }, how);
  return { plan: asRuns(store.putForward(plan, facts), plan, whole), mended: null };
}

/** Mends the plan that stands with as little movement as can be, and puts that forward. @throws StaleError where none stands */
export async function mend(db: Db, now: number, today: string, puts: Put[], signal?: AbortSignal): Promise<PutForward> {
  const store = planStore(db);
  const was = store.standing();
  const { whole, facts } = factsOf(db, now, today);
  if (!was || whole.jobs.length === 0) throw new StaleError("no plan stands that could be mended; make one");
  const { plan, ...mended } = await askMended({ whole, was: was.plan, puts }, signal);
  return { plan: asRuns(store.putForward(plan, facts), plan, whole), mended };
}

const asRuns = (id: number, { blocks, ...plan }: WholePlan, { jobs, shop, now }: WholeAsk): RunPlan => ({ ...plan, id, runs: runsOf({ blocks }, jobs), days: daysOf(shop, Math.min(now, plan.now), plan.finish) }); // prettier-ignore

/** What more people, days or stations would gain over the plan that stands. @throws StaleError where none stands */
export async function gains(db: Db, now: number, today: string, how: Parameters<typeof askGains>[1]) {
  const was = planStore(db).standing();
  const { whole } = factsOf(db, now, today);
  if (!was || whole.jobs.length === 0) throw new StaleError("no plan stands that could be held against another");
  return askGains({ whole, plan: was.plan }, how);
}

/** Days before now that are shown. */
const BEFORE = 7;

/** All the page of the plan shows. */
export function shownPlan(db: Db, now: number, today: string): ShownPlan {
  const { whole, facts, jobs, left, coming, old } = factsOf(db, now, today);
  const store = planStore(db);
  const kept = store.standing();
  const { workshop } = shopStore(db).load().shop;
  const people = Array.from({ length: handsOf(workshop) }, (_, p) => ({ title: workshop.staff[p]?.title ?? `person ${p + 1}` })); // prettier-ignore
  const plan = kept ? asRuns(kept.id, kept.plan, whole) : null;
  return {
    now,
    today,
    jobs: jobs.map(({ work: _work, ...j }) => j),
    left,
    coming,
    old,
    people,
    plan,
    year: yearOf(plan?.runs ?? [], whole.shop, now),
    hasEarlier: store.hasEarlier(),
    stale: kept !== undefined && kept.facts !== facts,
  };
}

/** Days somebody is in, from a week before one minute to the day of another and a week more. */
function daysOf(shop: PlanShop, now: number, to: number): OpenDay[] {
  const out: OpenDay[] = [];
  for (let at = now - BEFORE * DAY; at < to + 7 * DAY; at += DAY) {
    const day = dayOf(at);
    const hours = hoursOn(shop, day);
    if (hours.length > 0) out.push({ day, from: dayStart(day) + hours[0]![0], to: dayStart(day) + hours.at(-1)![1] });
  }
  return out;
}

/** Where somebody can work, what is planned there in its order, and what became of it so far. */
export function benchesOf(db: Db, now: number, today: string) {
  const { plan, jobs, stale } = shownPlan(db, now, today);
  const again = new Map(jobStore(db).work().map((j) => [j.id, j.standing?.again])); // prettier-ignore
  const of = new Map<string, Run[]>();
  for (const r of plan?.runs ?? []) push(of, `${r.station} ${r.unit}`, r);
  const several = (station: string) => [...of.values()].filter(([r]) => r!.station === station).length > 1;
  const places = [...of.values()].map((runs) => ({ name: `${runs[0]!.station}${several(runs[0]!.station) ? ` ${runs[0]!.unit + 1}` : ""}`, runs })); // prettier-ignore
  return {
    places: places.toSorted((a, b) => a.runs[0]!.startsAt - b.runs[0]!.startsAt),
    jobs: jobs.map(({ id, name, units }) => ({ id, name, units, again: again.get(id) ?? [] })),
    stale,
    version: benchStore(db).version(),
    tallies: [...benchStore(db).tallies(Date.now()).values()],
  };
}

const push = <T>(lists: Map<string, T[]>, key: string, value: T) => void lists.set(key, [...(lists.get(key) ?? []), value]); // prettier-ignore

const workNamed = (work: Work[], name: string) => work.find(({ id }) => namesOf(work).get(id) === name);

/** What the saw stands at by the plan, or is set to next. */
export interface SawNow {
  job: number;
  jobName: string;
  units: "in" | "mm";
  title: string;
  of: string;
  pieces: number;
  settings: Work["settings"];
  startsAt: number;
  endsAt: number;
}

/** What the first saw stands at: the first that is planned there, is not over and is not made; nothing without a plan. */
export function sawNow(db: Db, now: number): SawNow | null {
  const kept = planStore(db).standing();
  if (!kept) return null;
  const tallies = benchStore(db).tallies(0);
  const made = (b: Block) => (tallies.get(tallyKey(b))?.made ?? 0) >= b.pieces[1];
  const store = jobStore(db);
  const open = new Map(store.list().map((j) => [j.id, j]));
  const here = kept.plan.blocks.filter((b) => b.station === "table saw" && b.unit === 0 && open.has(b.job));
  const block = here.find((b) => b.endsAt > now && !made(b));
  const w = block && workNamed(store.workOf(block.job), block.name);
  if (!block || !w) return null;
  const { units } = store.load(block.job).job;
  return { job: block.job, jobName: open.get(block.job)!.name, units, title: w.name, of: w.of ?? "", pieces: block.pieces[1] - block.pieces[0], settings: w.settings, startsAt: block.startsAt, endsAt: block.endsAt }; // prettier-ignore
}

/** When jobs are ready by the plan that stands, where it has them: the day, and days after the one they are due. */
export function readyByPlan(db: Db): Map<number, Pick<Standing, "ready" | "late">> {
  const jobs = planStore(db).standing()?.plan.jobs ?? [];
  const days = (from: string, to: string) => (dayStart(to) - dayStart(from)) / DAY;
  return new Map(
    jobs.map(({ job, ready, due }) => {
      const day = dayOf(ready);
      return [job, { ready: day, ...(due === null ? {} : { late: days(dayOf(due - 1), day) }) }];
    }),
  );
}
