import fc from "fast-check";
import type { CuttingProblem, CutPiece, Pattern, Style } from "./problem";
import { everyPattern } from "../tests/every";
import { leastValue, SCALE } from "./master";
import { pricerOf } from "./pricing";

const TWO: Style = { orders: ["rip", "crosscut"], stages: 2, trim: true };
const problem = (pieces: CutPiece[], style: Style = TWO, kerf = 1): CuttingProblem => ({
  kerf,
  pieces,
  stock: [{ clear: [{ length: 24, width: 14 }], price: 1, available: null }],
  style,
});
const some = fc.array(
  fc.record({
    length: fc.integer({ min: 3, max: 20 }),
    width: fc.integer({ min: 2, max: 12 }),
    quantity: fc.integer({ min: 1, max: 2 }),
    turn: fc.boolean(),
  }),
  { minLength: 1, maxLength: 3 },
);
const someDuals = fc.array(fc.oneof({ weight: 4, arbitrary: fc.integer({ min: 1, max: 50 }) }, fc.constant(0)), { minLength: 3, maxLength: 3 }); // prettier-ignore
const someHold = fc.oneof(fc.constant(0), fc.integer({ min: 3, max: 15 }));

const valueOf = (gives: number[], duals: number[]) => gives.reduce((sum, n, i) => sum + n * duals[i]!, 0);

const inside = (p: Pattern, { pieces, kerf, stock }: CuttingProblem) => {
  for (const t of p.stretches) {
    const room = stock[p.stock]!.clear[t.clear]!;
    const [long, high] = t.order === "rip" ? [room.length, room.width] : [room.width, room.length];
    expect(t.strips.reduce((s, x) => s + x.count * (x.size + kerf), -kerf)).toBeLessThanOrEqual(high);
    for (const s of t.strips) {
      expect(s.sections.reduce((n, x) => n + x.count * (x.size + kerf), -kerf)).toBeLessThanOrEqual(long);
      for (const x of s.sections)
        for (const i of x.items) {
          const q = pieces[i.piece]!;
          const flat = (t.order === "rip") !== i.turned;
          expect(flat ? q.length : q.width).toBeLessThanOrEqual(x.size);
          expect(flat ? q.width : q.length).toBeLessThanOrEqual(s.size);
        }
    }
  }
};

test("no pattern is worth more than the price says, and one that is built fits and takes no more than is left (brute force)", () => {
  fc.assert(
    fc.property(some, someDuals, someHold, (pieces, duals, hold) => {
      const p = problem(pieces, { ...TWO, hold });
      const left = pieces.map((x) => x.quantity);
      const pricer = pricerOf(p);
      const { most, offers } = pricer.best(0, duals, left);
      const truly = Math.max(...everyPattern(p.pieces, p.kerf, p.stock[0]!.clear[0]!, hold).map((g) => valueOf(g, duals))); // prettier-ignore
      expect(most).toBeGreaterThanOrEqual(truly);
      for (const o of offers) inside(o.pattern, p);
      const built = pricer.fitting(0, duals, left);
      if (built) {
        inside(built.pattern, p);
        built.pattern.gives.forEach((n, i) => expect(n).toBeLessThanOrEqual(left[i]!));
        expect(built.value).toBeLessThanOrEqual(truly);
      }
    }),
    { numRuns: 60 },
  );
});

