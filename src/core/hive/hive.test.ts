import { usually } from "@/core/fit/bands";
import { stand } from "./stand";
import { unit } from "mathjs";
import { lengthOf } from "@/core/shape/shape";
import type { Finding } from "@/core/fit/finding";
import { emptyJob } from "@/core/job/job";
import { readJob, writeJob } from "@/core/job/file";
import { workJob } from "@/core/job/worked";
import { inch, mm } from "@/core/length/length";
import { type Hive, type Level, USUAL_BEGINNINGS } from "./hive";
import { linesOf, neededBy } from "./lines";
import { judgeStack } from "@/core/fit/stack";
import { heightOf } from "@/core/line/standing";
import { STARTERS } from "./starters";
import { conductivity, warmth } from "./warmth";
import { emptyWeight, heaviest, weigh } from "./weigh";

const job = emptyJob("x", "in");
const level = (
  item: string,
  options: Record<string, number | string | boolean> = {},
  size = "deep",
  standard = "langstroth-10",
): Level => ({ item, standard, size, options });
const hive = (...levels: Level[]): Hive => ({ name: "h", count: 1, levels, begins: USUAL_BEGINNINGS });
const judge = (...levels: Level[]): Finding[] => judgeStack(stand(hive(...levels), job), usually("in"));
const states = (findings: Finding[], rule: string) => findings.filter((f) => f.rule === rule).map((f) => f.state);

describe("whole hives with their usual choices", () => {
  test.each(STARTERS.map((s) => [s.name, s] as const))(
    "%s: nothing is stopped, in any season, nor in the job its lines make",
    (_name, starter) => {
      for (const season of [undefined, "spring", "summer", "autumn", "winter"] as const)
        expect(judgeStack(stand(starter, job, [], season), usually("in")).filter((f) => f.state === "stop")).toEqual(
          [],
        );
      const lines = linesOf({ ...starter, count: 3 }, job);
      expect(lines.every((l) => l.quantity % 3 === 0)).toBe(true);
      expect(workJob({ ...job, lines }).findings.filter((f) => f.state === "stop")).toEqual([]);
    },
  );
  test("each is whole: something under it, something over it, everything as wide as what it meets", () => {
    for (const starter of STARTERS) {
      const rules = judgeStack(stand(starter, job), usually("in")).filter((f) => f.state !== "ok").map((f) => f.rule); // prettier-ignore
      expect([starter.name, rules.filter((r) => r.endsWith("-missing"))]).toEqual([starter.name, []]);
      // Only the jacket stands out past the floor under it.
      expect([starter.name, rules.includes("footprint-step")]).toEqual([
        starter.name,
        starter.name.startsWith("Insulated"),
      ]);
    }
  });
  test("there is one for each the trade asks for", () => {
    expect(STARTERS.map((s) => s.name)).toEqual([
      "Langstroth, ten frames",
      "Langstroth, eight frames",
      "National, brood and a half",
      "Divided mating hive",
      "Long hive",
      "Insulated joined hive",
    ]);
  });
});

