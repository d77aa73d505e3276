import { unit } from "mathjs";
import { emptyJob } from "@/core/job/job";
import { inch, mm } from "@/core/length/length";
import { shapeOfLine } from "@/core/line/shapes";
import { bitesOf } from "@/core/shape/assembly";
import type { Part } from "@/core/shape/part";
import { conductivity } from "@/core/hive/warmth";
import { readWeighFile } from "./file";
import { weighDocument, weighRows } from "./rows";

const L10 = { standard: "langstroth-10" };
const THINGS = [
  ...["deep", "medium", "shallow", "jumbo"].map((size) => ({ name: `frame ${size}`, item: "frame", ...L10, size })),
  { name: "extra-deep", item: "extra-deep-frame", ...L10, size: "deep", frames: 7 },
  ...["deep", "medium", "shallow"].map((size) => ({ name: `box ${size}`, item: "body", ...L10, size })),
  { name: "eight", item: "body", standard: "langstroth-8", size: "deep" },
  { name: "long", item: "long-body", ...L10, size: "deep" },
  { name: "warre", item: "body", standard: "warre", size: "box" },
  { name: "storey", item: "cabinet-storey", standard: "az", size: "storey" },
  { name: "no-ear frame", item: "no-ear-frame", standard: "az", size: "storey" },
  { name: "stack", hive: ["deep", "deep", "medium"].map((size) => ({ item: "body", ...L10, size })) },
];
const file = (more: object = {}) => JSON.stringify({ format: "rundik-weigh", version: 1, units: "in", things: THINGS, ...more }); // prettier-ignore
const rowsOf = (more: object = {}) => {
  const { things, assume } = readWeighFile(file(more));
  return new Map(weighDocument(things, assume).rows.map((r) => [r.name, r]));
};
const rows = rowsOf();
const empty = rowsOf({ assume: { honeyFill: 0 } });
type Figure = "framesCount" | "combAreaCm2" | "frameFullKg" | "boxFullKg" | "liftingIndex" | "contactAreaCm2" | "innerVolumeL" | "deepEquivalents" | "rWallSi"; // prettier-ignore
/** Square inches to cm², cubic inches to litres, litres of honey to kg at 1.42. */
const [CM2, LITRES, HONEY] = [6.4516, 0.016387064, 1.42];

