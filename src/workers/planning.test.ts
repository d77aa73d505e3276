/** @jest-environment node */
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { layoutRequest } from "@/core/job/ask";
import { inShop } from "@/core/job/inshop";
import { layOut } from "@/core/layout/layout";
import { board } from "@/core/layout/tests/samples";
import { inch } from "@/core/length/length";
import { clockText, dayStart } from "@/core/plan/calendar";
import { chanceOf } from "@/core/plan/chance";
import { planWhole } from "@/core/plan/whole";
import { replan } from "@/core/plan/replan";
import { broken, later, madeUp } from "@/core/plan/tests/shop";
import { asItStands } from "@/core/plan/begun";
import { boundOf } from "@/core/plan/bound";
import { Hands } from "@/core/plan/hands";
import { LOTS } from "@/core/plan/search";
import { instanceOf, type PlanShop, type ToPlan } from "@/core/plan/tasks";
import { everything } from "@/core/plan/tests/everything";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { standingOf } from "@/core/today/standing";
import { operations } from "@/core/work/operations";
import { HAZARDOUS_STATIONS } from "@/core/feature/machine";
import type { Run } from "@/core/plan/runs";
import { benchStore } from "@/store/bench";
import { jobStore } from "@/store/jobs";
import { planStore } from "@/store/plans";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";
import { openDatabase } from "@/store/database";
import { benchesOf, factsOf, readyByPlan, sawNow, shownPlan } from "./planning";

const MONDAY = dayStart("2027-02-08");
const TODAY = "2027-02-08";
const line = (item: string, quantity: number, size = "deep") => ({ item, standard: "langstroth-10", size, quantity, options: {} }); // prettier-ignore
const job = (name: string, lines: Job["lines"], more: Partial<Job> = {}): Job => ({ ...emptyJob(name, "in"), lines, stock: [board(), board({ thickness: inch(1, 1, 2) })], ...more }); // prettier-ignore

/** A database with jobs whose standings are worked out. */
function shopWith(...jobs: Job[]) {
  const db = openDatabase(":memory:");
  const store = jobStore(db);
  const ids = jobs.map((j) => {
    const { id, job: kept, around, version } = store.create(j);
    store.keepStanding(id, version, TODAY, standingOf(inShop(kept, id, around), TODAY, new Map(), (r) => layOut(r, () => 0))); // prettier-ignore
    return id;
  });
  return { db, ids };
}

test("what is planned is every open job that can be made; of the others it is said why not", () => {
  const thin = { ...line("body", 1), options: { thickness: inch(0, 3, 16) } };
  const { db, ids } = shopWith(job("Four", [line("body", 4)]), job("Empty", []), job("Thin", [thin]), job("No wood", [line("body", 2)], { stock: [] })); // prettier-ignore
  const { jobs, left, whole } = factsOf(db, MONDAY, TODAY);
  expect(jobs.map((j) => j.id)).toEqual([ids[0]]);
  expect(left.map((l) => l.why)).toEqual(["nothing is asked for yet", expect.any(String), expect.stringMatching(/no board gives \d+ of its parts/)]); // prettier-ignore
  expect(whole.jobs[0]!.work.filter((w) => w.station === "table saw").every((w) => /manual/.test(w.caution ?? ""))).toBe(true); // prettier-ignore
  expect(shownPlan(db, MONDAY, TODAY)).toMatchObject({ plan: null, stale: false });
});

