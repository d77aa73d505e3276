import fc from "fast-check";
import { cuttable } from "@/core/layout/tests/verify";
import {
  boardsFileSchema,
  readSolverFile,
  sheetsFileSchema,
  SolverFileError,
  orderFileSchema,
  solveBoards,
  solveOrder,
  solveSheets,
} from "@/core/solve/files";
import { highsSolver } from "./highs";

const lp = await highsSolver();
const boards = (file: object) => solveBoards(readSolverFile(boardsFileSchema, JSON.stringify(file)), lp, () => 0);
const order = (file: object) => solveOrder(readSolverFile(orderFileSchema, JSON.stringify(file)), lp, () => 0);
const sheets = (file: object) => solveSheets(readSolverFile(sheetsFileSchema, JSON.stringify(file)), lp, () => 0);
const bar = (length: number, o: object = {}) => ({ id: "a", length, ...o });
const piece = (id: string, length: number, quantity: number) => ({ id, length, quantity });

describe("boards", () => {
  test("k pieces take their lengths and k − 1 saw cuts: exactly full is allowed, a hair more is not", () => {
    const count = (length: number) => boards({ kerf: 2, stock: [bar(length)], pieces: [piece("p", 200, 4)] }).count;
    expect([count(806), count(805)]).toEqual([1, 2]);
    expect(count(805.5)).toBe(2);
  });
  test("the contract's example, and decimals", () => {
    expect(boards({ kerf: 2, stock: [bar(960)], pieces: [piece("p", 200, 12)] })).toMatchObject({
      patterns: [{ stock: "a", repeat: 3, pieces: [{ id: "p", count: 4 }] }],
      count: 3,
      cost: 3,
      bound: 3,
      proven: true,
    });
    expect(boards({ stock: [bar(1)], pieces: [piece("p", 0.25, 4), piece("q", 0.125, 8)] })).toMatchObject({
      count: 2,
    });
  });
  test("every pattern fits, counts come out, limited stock is kept to, whatever is asked", () => {
    const file = fc.record({
      kerf: fc.integer({ min: 0, max: 30 }).map((n) => n / 10),
      stock: fc.array(fc.record({ length: fc.integer({ min: 300, max: 900 }), price: fc.integer({ min: 1, max: 9 }), available: fc.option(fc.integer({ min: 0, max: 30 })) }), { minLength: 1, maxLength: 3 }), // prettier-ignore
      pieces: fc.array(fc.record({ length: fc.integer({ min: 200, max: 3000 }).map((n) => n / 10), quantity: fc.integer({ min: 1, max: 30 }) }), { minLength: 1, maxLength: 6 }), // prettier-ignore
    });
    fc.assert(
      fc.property(file, (f) => {
        const named = { ...f, stock: f.stock.map((s, i) => ({ ...s, id: `s${i}` })), pieces: f.pieces.map((p, i) => ({ ...p, id: `p${i}` })) }; // prettier-ignore
        let answer: ReturnType<typeof boards>;
        try {
          answer = boards(named);
        } catch (e) {
          expect(e).toBeInstanceOf(SolverFileError);
          expect((e as Error).message).toMatch(/^piece "p\d"/);
          return;
        }
        const made = new Map<string, number>();
        const used = new Map<string, number>();
        for (const p of answer.patterns) {
          const all = p.pieces.flatMap(({ id, count }) => Array.from({ length: count }, () => named.pieces.find((x) => x.id === id)!.length)); // prettier-ignore
          const takes = all.reduce((s, l) => s + l, 0) + (all.length - 1) * named.kerf;
          expect(takes).toBeLessThanOrEqual(named.stock.find((s) => s.id === p.stock)!.length + 1e-6);
          used.set(p.stock, (used.get(p.stock) ?? 0) + p.repeat);
          for (const { id, count } of p.pieces) made.set(id, (made.get(id) ?? 0) + count * p.repeat);
        }
        for (const p of named.pieces) expect(made.get(p.id)).toBe(p.quantity);
        for (const s of named.stock) expect(used.get(s.id) ?? 0).toBeLessThanOrEqual(s.available ?? Infinity);
        expect(answer.cost).toBeGreaterThanOrEqual(answer.bound - 1e-6);
      }),
      { numRuns: 40 },
    );
  }, 240_000);
});

