import fc from "fast-check";
import { complete } from "./completion";
import { checkAnswer } from "../tests/check";
import { costOf, type CuttingProblem, type CutStock, type Used } from "./problem";
import { solveCutting, wholeScale } from "./solve";
import { Solving } from "./solving";
import { unbeaten } from "./tidy";

/** Without a solver of programmes: what is built board by board, and the simple bounds. The workers' tests have the rest. */
const solve = (p: CuttingProblem) => solveCutting(p, undefined);
const pieces = fc.array(
  fc.record({
    length: fc.integer({ min: 5, max: 60 }),
    width: fc.integer({ min: 3, max: 30 }),
    quantity: fc.integer({ min: 1, max: 12 }),
    turn: fc.boolean(),
  }),
  { minLength: 1, maxLength: 6 },
);
const stock = fc.array(
  fc.record({
    clear: fc.array(fc.record({ length: fc.integer({ min: 60, max: 90 }), width: fc.integer({ min: 30, max: 45 }) }), {
      minLength: 1,
      maxLength: 3,
    }),
    price: fc.integer({ min: 0, max: 9 }),
    available: fc.option(fc.integer({ min: 0, max: 4 })),
  }),
  { minLength: 1, maxLength: 3 },
);

test("whatever is asked, the answer can be cut, counts come out, and nothing is overdrawn (own checker)", () => {
  fc.assert(
    fc.property(pieces, stock, fc.constantFrom(2 as const, 3 as const), fc.nat(3), (ps, ss, stages, kerf) => {
      const p: CuttingProblem = {
        kerf,
        pieces: ps,
        stock: ss,
        style: { orders: ["rip", "crosscut"], stages, trim: true },
      };
      checkAnswer(solve(p), p);
    }),
    { numRuns: 150 },
  );
});

test("every layout that is offered for fewer set-ups can be cut and gives every piece (own checker)", () => {
  const wishes = { setUps: (used: Used) => used.length, fewest: 1, beside: () => [] };
  let offered = 0;
  fc.assert(
    fc.property(pieces, stock, fc.constantFrom(2 as const, 3 as const), (ps, ss, stages) => {
      const p: CuttingProblem = { kerf: 1, pieces: ps, stock: ss, style: { orders: ["rip", "crosscut"], stages, trim: true } }; // prettier-ignore
      const answer = solveCutting(p, undefined, {}, wishes);
      for (const used of answer.others) checkAnswer({ ...answer, used, cost: costOf(used, ss), proven: false }, p);
      offered += answer.others.length;
    }),
    { numRuns: 100 },
  );
  expect(offered).toBeGreaterThan(20);
});

test("what lacks a piece or overdraws the stock is neither taken nor kept for the maker's other wishes, whoever brings it", () => {
  const room = { clear: [{ length: 20, width: 10 }], price: 7, available: 2 };
  const style = { orders: ["rip" as const], stages: 2 as const, trim: true };
  const s = new Solving({ kerf: 0, pieces: [{ length: 10, width: 10, quantity: 3, turn: false }], stock: [room], style }, {}, true); // prettier-ignore
  const board = (n: number) => ({ stock: 0, stretches: [], gives: [n] });
  s.consider([{ pattern: board(2), repeat: 1 }]);
  s.consider([{ pattern: board(1), repeat: 3 }]);
  expect([s.incumbent, s.seen]).toEqual([undefined, []]);
});

test("told to stop at whatever moment, the answer can be cut, and gives all that the stock can give", () => {
  fc.assert(
    fc.property(pieces, stock, fc.constantFrom(2 as const, 3 as const), fc.nat(40), (ps, ss, stages, moment) => {
      const style = { orders: ["rip" as const, "crosscut" as const], stages, trim: true, plainFirst: true };
      const p: CuttingProblem = { kerf: 1, pieces: ps, stock: ss.map((s) => ({ ...s, available: null })), style };
      let asked = 0;
      const stopped = solveCutting(p, undefined, { goOn: () => asked++ < moment });
      checkAnswer(stopped, p);
      expect(stopped.short).toEqual(solve(p).short);
    }),
    { numRuns: 150 },
  );
});