describe("the classic mistakes are found", () => {
  const usual = [
    level("floor-solid"),
    level("body"),
    level("excluder"),
    level("body", {}, "medium"),
    level("inner-cover"),
    level("cover-telescoping"),
  ];
  test("nothing wrong to begin with", () => {
    expect(judge(...usual).filter((f) => f.state === "stop")).toEqual([]);
  });
  test("a telescoping lid without an inner cover", () => {
    expect(
      states(judge(...usual.filter((l) => !("item" in l) || l.item !== "inner-cover")), "inner-cover-missing"),
    ).toEqual(["stop"]);
  });
  test("top and bottom bee space mixed: none, or double", () => {
    // 8 above + 8 below, and 1 above + 1 below, in the two orders (handbook 03: 0 or double).
    const top = level("body", { beeSpace: "top" }, "brood", "dadant-blatt-10");
    const bottom = level("body", { beeSpace: "bottom" }, "brood", "dadant-blatt-10");
    const gaps = (lower: Level, upper: Level) => judge(lower, upper).find((f) => f.rule === "between-boxes")!;
    expect([gaps(top, bottom).gapState, gaps(bottom, top).gapState]).toEqual(["bridges", "glues"]);
    expect(gaps(top, bottom).advice).toContain("mixed top and bottom bee space");
  });
  test("a thick-walled box under a cover of the usual size: true 1 inch is 20 3/8 outside, the skirt 20 1/4", () => {
    const thick = judge(
      level("floor-solid"),
      level("body", { thickness: inch(1) }),
      level("inner-cover"),
      level("cover-telescoping"),
    );
    const found = thick.find((f) => f.rule === "telescoping-clearance")!;
    expect([found.state, found.value]).toEqual(["stop", inch(20, 1, 4) - inch(20, 3, 8)]);
    // Made to the box it goes over: 3/8 loose again.
    const made = judge(
      level("body", { thickness: inch(1) }),
      level("inner-cover", { bodyOutsideLength: inch(20, 3, 8), bodyOutsideWidth: inch(16, 3, 4) }),
      level("cover-telescoping", { bodyOutsideLength: inch(20, 3, 8), bodyOutsideWidth: inch(16, 3, 4) }),
    );
    expect(made.find((f) => f.rule === "telescoping-clearance")).toMatchObject({ state: "ok", value: inch(0, 3, 8) });
  });
  test("an excluder too small: falls in between walls it does not reach, barely lies on walls it half covers", () => {
    const on = (length: number, width: number) =>
      judge(
        level("body"),
        level("excluder", { bodyOutsideLength: length, bodyOutsideWidth: width }),
        level("body"),
      ).filter((f) => f.rule === "excluder-cover");
    expect(on(inch(18), inch(14))[0]!.state).toBe("stop");
    expect(on(inch(18, 7, 8), inch(15, 1, 4))[0]).toMatchObject({ state: "care", value: inch(0, 1, 4) });
    expect(on(inch(19, 7, 8), inch(16, 1, 4))[0]!.state).toBe("ok");
  });
  test("a rim's entrance shut by the skirt; a jacket of one box round two; frames on the floor", () => {
    const rim = level("feed-rim-inner-board", { depth: inch(4), under: inch(0, 3, 8), skirt: inch(0) });
    expect(
      states(judge(level("body"), rim, level("inner-cover"), level("roof-deep", { depth: inch(8) })), "skirt-clear"),
    ).toEqual(["stop"]);
    expect(states(judge(level("joined-body"), level("insulated-jacket")), "jacket-height")).toEqual(["stop"]);
    const measured: Level = {
      measured: {
        name: "bought box",
        outsideLength: inch(19, 7, 8),
        outsideWidth: inch(16, 1, 4),
        insideLength: inch(18, 3, 8),
        insideWidth: inch(14, 3, 4),
        depth: inch(9, 1, 2),
        over: inch(0, 3, 8),
        under: mm(0),
      },
    };
    expect(states(judge(level("floor-four-way"), measured), "floor-gap")).toEqual(["stop"]);
  });
  test("a cover below the top, a floor above the bottom", () => {
    const found = judge(level("body"), level("cover-flat"), level("floor-solid"), level("body"));
    expect([...states(found, "cover-order"), ...states(found, "floor-order")]).toEqual(["stop", "stop"]);
  });
});

describe("a job's lines are held against its own boxes", () => {
  const found = (...lines: [string, object?, string?][]) =>
    workJob({
      ...job,
      lines: lines.map(([item, options = {}, size = "deep"]) => ({
        item,
        standard: "langstroth-10",
        size,
        quantity: 2,
        options: options as never,
      })),
    }).findings;
  const state = (rule: string, line: number, ...lines: Parameters<typeof found>) =>
    found(...lines)
      .filter((f) => f.rule === rule && f.line === line)
      .map((f) => f.state);
  /** Made to the usual box, whatever the job's own is. */
  const USUAL = { bodyOutsideLength: inch(19, 7, 8), bodyOutsideWidth: inch(16, 1, 4) };
  test("a cover over thick walls, and one with no inner cover in the job", () => {
    expect(state("telescoping-clearance", 1, ["body"], ["cover-telescoping"], ["inner-cover"])).toEqual(["ok"]);
    expect(
      state(
        "telescoping-clearance",
        1,
        ["body", { thickness: inch(1) }],
        ["cover-telescoping", USUAL],
        ["inner-cover"],
      ),
    ).toEqual(["stop"]);
    expect(state("inner-cover-missing", 1, ["body"], ["cover-telescoping"])).toEqual(["care"]);
    expect(state("inner-cover-missing", 0, ["cover-telescoping"])).toEqual([]);
  });
  test("an inner cover with its rim over frames that stand nearly flush, an excluder that does not reach, a floor under the deepest box", () => {
    expect(state("flat-cover", 1, ["body", { beeSpace: "bottom" }], ["inner-cover"])).toEqual(["stop"]);
    expect(
      state("excluder-cover", 1, ["body"], ["excluder", { bodyOutsideLength: inch(18), bodyOutsideWidth: inch(14) }]),
    ).toEqual(["stop"]);
    expect(state("floor-gap", 2, ["body"], ["body", {}, "medium"], ["floor-solid"])).toEqual(["ok"]);
    expect(state("footprint-step", 1, ["body", { thickness: inch(1) }], ["floor-solid", USUAL])).toEqual(["care"]);
  });
});

