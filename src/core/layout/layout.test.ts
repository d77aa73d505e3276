import fc from "fast-check";
import { inch, type Length, nm } from "@/core/length/length";
import type { BoardStock } from "@/core/boards/stock";
import { boardBound, wholeBoards } from "./bound";
import { cutsOf } from "./cuts";
import { allLayouts, layOut, layoutDocument } from "./layout";
import { missingText } from "./missing";
import type { Blank } from "./request";
import { isHeldLong, setUps } from "./setups";
import { leastTogether, tradeOff } from "./tradeoff";
import { blank, board, request, saw, sheet } from "./tests/samples";
import { verify } from "./tests/verify";

const lay = (blanks: Blank[], stock = [board()]) => layOut(request(blanks, stock), () => 0);

test("every layout is one a saw can cut, whatever is asked (own checker, random jobs)", () => {
  const sixteenths = (min: number, max: number) => fc.integer({ min, max }).map((n) => inch(0, n, 16));
  const blanks = fc.uniqueArray(
    fc.record({
      l: sixteenths(64, 1700),
      w: sixteenths(8, 190),
      q: fc.integer({ min: 1, max: 90 }),
      t: fc.constantFrom(inch(0, 3, 4), inch(0, 3, 8), inch(1, 1, 2), inch(1, 1, 16)),
    }),
    { minLength: 1, maxLength: 7, selector: (b) => `${b.l}${b.w}${b.t}` },
  );
  const stock = fc.array(
    fc.record({
      width: sixteenths(40, 190),
      length: sixteenths(800, 2200),
      thickness: fc.constantFrom(inch(0, 3, 4), inch(0, 7, 8), inch(1, 1, 8), inch(1, 1, 2)),
      available: fc.option(fc.integer({ min: 0, max: 30 })),
      source: fc.constantFrom("yard" as const, "buy" as const),
    }),
    { minLength: 1, maxLength: 4 },
  );
  fc.assert(
    fc.property(blanks, stock, fc.constantFrom(0, 2, 1000), (bs, ss, setUp) => {
      const r = request(
        bs.map((b, i) => blank(`p${i}`, b.l, b.w, b.q, { thickness: b.t, block: i % 2 === 0 })),
        ss.map((s) => board({ ...s, price: s.source === "yard" ? 0 : 10 })),
        { weighing: { setUp, offcut: 0 } },
      );
      verify(
        layOut(r, () => 0),
        r,
      );
    }),
    { numRuns: 60 },
  );
});

test("sheets, turned, in two stages and three, with bad stretches on boards beside them (own checker, random jobs)", () => {
  const mm = (min: number, max: number) => fc.integer({ min, max }).map((n) => nm(n * 1_000_000));
  const panels = fc.array(fc.record({ l: mm(60, 1200), w: mm(40, 700), q: fc.integer({ min: 1, max: 25 }) }), { minLength: 1, maxLength: 6 }); // prettier-ignore
  const bad = fc.array(fc.tuple(fc.integer({ min: 0, max: 70 }), fc.integer({ min: 1, max: 12 })), { maxLength: 3 });
  fc.assert(
    fc.property(panels, bad, fc.constantFrom(2 as const, 3 as const), (ps, marks, sheetStages) => {
      const stretches = marks
        .toSorted((a, b) => a[0] - b[0])
        .filter(([at], i, all) => i === 0 || at > all[i - 1]![0] + all[i - 1]![1])
        .map(([at, long]): [Length, Length] => [inch(at), inch(Math.min(95, at + long))]);
      const rough = board({
        source: "yard",
        price: 0,
        available: 1,
        ...(stretches.length > 0 ? { bad: stretches } : {}),
      });
      const r = request(
        [
          ...ps.map((p, i) => blank(`p${i}`, p.l, p.w, p.q, { material: "ply", thickness: nm(9_000_000) })),
          blank("side", inch(19, 1, 8), inch(9, 5, 8), 6),
          blank("cleat", inch(6), inch(1, 1, 2), 11),
        ],
        [sheet({ thickness: nm(9_000_000) }), rough, board()],
        { saw: { ...saw, sheetTrim: nm(5_000_000), sheetStages } },
      );
      verify(layOut(r, () => 0), r); // prettier-ignore
    }),
    { numRuns: 24 },
  );
});

