import { usually } from "@/core/fit/bands";
import { DEFAULT_BANDS, gapState } from "./bands";
import { stand } from "@/core/hive/stand";
import fc from "fast-check";
import { emptyJob } from "@/core/job/job";
import { inch } from "@/core/length/length";
import { RECIPES } from "@/core/recipes";
import { boxFor } from "@/core/hive/fitted";
import { type Hive, type Level, SEASONS, standsIn, USUAL_BEGINNINGS } from "@/core/hive/hive";
import { linesOf } from "@/core/hive/lines";
import { judgeStack } from "./stack";
import { heightOf } from "@/core/line/standing";
import { weigh } from "@/core/hive/weigh";

const job = emptyJob("x", "in");
const level = (item: string, options: Record<string, number | string | boolean> = {}, size = "deep"): Level => ({
  item,
  standard: "langstroth-10",
  size,
  options,
});
const hive = (levels: Level[], count = 1): Hive => ({ name: "h", count, levels, begins: USUAL_BEGINNINGS });
const up = (...levels: Level[]) => stand(hive(levels), job);

/** Everything that can stand in a hive of this standard. */
const THINGS = [
  ...RECIPES.filter((r) => r.stands && (!r.standards || r.standards.includes("langstroth-10"))).map((r) => r.id),
  "body",
  "divided-body",
  "joined-body",
];
const stacks = fc
  .array(
    fc.record({
      item: fc.constantFrom(...THINGS),
      size: fc.constantFrom("deep", "medium"),
      seasons: fc.option(fc.subarray([...SEASONS], { minLength: 1 }), { nil: undefined }),
    }),
    { minLength: 1, maxLength: 8 },
  )
  .map((list) =>
    list.map(({ item, size, seasons }): Level => ({
      ...(level(item, {}, size) as Extract<Level, { item: string }>),
      ...(seasons ? { seasons } : {}),
    })),
  );

describe("any stack whatever", () => {
  test("stands without a gap, each thing on the one before it; its height is the sum of theirs", () => {
    fc.assert(
      fc.property(stacks, fc.constantFrom(undefined, ...SEASONS), (levels, season) => {
        const standing = stand(hive(levels), job, [], season);
        expect(standing.map((s) => s.at)).toEqual(levels.flatMap((l, i) => (standsIn(l, season) ? [i] : [])));
        let foot = 0;
        for (const s of standing) {
          if (s.as === "jacket") continue;
          expect(s.foot).toBe(foot);
          foot += s.height;
        }
        expect(heightOf(standing)).toBe(foot);
      }),
      { numRuns: 60 },
    );
  });
  test("every finding belongs to a level that is there, says what it found, and a gap is judged by its own bands", () => {
    fc.assert(
      fc.property(stacks, (levels) => {
        for (const f of judgeStack(up(...levels), usually("in"))) {
          expect(f.line).toBeLessThan(levels.length);
          expect(f.text.length).toBeGreaterThan(3);
          if (f.state !== "ok") expect([f.rule, f.advice.length > 0]).toEqual([f.rule, true]);
          if (f.bands) expect(f.state).toBe(gapState(f.value, DEFAULT_BANDS).state);
        }
      }),
      { numRuns: 60 },
    );
  });
  test("weighs more full than empty, and twice as many hives take twice as many of everything", () => {
    fc.assert(
      fc.property(stacks, (levels) => {
        const w = weigh(up(...levels));
        expect(w.fullKg).toBeGreaterThanOrEqual(w.emptyKg);
        expect(w.emptyKg).toBeGreaterThan(0);
        const [one, two] = [1, 2].map((n) => linesOf(hive(levels, n), job));
        expect(two!.map((l) => l.quantity)).toEqual(one!.map((l) => 2 * l.quantity));
        expect(two!.map(({ quantity: _n, ...l }) => l)).toEqual(one!.map(({ quantity: _n, ...l }) => l));
      }),
      { numRuns: 40 },
    );
  });
});

