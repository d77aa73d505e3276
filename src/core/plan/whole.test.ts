import { inch } from "@/core/length/length";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { clockText, dayOf, dayStart } from "./calendar";
import { boundOf } from "./bound";
import { Hands } from "./hands";
import { replan } from "./replan";
import { LOTS } from "./search";
import { instanceOf } from "./tasks";
import { everything } from "./tests/everything";
import { broken, madeUp, work } from "./tests/shop";
import { whatIf, withMore } from "./whatif";
import { chanceOf } from "./chance";
import type { Block, WholeAsk } from "./block";
import { planWhole } from "./whole";

const draws = (seed: number) => {
  const random = chanceOf(seed);
  return (n: number) => Math.floor(random() * n);
};
/** All rules at all sizes of lot, and so many tries to better the best of them. */
const tries = (n: number) => {
  let left = n + 60;
  return () => left-- > 0;
};
const MONDAY = dayStart("2027-02-08");
const shop = (more: object = {}) => ({ ...USUAL_WORKSHOP, ...more });
const fence = (n: number) => [{ kind: "fence" as const, value: inch(n) }];
const ask = (jobs: WholeAsk["jobs"], more: object = {}): WholeAsk => ({ jobs, shop: shop(more), now: MONDAY });
const job = (n: number, list: WholeAsk["jobs"][0]["work"], more: object = {}) => ({ job: n, from: MONDAY, due: null, work: list, ...more }); // prettier-ignore
const at = (b: Block | undefined) => b && [clockText(b.startsAt).slice(5), clockText(b.endsAt).slice(5)];

test("no plan breaks order, stations, set-ups, people, skills, hours, days off, lots, waits or wood, nor ends before its bound", () => {
  for (let seed = 1; seed <= 60; seed++) {
    const made = madeUp(draws(seed));
    const plan = planWhole(made, seed, tries(10));
    expect([seed, broken(made, plan.blocks)]).toEqual([seed, []]);
    expect([seed, plan.finish >= plan.bound, plan.jobs.every((j) => j.ready >= j.bound)]).toEqual([seed, true, true]);
  }
});

test("what goes through a plan minute by minute finds each kind of fault in one that was bent", () => {
  const saw = { station: "table saw" as const, settings: fence(3), setup: 10, each: 60 };
  const made = ask([job(1, [work("rip", saw), work("glue", { after: ["rip"], wait: 60 }), work("clean", { after: ["glue"] })], { comes: { rip: MONDAY + 1440 } })], { staff: [{ title: "a" }, { title: "b", works: ["bench"] }] }); // prettier-ignore
  const { blocks } = planWhole(made, 1, tries(5));
  const bend = (op: string, more: Partial<Block>) => broken(made, blocks.map((b) => (b.op === op ? { ...b, ...more } : b))); // prettier-ignore
  const rip = blocks.find((b) => b.op === "rip")!;
  expect(broken(made, blocks)).toEqual([]);
  expect(bend("rip", { startsAt: MONDAY + 480, endsAt: MONDAY + 550 })).toEqual([expect.stringContaining("its wood is there")]); // prettier-ignore
  expect(bend("rip", { who: [1] }).join()).toMatch(/somebody who can not/);
  expect(bend("rip", { setUp: 0, minutes: 60, endsAt: rip.endsAt - 10 }).join()).toMatch(/a set-up of 0, where 10/);
  expect(bend("clean", { startsAt: rip.endsAt, endsAt: rip.endsAt + 10 }).join()).toMatch(/before glue is done and has waited/); // prettier-ignore
  expect(bend("glue", { startsAt: MONDAY + 1440, endsAt: MONDAY + 1450 }).join()).toMatch(/not in/);
  expect(bend("clean", { pieces: [0, 0] }).join()).toMatch(/0 of 1 pieces/);
});