test("pieces alike are solved as one and get their own names back: the same cost whether told apart or not", () => {
  fc.assert(
    fc.property(pieces, (ps) => {
      const style = { orders: ["rip" as const], stages: 2 as const, trim: true };
      const room = [{ clear: [{ length: 90, width: 45 }], price: 1, available: null }];
      const apart = ps.flatMap((p) => Array.from({ length: p.quantity }, () => ({ ...p, turn: false, quantity: 1 })));
      const once: CuttingProblem = { kerf: 1, pieces: ps.map((p) => ({ ...p, turn: false })), stock: room, style };
      const each: CuttingProblem = { ...once, pieces: apart };
      const [a, b] = [solve(once), solve(each)];
      checkAnswer(b, each);
      expect([b.cost, b.bound]).toEqual([a.cost, a.bound]);
    }),
    { numRuns: 60 },
  );
});

test("the simple bound is never above the fewest rectangles by area, and free stock costs nothing", () => {
  const style = { orders: ["rip" as const, "crosscut" as const], stages: 2 as const, trim: true };
  const square = { length: 10, width: 10, quantity: 8, turn: false };
  const one = { clear: [{ length: 20, width: 20 }], price: 7, available: null };
  expect(solve({ kerf: 0, pieces: [square], stock: [one], style })).toMatchObject({ cost: 14, bound: 14, proven: true, boundStyle: "any" }); // prettier-ignore
  // With a saw cut of one only one fits a board.
  expect(solve({ kerf: 1, pieces: [square], stock: [one], style })).toMatchObject({ cost: 56, proven: true });
  const yard = { ...one, price: 0, available: 1 };
  expect(solve({ kerf: 0, pieces: [square], stock: [one, yard], style })).toMatchObject({ cost: 7, proven: true });
});

test("what the stock cannot give is said, piece by piece, and the rest is laid out", () => {
  const style = { orders: ["rip" as const], stages: 2 as const, trim: true };
  const p: CuttingProblem = {
    kerf: 0,
    pieces: [{ length: 50, width: 1, quantity: 5, turn: false }],
    stock: [{ clear: [{ length: 100, width: 1 }], price: 1, available: 2 }],
    style,
  };
  const answer = solve(p);
  checkAnswer(answer, p);
  expect([answer.short, answer.proven]).toEqual([[{ piece: 0, quantity: 1 }], false]);
});

test("bar by bar: everything goes into so many bars, none over its room, whenever trying everything finds a way", () => {
  const way = (sizes: number[], bars: number[]): boolean => {
    const [next, ...rest] = sizes;
    if (next === undefined) return true;
    return bars.some((b, i) => b >= next && !bars.slice(0, i).includes(b) && way(rest, bars.map((x, k) => (k === i ? x - next : x)))); // prettier-ignore
  };
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 15, max: 60 }), { minLength: 1, maxLength: 9 }),
      fc.integer({ min: 1, max: 5 }),
      (all, bars) => {
        const sizes = [...new Set(all)];
        const counts = sizes.map((s) => all.filter((x) => x === s).length);
        const found = complete(sizes, counts, 100, bars);
        const possible = way([...all].sort((a, b) => b - a), Array.from({ length: bars }, () => 100)); // prettier-ignore
        expect(found !== undefined).toBe(possible);
        for (const bar of found ?? []) expect(bar.reduce((s, n, i) => s + n * sizes[i]!, 0)).toBeLessThanOrEqual(100);
        if (found) expect(sizes.map((_, i) => found.reduce((s, bar) => s + bar[i]!, 0))).toEqual(counts);
      },
    ),
    { numRuns: 300 },
  );
});

test("decimals become whole numbers, and too fine ones are refused", () => {
  expect([wholeScale([1, 2]), wholeScale([200.5]), wholeScale([0.125, 3])]).toEqual([1, 10, 1000]);
  expect(() => wholeScale([1 / 3])).toThrow(/six decimals/);
});

test("of layouts that cost the same the one with fewer set-ups is kept, in whatever order its boards are added up", () => {
  const stock = [0.1, 0.2, 0.3].map((price): CutStock => ({
    clear: [{ length: 9, width: 1 }],
    price,
    available: null,
  }));
  const of = (...order: number[]): Used =>
    order.map((s) => ({ pattern: { stock: s, stretches: [], gives: [1] }, repeat: 1 }));
  // 0.1 + 0.2 + 0.3 and 0.3 + 0.2 + 0.1 differ in the sixteenth decimal.
  const [up, down] = [of(0, 1, 2), of(2, 1, 0)];
  expect(costOf(up, stock)).toBe(costOf(down, stock));
  for (const [more, fewer] of [
    [up, down],
    [down, up],
  ] as const)
    // prettier-ignore
    expect(unbeaten([more, fewer], (u) => [costOf(u, stock), u === more ? 4 : 3])).toEqual([fewer]);
});
