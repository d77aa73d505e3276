import { inch, nm } from "@/core/length/length";
import { layOut, type Progress } from "@/core/layout/layout";
import { piecesOf } from "@/core/boards/laid";
import { blank, board, request as asked } from "@/core/layout/tests/samples";
import { inShop, NOTHING_AROUND } from "@/core/job/inshop";
import { emptyJob } from "@/core/job/job";
import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { dayStart } from "@/core/plan/calendar";
import { broken, work } from "@/core/plan/tests/shop";
import type { WholeAsk } from "@/core/plan/block";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { askGains, askLayout, askLayoutSoon, askMended, askPlan, askStanding, closePool } from "./pool";
import { workerBuilt } from "./tests/built";

beforeAll(workerBuilt);
afterAll(closePool);

const request = (quantity: number, different: number) =>
  asked(
    Array.from({ length: different }, (_, i) =>
      blank(`p${i}`, nm(inch(7) + i * 7_654_321), nm(inch(2) + i * 1_234_567), quantity),
    ),
  );

test("a worker answers, tells every step of progress first, and the same question is answered from memory", async () => {
  const heard: Progress[] = [];
  const first = await askLayout(request(20, 4), { hear: (p) => heard.push(p) });
  expect(first.count).toBeGreaterThan(0);
  expect(heard.at(-1)!.count).toBe(first.count);
  const again = heard.length;
  const same = await askLayout(request(20, 4), { hear: (p) => heard.push(p) });
  expect(same.groups).toEqual(first.groups);
  // One word for the group that was known already.
  expect(heard.length).toBe(again + 1);
});

test("the pool lays out with the solver: a bound for ripping first, never above what it costs", async () => {
  const solved = await askLayout(request(37, 5));
  expect(solved.missing).toEqual([]);
  expect(solved.boundCost).toBeLessThanOrEqual(solved.cost + 1e-9);
  expect(solved.boundCost).toBeGreaterThan(layOut(request(37, 5), () => 0).boundCost - 1e-9);
  expect(solved.cost).toBeLessThanOrEqual(layOut(request(37, 5), () => 0).cost + 1e-9);
});

test("a stop ends the work at once and leaves the pool able to go on", async () => {
  const stop = new AbortController();
  const began = Date.now();
  const long = askLayout(request(5000, 40), { signal: stop.signal, hear: () => stop.abort() });
  await expect(long).rejects.toThrow(/abort/i);
  expect(Date.now() - began).toBeLessThan(10_000);
  expect((await askLayout(request(21, 3))).missing).toEqual([]);
});

test("cut short, the best so far is the answer, and it is whole; asked again it is worked out to the end", async () => {
  const enough = new AbortController();
  const big = request(4000, 30);
  const early = await askLayout(big, { enough: enough.signal, hear: () => enough.abort() });
  expect(early.missing).toEqual([]);
  const made = early.groups[0]!.result.layouts.reduce((n, l) => n + l.repeat * piecesOf(l).length, 0);
  expect(made).toBe(4000 * 30);
  const whole = await askLayout(big);
  expect(whole.cost).toBeLessThanOrEqual(early.cost + 1e-9);
}, 240_000);

test("a whole layout comes at once and better ones after it: none that is told is worse than the one before", async () => {
  const enough = new AbortController();
  const told: number[] = [];
  const heard: Progress[] = [];
  const big = request(4000, 31);
  const last = await askLayoutSoon(big, {
    soFar: (best) => {
      expect(best.missing).toEqual([]);
      if (told.push(best.cost) > 2) enough.abort();
    },
    hear: (p) => heard.push(p),
    enough: enough.signal,
  });
  // The search of so many goes on for minutes: it was told of at once, and again and again where that was better.
  expect(told.length).toBeGreaterThan(1);
  const falling = (costs: number[]) => expect(costs).toEqual(costs.toSorted((a, b) => b - a));
  falling([...told, last.cost]);
  // Nor is what is heard in between, though the search of the first answer was begun anew.
  falling(heard.map((p) => p.cost));
}, 60_000);

test("a thickness that did not change is not solved again", async () => {
  const two = (quantity: number) => {
    const thick = { thickness: inch(1, 1, 2) };
    return asked(
      [
        blank("a", inch(19), inch(5), 900),
        blank("b", inch(17), inch(3), 300),
        blank("c", inch(11), inch(2), quantity, thick),
      ],
      [board(), board(thick)],
    );
  };
  const first = await askLayout(two(40));
  const changed = await askLayout(two(41));
  expect(changed.groups[0]!.result.layouts).toEqual(first.groups[0]!.result.layouts);
  expect(changed.groups[1]!.result.layouts).not.toEqual(first.groups[1]!.result.layouts);
});

test("where a job stands is what its own pages say: the same layout, worked out behind them", async () => {
  const line = { item: "body", standard: "langstroth-10", size: "deep", quantity: 5, options: { joint: "rabbet-ends" } }; // prettier-ignore
  const offer = { id: 1, form: "board" as const, material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 14 }; // prettier-ignore
  const job = { ...emptyJob("Five", "in"), start: "2027-02-01", due: "2027-02-12", lines: [line] };
  const seen = inShop(job, 1, { ...NOTHING_AROUND, offers: [offer] });
  const [standing, laid] = await Promise.all([
    askStanding({ job: seen, day: "2027-02-08", kept: [] }),
    askLayout(layoutRequest(workJob(seen))),
  ]);
  expect(standing).toMatchObject({ lines: 1, stops: 0, missing: 0, yard: 0, buy: laid.count, sawn: 0 });
  expect(standing.ready! >= "2027-02-08").toBe(true);
});

test("the shop is planned on a worker, told as it gets better, and stopped with the best so far; mended, and weighed up, there too", async () => {
  const now = dayStart("2027-02-08");
  const saw = (id: string, n: number) => work(id, { station: "table saw", pieces: 40, each: 3, setup: 10, kind: `rip ${n}` });
  const jobs = Array.from({ length: 8 }, (_, j) => ({ job: j + 1, from: now, due: now + 1440 * (2 + j), work: [saw("a", j), saw("b", j % 3), work("glue", { station: "clamps", pieces: 40, each: 5, wait: 45, after: ["a", "b"] })] })); // prettier-ignore
  const whole: WholeAsk = { jobs, shop: { ...USUAL_WORKSHOP, people: 2 }, now };
  const enough = new AbortController();
  const heard: number[] = [];
  const plan = await askPlan({ whole, seed: 1 }, { enough: enough.signal, hear: (p) => (heard.push(p.finish), enough.abort()) }); // prettier-ignore
  expect([heard.length > 0, broken(whole, plan.blocks)]).toEqual([true, []]);
  const closed = { ...whole, shop: { ...whole.shop, closed: ["2027-02-09"] } };
  const mended = await askMended({ whole: closed, was: plan, puts: [] });
  expect([mended.moved.length > 0, broken(closed, mended.plan.blocks)]).toEqual([true, []]);
  const told: number[] = [];
  const gains = await askGains({ whole, plan }, { hear: (g) => told.push(g.length) });
  expect(told).toEqual(gains.map((_, i) => i + 1));
  expect(gains.every((g) => g.gainedFinish >= 0 && g.gainedLate >= 0)).toBe(true);
}, 240_000); // prettier-ignore