test("boards that are on their way are not sawn before the day they come, and are shown to come in", () => {
  const { db, ids } = shopWith(job("Four", [line("body", 4)]));
  const store = purchaseStore(db);
  const wants = jobStore(db).work()[0]!.standing!.wants;
  const { thing } = wants.find((w) => w.unit === "board")!;
  const { id } = store.draw("a-key-of-some-letters", { seller: 1, name: "Mill", currency: null, delivery: 0, lines: [{ offer: "1", thing, pack: 1, packs: 9, price: 100, for: [{ job: ids[0]!, quantity: 9 }] }] }); // prettier-ignore
  expect(factsOf(db, MONDAY, TODAY).whole.jobs[0]!.comes).toEqual({});
  store.line(id, { do: "send" });
  store.line(id, { do: "heard", answer: { key: "a-key-of-some-letters", reference: "r", state: "acknowledged", delivery: 0, lines: [{ packs: 9, price: 100, comes: "2027-02-11" }], deliveries: [] } }); // prettier-ignore
  const facts = factsOf(db, MONDAY, TODAY);
  const { blocks } = planWhole(facts.whole, 1, () => false);
  expect(clockText(Math.min(...blocks.filter((b) => b.station === "table saw").map((b) => b.startsAt)))).toBe("2027-02-11T08:00"); // prettier-ignore
  expect(facts.coming).toMatchObject([{ from: "Mill", job: ids[0], what: "pine", on: "2027-02-11" }]);
});

test("a plan is put forward, stands when it is let, is stale when a job changes, and the one before can be gone back to", () => {
  const { db, ids } = shopWith(job("Four", [line("body", 4)]), job("Two", [line("cover", 2)]));
  const store = planStore(db);
  const made = () => {
    const { whole, facts } = factsOf(db, MONDAY, TODAY);
    return store.putForward(planWhole(whole, 1, () => false), facts);
  }; // prettier-ignore
  const first = made();
  expect([store.standing(), store.hasEarlier()]).toEqual([undefined, false]);
  store.stand(first);
  store.stand(first);
  const shown = shownPlan(db, MONDAY, TODAY);
  expect([shown.plan!.id, shown.stale, shown.plan!.runs.every((r) => r.title !== "done meanwhile")]).toEqual([first, false, true]); // prettier-ignore
  expect(shown.plan!.runs.reduce((n, r) => n + r.lots, 0)).toBe(store.standing()!.plan.blocks.length);
  shopStore(db).all([{ revision: 0, act: { do: "workshop", to: { closed: ["2027-02-09"] } } }]);
  expect(shownPlan(db, MONDAY, TODAY).stale).toBe(true);
  const second = made();
  store.stand(second);
  expect([store.standing()!.id, store.hasEarlier(), shownPlan(db, MONDAY, TODAY).stale]).toEqual([second, true, false]);
  store.back(second);
  expect(store.standing()!.id).toBe(first);
  expect(() => store.back(second)).toThrow(/another plan stands/);
  expect(() => store.stand(999)).toThrow(/not kept any more/);
  // Where the plan has a job, the first page says what the plan says.
  const { ready } = store.standing()!.plan.jobs.find((j) => j.job === ids[0])!;
  expect(readyByPlan(db).get(ids[0]!)).toEqual({ ready: clockText(ready).slice(0, 10) });
  jobStore(db).archive(ids[1]!, true);
  const { whole } = factsOf(db, MONDAY, TODAY);
  expect(replan(whole, store.standing()!.plan).plan.jobs.map((j) => j.job)).toEqual([ids[0]]);
});