test("of all patterns of value enough none is missed that is not part of another, and each can be cut (brute force)", () => {
  const few: boolean[] = [];
  fc.assert(
    fc.property(
      some,
      someDuals,
      someHold,
      fc.double({ min: 0.5, max: 1, noNaN: true }),
      (pieces, duals, hold, part) => {
        const p = problem(pieces, { ...TWO, hold });
        const every = everyPattern(p.pieces, p.kerf, p.stock[0]!.clear[0]!, hold);
        const least = part * Math.max(...every.map((g) => valueOf(g, duals)));
        const among = pieces.map(() => true);
        const wanted = { duals, left: pieces.map((x) => x.quantity), among, limit: 5000 };
        const near = pricerOf(p).near(0, wanted, least);
        for (const n of near ?? []) {
          inside(n.pattern(), p);
          expect([n.pattern().gives, valueOf(n.gives, duals)]).toEqual([n.gives, n.value]);
          expect(n.value).toBeGreaterThanOrEqual(least);
        }
        for (const gives of every)
          if (valueOf(gives, duals) >= Math.max(least, 1e-9))
            expect(near?.some((n) => n.gives.every((g, i) => g >= gives[i]!)) ?? true).toBe(true);
        // So few are nearly always found; with a piece that is worth nothing, whatever is filled up with it is as good as any.
        if (every.length < 20 && pieces.every((_, i) => duals[i]! > 0)) few.push(near !== undefined);
        // Pieces that are worth nothing may be left out: the others are found as they were.
        const valued = pricerOf(p).near(0, { ...wanted, among: pieces.map((_, i) => duals[i]! > 0) }, least);
        for (const gives of every)
          if (valueOf(gives, duals) >= Math.max(least, 1e-9))
            expect(valued?.some((n) => n.gives.every((g, i) => duals[i] === 0 || g >= gives[i]!)) ?? true).toBe(true);
        // Where the first piece is not told apart, what there is of it beside as many of the others is never more than is said.
        const together = pieces.map((_, i) => i === 0);
        const weighed = [pieces.map(() => 3)];
        const apart = pricerOf(p).near(0, { ...wanted, together, weighed }, least);
        const covers = (n: number[], gives: number[]) => gives.every((g, i) => i === 0 || n[i]! >= g);
        for (const gives of every)
          if (valueOf(gives, duals) >= Math.max(least, 1e-9))
            expect(apart?.some((n) => covers(n.gives, gives) && n.beside[0]! >= gives[0]! * duals[0]! && n.beside[1]! >= 3 * gives[0]!) ?? true).toBe(true); // prettier-ignore
      },
    ),
    { numRuns: 150 },
  );
  expect(few.filter((found) => found).length).toBeGreaterThan(0.9 * few.length - 1);
});

test("no pattern of a cutting is worth less than it must be, by any duals, however bad (every pattern)", () => {
  fc.assert(
    fc.property(some, someDuals, fc.array(fc.nat(), { minLength: 1, maxLength: 4 }), (pieces, duals, picks) => {
      const every = everyPattern(pieces, 1, { length: 24, width: 14 });
      const used = picks.map((k) => every[k % every.length]!);
      const left = pieces.map((_, i) => used.reduce((n, g) => n + g[i]!, 0));
      // A board costs 1, and a piece is said to be worth up to five.
      const whole = duals.map((w) => (w * SCALE) / 10);
      const proof = { duals: whole, most: [Math.max(...every.map((g) => valueOf(g, whole)))] };
      const stock = [{ clear: [{ length: 24, width: 14 }], price: 1, available: used.length }];
      const [least] = leastValue(stock, { left, supply: [used.length] }, proof, used.length);
      for (const gives of used) expect(valueOf(gives, whole)).toBeGreaterThanOrEqual(least!);
    }),
  );
});

