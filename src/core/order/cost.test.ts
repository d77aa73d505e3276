import fc from "fast-check";
import type { StockEntry } from "@/core/boards/stock";
import { layoutRequest } from "@/core/job/ask";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { layOut } from "@/core/layout/layout";
import { inch } from "@/core/length/length";
import { toMinor } from "@/core/money/money";
import { operations } from "@/core/work/operations";
import { costOf, KINDS } from "./cost";
import { orderDocument } from "./document";
import { orderOf } from "./order";

const board = (o: object = {}): StockEntry => ({ form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 14.2, available: null, source: "buy", ...o }); // prettier-ignore
const pack = (material: string, size: number, price: number): StockEntry => ({ form: "pack", material, pack: size, price, available: null, source: "buy" }); // prettier-ignore
const HARDWARE = [
  pack("exterior screw, no. 8 × 2 1/4", 200, 9),
  pack("exterior screw, no. 6 × 1 1/4", 100, 4.05),
  pack("waterproof wood glue", 750, 8.4),
];
const body = (size: string, quantity: number) => ({ item: "body", standard: "langstroth-10", size, quantity, options: { joint: "rabbet-ends" } }); // prettier-ignore

function costed(o: Partial<Job>, money: Partial<Job["workshop"]["money"]> = {}) {
  const empty = emptyJob("Spring run", "in");
  const workshop = { ...empty.workshop, money: { currency: "GBP", rate: 24, overhead: 10, tax: 20, ...money } };
  const worked = workJob({ ...empty, workshop, ...o });
  const layout = layOut(layoutRequest(worked), () => 0);
  const order = orderOf(worked, layout);
  return { worked, layout, order, cost: costOf(worked, layout, order) };
}
const ofKind = (item: ReturnType<typeof costed>["cost"]["items"][number], kind: string) => item.parts.find((p) => p.kind === kind)!; // prettier-ignore

test("ten deep and four medium bodies cost what a sheet worked by hand says", () => {
  const { cost, order } = costed({ lines: [body("deep", 10), body("medium", 4)], stock: [board(), ...HARDWARE] });
  const [deep, medium] = cost.items as [(typeof cost.items)[0], (typeof cost.items)[0]];
  // Twelve boards at 14.20. Sides and ends of both are equally long, so wood is shared by depth (9 5/8 and 6 5/8, Langstroth):
  // 10 × 9 5/8 = 96.25 of 96.25 + 4 × 6 5/8 = 122.75.
  expect(order.lines[0]).toMatchObject({ quantity: 12 });
  expect([ofKind(deep, "wood").minor, ofKind(medium, "wood").minor]).toEqual([Math.round(17040 * (96.25 / 122.75)), Math.round(17040 * (26.5 / 122.75))]); // prettier-ignore
  // 120 and 32 screws of each kind, with 5 % spare 160: one pack of 200 at 9.00 and two of 100 at 4.05; a bottle of glue by
  // 10 × 0.028 and 4 × 0.0193 m² of joint.
  expect(ofKind(deep, "hardware").minor).toBe(Math.round(900 * (120 / 152)) + Math.round(810 * (120 / 152)) + Math.round(840 * (0.28 / 0.3572))); // prettier-ignore
  expect(ofKind(deep, "hardware").minor + ofKind(medium, "hardware").minor).toBe(900 + 810 + 840);
  // Set-ups: crosscuts 5 + 5, rabbets 15 + 15, handholds 20 min by 20 and 8 pieces; rips 5 + 5 by wood; mark 2, dry fit 8, glue 10,
  // clean 2 of its own. At 24 an hour a minute is 0.40.
  const setUps = 60 * (20 / 28) + 10 * (96.25 / 122.75) + 22;
  expect(Math.abs(ofKind(deep, "setUps").minor - setUps * 40)).toBeLessThan(1);
  // Work: rips 8 + 4 strips × 1 1/2 by wood; 28 pieces × (1/2 + 1/2 + 1 + 1/2 + 1); marking 5, gluing 70, cleaning 20.
  const work = 18 * (96.25 / 122.75) + 28 * 3.5 * (20 / 28) + 95;
  expect(Math.abs(ofKind(deep, "work").minor - work * 40)).toBeLessThan(1);
  const before = ["wood", "hardware", "work", "setUps"].reduce((s, k) => s + ofKind(deep, k).minor, 0);
  expect(deep.total).toBe(before + Math.round(before / 10));
  expect([deep.each, cost.total]).toEqual([Math.round(deep.total / 10), deep.total + medium.total]);
  expect(ofKind(deep, "wood").working).toBe("pine: 78.4 % of £170.40 = £133.61");
  expect(deep.unknown).toEqual([]);
});

