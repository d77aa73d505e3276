import type { JobLine } from "@/core/line/line";
import { inch, type Length, mm, nm } from "@/core/length/length";
import { emptyJob } from "@/core/job/job";
import { judgingOf, workJob } from "@/core/job/worked";
import { USUAL_WORKSHOP, type Workshop } from "@/core/shop/shop";
import { DEFAULT_BANDS } from "./bands";
import { fitMade } from "./made";

const line = (o: Partial<JobLine> = {}): JobLine => ({
  item: "body",
  standard: "langstroth-10",
  size: "deep",
  quantity: 1,
  options: {},
  ...o,
});
const made = (measured: Parameters<typeof fitMade>[2], of: Partial<JobLine> = {}) => {
  const worked = workJob({ ...emptyJob("x", "in"), lines: [line(of)] });
  return fitMade(worked.lines, worked.lines[0]!, measured, judgingOf(worked.job));
};

test("nothing measured, nothing changed; the design's own numbers are offered", () => {
  const { changed, designed } = made({});
  expect(changed).toEqual([]);
  expect(designed).toMatchObject({ depth: inch(9, 5, 8), restToRest: inch(19, 1, 8), frameHeight: inch(9, 1, 8) });
});

test("a body that shrank 1/8 has 1/8 below its frames and 3/8 between boxes, which is in the open band (handbook 03)", () => {
  const { changed } = made({ depth: inch(9, 1, 2) });
  expect(changed.map((c) => [c.rule, c.was.value, c.is.value, c.is.state])).toEqual([
    ["bottom-gap", inch(0, 1, 4), inch(0, 1, 8), "ok"],
    ["between-boxes", inch(0, 1, 2), inch(0, 3, 8), "ok"],
  ]);
});

test("wood that still dries should measure what it was cut over now, and is judged as it will be dry", () => {
  const wet = { options: { drying: true, moistureNow: 18, moistureUse: 12 } };
  const { designed, now } = made({}, wet);
  // 9 5/8 × 0.00212 × 6 points (white pine, tangential; handbook 06) is 0.1224 over.
  expect([designed.depth, now.depth]).toEqual([inch(9, 5, 8), Math.round(9.625 * (1 + 0.00212 * 6) * 25.4e6)]);
  expect(made({ depth: now.depth! }, wet).changed).toEqual([]);
  // Cut to the dry size it ends up as much short, and with it the gap below the frames.
  const gap = made({ depth: inch(9, 5, 8) }, wet).changed.find((c) => c.rule === "bottom-gap")!;
  expect(gap.was.value - gap.is.value).toBe(now.depth! - inch(9, 5, 8));
});

test("rests cut 1/8 too wide each side take the ear's bearing with them", () => {
  const { findings } = made({ restToRest: inch(19, 3, 8) });
  // (19 − 18 3/8)/2 − 3/16 = 1/8: care.
  expect(findings.find((f) => f.rule === "bearing")).toMatchObject({ value: inch(0, 1, 8), state: "care" });
  expect(findings.find((f) => f.rule === "end-play")).toMatchObject({ value: inch(0, 3, 8), state: "care" });
});

test("a bought frame too high for the box stands out of it", () => {
  const { findings } = made({ frameHeight: inch(9, 1, 2) });
  expect(findings.find((f) => f.rule === "bottom-gap")).toMatchObject({ value: -inch(0, 1, 8), state: "stop" });
});

test("a National measured 223 deep: 5.5 below the frames, and care", () => {
  const { findings } = made({ depth: mm(223) }, { standard: "national", size: "brood" });
  expect(findings.find((f) => f.rule === "bottom-gap")).toMatchObject({ value: mm(5.5), state: "care" });
});

test("top bars without end bars have no frame length to measure", () => {
  expect(made({}, { standard: "warre", size: "box" }).designed.frameLength).toBeUndefined();
});

test("a shop's own bee space judges its jobs: the same gap is open in one school and wants care in another, and a made box by the same", () => {
  const gapOf = (workshop: Partial<Workshop>) => {
    const job = { ...emptyJob("Spring", "mm"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 1, options: {} }], workshop: { ...USUAL_WORKSHOP, ...workshop } }; // prettier-ignore
    const worked = workJob(job);
    const found = worked.findings.find((f) => f.rule === "between-boxes")!;
    const made = fitMade(worked.lines, worked.lines[0]!, {}, judgingOf(job)).findings.find((f) => f.rule === "between-boxes")!; // prettier-ignore
    expect([made.state, made.allowed]).toEqual([found.state, found.allowed]);
    return found;
  };
  const usual = gapOf({});
  const around = (from: number, to: number): [Length, Length] => [nm(usual.value + from), nm(usual.value + to)];
  expect(gapOf({ bands: { ...DEFAULT_BANDS, open: around(-1_000_000, 1_000_000) } }).state).toBe("ok");
  const open = around(1, 1_000_000);
  const strict = gapOf({ bands: { ...DEFAULT_BANDS, open } });
  expect([strict.value, strict.state, strict.gapState, strict.allowed]).toEqual([usual.value, "care", "open", open]);
  const glued = gapOf({ bands: { glues: open[0], open, bridges: open[1] } });
  expect([glued.state, glued.gapState]).toEqual(["stop", "glues"]);
  // Asked again as before it is as it was: nothing is remembered across schools.
  expect(gapOf({})).toEqual(usual);
});