test.each([
  ["one board", [board()]],
  [
    "boards whose prices add up to more decimals than they have",
    [board(), board({ width: inch(7, 1, 4), price: 8.6 })],
  ],
])(
  "what fewer set-ups cost, %s: each choice has fewer for more money, and a price that makes it the best",
  (_, stock) => {
    const blanks = [
      blank("side", inch(19, 1, 8), inch(9, 5, 8), 23),
      blank("end", inch(16, 1, 4), inch(6, 5, 8), 31),
      blank("rail", inch(40), inch(2), 17),
      blank("cleat", inch(6), inch(1, 1, 2), 90),
    ];
    const r = layOut(request(blanks, stock), () => 0);
    const points = tradeOff(r);
    // Four widths and four lengths, and a pattern: no way to cut them has fewer set-ups; and none costs less than the bound.
    expect(r.fewestSetUps).toBe(9);
    for (const p of points)
      expect([p.setUps >= 9, (r.boundCost * (1 + p.above)).toFixed(6)]).toEqual([true, p.cost.toFixed(6)]);
    for (const [i, p] of points.entries())
      for (const [k, q] of points.entries()) {
        if (k > i) expect([q.setUps < p.setUps, q.cost > p.cost]).toEqual([true, true]);
        // At its price no other point is cheaper, set-ups charged (brute force over the points).
        expect(p.cost + p.price * p.setUps).toBeLessThanOrEqual(q.cost + p.price * q.setUps + 0.01 * Math.max(p.setUps, q.setUps)); // prettier-ignore
      }
    // What is proposed at a price of a set-up costs least with it, by trying them all; the dearer a set-up the fewer.
    const proposed = [0, 0.5, 2, 8, 1000].map((each) => ({ each, p: leastTogether(r, each)! }));
    for (const { each, p } of proposed) {
      expect([p.together, p.cost + p.setUps * each]).toEqual(Array(2).fill(expect.closeTo(Math.min(...points.map((q) => q.cost + q.setUps * each)), 6))); // prettier-ignore
      expect((r.boundCost + 9 * each) * (1 + p.above!)).toBeCloseTo(p.together, 6);
    }
    expect(proposed.map(({ p }) => p.setUps)).toEqual(proposed.map(({ p }) => p.setUps).toSorted((a, b) => b - a));
    // Where a set-up is held to cost nothing, the cheapest is shown, and of those the one with fewest.
    expect(r).toMatchObject({ cost: points[0]!.cost, setUps: points[0]!.setUps });
  },
);

test("points whose prices lie within a cent have a price each (worked by hand: 0.413 and 0.418 a set-up)", () => {
  const at = (setUps: number, cost: number) => ({ setUps, patterns: 1, cost, kept: 0, tie: 0 });
  const front = [at(10, 100), at(9, 100.413), at(8, 100.831)];
  expect(tradeOff({ ...lay([blank("a", inch(31), inch(5), 3)]), front }).map((p) => p.price)).toEqual([0, 0.414, 0.42]);
});

test("one pattern that goes thirty times stands for two that go less often; no more boards, and no way has fewer set-ups (worked by hand)", () => {
  // 95 1/2 to use takes three of 31 or of 31 1/2; and, as full, two of the one and one of the other: 31 + 31 + 31 1/2 and kerfs.
  const blanks = [blank("a", inch(31), inch(5), 60), blank("b", inch(31, 1, 2), inch(5), 30)];
  const r = lay(blanks, [board({ width: inch(5) })]);
  // One fence, two stops and one pattern.
  expect(r).toMatchObject({ count: 30, boundCount: 30, patterns: 1, setUps: 4, fewestSetUps: 4 });
});

test("what is weighed is weighed of the same pieces whether one line asks for them or two", () => {
  const [wide, long] = [(n: number) => blank("wide", inch(19, 1, 8), inch(9, 5, 8), n), (n: number) => blank("long", inch(31), inch(3, 1, 2), n)]; // prettier-ignore
  const others = [blank("short", inch(11, 3, 8), inch(5, 1, 2), 23), blank("thin", inch(40), inch(2, 1, 4), 17)];
  for (const setUp of [0.5, 2, 4, 8]) {
    const shown = (...blanks: Blank[]) => layOut({ ...request(blanks), weighing: { setUp, offcut: 0 } }, () => 0); // prettier-ignore
    const [once, twice] = [shown(wide(26), long(19), ...others), shown(wide(20), { ...wide(6), of: { line: 9, part: "wide" } }, long(19), ...others)]; // prettier-ignore
    // What goes over from one line to the other is a pattern more.
    expect([setUp, twice.cost, twice.setUps - twice.patterns]).toEqual([setUp, once.cost, once.setUps - once.patterns]);
  }
});