describe("against sums by hand from published sizes (handbook 02, 10)", () => {
  // Openings: 17 3/4 less two end bars of 3/8 is 17; heights less 3/4 and 3/8.
  const opening = { deep: 17 * 8, medium: 17 * 5.125, shallow: 17 * 4.25, jumbo: 17 * 10.125, extra: 17 * 14.625 };
  test.each<[string, Figure, number, number]>([
    ["frame deep", "combAreaCm2", 2 * opening.deep * CM2, 0.06],
    ["frame medium", "combAreaCm2", 2 * opening.medium * CM2, 0.06],
    ["frame shallow", "combAreaCm2", 2 * opening.shallow * CM2, 0.06],
    ["frame jumbo", "combAreaCm2", 2 * opening.jumbo * CM2, 0.06],
    ["extra-deep", "combAreaCm2", 2 * opening.extra * CM2, 0.06],
    ["warre", "combAreaCm2", 2 * 30 * 20, 0.06],
    ["frame medium", "deepEquivalents", opening.medium / opening.deep, 0.006],
    ["extra-deep", "deepEquivalents", (7 * opening.extra) / opening.deep, 0.006],
    ["box medium", "deepEquivalents", (10 * opening.medium) / opening.deep, 0.006],
    ["warre", "deepEquivalents", (8 * 2 * 600) / (2 * opening.deep * CM2), 0.006],
    ["stack", "deepEquivalents", 20 + (10 * opening.medium) / opening.deep, 0.006],
    ["box deep", "framesCount", 10, 0],
    ["eight", "framesCount", 8, 0],
    ["long", "framesCount", 28, 0],
    ["storey", "framesCount", 10, 0],
    ["stack", "framesCount", 30, 0],
    // Li × Wi × H; the long one is as wide as 28 at 1 3/8 and 3/4 to spare.
    ["box deep", "innerVolumeL", 18.375 * 14.75 * 9.625 * LITRES, 0.006],
    ["box medium", "innerVolumeL", 18.375 * 14.75 * 6.625 * LITRES, 0.006],
    ["eight", "innerVolumeL", 18.375 * 12.25 * 9.625 * LITRES, 0.006],
    ["long", "innerVolumeL", 18.375 * (28 * 1.375 + 0.75) * 9.625 * LITRES, 0.006],
    ["warre", "innerVolumeL", 3 * 3 * 2.1, 0.006],
    // Ears 5/16 deep and 1 1/16 wide on two rests; shoulders 3 by 3/8 against two neighbours, each shared.
    ["frame deep", "contactAreaCm2", (2 * 0.3125 * 1.0625 + 2 * 3 * 0.375) * CM2, 0.06],
    ["no-ear frame", "contactAreaCm2", 0.3, 0.001],
    ["box deep", "contactAreaCm2", (2 * 0.3125 * 1.0625 + 2 * 3 * 0.375) * CM2, 0.06],
    // Three rods, two edges of 5 mm, a line of 1 mm.
    ["storey", "contactAreaCm2", 0.3, 0.001],
    // Films 0.15 and 3/4 of white pine, G 0.35.
    ["box deep", "rWallSi", 0.15 + 0.01905 / conductivity(0.35), 0.0001],
  ])("%s, %s", (name, figure, hand, near) => {
    expect(Math.abs((rows.get(name)![figure] as number) - hand)).toBeLessThanOrEqual(near);
  });

  test.each<[string, Figure, number]>([
    ["frame deep", "frameFullKg", opening.deep],
    ["frame jumbo", "frameFullKg", opening.jumbo],
    ["extra-deep", "frameFullKg", opening.extra],
    ["box deep", "boxFullKg", 10 * opening.deep],
    ["box shallow", "boxFullKg", 10 * opening.shallow],
    ["eight", "boxFullKg", 8 * opening.deep],
    ["long", "boxFullKg", 28 * opening.deep],
  ])("honey in %s: combs an inch thick at 1.42 kg/l, full less empty", (name, figure, cubic) => {
    const honey = (rows.get(name)![figure] as number) - (empty.get(name)![figure] as number);
    expect(honey).toBeCloseTo(cubic * LITRES * HONEY, 2);
  });

  test("what the trade says: an extra-deep is about 1.8 deep ones and seven about thirteen, a full deep 80–90 lb, a medium 50–60; of a long hive a frame is lifted", () => {
    const at = (name: string) => rows.get(name)!;
    expect(at("extra-deep").combAreaCm2! / at("frame deep").combAreaCm2!).toBeCloseTo(1.8, 1);
    expect(Math.round(at("extra-deep").deepEquivalents!)).toBe(13);
    const pounds = (name: string) => unit(at(name).heaviestLiftKg!, "kg").toNumber("lb");
    expect([pounds("box deep") > 80, pounds("box deep") < 90, pounds("box medium") > 50, pounds("box medium") < 60]).toEqual([true, true, true, true]); // prettier-ignore
    expect([at("long").heaviestLiftKg, at("long").notes[0]]).toEqual([at("frame deep").frameFullKg, "heaviest lift: a frame of long body, deep"]); // prettier-ignore
    // Frames on rods are gripped by far less than those on rests.
    expect(at("storey").contactAreaCm2! * 20).toBeLessThan(at("box deep").contactAreaCm2!);
  });

  test("a lift by hand: a deep box off the ground, hands 6.4 up and 18 1/8 out, turned by an eighth, held by handholds", () => {
    const limit = 51 * (10 / 18.125) * (1 - 0.0075 * (30 - (2 / 3) * 9.625)) * 1 * (1 - 0.0032 * 45) * 1 * 0.95;
    const { heaviestLiftKg, liftingIndex } = rows.get("box deep")!;
    expect(liftingIndex! * limit).toBeCloseTo(unit(heaviestLiftKg!, "kg").toNumber("lb"), 1);
    // Where it stands in the stack decides: the same box is worse on the ground than a medium at the hips.
    const { things, assume } = readWeighFile(file());
    const lift = weighRows(things, assume).find((r) => r.name === "stack")!.lift!;
    expect([lift.what, lift.judged.multipliers.up.toFixed(4)]).toEqual(["Body, deep", (1 - 0.0075 * (30 - (2 / 3) * 9.625)).toFixed(4)]); // prettier-ignore
    expect(rows.get("frame deep")!.liftingIndex!).toBeLessThan(1);
  });
});

