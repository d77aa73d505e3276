import type { CuttingProblem } from "@/core/layout/cutting/problem";
import { solveCutting } from "@/core/layout/cutting/solve";
import { checkAnswer } from "@/core/layout/tests/check";
import * as made from "@/core/layout/tests/instances";
import { firstFitDecreasing, packer, shelves } from "@/core/layout/tests/rivals";
import { highsSolver } from "./highs";

/** How many instances a class; 20 for the figures: `npm run figures`. */
const CASES = Number(process.env.RUNDIK_CASES ?? 3);
const lp = await highsSolver();

interface Outcome {
  costs: number[];
  atBound: number;
  above: number;
  gap: number;
  slowest: number;
  median: number;
  soon: number;
}

/** Solves and checks so many instances of a class, and says in one line how it went. */
function run(name: string, make: (r: made.Random) => CuttingProblem, cases = CASES): Outcome {
  const times: number[] = [];
  const outcome: Outcome = { costs: [], atBound: 0, above: 0, gap: 0, slowest: 0, median: 0, soon: 0 };
  for (let seed = 1; seed <= cases; seed++) {
    const problem = make(made.randomOf(seed));
    const began = performance.now();
    let soon = Infinity;
    const answer = solveCutting(problem, lp, {
      hear: (best) => {
        if (performance.now() - began < 500) soon = best.cost;
      },
    });
    times.push((performance.now() - began) / 1000);
    checkAnswer(answer, problem);
    expect(answer.short).toEqual([]);
    outcome.costs.push(answer.cost);
    if (answer.proven) outcome.atBound++;
    outcome.above = Math.max(outcome.above, answer.cost - answer.bound);
    outcome.gap = Math.max(outcome.gap, (answer.cost - answer.bound) / answer.bound);
    outcome.soon = Math.max(
      outcome.soon,
      (Math.min(soon, answer.cost) === answer.cost ? answer.cost : soon) / answer.bound - 1,
    );
  }
  times.sort((a, b) => a - b);
  outcome.slowest = times.at(-1)!;
  outcome.median = times[Math.floor(times.length / 2)]!;
  process.stdout.write(
    `${name}: ${outcome.atBound} of ${cases} at the bound, at most ${outcome.above.toFixed(2)} above (${(outcome.gap * 100).toFixed(3)} %), after half a second ${(outcome.soon * 100).toFixed(2)} % above at most, median ${outcome.median.toFixed(2)} s, slowest ${outcome.slowest.toFixed(2)} s\n`,
  );
  return outcome;
}

const share = (o: Outcome) => o.atBound / o.costs.length;
/** Times are measured on one quiet machine; elsewhere they are only kept from running away. */
const PATIENCE = 6;
const minutes = (n: number) => Math.max(60_000, n * 60_000 * (CASES / 3));

describe("one-dimensional classes (Falkenauer 1996; Scholl, Klein and Jürgens 1997)", () => {
  test.each([120, 250, 500])(
    "uniform, %i pieces",
    (n) => {
      const o = run(`uniform ${n}`, made.uniform(n));
      expect(share(o)).toBeGreaterThanOrEqual(0.95);
      expect(o.above).toBeLessThanOrEqual(1);
      expect(o.slowest).toBeLessThan(2 * PATIENCE);
    },
    minutes(1),
  );
  test.each([[60, 0.95, 3], [120, 0.95, 5], [249, 0.9, 10]].slice(0, CASES < 20 ? 2 : 3) as [number, number, number][])("triplets, %i pieces: the optimum is known", (n, wanted, seconds) => {
    const o = run(`triplets ${n}`, made.triplets(n));
    expect(share(o)).toBeGreaterThanOrEqual(CASES < 20 ? 0.6 : wanted);
    expect(o.above).toBeLessThanOrEqual(1);
    expect(o.slowest).toBeLessThan(seconds * PATIENCE);
  }, minutes(2)); // prettier-ignore
  test("a workshop's batch of up to 20 000", () => {
    const o = run("workshop", made.workshop);
    expect(share(o)).toBe(1);
    expect(o.median).toBeLessThan(1 * PATIENCE);
  });
  test("bars of several prices, some limited: within a thousandth of the bound", () => {
    const o = run("priced", made.priced);
    expect(o.gap).toBeLessThanOrEqual(0.001);
    expect(o.slowest).toBeLessThan(3 * PATIENCE);
  });
  test.each(CASES < 20 ? [90] : [90, 200])(
    "%i long pieces: a valid bound, and how near",
    (n) => {
      const o = run(`hard ${n}`, made.hard(n), Math.ceil(CASES / 3));
      expect(o.gap).toBeLessThanOrEqual(0.01);
    },
    minutes(6),
  );
  test("small jobs", () => {
    const o = run("small bars", made.smallBars);
    expect(share(o)).toBeGreaterThanOrEqual(0.95);
    expect(o.slowest).toBeLessThan(0.5 * PATIENCE);
  });
});