test("the bound is never above the best of a small shop, found by trying everything; the plan is nearly always that best", () => {
  let [tried, found] = [0, 0];
  for (let seed = 1; tried < 60; seed++) {
    const made = madeUp(draws(seed), { jobs: 2, operations: 3, minutes: 200, pieces: 3 });
    const instance = instanceOf(made.jobs, made.shop, new Hands(made.shop, dayOf(made.now)), made.now, LOTS[0]!);
    if (instance.tasks.length > 5) continue;
    tried++;
    const best = everything(instance);
    const bound = boundOf(instance);
    expect([seed, bound.finish <= best.finish, bound.late <= best.late]).toEqual([seed, true, true]);
    if (planWhole(made, seed, tries(40)).finish <= best.finish) found++;
  }
  expect(found).toBeGreaterThanOrEqual(54);
});

test("two jobs at one fence are one set-up; lots flow on before the whole is sawn; glue waits at night for nothing", () => {
  const rip = (id: string) => work(id, { kind: "Rip", station: "table saw", settings: fence(9), setup: 15, each: 60 });
  const shared = planWhole(ask([job(1, [rip("a")]), job(2, [rip("b")])]), 1, tries(5));
  // 15 + 60 + 60 minutes of one person from eight.
  expect([shared.setUps, clockText(shared.finish)]).toEqual([1, "2027-02-08T10:15"]);
  const flow = [work("saw", { station: "table saw", pieces: 40, each: 12 }), work("sand", { pieces: 40, each: 12, after: ["saw"] })]; // prettier-ignore
  const [one, two] = [1, 2].map((people) => planWhole(ask([job(1, flow)], { people }), 1, tries(60)));
  // Sixteen hours of one person; of two the first pieces are sanded while the last are sawn, and no one can be ready before the ninth hour begins.
  expect(clockText(one!.finish)).toBe("2027-02-09T16:30");
  expect([two!.finish >= two!.bound, clockText(two!.finish) < "2027-02-09T10:30"]).toEqual([true, true]);
  const night = planWhole(ask([job(1, [work("glue", { each: 450, wait: 900 }), work("sand", { after: ["glue"] })])]), 1, tries(5)); // prettier-ignore
  // Glued by 16:00, dry at 07:00: sanded at eight, when somebody is in.
  expect(at(night.blocks[1])).toEqual(["02-09T08:00", "02-09T08:10"]);
});

test("what two have to do waits until both are in; what only one can is left to them; wood that comes on Wednesday is sawn on Wednesday", () => {
  const staff = [{ title: "sawyer" }, { title: "joiner", works: ["bench" as const], days: [2, 4] }];
  const saw = { station: "table saw" as const, each: 120 };
  const made = ask([job(1, [work("sheet", { people: 2, each: 60 }), work("saw", saw), work("late", saw)], { comes: { late: dayStart("2027-02-10") } })], { staff }); // prettier-ignore
  const { blocks } = planWhole(made, 1, tries(20));
  const of = (op: string) => blocks.find((b) => b.op === op);
  expect([of("sheet")!.who.toSorted(), clockText(of("sheet")!.startsAt).slice(8, 10)]).toEqual([[0, 1], "09"]);
  expect([of("saw")!.who, of("late")!.who, clockText(of("late")!.startsAt)]).toEqual([[0], [0], "2027-02-10T08:00"]);
});

