import type { JobLine } from "@/core/line/line";
import { bearing, bottomGap, topGap } from "@/core/line/hung";
import { inch, mm, nm } from "@/core/length/length";
import { lengthText } from "@/core/length/format";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { DEFAULT_BANDS, gapState } from "./rules";
import type { BodyMeasures, FrameMeasures } from "@/core/shape/measure";

const line = (item: string, options: JobLine["options"] = {}, size = "deep"): JobLine => ({
  item,
  standard: "langstroth-10",
  size,
  quantity: 1,
  options,
});
const findings = (...lines: JobLine[]) => workJob({ ...emptyJob("t", "in"), lines } as Job).findings;
const one = (rule: string, ...lines: JobLine[]) => findings(...lines).find((f) => f.rule === rule && f.line === 0);

describe("the standard box", () => {
  // Handbook 02 and 03 [trade]: H − Hf = deep 1/2, medium 3/8, shallow 5/16; below the frame 1/4, 1/8, 1/16.
  test.each([
    ["deep", "1/4", "1/4", "1/2", "care"],
    ["medium", "1/4", "1/8", "3/8", "ok"],
    ["shallow", "1/4", "1/16", "5/16", "ok"],
  ])("%s: above %s, below %s, between %s", (size, above, below, between, state) => {
    const f = findings(line("body", {}, size));
    const value = (rule: string) => lengthText(f.find((x) => x.rule === rule)!.value, "in");
    expect([value("top-gap"), value("bottom-gap"), value("between-boxes"), value("end-gap")]).toEqual([
      above,
      below,
      between,
      "5/16",
    ]);
    expect(f.find((x) => x.rule === "between-boxes")!.state).toBe(state);
    expect(f.filter((x) => x.state === "stop")).toEqual([]);
  });

  test('ten at 1 3/8 leave 1" of play, and the ear bears 1/4 when pushed hard over', () => {
    expect(one("side-play", line("body"))).toMatchObject({ value: inch(1), state: "ok" });
    expect(one("bearing", line("body"))).toMatchObject({ value: inch(0, 1, 4), state: "ok" });
  });
});

describe('the true 1" boxes that caught a shop out (handbook 03 and 12 [trade], arithmetic)', () => {
  const butt = (o: JobLine["options"]) => line("body", { joint: "butt-ends-inside", thickness: inch(1), ...o });
  const rest34 = { restWidth: inch(0, 3, 4), restDepth: inch(0, 3, 4) };

  test("outside 20 3/8, rest 3/4: bearing 0, frames fall in", () => {
    expect(one("bearing", butt({ ...rest34, outsideLength: inch(20, 3, 8) }))).toMatchObject({
      value: 0,
      state: "stop",
      text: 'will not hold: ear bears 0" of 3/16"',
    });
  });
  test("outside 20 1/8: bearing 1/4 holds, end gap 3/16 is care", () => {
    const box = butt({ ...rest34, outsideLength: inch(20, 1, 8) });
    expect(one("bearing", box)).toMatchObject({ value: inch(0, 1, 4), state: "ok" });
    expect(one("end-gap", box)).toMatchObject({ value: inch(0, 3, 16), state: "care", gapState: "open" });
  });
  test("held outside at 19 7/8 with a 3/8 rest: 18 5/8 between rests, does not go in, no bearing is told", () => {
    const box = butt({ hold: "outside" });
    expect(one("rest-to-rest", box)).toMatchObject({ value: inch(18, 5, 8), state: "stop" });
    expect(one("rest-to-rest", box)!.text).toMatch(/does not go in/);
    expect(one("end-gap", box)).toMatchObject({ value: inch(0, 1, 16), gapState: "glues" });
    expect(one("bearing", box)).toBeUndefined();
  });
  test("the same with rest 5/8: bearing 1/2, end gap still glues", () => {
    const box = butt({ hold: "outside", restWidth: inch(0, 5, 8) });
    expect(one("bearing", box)).toMatchObject({ value: inch(0, 1, 2) });
    expect(one("end-gap", box)).toMatchObject({ gapState: "glues", state: "stop" });
  });
});

test("a British box with the runner 11 below the top: 1.5 above, 7.5 below (BS 1300:1960, values from memory)", () => {
  const frame = {
    frameHeight: mm(216),
    earThickness: mm(9.5),
    topBarLength: mm(432),
    frameLength: mm(355.6),
  } as FrameMeasures;
  const body = { depth: mm(225), restDepth: mm(11), insideLength: mm(372), restToRest: mm(436) } as BodyMeasures;
  expect([topGap(frame, body), bottomGap(frame, body), bearing(frame, body)]).toEqual([mm(1.5), mm(7.5), mm(28)]);
});

test("bands: glues < 3/16 ≤ care < 6 mm ≤ open ≤ 10 mm < care ≤ 1/2 < bridges (handbook 03 [trade])", () => {
  const at = (v: number) => Object.values(gapState(nm(v), DEFAULT_BANDS)).join(" ");
  const edge = inch(0, 3, 16);
  expect([edge - 1, edge, mm(6) - 1, mm(6), mm(10), mm(10) + 1, inch(0, 1, 2), inch(0, 1, 2) + 1].map(at)).toEqual([
    "stop glues",
    "care open",
    "care open",
    "ok open",
    "ok open",
    "care open",
    "care open",
    "stop bridges",
  ]);
});

test("thicker stock held inside stands out past bought parts; two sizes of one standard are checked against each other", () => {
  expect(one("footprint-step", line("body", { thickness: inch(0, 7, 8) }))).toMatchObject({
    value: inch(0, 1, 8),
    state: "care",
  });
  // A medium over a deep: below the medium's frames 1/8, above the deep's 1/4.
  const mixed = findings(line("body", {}, "medium"), line("body")).filter(
    (f) => f.rule === "between-boxes" && f.label.startsWith("Over"),
  );
  expect(mixed.map((f) => [f.line, lengthText(f.value, "in")])).toEqual([
    [0, "3/8"],
    [1, "1/2"],
  ]);
});

test("too thin a lip beside the rest is found", () => {
  expect(one("thin-lip", line("body", { restWidth: inch(0, 5, 8) }))).toMatchObject({
    state: "stop",
    value: inch(0, 1, 8),
  });
});
