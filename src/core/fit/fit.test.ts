import { designFromNothing } from "@/core/designs/start";
import { chooseScrew } from "@/core/shape/screws";
import { shapeItem } from "@/core/shape/shape";
import { findStandard } from "@/core/standards";
import { woodLeft } from "./wood";
import { DEFAULT_BANDS, gapState } from "./bands";
import type { JobLine } from "@/core/line/line";
import { bearing, bottomGap, topGap } from "@/core/line/hung";
import { inch, type Length, mm, nm } from "@/core/length/length";
import { lengthText } from "@/core/length/format";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { type BodyMeasures, type FrameMeasures, measureBody, measureFrame } from "@/core/shape/measure";
import { parseLength } from "@/core/length/parse";
import { fitFrame } from "./frame";
import fc from "fast-check";

const line = (item: string, options: JobLine["options"] = {}, size = "deep"): JobLine => ({
  item,
  standard: "langstroth-10",
  size,
  quantity: 1,
  options,
});
const shapeOf = (item: string) => workJob({ ...emptyJob("t", "in"), lines: [line(item)] }).lines[0]!.shape;
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

describe("what was not seen before", () => {
  test("a rest as wide as its wall leaves no lip: a stop with its number, not an exception", () => {
    const found = findings(line("body", { restWidth: inch(0, 3, 4) }));
    expect(found.find((f) => f.rule === "thin-lip")).toMatchObject({ state: "stop", value: 0 });
    // The rests then reach to the outside: 19 7/8 apart.
    expect(found.find((f) => f.rule === "rest-to-rest")).toMatchObject({ value: inch(19, 7, 8) });
  });

  test("a thin top bar with a groove for the sheet: 1/4 above and 1/4 below, the ear is not measured in its groove", () => {
    const found = findings(line("body"), line("frame", { topBarThickness: inch(0, 5, 8), foundation: "plastic" }));
    const value = (rule: string) => lengthText(found.find((f) => f.rule === rule)!.value, "in");
    expect([value("top-gap"), value("bottom-gap")]).toEqual(["1/4", "1/4"]);
  });

  test("a two-deep long body is judged with the 18 3/4 frame: 1/4 below it (handbook 04)", () => {
    expect(one("bottom-gap", line("long-body", { height: "double" }))).toMatchObject({ value: inch(0, 1, 4) });
  });

  test("28 frames and two followers do not go into 3/4 of spare; two frames fewer, or the room, clears it", () => {
    const room = (options: JobLine["options"]) => one("follower-room", line("long-body", options))!;
    expect(room({})).toMatchObject({ state: "care", value: -inch(1, 3, 8) });
    expect(room({ spare: inch(2, 1, 4) }).state).toBe("ok");
  });

  test("a flat cover of the usual size beside a long box does not meet it, and says so; beside a body that it fits it is in order", () => {
    const steps = (...lines: JobLine[]) =>
      findings(...lines).filter((f) => f.rule === "footprint-step" && f.line === 0);
    expect(steps(line("cover-flat"), line("long-body"))[0]).toMatchObject({ state: "care" });
    expect(steps(line("cover-flat"), line("long-body"), line("body"))).toEqual([]);
  });

  test("floor, block and cover follow the job's own box, and say so; what was asked stays", () => {
    const thick = line("body", { thickness: inch(0, 7, 8) });
    const found = findings(
      thick,
      line("floor-solid"),
      line("cover-telescoping"),
      line("floor-solid", { bodyOutsideLength: inch(19, 7, 8) }),
    );
    const made = found.filter((f) => f.rule === "made-to-box").map((f) => [f.line, f.text]);
    expect(made).toEqual([
      [1, 'follows line 1, outside 20 1/8" × 16 1/2", boards of 7/8"'],
      [2, 'follows line 1, outside 20 1/8" × 16 1/2", boards of 7/8"'],
    ]);
    expect(found.filter((f) => f.line === 1 && f.state !== "ok")).toEqual([]);
  });

  test("cuts from both faces leave wood between, or say that none is left; a hole does not break its edge", () => {
    // Grips stand clear of the dados of a divided body and of the groove of a pair.
    for (const l of [line("divided-body", { handholds: "all" }), line("long-body", { arrangement: "pair" })])
      expect(findings(l).some((f) => f.rule === "wood-between")).toBe(false);
    // 3/8 of handhold outside against 3/8 of dado inside, in 3/4 stock, at the same middle: nothing is left.
    const grip = { name: "grip", kind: "handhold", l: "5*inch", w: "2*inch", long: "4*inch", high: "3/4*inch", deep: "3/8*inch", slope: "0" } as const; // prettier-ignore
    const dado = { name: "dado", kind: "groove", run: "across", face: "far", at: "5*inch", width: "3/8*inch", deep: "3/8*inch" } as const; // prettier-ignore
    const hole = { name: "rod hole", kind: "hole", l: "1*inch", w: "4*inch", diameter: "1/2*inch" } as const;
    const own = designFromNothing("Board", []);
    const recipe = { ...own, parts: own.parts.map((p) => ({ ...p, features: [grip, dado, hole] })) };
    const left = woodLeft(shapeItem(recipe, findStandard("langstroth-10")!, "deep", {}), { line: 0, units: "in", bands: DEFAULT_BANDS }); // prettier-ignore
    expect(left.map((f) => [f.rule, f.state, f.value])).toEqual([
      ["wood-between", "stop", 0],
      ["hole-edge", "stop", -inch(0, 1, 4)],
    ]);
  });

  test("screws follow the wood, and one that grips too little says what would do (handbook 05 [trade])", () => {
    expect(one("fastener-grip", line("body"))).toBeUndefined();
    expect(one("fastener-grip", line("body", { thickness: inch(2), joint: "butt-ends-inside" }))).toBeUndefined();
    const thin = one("fastener-grip", line("stand", { thickness: inch(2), railHigh: inch(2) }));
    expect(thin).toMatchObject({ state: "stop", rule: "fastener-grip" });
    expect(thin!.advice).toMatch(/would hold/);
  });

  test("what a standard has by itself is marked so; what this job did is not", () => {
    const deep = findings(line("body", { handholds: "none" }));
    expect(deep.find((f) => f.rule === "between-boxes")).toMatchObject({ state: "care", ofStandard: true });
    const shrunk = findings(line("body", { depth: inch(9, 3, 4) }));
    expect(shrunk.find((f) => f.rule === "between-boxes")!.ofStandard).toBeUndefined();
  });

  test("an entrance in a feed rim opens right above its board, a quarter clear of a 2 1/2 skirt; a deeper skirt is a stop", () => {
    expect(one("skirt-clear", line("feed-rim-inner-board"))).toMatchObject({ state: "ok", value: inch(0, 1, 4) });
    expect(one("skirt-clear", line("feed-rim-inner-board", { skirt: inch(3) }))).toMatchObject({ state: "stop" });
  });
});

