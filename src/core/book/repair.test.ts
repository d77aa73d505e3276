import { inch, type Length, nm } from "@/core/length/length";
import { FAULTS } from "./book";
import { mendingJob, mendingOf } from "./mending";
import { bodyTo, type MeasuredBox, repairOf, wallsOf, worthIt } from "./repair";
import { readJobFile, writeJob } from "@/core/job/file";
import { workJob } from "@/core/job/worked";
import { cutList } from "@/core/line/cutlist";
import { stepsOf } from "@/core/shape/steps";
import { admit } from "@/core/trial/trial";

/** An odd old box: 13/16 walls at the sides and 7/8 at the ends, a rest gone to 13/16. */
const box: MeasuredBox = {
  outsideLength: inch(20, 1, 8),
  outsideWidth: inch(16, 3, 8),
  insideLength: inch(18, 3, 8),
  insideWidth: inch(14, 3, 4),
  depth: inch(9, 1, 2),
  restToRest: inch(19, 1, 8),
  restDepth: inch(0, 13, 16),
};
const how = { standard: "langstroth-10", corner: "rabbet-ends", ear: inch(0, 3, 8), units: "in" } as const;
const repair = (fault: (typeof FAULTS)[number], more: Partial<MeasuredBox> = {}) => repairOf(fault, { ...box, ...more }, how); // prettier-ignore
const size = (p: { l: Length; w: Length; t: Length }) => [p.l, p.w, p.t];