describe("figures of a stack", () => {
  test("a full deep ten-frame weighs 80–90 lb, a medium 50–60 (handbook 10 and 12 [trade]); a shallow 44 by the same sum, where the trade says 45 to 50", () => {
    const pounds = (size: string) => unit(weigh(stand(hive(level("body", {}, size)), job)).fullKg, "kg").toNumber("lb");
    expect(pounds("deep")).toBeGreaterThan(80);
    expect(pounds("deep")).toBeLessThan(90);
    expect(pounds("medium")).toBeGreaterThan(50);
    expect(pounds("medium")).toBeLessThan(60);
    expect(pounds("shallow")).toBeCloseTo(44.3, 1);
  });
  test("height and volume add up: floor 1 7/8 + 9 5/8 + 6 5/8 + 5/8 + 1/2, 42.7 + 29.4 l", () => {
    const standing = stand(
      hive(
        level("floor-solid"),
        level("body"),
        level("body", {}, "medium"),
        level("inner-cover"),
        level("cover-telescoping"),
      ),
      job,
    );
    expect(heightOf(standing)).toBe(
      inch(1, 7, 8) + inch(9, 5, 8) + inch(6, 5, 8) + inch(0, 5, 8) + inch(0, 1, 2) + inch(0, 1, 64),
    );
    const litres = (18.375 * 14.75 * (9.625 + 6.625) * 25.4 ** 3) / 1e6;
    expect(weigh(standing).litres).toBeCloseTo(litres, 6);
  });
  test("free comb fills a Warré box below its bars: eight of 300 × 200 × 25 mm, by hand", () => {
    const standing = stand(hive(level("body", {}, "box", "warre")), job);
    expect(weigh(standing).fullKg - weigh(standing, 0).fullKg).toBeCloseTo(3 * 2 * 0.25 * 8 * 1.42, 6);
  });
  test("loblolly to white pine is 51 to 35 (specific gravities, Wood Handbook)", () => {
    const [loblolly, pine] = ["loblolly-pine", "eastern-white-pine"].map((wood) =>
      emptyWeight(stand(hive(level("body", { wood })), job)[0]!.shape!),
    );
    expect(loblolly! / pine!).toBeCloseTo(51 / 35, 9);
  });
  test("of a long hive the heaviest lift is a frame, of a stack its fullest box", () => {
    const lift = (...levels: Level[]) => {
      const standing = stand(hive(...levels), job);
      return { lift: heaviest(weigh(standing).levels, standing)!, standing };
    };
    const long = lift(level("long-body"));
    const [box] = long.standing;
    // A deep frame's opening by hand: 16 7/8 by 8 inches and an inch of comb at 1.42 kg/l, and its wood.
    const frame = emptyWeight(box!.frame!);
    const honey =
      (lengthOf(box!.frame!, "openingLength") * lengthOf(box!.frame!, "openingHeight") * 25.4e6 * 1.42) / 1e24;
    expect(long.lift).toEqual({ at: 0, title: `a frame of ${box!.title}`, kg: expect.closeTo(frame + honey, 9) });
    expect(unit(long.lift.kg, "kg").toNumber("lb")).toBeLessThan(8);
    const stacked = lift(level("body"), level("body", {}, "medium"));
    expect(stacked.lift.title).toBe("Body, deep");
  });
  test("half full is half the honey", () => {
    const standing = stand(hive(level("body")), job);
    const [empty, half, full] = [0, 0.5, 1].map((f) => weigh(standing, f).fullKg);
    expect(half! - empty!).toBeCloseTo((full! - empty!) / 2, 9);
    expect(empty).toBe(weigh(standing).emptyKg);
  });
});