test("the screw for two pieces of wood: the handbook's own examples (05 [trade])", () => {
  const size = (through: Length, grain: "side" | "end", units: "in" | "mm" = "in") =>
    chooseScrew(through, inch(10), grain, units).size;
  expect(size(mm(12), "side")).toBe("no. 6 × 1 1/4");
  expect(["no. 8 × 1 5/8", "no. 8 × 2"]).toContain(size(inch(0, 3, 4), "side"));
  expect(size(inch(0, 3, 4), "end")).toBe("no. 8 × 2 1/4");
  expect(["no. 10 × 2 1/2", "no. 10 × 3"]).toContain(size(inch(1), "end"));
  expect(size(mm(19), "end", "mm")).toBe("4.5 × 60");
  // Its tip stays 1/8 inside the far face.
  for (const into of [inch(0, 1, 2), inch(0, 3, 4), inch(1), inch(2)])
    expect(chooseScrew(inch(0, 3, 4), into, "side", "in").length).toBeLessThanOrEqual(inch(0, 3, 4) + into - mm(3));
});

describe("advice with a number, followed to the letter, mends what it was given for and spoils nothing", () => {
  const number = (words: string) => parseLength(words, "in");
  /** The box after what the sentence says has been done to it, by a reader who knows only words. */
  function follow(advice: string, b: BodyMeasures): BodyMeasures {
    const after = { ...b };
    const rest = (by: number) => (after.restToRest = nm(after.restToRest + 2 * by));
    const box = (by: number) => {
      for (const k of ["insideLength", "outsideLength", "restToRest"] as const) after[k] = nm(after[k] + by);
    };
    const size = String.raw`(\d[\d /]*")`;
    const said: [RegExp, (l: number) => unknown][] = [
      [RegExp(`deepen each rest by ${size}`), (l) => (after.restDepth = nm(after.restDepth + l))],
      [RegExp(`each rest ${size} less deep`), (l) => (after.restDepth = nm(after.restDepth - l))],
      [RegExp(`the body ${size} deeper`), (l) => (after.depth = nm(after.depth + l))],
      [RegExp(`the body ${size} less deep`), (l) => (after.depth = nm(after.depth - l))],
      [RegExp(`widen each rest by ${size}`), (l) => rest(l)],
      [RegExp(`narrow each rest by ${size}`), (l) => rest(-l)],
      [RegExp(`each rest ${size} narrower`), (l) => rest(-l)],
      [RegExp(`each rest ${size} wider`), (l) => rest(l)],
      [RegExp(`lengthen the box by ${size}`), (l) => box(l)],
      [RegExp(`shorten the box by ${size}`), (l) => box(-l)],
      [RegExp(`widen the box by ${size}`), (l) => (after.insideWidth = nm(after.insideWidth + l))],
    ];
    for (const [words, act] of said) {
      const found = words.exec(advice);
      if (found) act(number(found[1]!));
    }
    return after;
  }
  const worse = { ok: 0, care: 1, stop: 2 };
  const ctx = { line: 0, units: "in" as const, bands: DEFAULT_BANDS };
  const usual = { frame: measureFrame(shapeOf("frame")), body: measureBody(shapeOf("body")) };

  test("a rest of 3/4 under a 19 bar wants 5/16 off: rest to rest 2 × 19 − 18 3/8 − 2 × 3/16 = 19 1/4, by hand", () => {
    const wide = { ...usual.body, restToRest: inch(19, 7, 8) };
    const said = fitFrame(usual.frame, wide, 10, "top", ctx).find((f) => f.rule === "bearing")!;
    expect(said.advice).toBe('narrow each rest by 5/16"');
  });
  test("for boxes up to half an inch off in every measure", () => {
    const off = fc.integer({ min: -32, max: 32 }).map((n) => n * 396_875);
    const heard = new Set<string>();
    fc.assert(
      fc.property(fc.tuple(off, off, off, off, off), fc.integer({ min: 8, max: 12 }), ([l, w, h, r, d], frames) => {
        const moved = (v: number, by: number) => nm(v + by);
        const body = { ...usual.body, insideLength: moved(usual.body.insideLength, l), insideWidth: moved(usual.body.insideWidth, w), depth: moved(usual.body.depth, h), restToRest: moved(usual.body.restToRest, l + r), restDepth: moved(usual.body.restDepth, d) }; // prettier-ignore
        const before = fitFrame(usual.frame, body, frames, "top", ctx);
        for (const f of before.filter((x) => /\d/.test(x.advice))) {
          heard.add(f.rule);
          const fewer = Number(/take (\d+) frames? out/.exec(f.advice)?.[1] ?? 0);
          const after = fitFrame(usual.frame, follow(f.advice, body), frames - fewer, "top", ctx);
          expect([f.advice, after.find((x) => x.rule === f.rule)!.state]).toEqual([f.advice, "ok"]);
          for (const x of after) {
            const was = before.find((y) => y.rule === x.rule)?.state ?? "care";
            expect([f.advice, x.rule, worse[x.state] <= worse[was]]).toEqual([f.advice, x.rule, true]);
          }
        }
      }),
      { numRuns: 200, seed: 20261126 },
    );
    expect([...heard].sort()).toEqual(["bearing", "bottom-gap", "end-gap", "end-play", "rest-to-rest", "side-play", "top-gap"]); // prettier-ignore
  });
});