test("walls and rests follow from what was measured, by hand", () => {
  // (20 1/8 − 18 3/8) / 2 = 7/8; (16 3/8 − 14 3/4) / 2 = 13/16; (19 1/8 − 18 3/8) / 2 = 3/8.
  expect(wallsOf(box)).toEqual({ end: inch(0, 7, 8), side: inch(0, 13, 16), rest: inch(0, 3, 8) });
  expect(() => wallsOf({ ...box, insideLength: inch(20, 1, 8) })).toThrow(/^inside length: read 20 1\/8" \(511\.2 mm\) .* wall of .*; wanted 1\/4" \(6\.4 mm\) to 3" \(76\.2 mm\)/); // prettier-ignore
  expect(() => wallsOf({ ...box, restToRest: inch(18) })).toThrow(/^rest to rest/);
});

test("the box made to its measures measures as it does", () => {
  const { scope } = bodyTo(box, "langstroth-10", "rabbet-ends");
  const of = (name: string) => {
    const v = scope.working(name).value;
    return v.kind === "amount" ? nm(Math.round(v.of.valueOf())) : undefined;
  };
  for (const name of ["outsideLength", "outsideWidth", "insideLength", "insideWidth", "restDepth"] as const) expect([name, of(name)]).toEqual([name, box[name]]); // prettier-ignore
  expect(of("depth")).toBe(box.depth);
});

test("five faults on a measured odd box end in parts that fit it, by the rules of fit", () => {
  // A new end is as long as the box is wide outside, as wide as it is deep, as thick as the wall that comes off (handbook 05, joint table).
  const [end] = repair("corner rotten").parts;
  expect(size(end!)).toEqual([inch(16, 3, 8), inch(9, 1, 2), inch(0, 7, 8)]);
  // A side lies in it over its own thickness, half of the end deep; the rest as wide and deep as the other one.
  expect(end!.cuts.join("; ")).toMatch(/13\/16.*7\/16|7\/16.*13\/16/);
  expect(end!.cuts.join("; ")).toMatch(/[Rr]est.*3\/8.*13\/16|[Rr]est.*13\/16.*3\/8/);
  expect(size(repairOf("corner rotten", box, { ...how, corner: "butt-ends-inside" }).parts[0]!)[0]).toBe(box.insideWidth); // prettier-ignore
  // Rot of 1 1/2 along and 1 up wants a patch an inch larger each way, rabbeted as the end is; over a third of the end is a new end.
  const rotten = (up: Length, along: Length) => repairOf("corner rotten", box, { ...how, rot: { up, along } });
  const [patch] = rotten(inch(1), inch(1, 1, 2)).parts;
  expect([patch!.name, ...size(patch!)]).toEqual(["patch", inch(2, 1, 2), inch(2), inch(0, 7, 8)]);
  expect(patch!.cuts).toEqual(["rabbet 13/16 wide × 7/16 deep at its outer end, in the inside face"]);
  for (const [up, along] of [[inch(2, 1, 4), inch(1)], [inch(1), inch(4, 1, 2)], [nm(0), nm(0)]] as const) expect(rotten(up, along).parts[0]!.name).toBe("new end"); // prettier-ignore
  const letIn = workJob(
    admit(mendingJob(mendingOf({ title: "Body" }, 3, [rotten(inch(1), inch(1, 1, 2))], box, how)!, "in")),
  );
  expect(cutList(letIn.lines).map((c) => [c.part.name, ...size(c.part.cut), c.part.features.map((f) => f.kind)])).toEqual([["patch", inch(2, 1, 2), inch(2), inch(0, 7, 8), ["rabbet"]]]); // prettier-ignore
  // The lip is what the rest leaves of the wall: 7/8 less 3/8, as high as the rest is deep.
  expect(size(repair("rest broken").parts[0]!)).toEqual([inch(14, 3, 4), inch(0, 13, 16), inch(0, 1, 2)]);
  // A frame's ear of 3/8 and 1/4 of bee space are 5/8: 13/16 is 3/16 too deep, at both ends.
  const strips = repair("rest too deep").parts;
  expect(strips.map(size)).toEqual([1, 2].map(() => [inch(14, 3, 4), inch(0, 3, 8), inch(0, 3, 16)]));
  expect(box.restDepth - strips[0]!.t - how.ear).toBe(inch(0, 1, 4));
  expect(repair("rest too deep", { restDepth: inch(0, 5, 8) })).toMatchObject({ parts: [], minutes: 0 });
  // Nothing is cut for these, and what they take goes by the box: screws every three inches of its depth, every four of its length.
  expect([repair("joint loose"), repair("split"), repair("warped")].map((r) => [r.parts.length, r.buys[0]!.quantity])).toEqual([[0, 4], [0, 4], [0, 8]]); // prettier-ignore
});

test("mending is a line of a job: its cut list has the parts as they were reckoned, its steps the repairs and what they take", () => {
  const repairs = (["corner rotten", "rest broken", "rest too deep", "split"] as const).map((f) => repair(f));
  const mending = mendingOf({ title: "Body, deep", mark: "BW-21-0004" }, 12, repairs, box, how)!;
  const job = admit(readJobFile(JSON.stringify(writeJob(mendingJob(mending, "in")))));
  expect(job.name).toBe("Mending BW-21-0004");
  const { lines } = workJob(job);
  expect(cutList(lines).map((c) => size(c.part.cut))).toEqual(repairs.flatMap((r) => r.parts.map(size)));
  const steps = stepsOf(lines[0]!.shape, "in");
  expect(steps.map((s) => s.name)).toEqual(repairs.map((r) => `Mend: ${r.fault}`));
  const uses = steps.flatMap((s) => s.uses.map((u) => [u.what, u.quantity]));
  expect(uses).toContainEqual(["exterior screw, no. 10 × 2", repairs[0]!.buys[0]!.quantity]);
  // Nothing is cut for a split alone.
  expect(mendingOf({ title: "Body" }, 12, [repair("split")], box, how)).toBeUndefined();
});

test("every repair says how, what to check, and its caution", () => {
  for (const fault of FAULTS) {
    const r = repair(fault);
    expect([fault, r.method.length > 0, r.check !== "", /manual|instructions/.test(r.caution)]).toEqual([fault, true, true, true]); // prettier-ignore
    if (r.parts.length > 0) expect([fault, /local rules/.test(r.caution)]).toEqual([fault, true]);
  }
});

test("worth it or not, by a sum that is shown: in money where there are prices, otherwise in minutes", () => {
  const [corner, rest] = [repair("corner rotten"), repair("rest broken")];
  expect(worthIt([rest], { minutes: 60, currency: null })).toMatchObject({ worth: true, minutes: 20 });
  // 40 and 20 are 60; six tenths of 90 are 54.
  expect(worthIt([corner, rest], { minutes: 90, currency: null })).toMatchObject({ worth: false, minutes: 60, said: "corner rotten 40 + rest broken 20 = 60 min; a new one 90 min: not worth it, over 60 % of a new one" }); // prettier-ignore
  // Forty minutes at 18 an hour are 12; 16 3/8 × 9 1/2 × 7/8 inches at 1000 a cubic metre 2.23; together under six tenths of 27.
  const sum = worthIt([corner], { minutes: 18, money: 27, rate: 18, wood: 1000, currency: "USD" });
  expect((16.375 * 9.5 * 0.875 * 0.0254 ** 3 * 1000).toFixed(2)).toBe("2.23");
  expect(sum).toMatchObject({ worth: true, said: "corner rotten 40 min, $12.00 of work and $2.23 of wood; a new one 18 min, $27.00 in all: worth it" }); // prettier-ignore
  expect(worthIt([corner], { minutes: 18, money: 23, rate: 18, wood: 1000, currency: "USD" }).worth).toBe(false);
});
