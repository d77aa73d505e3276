import { readFileSync } from "node:fs";
import fc from "fast-check";
import { layoutRequest } from "@/core/job/ask";
import { readJobFile } from "@/core/job/file";
import { workJob } from "@/core/job/worked";
import {
  chosen,
  type GroupLayout,
  type GroupRequest,
  type GroupSolved,
  layGroup,
  type Listener,
} from "@/core/layout/lay";
import { joined, partsOf, sharedParts } from "@/core/layout/layout";
import { byLarge } from "@/core/layout/cutting/large";
import { ColumnPool, generateColumns } from "@/core/layout/cutting/master";
import { mend } from "@/core/layout/cutting/mend";
import { pricerOf } from "@/core/layout/cutting/pricing";
import { covers, type Diver, homogeneous } from "@/core/layout/cutting/primal";
import { costOf, type CuttingProblem, type Rest, type Used } from "@/core/layout/cutting/problem";
import { trimmed } from "@/core/layout/cutting/reshape";
import { solveCutting } from "@/core/layout/cutting/solve";
import { checkAnswer } from "@/core/layout/tests/check";
import { verify } from "@/core/layout/tests/verify";
import { cheapestOf, everyPattern } from "@/core/layout/tests/every";
import type { LpSolver } from "@/core/layout/lp";
import { highsSolver } from "./highs";

const lp = await highsSolver();
const size = (min: number, max: number) => fc.integer({ min, max });
const parts = fc.array(fc.record({ length: size(8, 20), width: size(5, 12), quantity: size(2, 5) }), { minLength: 2, maxLength: 2 }); // prettier-ignore
/** Few and small: what is told together. */
const slips = fc.record({ length: size(4, 8), width: size(1, 2), quantity: size(1, 3) });
const counts = fc.tuple(size(0, 4), size(0, 3));

/** Two sheets, and one so dear that a slip is worth little beside it, of which there is none. */
function posed(parts: { length: number; width: number; quantity: number }[], [a, b]: [number, number], hold = 0) {
  const pieces = parts.map((p) => ({ ...p, turn: false }));
  const sheets = [
    { length: 24, width: 14, price: 10, available: a },
    { length: 20, width: 12, price: 7, available: b },
  ];
  const problem: CuttingProblem = {
    kerf: 1,
    pieces,
    stock: [...sheets, { length: 24, width: 14, price: 60, available: 0 }].map(({ price, available, ...room }) => ({ clear: [room], price, available })), // prettier-ignore
    style: { orders: ["rip", "crosscut"], stages: 2, trim: true, hold },
  };
  const within: Rest = { left: pieces.map((p) => p.quantity), supply: [a, b, 0] };
  const ways = sheets.map((s) => ({ ...s, ways: everyPattern(pieces, 1, s, hold) }));
  return { problem, within, price: 10 * a + 7 * b, isPossible: cheapestOf(within.left, ways) < Infinity };
}

function diverOf(problem: CuttingProblem, solver: LpSolver, consider: (used: Used) => void): Diver {
  return {
    stock: problem.stock,
    pieces: problem.pieces,
    pricer: pricerOf(problem),
    pool: new ColumnPool(),
    lp: solver,
    going: () => true,
    buildEvery: 1,
    fittingBelow: 0,
    mayBeat: () => true,
    consider: (used) => (consider(used), false),
  };
}

/** What fractions of the boards of `within` cost. */
function relaxedOf(d: Diver, { left, supply }: Rest) {
  for (const p of homogeneous(d, { left, supply })) d.pool.add(p);
  return generateColumns(d.stock, d.pricer, left, supply, d.pool, d.lp, { rounds: 200, going: d.going })!;
}

/** Whether so many boards are shown to be too few, and what was found on them. */
function largeFirst(problem: CuttingProblem, within: Rest, price: number, solver: LpSolver = lp, full = false) {
  const found: Used[] = [];
  const d = diverOf(problem, solver, (used) => void (covers(used, within) && found.push(used)));
  const isRefuted = byLarge(d, within, relaxedOf(d, within), { price, isFound: () => found.length > 0, full });
  return { isRefuted, found: found[0] };
}

