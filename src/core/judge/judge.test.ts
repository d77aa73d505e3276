import { type BoardStock, cheapestByArea } from "@/core/boards/stock";
import { recipeFor } from "@/core/recipes";
import { shapeItem } from "@/core/shape/shape";
import { langstroth10 } from "@/core/standards/langstroth-10";
import { national } from "@/core/standards/national";
import type { Standard } from "@/core/standards/standard";
import { inch } from "@/core/length/length";
import { compareJoints } from "./joints";
import { judgeReading, TOLERANCE } from "./reading";
import { nailWithdrawal, screwShear, screwWithdrawal } from "./strength";

const box = (standard: Standard, size: string) => shapeItem(recipeFor("body", standard)!, standard, size, {});

describe("withdrawal (Wood Handbook, fastenings, from memory)", () => {
  // The US form, lb with inches: nails 7850 G^2.5 D L, screws 15700 G² D L; 1 lb = 4.448222 N.
  test.each([0.35, 0.4, 0.48, 0.51])("SI and US forms agree within 1 %% for G %d", (g) => {
    const [d, l] = [0.164, 1.25];
    const nail = 7850 * g ** 2.5 * d * l * 4.448222;
    const screw = 15700 * g ** 2 * d * l * 4.448222;
    expect(nailWithdrawal(g, d * 25.4, l * 25.4) / nail).toBeCloseTo(1, 2);
    expect(screwWithdrawal(g, d * 25.4, l * 25.4) / screw).toBeCloseTo(1, 2);
  });
  test("end grain holds nails half and screws three quarters", () => {
    expect(nailWithdrawal(0.4, 3, 30, "end") / nailWithdrawal(0.4, 3, 30)).toBe(0.5);
    expect(screwWithdrawal(0.4, 3, 30, "end") / screwWithdrawal(0.4, 3, 30)).toBe(0.75);
  });
});

describe("corners side by side", () => {
  const joints = compareJoints(box(langstroth10, "deep"), 1, "in");
  const of = (id: string) => joints.find((j) => j.id === id)!;

  test("all seven, with the cut sizes of the joint table (handbook 04 [trade])", () => {
    expect(joints).toHaveLength(7);
    expect([
      of("rabbet-ends").side,
      of("rabbet-sides").end,
      of("butt-ends-inside").end,
      of("butt-sides-inside").side,
    ]).toEqual([inch(19, 1, 8), inch(15, 1, 2), inch(14, 3, 4), inch(18, 3, 8)]);
  });
  test("as the trade says: fingers glue most, dovetails take longest, a butt box has twelve screws", () => {
    expect(Math.max(...joints.map((j) => j.glue))).toBe(of("finger").glue);
    expect(Math.max(...joints.map((j) => j.minutes))).toBe(of("dovetail").minutes);
    expect(of("butt-ends-inside").screws).toEqual([{ what: "exterior screw, no. 8 × 2 1/4", count: 12 }]);
  });
  test("a butt holds one way by withdrawal and the other by shear, never by nothing; interlocked joints are not ranked by screws", () => {
    const butt = of("butt-ends-inside");
    // Six screws a wall of 4.17 mm, 1 1/2 of them in end grain of white pine: 108.25 × 0.35² × 4.17 × 38.1 × 3/4; across: 23.17 × 4.17².
    expect(butt.holdsSide).toBeCloseTo(6 * 108.25 * 0.35 ** 2 * 4.17 * 38.1 * 0.75, 3);
    expect(butt.holdsEnd).toBeCloseTo(6 * 23.17 * 4.17 ** 2, 3);
    // The US form of shear: 3360 · D² in inches and pounds.
    expect(screwShear(0.35, 4.17) / (3360 * (4.17 / 25.4) ** 2 * 4.448222)).toBeCloseTo(1, 2);
    for (const j of joints) {
      const interlocked = ["finger", "dovetail"].includes(j.id);
      expect([j.id, j.holdsSide === null, j.holdsEnd === null]).toEqual([j.id, interlocked, interlocked]);
      if (!interlocked) expect(Math.min(j.holdsSide!, j.holdsEnd!)).toBeGreaterThan(0);
    }
  });
  test("for all boxes: set-up once and minutes each; wood at the cheapest board", () => {
    const board: BoardStock = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 14.2, available: null, source: "buy" }; // prettier-ignore
    const [ten] = compareJoints(box(langstroth10, "deep"), 10, "in", cheapestByArea([board]));
    expect(ten!.minutes).toBeCloseTo(ten!.setup + 10 * ten!.each, 6);
    // Two sides of 19 1/8 and two ends of 16 1/4, 9 5/8 wide, ten times; the board is 11 1/4 × 96 for 14.20.
    expect(ten!.money).toBeCloseTo((10 * 2 * (19.125 + 16.25) * 9.625 * 14.2) / (11.25 * 96), 6);
  });
  test("a body without a choice of corner has nothing to compare", () => {
    expect(compareJoints(box(national, "brood"), 1, "mm")).toEqual([]);
  });
});

test("a first piece: carry on within the tolerance, nudge by what it is off, stop when it is far off (handbook 09 [trade])", () => {
  const judge = (n: number) => judgeReading(inch(19, 1, 8), inch(19, 8 + n, 64), TOLERANCE.gap, "in", "stop");
  expect(judge(0)).toMatchObject({ state: "good", text: "spot on, carry on" });
  expect(judge(2).state).toBe("good");
  expect(judge(3)).toMatchObject({ state: "nudge", text: '3/64" over: move the stop in by 3/64"' });
  expect(judge(-4)).toMatchObject({ state: "nudge", text: '1/16" under: move the stop out by 1/16"' });
  expect(judge(40).state).toBe("stop");
});
