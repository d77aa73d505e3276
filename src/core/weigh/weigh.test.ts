import { inch, nm, NM_PER_INCH } from "@/core/length/length";
import { feeding, fromLitres, fromSugar, honeyForWax, syrupDensity } from "./feeding";
import { judgeLift, type Lift, limitForTwo } from "./lifting";

const POUND = 0.45359237;
const inches = (n: number) => nm(Math.round(n * NM_PER_INCH));
const lift = (more: Partial<Lift> = {}): Lift => ({ kg: 51 * POUND, out: inch(10), up: inch(30), travel: inch(10), turn: 0, often: 0.2, hours: 1, grip: "good", ...more }); // prettier-ignore
const of = (name: keyof ReturnType<typeof judgeLift>["multipliers"], more: Partial<Lift>) =>
  judgeLift(lift(more)).multipliers[name];

describe("the revised lifting equation (NIOSH Applications Manual 94-110, from memory)", () => {
  test("each multiplier is what the manual's tables print, over their whole range", () => {
    // Tables 1 to 4, two decimals; where the equation comes to the next hundredth the print is a hundredth more.
    const out = { 10: 1, 11: 0.91, 12: 0.83, 13: 0.77, 14: 0.71, 15: 0.67, 16: 0.63, 17: 0.59, 18: 0.56, 19: 0.53, 20: 0.5, 21: 0.48, 22: 0.46, 23: 0.44, 24: 0.42, 25: 0.4 }; // prettier-ignore
    for (const [h, m] of Object.entries(out)) expect(Math.abs(of("out", { out: inches(Number(h)) }) - m)).toBeLessThan(0.0101); // prettier-ignore
    const up = { 0: 0.78, 5: 0.81, 10: 0.85, 15: 0.89, 20: 0.93, 25: 0.96, 30: 1, 35: 0.96, 40: 0.93, 45: 0.89, 50: 0.85, 55: 0.81, 60: 0.78, 65: 0.74, 70: 0.7 }; // prettier-ignore
    for (const [v, m] of Object.entries(up)) expect(of("up", { up: inches(Number(v)) })).toBeCloseTo(m, 1.9);
    const travel = { 10: 1, 15: 0.94, 20: 0.91, 25: 0.89, 30: 0.88, 35: 0.87, 40: 0.87, 45: 0.86, 50: 0.86, 55: 0.85, 60: 0.85, 70: 0.85 }; // prettier-ignore
    for (const [d, m] of Object.entries(travel)) expect(Math.abs(of("travel", { travel: inches(Number(d)) }) - m)).toBeLessThan(0.0051); // prettier-ignore
    const turn = { 0: 1, 15: 0.95, 30: 0.9, 45: 0.86, 60: 0.81, 75: 0.76, 90: 0.71, 105: 0.66, 120: 0.62, 135: 0.57 };
    for (const [a, m] of Object.entries(turn)) expect(Math.abs(of("turn", { turn: Number(a) }) - m)).toBeLessThan(0.0051); // prettier-ignore
    // Beyond the tables nothing is to be lifted; nearer than 10 inches counts as 10.
    expect([of("out", { out: inches(25.1) }), of("up", { up: inches(71) }), of("travel", { travel: inches(71) }), of("turn", { turn: 136 })]).toEqual([0, 0, 0, 0]); // prettier-ignore
    expect([of("out", { out: inches(7) }), of("travel", { travel: inches(3) })]).toEqual([1, 1]);
    expect(judgeLift(lift({ turn: 136 })).index).toBe(Infinity);
  });

  test("how often and how it is held: a table's corners, low and high", () => {
    // Table 5: lifts a minute, hours, low, factor.
    const rows: [number, Lift["hours"], number, number][] = [[0.2, 1, 20, 1], [0.2, 8, 40, 0.85], [1, 2, 20, 0.88], [6, 8, 20, 0.27], [9, 8, 20, 0], [9, 8, 40, 0.15], [10, 8, 29, 0], [10, 8, 30, 0.13], [11, 2, 20, 0], [11, 2, 40, 0.23], [12, 1, 20, 0.37], [13, 1, 20, 0], [13, 1, 40, 0.34], [15, 1, 40, 0.28], [16, 1, 40, 0]]; // prettier-ignore
    for (const [often, hours, up, m] of rows) expect([often, hours, up, of("often", { often, hours, up: inches(up) })]).toEqual([often, hours, up, m]); // prettier-ignore
    // Table 7.
    const grips = (["good", "fair", "poor"] as const).map((grip) => [of("grip", { grip, up: inch(20) }), of("grip", { grip, up: inch(40) })]); // prettier-ignore
    expect(grips).toEqual([[1, 1], [0.95, 1], [0.9, 0.9]]); // prettier-ignore
  });

  test("the manual's first worked example, stock for a punch press: 44 lb, limit 16.3 lb taken up and 14.5 lb set down, index 2.7 and 3.0", () => {
    const stock = { kg: 44 * POUND, out: inch(23), travel: inch(48), grip: "fair" as const };
    const [taken, set] = [15, 63].map((up) => judgeLift(lift({ ...stock, up: inches(up) })));
    // The manual multiplies what its tables print, 0.44 for 10/23.
    expect(Math.abs(taken!.limit / POUND - 16.3)).toBeLessThan(0.3);
    expect(Math.abs(set!.limit / POUND - 14.5)).toBeLessThan(0.3);
    expect(Math.abs(taken!.index - 2.7) + Math.abs(set!.index - 3)).toBeLessThan(0.15);
    expect(judgeLift(lift()).index).toBeCloseTo(1, 9);
    // Another of the manual's, bags lifted into a hopper: 40 lb, 18 out, 15 up, moved 21, turned by 45, held fairly: 18.9 lb, 2.1.
    const bags = judgeLift(lift({ kg: 40 * POUND, out: inch(18), up: inch(15), travel: inch(21), turn: 45, grip: "fair" })); // prettier-ignore
    expect(Math.abs(bags.limit / POUND - 18.9)).toBeLessThan(0.5);
    expect(Math.abs(bags.index - 2.1)).toBeLessThan(0.1);
    expect(limitForTwo(taken!.limit)).toBeCloseTo((4 / 3) * taken!.limit, 9);
  });
});