test("boards that are enough are never shown to be too few, and what is found is cut from them, whatever the solver says (every pattern tried)", () => {
  let [possible, found] = [0, 0];
  const liar: LpSolver = (model) => {
    const said = lp(model);
    const off = (v: number, i: number) => Math.max(0, v + [0.3, -0.2, 1, 0, -0.7][i % 5]!);
    return said && { ...said, duals: said.duals.map(off) };
  };
  fc.assert(
    fc.property(parts, slips, size(0, 2), fc.constantFrom(0, 6, 9), fc.boolean(), (some, slip, others, hold, full) => {
      // So few sheets that even fractions of one fewer would not do.
      const fewest = [0, 1, 2, 3, 4, 5, 6, 7, 8].find((n) => {
        const { problem, within, price } = posed([...some, slip], [n, others], hold);
        return (
          relaxedOf(
            diverOf(problem, lp, () => undefined),
            within,
          ).cost <=
          price + 1e-6
        );
      });
      if (fewest === undefined) return;
      const { problem, within, price, isPossible } = posed([...some, slip], [fewest, others], hold);
      for (const solver of [lp, liar]) {
        const large = largeFirst(problem, within, price, solver, full);
        expect(large.isRefuted && isPossible).toBe(false);
        if (solver === lp && isPossible) possible++;
        if (!large.found) continue;
        expect(isPossible).toBe(true);
        if (solver === lp) found++;
        const used = trimmed(large.found, within.left);
        const cost = costOf(used, problem.stock);
        checkAnswer({ used, cost, bound: 0, boundStyle: "any", reasons: { size: 0 }, proven: false, fewest: 0, short: [], others: [] }, problem); // prettier-ignore
      }
    }),
    { numRuns: 60 },
  );
  // Without any dive.
  expect(found).toBeGreaterThan(0.9 * possible);
}, 240_000);

test("too few, though fractions of them would do, is shown of sheets that trying every pattern shows it of", () => {
  const of = (length: number, width: number, quantity: number) => ({ length, width, quantity });
  // Met by chance among 1 500 of the test above, which met twenty; this shows nineteen of them.
  const met: [ReturnType<typeof of>[], [number, number]][] = [
    [
      [of(8, 8, 3), of(18, 5, 2), of(5, 2, 3)],
      [1, 1],
    ],
    [
      [of(8, 7, 3), of(19, 6, 2), of(7, 2, 3)],
      [2, 0],
    ],
    [
      [of(17, 5, 4), of(8, 8, 3), of(8, 1, 3)],
      [2, 1],
    ],
    [
      [of(18, 6, 5), of(11, 8, 3), of(6, 2, 1)],
      [4, 0],
    ],
  ];
  for (const [pieces, counts] of met) {
    const { problem, within, price, isPossible } = posed(pieces, counts);
    const d = diverOf(problem, lp, () => undefined);
    const relaxed = relaxedOf(d, within);
    const asked = { ...problem, stock: problem.stock.slice(0, 2).map((x) => ({ ...x, available: null })) };
    const ways = asked.stock.map((x) => ({ ...x, ways: everyPattern(pieces.map((q) => ({ ...q, turn: false })), 1, x.clear[0]!) })); // prettier-ignore
    const answer = solveCutting(asked, lp);
    expect([answer.cost, answer.proven]).toEqual([cheapestOf(within.left, ways), true]);
    expect(answer.reasons.refuted).toBeGreaterThan(0);
    expect([isPossible, relaxed.cost <= price + 1e-6, largeFirst(problem, within, price).isRefuted]).toEqual([
      false,
      true,
      true,
    ]);
  }
}, 60_000);

/** What a demo job asks of its layouts when there are so many of an item. */
/** Nothing is weighed but the wood. */
const NONE = { setUp: 0, offcut: 0 };
const laid = (ask: GroupRequest, listener: Listener = {}, solver: LpSolver = lp) =>
  layGroup(ask, NONE, listener, solver);