test("sheets lie where they say: inside, a saw cut apart, cut apart in the stages asked, turned only when allowed", () => {
  const file = fc.record({
    kerf: fc.constantFrom(0, 3, 3.2),
    stages: fc.constantFrom(2 as const, 3 as const),
    pieces: fc.array(fc.record({ length: fc.integer({ min: 100, max: 900 }), width: fc.integer({ min: 60, max: 500 }), quantity: fc.integer({ min: 1, max: 9 }), turn: fc.boolean() }), { minLength: 1, maxLength: 5 }), // prettier-ignore
  });
  fc.assert(
    fc.property(file, (f) => {
      const named = { ...f, pieces: f.pieces.map((p, i) => ({ ...p, id: `p${i}` })), stock: [{ id: "s", length: 1220, width: 900 }] }; // prettier-ignore
      const answer = sheets(named);
      const made = new Map<string, number>();
      for (const { repeat, pieces } of answer.layouts) {
        for (const p of pieces) {
          const want = named.pieces.find((x) => x.id === p.id)!;
          const turned = p.length !== want.length;
          expect(turned ? [p.length, p.width] : [p.width, p.length]).toEqual(turned ? [want.width, want.length] : [want.width, want.length]); // prettier-ignore
          if (turned) expect(want.turn).toBe(true);
          expect(p.x + p.length).toBeLessThanOrEqual(1220 + 1e-6);
          expect(p.y + p.width).toBeLessThanOrEqual(900 + 1e-6);
          made.set(p.id, (made.get(p.id) ?? 0) + repeat);
        }
        const rects = pieces.map((p) => ({ id: p.id, x: p.x, y: p.y, l: p.length, w: p.width }));
        const apart = named.kerf - 1e-6;
        expect(cuttable(rects, "x", named.stages, apart) || cuttable(rects, "y", named.stages, apart)).toBe(true);
      }
      for (const p of named.pieces) expect(made.get(p.id)).toBe(p.quantity);
    }),
    { numRuns: 40 },
  );
}, 240_000);

describe("what cannot be answered names the field or the piece", () => {
  const good = { stock: [bar(100)], pieces: [piece("p", 50, 3)] };
  test.each<[string, object, RegExp]>([
    [
      "a piece longer than any stock",
      { ...good, pieces: [piece("rail", 120, 1)] },
      /piece "rail": length 120 is longer than any stock \(100\)/,
    ],
    ["too little stock", { ...good, stock: [bar(100, { available: 1 })] }, /piece "p": 1 of 3 are left over/],
    ["a negative length", { ...good, stock: [bar(-1)] }, /stock\.0\.length/],
    ["half a piece", { ...good, pieces: [piece("p", 5, 0.5)] }, /pieces\.0\.quantity/],
    ["no pieces", { ...good, pieces: [] }, /pieces/],
    ["two alike ids", { ...good, pieces: [piece("p", 5, 1), piece("p", 6, 1)] }, /pieces: two have the same id/],
    ["an unknown key", { ...good, kerfs: 3 }, /kerfs/],
    ["a size too fine", { ...good, pieces: [piece("p", 1 / 3, 1)] }, /six decimals/],
  ])("%s", (_what, file, why) => {
    expect(() => boards(file)).toThrow(SolverFileError);
    expect(() => boards(file)).toThrow(why);
  });
  test("a panel that fits neither way, and text that is no JSON", () => {
    const panel = { id: "lid", length: 700, width: 650, quantity: 1 };
    expect(() => sheets({ stock: [{ id: "s", length: 800, width: 600 }], pieces: [panel] })).toThrow(/piece "lid": 700 × 650 fits no stock/); // prettier-ignore
    expect(() => readSolverFile(sheetsFileSchema, "{")).toThrow(/not JSON/);
  });
});

describe("orders", () => {
  const supplier = (id: string, price: number, o: object = {}) => ({ id, delivery: 12, offers: [{ need: "screws", pack: 200, price, ...o }] }); // prettier-ignore
  const needs = [{ id: "screws", quantity: 900 }];
  test("worked by hand: five packs at 14.50 and a delivery of 12 are 84.50; from five packs on 13.90 each it is 81.50", () => {
    expect(order({ needs, suppliers: [supplier("moor", 14.5)] })).toMatchObject({ goods: 72.5, delivery: 12, total: 84.5, bound: 84.5, proven: true, short: [] }); // prettier-ignore
    expect(order({ needs, suppliers: [supplier("moor", 14.5, { breaks: [{ from: 5, price: 13.9 }] })] })).toMatchObject({ total: 81.5, buys: [{ supplier: "moor", need: "screws", pack: 200, packs: 5, price: 13.9 }] }); // prettier-ignore
  });
  test("goods under the minimum are not sold, more is bought to be delivered for nothing, and who is slower than asked is not used", () => {
    const late = { ...supplier("heath", 10), leadDays: 9 };
    // Six packs reach 84 and are brought for nothing; five cost 70 and 12 for delivery, and are fewer than are sold.
    const moor = { ...supplier("moor", 14), minimum: 75, freeFrom: 80, leadDays: 4 };
    expect(order({ needs, suppliers: [late, moor], by: 5 })).toMatchObject({ goods: 84, delivery: 0, total: 84, buys: [{ packs: 6 }] }); // prettier-ignore
  });
  test("what nobody has enough of is short, and is said; a need nobody asked for is refused by its name", () => {
    expect(order({ needs, suppliers: [supplier("moor", 14.5, { available: 3 })] })).toMatchObject({ short: [{ need: "screws", quantity: 300 }], buys: [{ packs: 3 }] }); // prettier-ignore
    expect(order({ needs, suppliers: [{ id: "none", offers: [] }] })).toMatchObject({ buys: [], total: 0, short: [{ need: "screws", quantity: 900 }] }); // prettier-ignore
    expect(() => order({ needs, suppliers: [{ id: "moor", offers: [{ need: "nails", pack: 1, price: 1 }] }] })).toThrow('suppliers.0.offers.0.need: read "nails", which is none of the needs'); // prettier-ignore
  });
});