test("the bench is led by the plan, every cut with its caution; what is counted there is done in the plan, and what it fell behind with moves", () => {
  const { db, ids } = shopWith(job("Four", [line("body", 4)]));
  const { whole, facts } = factsOf(db, MONDAY, TODAY);
  const store = planStore(db);
  store.stand(
    store.putForward(
      planWhole(whole, 1, () => false),
      facts,
    ),
  );
  const { places, tallies } = benchesOf(db, MONDAY, TODAY);
  const saw = places.find((p) => p.name === "table saw")!;
  expect(saw.runs.map((r) => r.startsAt)).toEqual(saw.runs.map((r) => r.startsAt).toSorted((a, b) => a - b));
  // Every operation at a station that can hurt carries its caution to the bench.
  for (const { runs } of places)
    for (const r of runs)
      if (HAZARDOUS_STATIONS.includes(r.station)) expect([r.title, r.caution]).toEqual([r.title, expect.stringMatching(/manual, local rules and licensed practice/)]); // prettier-ignore
  expect(tallies).toEqual([]);
  const [first, second] = saw.runs as [Run, Run];
  const bench = benchStore(db);
  bench.add([{ id: "a.1", job: ids[0]!, name: first.name, at: 1, what: { do: "count", n: first.all } }], 0);
  expect(benchesOf(db, MONDAY, TODAY).tallies).toMatchObject([{ name: first.name, made: first.all }]);
  // The first is made: the saw is set to the second.
  expect(sawNow(db, MONDAY)).toMatchObject({
    job: ids[0],
    jobName: "Four",
    title: second.title,
    settings: second.settings,
  });
  // Nothing is stale: counting changes no plan by itself. At noon the second has not begun, and moves.
  expect(shownPlan(db, MONDAY, TODAY).stale).toBe(false);
  const noon = factsOf(db, first.startsAt + 240, TODAY).whole;
  const { moved, plan } = replan(noon, store.standing()!.plan);
  expect(moved.map((m) => m.name)).toContain(second.name);
  expect(moved.map((m) => m.name)).not.toContain(first.name);
  expect(broken(noon, plan.blocks.filter((b) => b.startsAt >= noon.now), 0).filter((w) => /same at once|at one station|not in/.test(w))).toEqual([]); // prettier-ignore
});

/** The operations of a made-up job, laid out as far as it is at once. */
const workOf = (lines: Job["lines"], more: Partial<Job> = {}) => {
  const worked = workJob(job("x", lines, more));
  return operations(worked, layOut(layoutRequest(worked), () => 0)); // prettier-ignore
};

test("twelve jobs with 600 bodies and 6 000 frames among them on three people and one saw: planned within a tenth of the bound, mended in a moment", () => {
  // A minute in a shop of some size: three people, one of whom saws nothing and one who comes four days.
  const staff = [{ title: "sawyer" }, { title: "joiner", works: ["table saw", "drill", "bench", "clamps", "frame jig", "finish"] }, { title: "helper", days: [1, 2, 3, 4], works: ["bench", "clamps", "frame jig", "finish"] }]; // prettier-ignore
  const shop: PlanShop = { ...USUAL_WORKSHOP, staff: staff as PlanShop["staff"] };
  const sizes = [10, 40, 8, 100, 20, 30, 12, 16, 60, 5];
  const lists = [[line("body", 600)], [line("frame", 6000)], ...sizes.map((q, i) => [line("body", q, i % 2 ? "medium" : "deep"), line("frame", q * 10, i % 2 ? "medium" : "deep")])]; // prettier-ignore
  const jobs = lists.map((lines, i): ToPlan => ({ job: i + 1, from: 0, due: MONDAY + 1440 * (i < 2 ? 200 : 30 + 15 * i), work: workOf(lines, i % 3 ? { finish: "paint" } : {}) })); // prettier-ignore
  const ask = { jobs, shop, now: MONDAY };
  const began = performance.now();
  const plan = planWhole(ask, 1, tries(15));
  const took = performance.now() - began;
  const gap = (plan.finish - plan.bound) / (plan.bound - MONDAY);
  // Whoever saws on Thursday is ill then.
  const saws = plan.blocks.find((b) => b.station === "table saw" && b.endsAt > MONDAY + 1440 * 3 + 480)!.who[0];
  const ill = { ...ask, now: MONDAY + 1440 * 2, shop: { ...shop, staff: shop.staff.map((p, i) => (i === saws ? { ...p, off: ["2027-02-11"] } : p)) } }; // prettier-ignore
  const again = performance.now();
  const mended = replan(ill, plan);
  const mendedIn = performance.now() - again;
  const moved = mended.moved.reduce((n, m) => n + m.lots, 0);
  expect(broken(ask, plan.blocks).slice(0, 3)).toEqual([]);
  expect(gap).toBeLessThan(0.1);
  expect(moved).toBeGreaterThan(0);
  expect(moved + mended.stayed).toBeLessThanOrEqual(plan.blocks.length);
  if (process.env["RUNDIK_SHOPS"]) process.stdout.write(`12 jobs: ${plan.blocks.length} lots in ${took.toFixed(0)} ms, done ${clockText(plan.finish)}, bound ${clockText(plan.bound)} (${(100 * gap).toFixed(2)} %, ${plan.boundBy}), late ${plan.jobs.filter((j) => j.late > 0).length}; who saws ill a day: mended in ${mendedIn.toFixed(0)} ms, ${moved} lots of ${mended.moved.length} operations move, ${mended.stayed} stay; ${(process.memoryUsage().rss / 2 ** 20).toFixed(0)} MB\n`); // prettier-ignore
}, 300_000);