test("what goes beside others is cut with them from one board, in what they leave", () => {
  fc.assert(
    fc.property(some, someHold, (pieces, hold) => {
      const p = problem(pieces, { ...TWO, hold });
      const pricer = pricerOf(p);
      const left = pieces.map((x, i) => (i === 0 ? x.quantity : 0));
      const first = pricer.fitting(0, [1, 1, 1], left)!.pattern;
      const beside = pricer.beside([first]);
      const offer = beside.fitting(0, [1, 1, 1], pieces.map((x, i) => (i === 0 ? 0 : x.quantity))); // prettier-ignore
      if (!offer) return;
      const whole = beside.whole(offer.pattern);
      inside(whole, p);
      expect(whole.gives).toEqual(first.gives.map((n, i) => n + offer.pattern.gives[i]!));
      offer.pattern.gives.forEach((n, i) => expect(n).toBeLessThanOrEqual(i === 0 ? 0 : pieces[i]!.quantity));
    }),
  );
  // 60 × 20 on 100 × 24: a slip of 30 × 3 at the end of its strip, and three beside it.
  const lid: CutPiece = { length: 60, width: 20, quantity: 1, turn: false };
  const slip: CutPiece = { length: 30, width: 3, quantity: 9, turn: false };
  const board = { ...problem([lid, slip], { ...TWO, orders: ["rip"] }, 0), stock: [{ clear: [{ length: 100, width: 24 }], price: 1, available: null }] }; // prettier-ignore
  const pricer = pricerOf(board);
  const beside = pricer.beside([pricer.fitting(0, [1, 0], [1, 0])!.pattern]);
  expect(beside.whole(beside.fitting(0, [0, 1], [0, 9])!.pattern).gives).toEqual([1, 4]);
});

test("a third stage never gives less, and without a trim never more, than two stages with one", () => {
  fc.assert(
    fc.property(some, someDuals, (pieces, duals) => {
      const left = pieces.map((x) => x.quantity);
      const most = (style: Style) => pricerOf(problem(pieces, style)).best(0, duals, left).most;
      expect(most({ ...TWO, stages: 3 })).toBeGreaterThanOrEqual(most(TWO));
      expect(most({ ...TWO, trim: false })).toBeLessThanOrEqual(most(TWO));
    }),
  );
});

describe("what a saw may not do", () => {
  const bar: CutPiece = { length: 9, width: 2, quantity: 20, turn: false, block: true };
  test("blocks hold one kind and are crosscut first; where they would be too short they are cut like others", () => {
    const other: CutPiece = { length: 9, width: 3, quantity: 20, turn: false };
    const offers = (hold: number) => pricerOf(problem([bar, other], { ...TWO, hold })).best(0, [5, 4], [20, 20]).offers;
    for (const { pattern } of offers(8))
      for (const t of pattern.stretches)
        for (const s of t.strips) {
          const kinds = new Set(s.sections.flatMap((x) => x.items.map((i) => i.piece)));
          if (kinds.has(0)) expect([t.order, kinds.size]).toEqual(["crosscut", 1]);
        }
    const others = offers(10).flatMap((o) => o.pattern.stretches);
    expect(others.length).toBeGreaterThan(0);
    expect(others.every((t) => t.order === "rip" || t.strips.every((s) => s.size >= 10))).toBe(true);
  });
  test("what is shorter than can be held is never ripped to its width", () => {
    const short: CutPiece = { length: 4, width: 3, quantity: 9, turn: false };
    const long: CutPiece = { length: 11, width: 5, quantity: 9, turn: false };
    const { offers } = pricerOf(problem([short, long], { ...TWO, hold: 6 })).best(0, [7, 9], [9, 9]);
    for (const { pattern } of offers)
      for (const t of pattern.stretches)
        for (const s of t.strips) {
          if (t.order === "crosscut") expect(s.size).toBeGreaterThanOrEqual(6);
          else if (s.sections.some((x) => x.items.some((i) => i.piece === 0))) expect(s.size).toBe(3);
        }
  });
  test("a stock of several clear stretches gives what they give together", () => {
    const piece: CutPiece = { length: 5, width: 4, quantity: 50, turn: false };
    const whole = { ...problem([piece]), stock: [{ clear: [{ length: 10, width: 9 }, { length: 5, width: 9 }], price: 1, available: 1 }] }; // prettier-ignore
    // By hand: with a saw cut of 1 one 5 lies along 10, and two 4s across 9; another two in the 5.
    expect(pricerOf(whole).best(0, [1], [50]).most).toBe(4);
  });
});