test("a board without a price is weighed by its size, but nothing is paid for that: it costs nothing yet, and is named", () => {
  const { cost, order } = costed({ lines: [body("deep", 10)], stock: [board({ price: 0 }), ...HARDWARE] });
  expect(order.unpriced).toHaveLength(1);
  expect(cost.items[0]!.unknown).toEqual(["pine"]);
  expect(cost.items[0]!.parts.filter((p) => p.kind === "wood" && p.minor > 0)).toEqual([]);
});

test("a part that no board gives is among what has no price, of its own line", () => {
  const thick = { ...body("deep", 2), options: { joint: "rabbet-ends", thickness: inch(1, 1, 4) } };
  const { cost } = costed({ lines: [body("deep", 10), thick], stock: [board(), ...HARDWARE] });
  expect(cost.items.map((i) => i.unknown.filter((u) => u.startsWith("wood for")).length)).toEqual([0, 2]);
});

test("whatever the numbers, items share out exactly what is paid and worked, in whole coins of three currencies", () => {
  const size = fc.constantFrom("deep", "medium", "shallow");
  const lines = fc.array(fc.tuple(size, fc.integer({ min: 1, max: 60 })), { minLength: 1, maxLength: 4 });
  fc.assert(
    fc.property(lines, fc.constantFrom("GBP", "JPY", "KWD"), fc.integer({ min: 1, max: 90_000 }), fc.integer({ min: 0, max: 40 }), (of, currency, price, overhead) => {
      const stock = [board({ price: price / 100 }), ...HARDWARE];
      const { cost, order, worked, layout } = costed({ lines: of.map(([s, n]) => body(s, n)), stock }, { currency, overhead }); // prettier-ignore
      const sum = (kind: string) => cost.items.reduce((s, i) => s + (i.parts.find((p) => p.kind === kind)?.minor ?? 0), 0);
      expect(sum("wood")).toBe(toMinor(price / 100, currency) * order.lines[0]!.quantity);
      expect(sum("hardware")).toBe(order.lines.slice(1).reduce((s, l) => s + toMinor(l.price!, currency), 0));
      const minutes = operations(worked, layout).reduce((s, o) => s + o.minutes * o.people, 0);
      expect(Math.abs(sum("work") + sum("setUps") - toMinor(minutes * 0.4, currency))).toBeLessThanOrEqual(1);
      for (const i of cost.items) expect(i.parts.reduce((s, p) => s + p.minor, 0)).toBe(i.total);
      expect(cost.wood.parts + cost.wood.kept + cost.wood.scrap).toBeCloseTo(1, 9);
    }),
    { numRuns: 25 },
  ); // prettier-ignore
});

test("what has no price is said and counts for nothing; wood of the yard is worth what the same costs to buy", () => {
  const bought = costed({ lines: [body("deep", 2)], stock: [board()] });
  expect(bought.cost.items[0]!.unknown).toContain("waterproof wood glue");
  const ofYard = costed({
    lines: [body("deep", 2)],
    stock: [board({ source: "yard", price: 0, available: 9 }), board()],
  });
  expect([ofYard.order.lines[0]!.price, ofKind(ofYard.cost.items[0]!, "wood").minor]).toEqual([0, ofKind(bought.cost.items[0]!, "wood").minor]); // prettier-ignore
  const noRate = costed({ lines: [body("deep", 2)], stock: [board()] }, { rate: null });
  expect(ofKind(noRate.cost.items[0]!, "work")).toMatchObject({
    minor: 0,
    working: expect.stringMatching(/an hour has no price yet/),
  });
  expect(Object.keys(orderDocument(noRate.order, noRate.cost).perItem[0]!)).toEqual(expect.arrayContaining([...KINDS]));
});

test("screws that lie in the yard cost a piece what the same cost to buy, though nothing is paid for them", () => {
  const lying: StockEntry = { ...pack("exterior screw, no. 6 × 1 1/4", 500, 0), available: 1, source: "yard" };
  const { order, cost } = costed({
    lines: [body("deep", 10), body("medium", 4)],
    stock: [board(), ...HARDWARE, lying],
  });
  const line = order.lines.find((l) => l.what.includes("no. 6"))!;
  expect([line.bought, line.price]).toEqual([0, 0]);
  // 160 of them at 4.05 a hundred are 6.48, instead of two packs for 8.10; the other screws and the glue as before.
  const hardware = cost.items.map((i) => ofKind(i, "hardware").minor);
  expect(hardware[0]! + hardware[1]!).toBe(900 + 648 + 840);
});