test("where propolis grips, by a second way: the wood counted point by point", () => {
  // Half a millimetre apart: an ear's underside over wood beside the box's inside; an end bar's edge where it is as wide as the pitch.
  const step = 500_000;
  const frame = shapeOfLine({ item: "frame", ...L10, size: "deep", quantity: 1, options: {} }, emptyJob("", "in"));
  const [bar, end] = ["top-bar", "end-bar"].map((id) => frame.parts.find((p) => p.id === id)!) as [Part, Part];
  const isWood = (p: Part, l: number, w: number, t: number) => !bitesOf(p).some((b) => "box" in b && b.box.l[0] <= l && l < b.box.l[1] && b.box.w[0] <= w && w < b.box.w[1] && b.box.t[0] <= t && t < b.box.t[1]); // prettier-ignore
  const points = (n: number) => Array.from({ length: Math.floor(n / step) }, (_, i) => (i + 0.5) * step);
  const side = (bar.size.l - inch(18, 3, 8)) / 2;
  const ears = points(bar.size.l).filter((l) => l < side || l > bar.size.l - side).length * points(bar.size.w).length;
  // The ear is cut from below: its underside is where wood ends, and it is not where the rest is.
  expect([isWood(bar, side / 2, bar.size.w / 2, inch(0, 1, 4)), isWood(bar, side / 2, bar.size.w / 2, inch(0, 1, 2))]).toEqual([true, false]); // prettier-ignore
  const shoulders = points(end.size.l).filter((l) => isWood(end, l, step, end.size.t / 2) && l < end.size.l - inch(0, 1, 2)).length * points(end.size.t).length; // prettier-ignore
  // Two ears; two end bars with two edges each, each shared with a neighbour.
  const counted = ((ears + 2 * shoulders) * (step / 1e7) ** 2).toFixed(1);
  expect(Math.abs(Number(counted) - rows.get("box deep")!.contactAreaCm2!)).toBeLessThan(0.4);
  // A bar without ears lies on three rods by what its hollow leaves of its width, each a line of 1 mm.
  const lying = shapeOfLine({ item: "no-ear-frame", standard: "az", size: "storey", quantity: 1, options: {} }, emptyJob("", "in")).parts.find((p) => p.id === "bottom-bar")!; // prettier-ignore
  const left = Math.min(...[step, lying.size.t - step].map((t) => points(lying.size.w).filter((w) => isWood(lying, lying.size.l / 2, w, t)).length)); // prettier-ignore
  expect((3 * left * step * mm(1)) / 1e14).toBeCloseTo(rows.get("storey")!.contactAreaCm2!, 2);
});

test("a bent weigh file names the field, what was read and what would be right", () => {
  const bad = (thing: object) => () => readWeighFile(file({ things: [THINGS[0], thing] }));
  expect(bad({ name: "x", item: "boddy", ...L10, size: "deep" })).toThrow(/^things\[1\]\.item: read "boddy"/);
  expect(bad({ name: "x", hive: [THINGS[0], { item: "body", ...L10, size: "depe" }] })).toThrow(/things\.1\.hive\.0|things\[1\]/); // prettier-ignore
  expect(bad({ name: "x", hive: [{ item: "body", ...L10, size: "depe" }] })).toThrow(/^things\[1\]\.hive\[0\]\.size: read "depe"/); // prettier-ignore
  expect(() => readWeighFile("{")).toThrow(/not JSON/);
  expect(() => readWeighFile(file({ assume: { honeyFill: 2 } }))).toThrow(/assume\.honeyFill/);
});
