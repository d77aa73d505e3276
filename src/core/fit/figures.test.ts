import { noNailZones } from "@/core/feature/say";
import type { JobLine } from "@/core/line/line";
import { exploded } from "@/core/drawing/exploded";
import { inch, mm } from "@/core/length/length";
import { probe, view } from "@/core/shape/assembly";
import { az } from "@/core/standards/az";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { findingsDocument } from "./document";

const work = (o: Partial<JobLine> = {}) =>
  workJob({
    ...emptyJob("x", "in"),
    lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 1, options: {}, ...o }],
  });
const rule = (id: string, o: Partial<JobLine> = {}) => work(o).findings.find((f) => f.rule === id)!;

test("a deep ten-frame body holds about 40 litres (handbook 12 [trade], within 10 %): 42.7 by arithmetic", () => {
  const { figure } = rule("inner-volume");
  // 18 3/8 × 14 3/4 × 9 5/8 in³ × 16.387064 ml.
  expect(figure!.mm / 1e6).toBeCloseTo((18.375 * 14.75 * 9.625 * 16.387064) / 1000, 3);
  expect(figure!.text).toBe("42.7 l");
  expect(Math.abs(figure!.mm / 1e6 - 40)).toBeLessThan(4);
});

test("propolis grips ears and shoulders: self-spacing more than straight bars with spacers, rests more than runners, rods least", () => {
  const area = (spacing: string, runner = "none") => {
    const worked = workJob({
      ...emptyJob("x", "in"),
      lines: ["body", "frame"].map((item) => ({
        item,
        standard: "langstroth-10",
        size: "deep",
        quantity: 1,
        options: (item === "frame" ? { spacing } : { runner }) as JobLine["options"],
      })),
    });
    return worked.findings.find((f) => f.rule === "contact-area")!.figure!.mm / 645.16;
  };
  // 2 × 5/16 × 1 1/16 on the rests, 2 × 3 × 3/8 at the shoulders, in square inches.
  expect(area("self")).toBeCloseTo(0.6640625 + 2.25, 2);
  // Spacers touch with 3/8 square at both ends; of a metal runner 1/16 of 5/16 bears.
  expect(area("spacers")).toBeCloseTo(0.6640625 + 2 * 0.375 ** 2, 2);
  expect(area("self", "metal")).toBeCloseTo(0.6640625 / 5 + 2.25, 2);
  // Two edges of 5 mm on three rods, a millimetre each.
  const rods = rule("contact-area", { item: "cabinet-storey", standard: "az", size: az.defaultSize }).figure!;
  expect([rods.text, rods.mm]).toEqual(["0.30 cm²", 30]);
});

test("a cabinet storey shows its rods in every drawing, and has no blank for them: they are bought", () => {
  const { shape } = work({ item: "cabinet-storey", standard: "az", size: az.defaultSize }).lines[0]!;
  expect(shape.bought.map((p) => [p.id, p.places.length])).toEqual([["rod", 3]]);
  expect(view(shape, "z").filter((o) => o.part.id === "rod")).toHaveLength(3);
  expect(exploded(shape).filter((e) => e.part.id === "rod")).toHaveLength(3);
  expect(shape.parts.map((p) => p.id)).not.toContain("rod");
  // Each lies in its notches: no wood of the storey where a rod is.
  for (const place of shape.bought[0]!.places)
    for (const y of [mm(5), shape.bought[0]!.size.l - mm(5)])
      expect(probe(shape, "z", { x: place.at.x + mm(4), y: Math.round(y), z: 0 })[0]!.from).toBeGreaterThanOrEqual(
        mm(8),
      );
});

test("an excluder of the usual outside covers the whole 3/4 wall; beetle patrol and true 1 inch leave less, and say so", () => {
  expect(rule("excluder-cover")).toMatchObject({ value: inch(0, 3, 4), state: "ok", allowed: [inch(0, 3, 8), null] });
  // 1/2" wider: (16 1/4 − 15 1/4) / 2 = 1/2 of the 3/4.
  expect(rule("excluder-cover", { options: { patrol: inch(0, 1, 2) } })).toMatchObject({
    value: inch(0, 1, 2),
    state: "ok",
  });
  expect(rule("excluder-cover", { options: { patrol: inch(1) } })).toMatchObject({
    value: inch(0, 1, 4),
    state: "care",
  });
});

test("figures go out with their size in mm² and mm³, and no limits", () => {
  const { findings } = findingsDocument(work().findings, "in");
  expect(findings.find((f) => f.rule === "inner-volume")).toMatchObject({
    valueMm: 42748537,
    allowedMm: [null, null],
    state: "ok",
  });
});

test("no nail along the dados of a divided body's sides: 3/8 wide, dead centre (handbook 04 [trade])", () => {
  const side = work({ item: "divided-body" }).lines[0]!.shape.parts.find((p) => p.id === "side")!;
  expect(noNailZones(side.features)).toEqual([[inch(9, 3, 8), inch(9, 3, 4)]]);
  expect((inch(9, 3, 8) + inch(9, 3, 4)) / 2).toBe(side.size.l / 2);
});