test("pieces alike of several lines are told apart without more patterns than it takes (worked by hand)", () => {
  // Four a board: four and two of the one, four of the other; taken in turn the second board would hold two of each.
  const side = (name: string, n: number) => blank(name, inch(19, 1, 8), inch(9, 5, 8), n);
  const r = lay([side("a", 6), side("b", 4)]);
  const lines = allLayouts(r).map((l) => new Set(l.layout.strips.flatMap((s) => s.sections.flatMap((x) => x.pieces.map((p) => p.of.part))))); // prettier-ignore
  expect(lines.map((of) => [...of].join()).toSorted()).toEqual(["a", "a", "b"]);
});

describe("bounds", () => {
  test("counted by hand: four sides of 19 1/8 a board, so 80 want 20 boards, proven", () => {
    const r = lay([blank("side", inch(19, 1, 8), inch(9, 5, 8), 80)]);
    expect([r.count, r.boundCount, r.proven]).toEqual([20, 20, true]);
  });

  test("never above the true least: brute force over one-dimensional packings of up to seven pieces", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 5, max: 90 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 4 }),
        (lengths, kerf) => {
          const fewest = (left: number[], bins: number[]): number => {
            const [next, ...rest] = left;
            if (next === undefined) return bins.length;
            const options = bins.flatMap((b, i) =>
              b >= next + kerf
                ? [
                    fewest(
                      rest,
                      bins.map((x, j) => (j === i ? x - next - kerf : x)),
                    ),
                  ]
                : [],
            );
            return Math.min(fewest(rest, [...bins, 100 + kerf - next - kerf]), ...options);
          };
          const bound = wholeBoards(
            boardBound(
              lengths.map((l) => ({ length: nm(l), width: 10, quantity: 1 })),
              { length: 100, width: 10 },
              kerf,
            ),
          );
          expect(bound).toBeLessThanOrEqual(fewest(lengths, []));
          expect(bound).toBeGreaterThanOrEqual(
            Math.ceil(lengths.reduce((s, l) => s + l + kerf, 0) / (100 + kerf) - 1e-9),
          );
        },
      ),
    );
  });
});

test("the yard comes first and costs nothing; thin parts lie on edge when that takes less wood", () => {
  const r = lay(
    [
      blank("end", inch(16, 1, 4), inch(9, 5, 8), 20),
      blank("bottom bar", inch(17, 3, 4), inch(0, 3, 4), 30, { thickness: inch(0, 3, 8) }),
    ],
    [board(), board({ source: "yard", price: 0, available: 3 })],
  );
  const doc = layoutDocument(r);
  expect(doc.stock.map((s) => [s.source, s.count]).sort()).toEqual([
    ["buy", 1],
    ["yard", 3],
  ]);
  expect(r.groups[0]!.group.lying.map((l) => [l.blank.of.part, l.onEdge, l.width])).toEqual([
    ["end", false, inch(9, 5, 8)],
    ["bottom bar", true, inch(0, 3, 8)],
  ]);
});

test("what cannot be laid out names the part and what it would want", () => {
  const say = (blanks: Blank[], stock: BoardStock[]) => lay(blanks, stock).missing.map((m) => missingText(m, "in"));
  const side = blank("Side", inch(19, 1, 8), inch(9, 5, 8), 80);
  expect(say([side], [])).toEqual([
    'Side: the job has no boards; it wants a board at least 3/4" thick, 9 5/8" wide and 19 5/8" long',
  ]);
  expect(say([side], [board({ width: inch(9, 1, 4) })])[0]).toMatch(/every board is too narrow/);
  expect(say([side], [board({ thickness: inch(0, 1, 2) })])[0]).toMatch(/too thin/);
  expect(say([side], [board({ length: inch(19) })])[0]).toMatch(/too short/);
  expect(say([side], [board({ available: 3 })])[0]).toBe(
    'Side: 68 of 80 are left over when the stock runs out; add more boards 3/4" thick',
  );
});