describe("warmth of the lowest box", () => {
  const r = (...levels: Level[]) => warmth(stand(hive(...levels), job))!;
  test("k of wood, 0.11 W/(m·K) for white pine of 0.37 at 12 % (Wood Handbook's table, from memory)", () => {
    expect(conductivity(0.37)).toBeCloseTo(0.11, 2);
  });
  test("a 3/4 wall by hand, a jacket's foam in units of a general library, a lid of 1/4 and 1/2 ply", () => {
    const bare = 0.15 + 0.01905 / conductivity(0.35);
    expect(r(level("body")).wall).toBeCloseTo(bare, 9);
    const foam = unit(3.8, "ft^2 degR hour / BTU").toNumber("m^2 K / W");
    const jacketed = r(level("body"), level("insulated-jacket")).wall;
    expect(jacketed - bare).toBeCloseTo(0.009525 / conductivity(0.35) + foam, 3);
    const covered = r(level("body"), level("inner-cover"), level("cover-telescoping"));
    expect(covered.lid).toBeCloseTo(0.15 + 0.01905 / conductivity(0.5), 9);
    const [area, flat] = [2 * (0.504825 + 0.41275) * 0.244475, 0.504825 * 0.41275];
    expect(covered.loss).toBeCloseTo(area / bare + flat / covered.lid!, 6);
  });
  test("a quilt of five inches holds 3 5/8 of shavings: 0.092 m at 0.065 W/(m·K) adds 1.4", () => {
    const [bare, quilted] = [[], [level("quilt-box")]].map(
      (q) => r(level("body"), ...q, level("cover-telescoping")).lid,
    );
    expect(quilted! - bare!).toBeCloseTo(0.092075 / 0.065, 6);
  });
  test("a mesh floor closes nothing; foam under its tray does", () => {
    expect(r(level("floor-screened"), level("body")).floor).toBeUndefined();
    expect(r(level("floor-screened", { insulated: true }), level("body")).floor).toBeGreaterThan(0.15);
  });
});

describe("seasons and lines", () => {
  const year = hive(
    level("floor-solid"),
    level("body"),
    { ...level("excluder"), seasons: ["summer"] } as Level,
    { ...level("quilt-box"), seasons: ["winter"] } as Level,
    level("inner-cover"),
  );
  test("what has to be there by when: everything by the next season, the rest by its own", () => {
    expect(neededBy(year, "2027-02-08")).toEqual([
      { season: "spring", date: "2027-03-01", levels: [0, 1, 4] },
      { season: "summer", date: "2027-05-15", levels: [2] },
      { season: "winter", date: "2027-10-15", levels: [3] },
    ]);
    expect(neededBy(year, "2027-09-01").map((n) => n.date)).toEqual(["2027-10-15", "2028-05-15"]);
  });
  test("a hive's lines: frames with every box, the same things together", () => {
    const two = { ...hive(level("floor-solid"), level("body"), level("body")), count: 20 };
    expect(linesOf(two, job).map((l) => [l.item, l.quantity])).toEqual([
      ["floor-solid", 20],
      ["body", 40],
      ["frame", 400],
    ]);
    expect(linesOf(hive(level("divided-body")), job).map((l) => [l.item, l.quantity])).toEqual([
      ["divided-body", 1],
      ["half-frame", 20],
    ]);
  });
  test("hives are kept in the job's file, and read back the same; a level that is no item is refused where it stands", () => {
    const kept = {
      ...job,
      hives: [
        {
          ...year,
          levels: [
            ...year.levels,
            {
              measured: {
                name: "old box",
                outsideLength: inch(20),
                outsideWidth: inch(16),
                insideLength: inch(18, 3, 8),
                insideWidth: inch(14, 1, 2),
                depth: inch(9, 1, 2),
                over: inch(0, 3, 8),
                under: inch(0),
              },
            },
          ],
        },
      ],
    };
    const file = JSON.parse(JSON.stringify(writeJob(kept)));
    expect(readJob(file).hives).toEqual(kept.hives);
    file.hives[0].levels[1].options = { thickness: "5" };
    expect(() => readJob(file)).toThrow("hives[0].levels[1]");
  });
});