describe("when something slips", () => {
  const rip = (id: string, n: number) => work(id, { station: "table saw", settings: fence(n), setup: 10, each: 230 });
  const day = (n: number) => dayStart("2027-02-08") + 1440 * n;
  const made = ask([job(1, [rip("a", 1), rip("b", 2), rip("c", 3), rip("d", 4)], { due: day(3) })], { staff: [{ title: "sawyer" }] }); // prettier-ignore
  const was = planWhole(made, 1, tries(30));

  test("with nothing changed nothing moves, in any shop", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const shops = madeUp(draws(seed));
      const plan = planWhole(shops, seed, tries(10));
      const { moved, stayed, plan: again } = replan(shops, plan);
      expect([seed, moved, stayed]).toEqual([seed, [], plan.blocks.length]);
      expect(again.finish).toBe(plan.finish);
    }
  });

  test("somebody ill on Tuesday: what stood there moves to Wednesday and what has begun stays; who is late, and by how much, is said", () => {
    const ill = { ...made, now: day(0) + 700, shop: shop({ staff: [{ title: "sawyer", off: ["2027-02-09"] }] }) };
    const { plan, moved } = replan(ill, was);
    expect(broken(ill, plan.blocks)).toEqual([]);
    expect(plan.blocks.slice(0, 2)).toEqual(was.blocks.slice(0, 2));
    expect(moved.map((m) => [clockText(m.from).slice(8), clockText(m.to).slice(8)])).toEqual([["09T08:00", "10T08:00"], ["09T12:30", "10T12:30"]]); // prettier-ignore
    expect([was.jobs[0]!.late, plan.jobs[0]!.late]).toEqual([0, 0]);
    const twoDays = replan({ ...ill, shop: shop({ staff: [{ title: "sawyer", off: ["2027-02-09", "2027-02-10"] }] }) }, was); // prettier-ignore
    // Due at the end of Wednesday, done on Thursday at 16:30.
    expect(twoDays.plan.jobs[0]!.late).toBe(16.5 * 60);
  });

  test("a rush job goes before what can wait; what is put somewhere begins there; late wood moves only what needs it", () => {
    const rush = job(2, [rip("x", 9)], { due: day(1) });
    const added = replan({ ...made, jobs: [...made.jobs, rush] }, was);
    expect([added.added, added.plan.jobs.map((j) => j.late)]).toEqual([1, [0, 0]]);
    const name = was.blocks[3]!.name;
    const put = replan(made, was, [{ job: 1, name, lot: 0, lots: 1, at: day(0) + 480 }]);
    expect(at(put.plan.blocks.find((b) => b.name === name))).toEqual(["02-08T08:00", "02-08T12:00"]);
    expect(put.moved.length).toBe(4);
    const wood = replan({ ...made, jobs: [{ ...made.jobs[0]!, comes: { [was.blocks[3]!.op]: day(3) } }] }, was);
    expect(wood.moved.map((m) => [m.op, clockText(m.to)])).toEqual([[was.blocks[3]!.op, "2027-02-11T08:00"]]);
  });

  test("what was counted at the bench is done, and what was to be done by now and is not moves to now", () => {
    const [first, second, third] = was.blocks;
    const counted = (pieces: Record<string, number>) =>
      replan({ ...made, now: day(1) + 600, made: { 1: Object.fromEntries(Object.entries(pieces).map(([name, n]) => [name, { pieces: n, at: 0 }])) } }, was); // prettier-ignore
    const on = counted({ [first!.name]: 1, [second!.name]: 1 });
    expect(on.moved.map((m) => m.name)).toEqual([third!.name, was.blocks[3]!.name]);
    // Two hours behind: what was to begin at eight begins at ten.
    expect(on.moved.map((m) => clockText(m.to).slice(8))).toEqual(["09T10:00", "09T14:30"]);
    expect(on.plan.blocks.slice(0, 2).every((b) => b.endsAt <= day(1) + 600)).toBe(true);
    expect(counted({ [first!.name]: 1, [second!.name]: 1, [third!.name]: 1 }).moved).toEqual([]);
  });

  test("of what a spoiled piece opens again one operation goes on at the saw, and the others follow it; a plan anew makes nothing twice", () => {
    const saw = (id: string, n: number, more: object = {}) => work(id, { station: "table saw", settings: fence(n), setup: 10, pieces: 20, each: 3, ...more }); // prettier-ignore
    const list = [saw("rip", 1), saw("crosscut", 2, { after: ["rip"] }), saw("rabbet", 3, { after: ["crosscut"] })];
    const plan = planWhole(ask([job(1, list)]), 1, tries(20));
    const counted = (w: typeof list, ...pieces: number[]) => ({ ...ask([job(1, w)]), now: day(0) + 600, made: { 1: Object.fromEntries(w.map((x, i) => [plan.blocks.find((b) => b.op === x.id)!.name, { pieces: pieces[i]!, at: i }])) } }); // prettier-ignore
    // At ten the eleventh is spoiled at the rabbet: one more is wanted of all three.
    const again = counted(list.map((w) => ({ ...w, pieces: 21 })), 20, 20, 10); // prettier-ignore
    for (const p of [replan(again, plan).plan, planWhole(again, 1, tries(20), () => {}, plan.blocks)]) {
      expect(broken(again, p.blocks)).toEqual([]);
      const ahead = p.blocks.filter((b) => b.endsAt > again.now);
      expect(ahead.map((b) => b.op).filter((op, i, all) => op !== all[i - 1])).toEqual(["rip", "crosscut", "rabbet"]);
      // By hand: three set-ups of ten; one piece of three minutes ripped, one crosscut and eleven rabbeted.
      expect([p.finish - again.now, p.finish >= p.bound]).toEqual([30 + 3 * 13, true]);
    }
    const half = counted(list, 20, 20, 10);
    expect(planWhole(half, 1, tries(20), () => {}, plan.blocks).finish).toBe(half.now + 30);
  });

  test("a plan that was mended is as whole as a new one, in any shop", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const shops = madeUp(draws(seed));
      const plan = planWhole(shops, seed, tries(5));
      const later = { ...shops, now: shops.now + 900, shop: { ...shops.shop, closed: ["2027-02-11"] } };
      const mended = replan(later, plan);
      expect([seed, broken(later, mended.plan.blocks, later.now)]).toEqual([seed, []]);
    }
  });
});