describe("sheets and boards", () => {
  test(
    "sheets in two stages and in three, turned: three are never worse",
    () => {
      const cases = CASES < 20 ? 2 : CASES;
      const two = run("sheets, two stages", made.sheetJob(2), cases);
      const three = run("sheets, three stages", made.sheetJob(3), cases);
      expect(share(two)).toBeGreaterThanOrEqual(CASES < 20 ? 0.5 : 0.95);
      expect(share(three)).toBeGreaterThanOrEqual(CASES < 20 ? 0.5 : 0.85);
      for (const o of [two, three]) {
        expect(o.above).toBeLessThanOrEqual(1);
        expect(o.slowest).toBeLessThan(10 * PATIENCE);
      }
      for (const [i, cost] of three.costs.entries()) expect(cost).toBeLessThanOrEqual(two.costs[i]!);
    },
    minutes(6),
  );
  test("boards, nothing turned", () => {
    const o = run("boards", made.boardJob);
    expect(share(o)).toBeGreaterThanOrEqual(CASES < 20 ? 0.6 : 0.92);
    expect(o.above).toBeLessThanOrEqual(1);
    expect(o.slowest).toBeLessThan(3 * PATIENCE);
  });
  test("a last board is counted out only where there is none: the checker has seen 543 boards for this one", () => {
    const problem = made.boardJob(made.randomOf(15));
    const answer = solveCutting(problem, lp);
    checkAnswer(answer, problem);
    expect(answer.bound).toBeLessThanOrEqual(543);
  }, 240_000);
  test("small jobs", () => {
    const o = run("small sheets", made.smallSheets);
    expect(share(o)).toBeGreaterThanOrEqual(CASES < 20 ? 0.6 : 0.85);
    expect(o.slowest).toBeLessThan(10 * PATIENCE);
  });
});

test(
  "never more stock than first-fit decreasing, shelves or a general rectangle packer",
  () => {
    const saved = (name: string, make: (r: made.Random) => CuttingProblem, rival: (p: CuttingProblem) => number) => {
      let [ours, theirs] = [0, 0];
      for (let seed = 100; seed < 100 + CASES; seed++) {
        const problem = make(made.randomOf(seed));
        const { cost } = solveCutting(problem, lp);
        const other = rival(problem);
        expect(cost).toBeLessThanOrEqual(other);
        ours += cost;
        theirs += other;
      }
      process.stdout.write(`against ${name}: ${((1 - ours / theirs) * 100).toFixed(2)} % less stock\n`);
    };
    saved("first-fit decreasing, uniform", made.uniform(250), firstFitDecreasing);
    saved("first-fit decreasing, workshop", made.workshop, firstFitDecreasing);
    saved("shelves, small sheets", made.smallSheets, shelves);
    saved("shelves, sheets", made.sheetJob(2), shelves);
    saved("the rectangle packer, small sheets", made.smallSheets, packer);
  },
  minutes(3),
);

/** Every pattern of pieces of one width out of a bar: how many of each. */
function patternsOf(lengths: number[], room: number): number[][] {
  const [first, ...rest] = lengths;
  if (first === undefined) return [[]];
  return Array.from({ length: Math.floor(room / first) + 1 }, (_, n) => n).flatMap((n) =>
    patternsOf(rest, room - n * first).map((p) => [n, ...p]),
  );
}

test("the bound is that of the full model over every pattern, and the cost what it says in whole numbers, solved by HiGHS on its own", () => {
  for (let seed = 1; seed <= 12; seed++) {
    const r = made.randomOf(seed);
    const pieces = Array.from({ length: 5 }, (_, i) => ({ length: 11 + 7 * i + Math.floor(r() * 7), width: 1, quantity: 20 + Math.floor(r() * 60), turn: false })); // prettier-ignore
    // Every other time bars of two prices, which nothing small divides.
    const bars = [{ room: 100, price: 71 }, ...(seed % 2 ? [{ room: 64 + seed, price: 43 }] : [])];
    const columns = bars.flatMap(({ room, price }) =>
      patternsOf(pieces.map((p) => p.length), room).map((counts) => ({ cost: price, entries: counts.flatMap((n, i): [number, number][] => (n > 0 ? [[i, n]] : [])) })),
    ); // prettier-ignore
    const rows = pieces.map((p) => ({ sense: ">=" as const, rhs: p.quantity }));
    const relaxed = lp({ rows, columns })!.objective;
    const whole = Math.round(lp({ rows, columns, whole: true })!.objective);
    const answer = solveCutting({ kerf: 0, pieces, stock: bars.map(({ room, price }) => ({ clear: [{ length: room, width: 1 }], price, available: null })), style: { orders: ["rip"], stages: 2, trim: true } }, lp); // prettier-ignore
    expect(answer.reasons.fractions ?? relaxed).toBeLessThanOrEqual(relaxed + 1e-6);
    expect(answer.bound).toBeGreaterThanOrEqual(bars.length > 1 ? relaxed - 1e-6 : 71 * Math.ceil(relaxed / 71 - 1e-6));
    expect([answer.cost, answer.bound]).toEqual([whole, whole]);
  }
}, 240_000);