const tries = (n: number) => {
  let left = n + 60;
  return () => left-- > 0;
};
/** Made-up shops that are planned and gone through; small ones that are tried in full. */
const SHOPS = Number(process.env["RUNDIK_SHOPS"] ?? 20);

test("over many made-up shops no plan, and no mended one, breaks a rule; no bound is above what trying everything finds", () => {
  const draws = (seed: number) => {
    const random = chanceOf(seed);
    return (n: number) => Math.floor(random() * n);
  };
  let [best, tried, lots] = [0, 0, 0];
  const moves: number[] = [];
  for (let seed = 5001; seed <= 5000 + SHOPS; seed++) {
    const made = madeUp(draws(seed));
    const plan = planWhole(made, seed, tries(10));
    const off = { ...made, now: made.now + 600, shop: { ...made.shop, closed: ["2027-02-11"] } };
    const mended = replan(off, plan);
    expect([seed, broken(made, plan.blocks), broken(off, mended.plan.blocks, off.now)]).toEqual([seed, [], []]);
    const draw = draws(seed * 7);
    const counted = later(draw, made, plan);
    for (const p of [replan(counted, plan).plan, planWhole(counted, seed, tries(2), () => {}, plan.blocks)]) {
      expect([seed, broken(counted, p.blocks)]).toEqual([seed, []]);
      expect([seed, p.finish >= p.bound, p.jobs.every((j) => j.ready >= j.bound)]).toEqual([seed, true, true]);
    }
    moves.push(mended.moved.reduce((n, m) => n + m.lots, 0));
    lots += plan.blocks.length;
    const small = madeUp(draws(seed), { jobs: 2, operations: 3, minutes: 200, pieces: 3 });
    const instance = instanceOf(small.jobs, small.shop, new Hands(small.shop, TODAY), small.now, LOTS[0]!);
    if (instance.tasks.length > 5) continue;
    tried++;
    const all = everything(instance);
    const smallPlan = planWhole(small, seed, tries(0));
    if (smallPlan.finish <= all.finish) best++;
    // The same shop again when some of it is made.
    const then = later(draw, small, smallPlan);
    const asItIs = asItStands(instanceOf(then.jobs, then.shop, new Hands(then.shop, TODAY), then.now, LOTS[0]!), then, smallPlan.blocks); // prettier-ignore
    for (const [of, least] of [
      [instance, all],
      ...(asItIs.tasks.length - asItIs.begun.size > 5 ? [] : [[asItIs, everything(asItIs)] as const]),
    ] as const) {
      // prettier-ignore
      const bound = boundOf(of);
      expect([seed, bound.finish <= least.finish, bound.late <= least.late]).toEqual([seed, true, true]);
    }
  }
  expect(best / tried).toBeGreaterThan(0.8);
  if (process.env["RUNDIK_SHOPS"]) process.stdout.write(`${SHOPS} shops, ${lots} lots: none breaks a rule, nor mended, nor with what is counted and spoiled at the bench (median ${moves.toSorted((a, b) => a - b)[moves.length >> 1]} lots moved); ${tried} small ones tried in full, no bound above; ${best} planned as well at once\n`); // prettier-ignore
}, 3_600_000);