test("what would help most stands first, and what changes nothing gains nothing", () => {
  // The saw has eight hours of work each day, the bench one: another saw and somebody for it, not a bench.
  const made = ask([job(1, Array.from({ length: 6 }, (_, i) => work(`${i}`, { station: "table saw", each: 460, settings: fence(i + 1), setup: 20 })))], { people: 2 }); // prettier-ignore
  const plan = planWhole(made, 1, tries(20));
  const gains = whatIf(made, plan, () => true);
  expect([gains[0]!.of, gains[0]!.gainedFinish > 0]).toEqual([{ more: "station", station: "table saw" }, true]);
  expect(gains.find((g) => g.of.more === "person")!.gainedFinish).toBe(0);
  expect(gains.every((g, i) => i === 0 || g.gainedFinish <= gains[i - 1]!.gainedFinish)).toBe(true);
  expect(withMore(made.shop, { more: "Saturdays" }).days).toEqual([1, 2, 3, 4, 5, 6]);
});

test("the same seed finds the same plan, more tries never a worse one, and each that is told is better than the one before", () => {
  for (const seed of [3, 17, 42]) {
    const made = madeUp(draws(seed), { jobs: 4, operations: 6, minutes: 200, pieces: 12 });
    const worths: { late: number; finish: number }[] = [];
    const long = planWhole(made, seed, tries(120), (w) => worths.push(w));
    expect(planWhole(made, seed, tries(120)).blocks).toEqual(long.blocks);
    const short = planWhole(made, seed, tries(0));
    const late = (plan: typeof long) => plan.jobs.reduce((n, j) => n + j.late, 0);
    expect([seed, late(long) < late(short) || (late(long) === late(short) && long.finish <= short.finish)]).toEqual([seed, true]); // prettier-ignore
    const isBetter = worths.every((w, i) => i === 0 || w.late < worths[i - 1]!.late || (w.late === worths[i - 1]!.late && w.finish <= worths[i - 1]!.finish)); // prettier-ignore
    expect([seed, isBetter, worths.at(-1)!.finish]).toEqual([seed, true, long.finish]);
  }
});