describe("what a thing has to be made to", () => {
  const thick = level("body", { thickness: inch(1) });
  test("a floor or rim to the box it meets, a cover to the largest its skirt reaches", () => {
    const standing = up(level("floor-solid"), thick, level("inner-cover"), level("cover-telescoping"));
    const outside = { length: inch(20, 3, 8), width: inch(16, 3, 4) };
    expect([0, 2, 3].map((at) => boxFor(standing, at))).toEqual([outside, outside, outside]);
    expect(boxFor(standing, 1)).toBeUndefined();
  });
  test("made to it, nothing steps and the cover goes on", () => {
    const box = { bodyOutsideLength: inch(20, 3, 8), bodyOutsideWidth: inch(16, 3, 4) };
    const before = judgeStack(
      up(level("floor-solid"), thick, level("inner-cover"), level("cover-telescoping")),
      usually("in"),
    );
    const after = judgeStack(
      up(level("floor-solid", box), thick, level("inner-cover", box), level("cover-telescoping", box)),
      usually("in"),
    );
    const wrong = (found: typeof before) =>
      found.filter((f) => ["footprint-step", "telescoping-clearance"].includes(f.rule) && f.state !== "ok").length;
    expect([wrong(before), wrong(after)]).toEqual([3, 0]);
  });
  test("a cover over a jacket is made to the jacket", () => {
    const standing = up(
      level("joined-body"),
      level("insulated-jacket", { jacketHigh: inch(16, 1, 4) }),
      level("inner-cover"),
      level("cover-telescoping"),
    );
    expect(boxFor(standing, 3)).toEqual({ length: inch(22, 5, 8), width: inch(19) });
  });
});

describe("one rule at a time", () => {
  const found = (rule: string, ...levels: Level[]) =>
    judgeStack(up(...levels), usually("in")).filter((f) => f.rule === rule);
  test("open rims add up under the cover, and are said to be for feed only", () => {
    const [gap] = found(
      "flat-cover",
      level("body"),
      level("feed-rim", { depth: inch(2) }),
      level("feed-rim", { depth: inch(3) }),
      level("inner-cover"),
    );
    expect([gap!.value, gap!.state]).toEqual([inch(5, 1, 4), "care"]);
    expect(gap!.advice).toContain("off as soon as the feed is");
  });
  test("an excluder keeps its bee space between two boxes: 1/4 below the sheet, 3/8 and what is under the frames above it", () => {
    const gaps = found("between-boxes", level("body"), level("excluder"), level("body", {}, "medium"));
    expect(gaps.map((f) => f.value)).toEqual([inch(0, 1, 4), inch(0, 1, 8) + inch(0, 3, 8)]);
  });
  test("the skirt is loose by 3/8, tight at 1/8, does not go over at nothing", () => {
    const loose = (clearance: number) =>
      found("telescoping-clearance", level("body"), level("inner-cover"), level("cover-telescoping", { clearance }))[0]!
        .state;
    expect([loose(inch(0, 3, 8)), loose(inch(0, 1, 8)), loose(inch(0, 5, 8))]).toEqual(["ok", "care", "care"]);
  });
  test("a lower box that is wider holds rain; a lower one that is narrower does not", () => {
    const step = (lower: Level, upper: Level) => found("footprint-step", lower, upper)[0]!;
    expect(step(level("body", { thickness: inch(1) }), level("body")).text).toContain("holds rain");
    expect(step(level("body"), level("body", { thickness: inch(1) })).text).not.toContain("rain");
  });
  test("what is missing: a floor, a cover; what may stand on the ground without: nothing to judge", () => {
    expect(found("floor-missing", level("body")).length + found("cover-missing", level("body")).length).toBe(2);
    expect(judgeStack(up(level("stand")), usually("in"))).toEqual([]);
  });
  test("a cover on a quilt box needs no inner cover directly under it: no bees come there", () => {
    expect(
      found("inner-cover-missing", level("body"), level("inner-cover"), level("quilt-box"), level("cover-telescoping")),
    ).toEqual([]);
    expect(
      found("inner-cover-missing", level("body"), level("feeder-trough"), level("cover-telescoping")),
    ).toHaveLength(1);
  });
});