describe("feeding", () => {
  test("syrup by weight is as heavy as sugar tables say, between their figures too", () => {
    // NBS Circular 440 at 20 °C, from memory: 15, 35, 45 and 55 parts in a hundred are not in the program's table.
    const known = { 15: 1.05917, 35: 1.15128, 45: 1.20254, 55: 1.25754 };
    for (const [brix, density] of Object.entries(known)) expect(Math.abs(syrupDensity(Number(brix)) - density)).toBeLessThan(0.0004); // prettier-ignore
    [0, 50, 75].forEach((brix, i) => expect(syrupDensity(brix)).toBeCloseTo([0.99823, 1.22957, 1.37897][i]!, 9));
    expect(() => syrupDensity(80)).toThrow(/wanted 0 to 75/);
  });

  test("sugar to litres and back: a kilo of each makes 1.63 l, two to one 1.13 l for a kilo of sugar", () => {
    // By hand: 2 kg / 1.22957; 1.5 kg at 66.67 parts in a hundred, 1.3266.
    expect(fromSugar(1, "1:1").litres).toBeCloseTo(2 / 1.22957, 6);
    expect(Math.abs(fromSugar(1, "2:1").litres - 1.1307)).toBeLessThan(0.001);
    for (const syrup of ["1:1", "2:1"] as const) {
      const back = fromLitres(fromSugar(7.3, syrup).litres, syrup);
      expect([back.sugarKg.toFixed(9), back.waterKg.toFixed(9)]).toEqual([(7.3).toFixed(9), (syrup === "1:1" ? 7.3 : 3.65).toFixed(9)]); // prettier-ignore
    }
  });

  test("twenty hives with eight kilos of sugar each, two to one, in feeders of four litres", () => {
    const all = feeding(20, 8, 4, "2:1");
    expect([all.sugarKg, all.waterKg, all.fills]).toEqual([160, 80, 3]);
    expect(Math.abs(all.litres - 180.9)).toBeLessThan(0.2);
    // A US gallon, 3.785 l, in about 15 hours (the trade's saying).
    expect(all.hoursAFill).toBeCloseTo((4 / 3.785411784) * 15, 6);
    expect(honeyForWax(0.5)).toBe(4);
  });
});