describe("a job of many lines", () => {
  const boxes = (n: number) => Array.from({ length: n }, (_, i) => line("body", { thickness: inch(0, 48 + i, 64) }));
  const gaps = (of: ReturnType<typeof findings>, at: number) =>
    of.filter((f) => f.line === at && ["top-gap", "more-unlike"].includes(f.rule)).map((f) => f.text);

  test("boxes and frames that are alike are held against each other once, and each line has its own findings", () => {
    const rules = (of: ReturnType<typeof findings>, at: number) => of.filter((f) => f.line === at).map((f) => f.rule);
    const many = findings(...Array(20).fill(line("frame")), ...Array(20).fill(line("body")));
    expect(rules(many, 39)).toEqual(rules(findings(line("frame"), line("body"), line("body")), 2));
    expect(new Set(many.map((f) => f.line)).size).toBe(40);
  });

  test("of very many unlike ones a few are held against a line, and how many more there are is said", () => {
    const frames = Array.from({ length: 11 }, (_, i) => line("frame", { topBarThickness: inch(0, 44 + i, 64) }));
    expect(gaps(findings(...frames, line("body")), 11)).toEqual([
      expect.any(String),
      "3 more kinds of frame that hang in it are not held against it, only 8",
    ]);
    const found = findings(...boxes(12), line("floor-solid"));
    expect(gaps(found, 11).at(-1)).toBe("3 more unlike boxes before it are not held against it, only 8");
    expect(gaps(found, 12).at(-1)).toBe("4 more kinds of box are not held against it, only 8");
  });

  test("what is the same with all it is held against is said once, what is not says with which line", () => {
    const found = findings(line("body"), line("body", { restDepth: inch(0, 3, 4) }), line("body", {}, "medium"), line("frame"), line("frame", { topBarThickness: inch(0, 1, 2) }), line("excluder"), line("inner-cover")); // prettier-ignore
    const under = found.filter((f) => f.line === 6 && f.rule === "flat-cover").map((f) => [f.label, lengthText(f.value, "in")]); // prettier-ignore
    // A rest 3/4 deep is 1/8 deeper than the usual 5/8: as much more above the frames.
    expect(under).toEqual([["Under inner cover, with line 1", "1/4"], ["Under inner cover, with line 2", "3/8"]]); // prettier-ignore
    const keys = found.map((f) => `${f.line} ${f.rule} ${f.label}`);
    expect(keys.filter((k, i) => keys.indexOf(k) < i)).toEqual([]);
  });

  test("findings grow with the lines, not with their square", () => {
    const count = (n: number) => findings(...boxes(n), ...boxes(n).map(() => line("frame"))).length / n;
    expect(count(48)).toBeLessThan(count(12) * 1.5);
  });
});
