import { readWeigh } from "./file";
import { FIGURES, judge, QUESTIONS } from "./compare";
import { type Row, weighRows } from "./rows";
import { SETS } from "./sets";

const rowsOf = (id: string) => {
  const { things, assume } = readWeigh({ format: "rundik-weigh", version: 1, units: "in", things: SETS.find((s) => s.id === id)!.things }); // prettier-ignore
  return weighRows(things, assume);
};
const question = (id: string) => QUESTIONS.find((q) => q.id === id)!.weights;
const named = (rows: Row[], at: number | undefined) => (at === undefined ? undefined : rows[at]!.name);

test("what is best is best by what counts: for a bad back a long hive, of boxes the long one; for combs the extra-deep", () => {
  const [frames, boxes, hives] = ["frames", "boxes", "hives"].map(rowsOf) as [Row[], Row[], Row[]];
  expect(named(boxes, judge(boxes, question("back")).best)).toBe("Long body");
  expect(named(hives, judge(hives, question("back")).best)).toBe("Long hive");
  expect(named(frames, judge(frames, { comb: 1 }).best)).toBe("Extra-deep");
  expect(named(frames, judge(frames, { frame: 1 }).best)).toBe(frames.toSorted((a, b) => a.frameFullKg! - b.frameFullKg!)[0]!.name); // prettier-ignore
  // Nothing that counts decides nothing.
  expect(judge(frames, {}).best).toBeUndefined();
});

test("scores are sums of parts between the worst and the best, by hand", () => {
  const row = (name: string, kg: number, litres: number): Row => ({ name, framesCount: null, opening: null, combArea: null, frameFullKg: kg, boxEmptyKg: null, boxFullKg: null, lift: null, lifts: [], contactCm2: null, litres, deepEquivalents: null, wall: null, loss: null, climb: null, pallet: null, trailer: null, extractor: null, sheet: null, making: null, costs: null, why: {}, stack: null, notes: [], drawn: null }); // prettier-ignore
  const rows = [row("a", 2, 40), row("b", 4, 60), row("c", 3, 30)];
  const { scores, best, because, against, change } = judge(rows, { frame: 2, room: 1 });
  // Lighter is better: 1, 0, 1/2; more room is: 1/3, 1, 0. Two to one: 7/9, 1/3, 1/3.
  expect(scores.map((s) => s.toFixed(6))).toEqual([7 / 9, 1 / 3, 1 / 3].map((s) => s.toFixed(6)));
  expect([best, because, against]).toEqual([0, ["frame"], []]);
  expect(change).toEqual([{ figure: "room", thing: 1 }]);
  // Two that do as well decide nothing; what nobody has a figure for neither.
  expect(judge([rows[0]!, { ...rows[0]!, name: "d" }], { frame: 1 }).best).toBeUndefined();
  expect(judge(rows, { wall: 3 }).best).toBeUndefined();
});

test("every figure is said in both units, and every question asks for figures there are", () => {
  const rows = rowsOf("boxes");
  for (const f of FIGURES)
    for (const units of ["in", "mm"] as const)
      for (const r of rows) {
        const n = f.of(r, 1);
        if (n !== null) expect([f.id, f.text(n, units)]).toEqual([f.id, expect.stringMatching(/^\d+(\.\d+)?$/)]);
      }
  for (const q of QUESTIONS) expect([q.id, Object.keys(q.weights).filter((w) => !FIGURES.some((f) => f.id === w))]).toEqual([q.id, []]); // prettier-ignore
  const deep = rows[0]!;
  const lift = FIGURES.find((f) => f.id === "lift")!;
  // 36.4 kg is 80 lb of 0.45359237.
  expect([lift.text(lift.of(deep, 1)!, "in"), lift.text(lift.of(deep, 1)!, "mm")]).toEqual(["80", "36"]);
});