function askedOf(file: string, item: string, size: string, quantity: number) {
  const job = readJobFile(readFileSync(`demo/${file}.json`, "utf8"));
  const lines = job.lines.map((l) => (l.item === item && l.size.startsWith(size) ? { ...l, quantity } : l));
  return layoutRequest(workJob({ ...job, lines }));
}

test("where slips told together leave it open, every slip told apart settles it: 29 deep bodies for the 40 of a demo job", () => {
  const [ask] = partsOf(askedOf("1-heath-estate", "body", "deep", 29)).asks;
  const boards = laid(ask!);
  // Fractions of boards for 576.00 would do; what the solver of whole numbers says of them is no proof.
  expect([boards.cost, boards.boundCost, boards.reasons.refuted]).toEqual([578.6, 578.6, 1]);
}, 60_000);

test("what a search shows on the way can be cut, and that it is shown changes nothing of what it comes to", () => {
  const request = askedOf("1-heath-estate", "body", "deep", 42);
  const parts = partsOf(request);
  const [boards, ...others] = parts.asks.map((ask) => laid(ask));
  const shown: GroupLayout[] = [];
  let asked = 0;
  const watcher = {
    isWanted: () => ++asked % 20 === 0,
    show: (soFar: GroupSolved) => void shown.push(chosen(soFar, NONE)),
  };
  expect(laid(parts.asks[0]!, watcher)).toEqual(boards);
  expect(shown.length).toBeGreaterThan(5);
  for (const soFar of shown) {
    verify(joined(request, parts, [soFar, ...others], 0), request);
    expect(soFar.cost).toBeGreaterThanOrEqual(boards!.cost);
    expect(soFar.boundCost).toBeLessThanOrEqual(boards!.boundCost);
  }
}, 120_000);

test("what dives do not find is found where large pieces are chosen first: 139 frames for the 132 of a demo job", () => {
  const request = askedOf("3-allotment", "frame", "", 139);
  const apart = partsOf(request);
  const alone = apart.asks.map((ask) => laid(ask));
  const [boards] = sharedParts(request, apart, alone)!.asks.map((ask) => laid(ask));
  // Twelve boards at 14.90, four at 21.50 and two at 26; dives came to 323.40.
  expect([boards!.cost, boards!.boundCost]).toEqual([316.8, 316.8]);
}, 120_000);

test("of many boards the last are cut by parts where patterns do not go in: 207 deep frames for the 200 of a demo job", () => {
  const [ask] = partsOf(askedOf("5-wintering", "frame", "deep", 207)).asks;
  // Eighteen boards at 14.20 and seventy at 8.60; dives by patterns came to 860.20.
  expect(laid(ask!).cost).toBeLessThan(857.7);
}, 120_000);

test("what a dive finds is told before hard counts are gone into: 43 medium bodies for the 40 of a demo job", () => {
  const [ask] = partsOf(askedOf("5-wintering", "body", "medium", 43)).asks;
  let [told, searched] = [Infinity, 0];
  const solve: LpSolver = (model) => (model.whole && searched++, lp(model));
  laid(ask!, { hear: ({ cost }) => (told = cost), goOn: () => told > 874.9 }, Object.assign(solve, { open: lp.open }));
  // Of sixteen boards at 14.20 and seventy-five at 8.60 fractions would do for 872.20; eighteen and seventy-two are cut by a dive.
  expect([told, searched]).toEqual([874.8, 0]);
}, 60_000);

test("a cutting that lacks pieces is mended to one that gives them all and takes no board more, nearly always where there is one", () => {
  let [mended, possible] = [0, 0];
  fc.assert(
    fc.property(parts, slips, counts, (large, slip, of) => {
      const { problem, within, isPossible } = posed([...large, slip], of);
      const found: Used[] = [];
      const d = diverOf(problem, lp, (used) => void found.push(used));
      mend(d, within, [], 0, () => found.length > 0);
      for (const used of found) expect(covers(used, within)).toBe(true);
      if (!isPossible) expect(found).toEqual([]);
      if (isPossible) possible++;
      if (found.length > 0) mended++;
    }),
    { numRuns: 50 },
  );
  expect(mended).toBeGreaterThan(0.7 * possible);
}, 240_000);