test("boards of another thickness help out: planed to what is wanted when the thin ones run out, and before any is bought", () => {
  const side = blank("side", inch(19, 1, 8), inch(9, 5, 8), 16);
  const bar = blank("bar", inch(19), inch(0, 7, 8), 4, { thickness: inch(1, 1, 16) });
  const yard = (thickness: Length, available: number) => board({ thickness, available, source: "yard", price: 0 });
  // Four sides a board: three thin boards give twelve, and a thick one the last four, with a strip of bars beside them.
  const thin = yard(inch(0, 3, 4), 3);
  const thick = yard(inch(1, 1, 8), 1);
  for (const stock of [
    [thin, thick],
    [thin, thick, board()],
  ]) {
    const r = lay([side, bar], stock);
    verify(r, r.request);
    expect([r.missing, r.cost, r.count, r.proven]).toEqual([[], 0, 4, true]);
    const planed = setUps(r).filter((s) => s.step === "plane");
    expect(planed.map((s) => [s.setting, s.blanks.map((b) => b.of.part)])).toEqual([
      [inch(0, 3, 8), ["side"]],
      [inch(0, 1, 16), ["bar"]],
    ]);
  }
});

test("boards that are nearly as thick serve, bought too; an inch is not planed to 3/4 to save money", () => {
  const wall = blank("wall", inch(19), inch(9), 16, { thickness: nm(19_000_000) });
  const roof = blank("roof", inch(19), inch(9), 4, { thickness: inch(0, 3, 4) });
  const metric = board({ thickness: nm(19_000_000), price: 20 });
  // Five a board: the dear 19 mm boards give way to 3/4 inch ones, which the roof needs anyway.
  const r = lay([wall, roof], [metric, board()]);
  verify(r, r.request);
  expect([r.cost, r.count]).toEqual([56.8, 4]);
  expect(setUps(r).filter((s) => s.step === "plane")).toEqual([]);
  const rail = blank("rail", inch(19), inch(9), 4, { thickness: inch(1) });
  expect(lay([wall, rail], [metric, board({ thickness: inch(1), price: 2 })]).cost).toBe(82);
});

test("less than a shaving is not planed off: 27 mm stock gives a 1 1/16 bar as it is", () => {
  const bar = blank("bar", inch(19), inch(0, 7, 8), 4, { thickness: inch(1, 1, 16) });
  const planed = (thickness: Length) => setUps(lay([bar], [board({ thickness })])).filter((s) => s.step === "plane");
  expect(planed(nm(27_000_000))).toEqual([]);
  expect(planed(nm(28_000_000)).map((s) => s.setting)).toEqual([28_000_000 - inch(1, 1, 16)]);
});

test("what is too short to be ripped is crosscut longer, ripped while it can be held, and cut to length: one board for two (by hand)", () => {
  const short = [blank("lid", inch(20), inch(11), 1), blank("cleat", inch(6), inch(1, 1, 2), 6)];
  const one = (hold: Length) => layOut(request(short, [board({ length: inch(30, 1, 2) })], { saw: { ...saw, minHold: hold } }), () => 0); // prettier-ignore
  // Of 30 usable, 20 and a saw cut leave 9 7/8: a section of 9, across it six times 1 1/2 and five saw cuts, 9 5/8 of 11 1/4.
  const r = one(inch(9));
  verify(r, request(short, [board({ length: inch(30, 1, 2) })]));
  expect([r.count, r.boundCount]).toEqual([1, 1]);
  const ups = setUps(r).map((s) => [s.step, s.setting, s.count, isHeldLong(s, inch(9))]);
  expect(ups).toEqual([
    ["section", inch(20), 1, false],
    ["section", inch(9), 1, true],
    ["rip", inch(11), 1, false],
    ["rip", inch(1, 1, 2), 6, false],
    ["trim", inch(6), 6, false],
  ]);
  // Where 10 is the least that can be held there is no room for it: the strip beside the lid is only 1/8 wide.
  expect(one(inch(10)).count).toBe(2);
});

test("set-ups are shared: one fence for all bodies' parts, widest first, then stops, longest first", () => {
  const r = lay([
    blank("side", inch(19, 1, 8), inch(9, 5, 8), 8),
    blank("end", inch(16, 1, 4), inch(9, 5, 8), 8),
    blank("cleat", inch(6), inch(1, 1, 2), 16),
  ]);
  expect(setUps(r).map((s) => [s.kind, s.setting, s.count])).toEqual([
    ["rip", inch(9, 5, 8), r.count],
    ["rip", inch(1, 1, 2), expect.any(Number)],
    ["crosscut", inch(19, 1, 8), 8],
    ["crosscut", inch(16, 1, 4), 8],
    ["crosscut", inch(6), 16],
  ]);
  const cuts = cutsOf(allLayouts(r)[0]!.layout, board(), saw);
  expect(cuts[0]).toMatchObject({ kind: "trim", setting: inch(0, 1, 4), count: 1 });
  expect(cuts[1]).toMatchObject({ kind: "rip", setting: inch(9, 5, 8) });
});
