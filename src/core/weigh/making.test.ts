import { readWeigh } from "./file";
import { addAt, drawnOut, holesArea, openingArea } from "./inuse";
import { costsOf, type Prices, pricesOf } from "./making";
import { weighRows } from "./rows";
import { hiveThing, SETS } from "./sets";
import { weighTable } from "./table";
import { madeBy, yearOf } from "./year";
import { STARTERS } from "@/core/hive/starters";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { inch, mm } from "@/core/length/length";

const L10 = { standard: "langstroth-10", options: {} };
const PRICES: Prices = { currency: "USD", rate: 30, packs: new Map([["foundation, plastic", 1.1], ["foundation, wired wax", 1.6], ["frame nail, 1 1/4", 0.01]]), stuff: new Map([["wood", { each: 1000, as: "pine" }]]) }; // prettier-ignore
const rowsOf = (things: object[], prices?: Prices) => {
  const read = readWeigh({ format: "rundik-weigh", version: 1, units: "in", things });
  return weighRows(read.things, read.assume, { units: read.units, prices });
};
const setOf = (id: string) => SETS.find((s) => s.id === id)!;

describe("wax or plastic for 400 frames", () => {
  const rows = rowsOf(setOf("foundations").things, PRICES);
  const at = (name: string) => rows.find((r) => r.name === name)!;

  test("parts: each kind of sheet is bought with what holds it, by the frame (handbook 04: wedge, brads and pins, or a groove)", () => {
    const buys = (name: string) => Object.fromEntries(at(name).making!.buys.map((b) => [b.what, b.quantity]));
    expect(buys("Plastic")).toMatchObject({ "foundation, plastic": 1, "frame nail, 1 1/4": 10 });
    expect(buys("Plastic")["support pin"]).toBeUndefined();
    expect(buys("Wired wax")).toMatchObject({ "foundation, wired wax": 1, "support pin": 4, "brad, 3/4": 4 });
    // Four wires of 17, three steps between holes and 8 to tie: of a deep about 83 inches.
    expect(buys("Wax, wired here")["wire eyelet"]).toBe(8);
    expect(Math.abs(buys("Wax, wired here")["frame wire"]! - 83 * 0.0254)).toBeLessThan(0.1);
  });

  test("minutes: what wax takes longer is its fitting, its wedge and the bar it is nailed to", () => {
    const steps = (name: string) => new Map(at(name).making!.most.map((o) => [o.name, o.minutes]));
    // Guesses of the recipes [mem]: a sheet is snapped in within 0.6 of a minute, a wedge with pins takes 1.5, wire and wax 4.
    expect([steps("Plastic").get("Snap the foundation in"), steps("Wired wax").get("Fit foundation, wedge and pins"), steps("Wax, wired here").get("Wire, fit and embed foundation")]).toEqual([0.6, 1.5, 4]); // prettier-ignore
    const minutes = ["Plastic", "Wired wax", "Wax, wired here"].map((n) => at(n).making!.work);
    expect(minutes.toSorted((a, b) => a - b)).toEqual(minutes);
  });

  test("money: wood, what is bought and minutes at the shop's rate add up, and what has no price is named", () => {
    const { making, costs } = at("Plastic");
    const wood = making!.stuff.find((s) => s.kind === "wood")!.volume;
    // By hand: 19 × 1 1/16 × 3/4, two of 9 1/8 × 1 3/8 × 3/8, one of 17 3/4 × 3/4 × 3/8.
    const cubic = 19 * 1.0625 * 0.75 + 2 * 9.125 * 1.375 * 0.375 + 17.75 * 0.75 * 0.375;
    expect(Math.abs(wood / 0.0254 ** 3 - cubic)).toBeLessThan(0.01);
    expect(costs!.each).toBeCloseTo(wood * 1000 + 1.1 + 10 * 0.01 + making!.work * 0.5, 6);
    expect(costs!.unpriced).toEqual(["waterproof wood glue"]);
    expect(costs!.setUps).toBeCloseTo(making!.setUps * 0.5, 6);
    expect(costsOf(making!, { ...PRICES, rate: null }, "in")!.unpriced).toContain("work");
    expect(costsOf(making!, { currency: null, rate: null, packs: new Map(), stuff: new Map() }, "in")).toBeUndefined();
  });

  test("prices are the cheapest a unit of what the catalogue offers; an offer without a price is none", () => {
    const pack = (pack: number, price: number | null, id: number) => ({ id, form: "pack" as const, material: "brad, 3/4", pack, price }); // prettier-ignore
    const board = { id: 9, form: "board" as const, material: "pine", thickness: inch(1), width: inch(12), length: inch(12), price: 2 }; // prettier-ignore
    const prices = pricesOf([pack(100, 5, 1), pack(1000, 20, 2), pack(5, null, 3), board], { currency: "EUR", rate: 20 }, "in"); // prettier-ignore
    expect([prices.packs.get("brad, 3/4"), prices.stuff.get("wood")!.as]).toEqual([0.02, "pine 1 × 12 × 12"]);
    // 144 cubic inches, a board foot, for 2.
    expect(prices.stuff.get("wood")!.each * 144 * 0.0254 ** 3).toBeCloseTo(2, 9);
  });

  test("finger joints take longer than rabbets, and these longer than butts; dovetails longest (handbook 05)", () => {
    const work = rowsOf(setOf("corners").things).map((r) => r.making!.work);
    const [rabbet, butt, finger, dovetail] = work as [number, number, number, number];
    expect([butt < rabbet, rabbet < finger, finger < dovetail]).toEqual([true, true, true]);
  });
});

test("every usual hive can be set beside others as it stands in summer, and weighs there what its year says", () => {
  const rows = rowsOf(STARTERS.map((h) => hiveThing(h, { standards: [], designs: [] })));
  for (const [i, h] of STARTERS.entries()) {
    const summer = yearOf(h, 1).find((s) => s.season === "summer")!;
    const heaviest = Math.max(...summer.levels.map((l) => l.lift?.kg ?? 0));
    expect([h.name, rows[i]!.lift!.kg.toFixed(6)]).toEqual([h.name, heaviest.toFixed(6)]);
  }
});

describe("in use", () => {
  test("what a cluster climbs over: bottom bar, gap and top bar of each step; nothing in a long hive or over extra-deep frames", () => {
    const [stack, mediums, long, joined] = rowsOf(setOf("hives").things) as [ReturnType<typeof rowsOf>[0], ReturnType<typeof rowsOf>[0], ReturnType<typeof rowsOf>[0], ReturnType<typeof rowsOf>[0]]; // prettier-ignore
    // Deep 9 5/8 holds 9 1/8: 1/2 between two deeps; medium 6 5/8 holds 6 1/4: 3/8 (handbook 02). Bars 3/8 and 3/4.
    expect([stack.climb, mediums.climb]).toEqual([{ total: inch(1, 1, 8) * 2 + inch(0, 7, 8), times: 2 }, { total: 3 * inch(1, 1, 2), times: 3 }]); // prettier-ignore
    expect([long.climb, joined.climb]).toEqual([
      { total: 0, times: 0 },
      { total: 0, times: 0 },
    ]);
  });

  test("a whole hive is made with its frames, a box without; set-ups of frames that are alike are made once", () => {
    const L = (item: string, size = "deep") => ({ item, ...L10, size });
    const [box, frame, one, two] = rowsOf([{ name: "box", ...L("body") }, { name: "frame", ...L("frame") }, { name: "one", hive: [L("body")] }, { name: "two", hive: [L("body"), L("body")] }]).map((r) => r.making!); // prettier-ignore
    const sheets = (m: typeof box) => m!.buys.filter((b) => b.what.startsWith("foundation")).reduce((n, b) => n + b.quantity, 0); // prettier-ignore
    expect([box, frame, one, two].map(sheets)).toEqual([0, 1, 10, 20]);
    expect(one!.work).toBeCloseTo(box!.work + 10 * frame!.work, 9);
    expect(one!.setUps).toBeCloseTo(box!.setUps + frame!.setUps, 9);
    expect(two!.setUps).toBeLessThan(2 * one!.setUps);
  });

  test("baskets, sheets, pallets: a deep goes in a common basket, a jumbo in a Dadant one, an extra-deep in none; sizes by hand", () => {
    const frames = rowsOf([...["deep", "jumbo"].map((size) => ({ name: size, item: "frame", ...L10, size })), { name: "x", item: "extra-deep-frame", ...L10, size: "deep" }, { name: "none", item: "frame", ...L10, size: "deep", options: { foundation: "none" } }]); // prettier-ignore
    expect(frames.map((r) => r.extractor)).toEqual(["a common basket", "a Dadant basket", "none: crush and drain", "a common basket"]); // prettier-ignore
    // Sheets as handbook 02 has them.
    expect(frames.map((r) => r.sheet)).toEqual(["16 3/4 × 8 1/2", "16 3/4 × 10 5/8", "2 sheets, the larger 16 3/4 × 8 1/2", "a starter strip"]); // prettier-ignore
    const [deep] = rowsOf([{ name: "deep", item: "body", ...L10, size: "deep" }]);
    // 19 7/8 × 16 1/4: two by two on 48 × 40; 96 × 60: five of 19 7/8 … four by three, three of 19 7/8 and five of 16 1/4.
    expect([deep!.pallet, deep!.trailer]).toEqual([2 * 2, Math.max(4 * 3, 5 * 3)]);
  });

  test("wax: ten deep combs want a kilo, and eight times its weight in honey; a box is added at seven or eight of ten; areas by hand", () => {
    const { waxKg, honeyKg } = drawnOut(10, 2 * inch(17) * inch(8));
    expect([waxKg.toFixed(3), honeyKg.toFixed(2)]).toEqual(["1.000", "8.00"]);
    expect([addAt(10), addAt(8), addAt(5)]).toEqual([{ from: 7, to: 8 }, { from: 6, to: 6 }, { from: 4, to: 4 }]); // prettier-ignore
    expect(openingArea(mm(100), mm(10)) + holesArea(2, mm(20))).toBeCloseTo(10 + 2 * Math.PI, 9);
  });

  test("a stack over the year: the excluder comes for summer and goes in autumn, the medium moves, each lift is judged for one and two", () => {
    const year = yearOf(STARTERS[0]!, 1);
    const [spring, summer, autumn, winter] = year as [(typeof year)[0], (typeof year)[0], (typeof year)[0], (typeof year)[0]]; // prettier-ignore
    const on = (s: (typeof year)[0]) => s.levels.filter((l) => l.comes).map((l) => l.title);
    expect([on(summer), on(autumn), autumn.goes, on(winter), winter.goes]).toEqual([["Framed excluder"], [], ["Framed excluder"], [], []]); // prettier-ignore
    expect([summer, autumn].map((s) => s.levels.filter((l) => l.moves).map((l) => l.title))).toEqual([["Body, medium"], ["Body, medium"]]); // prettier-ignore
    for (const s of year) expect([s.season, s.levels.some((l) => l.title.includes("xcluder"))]).toEqual([s.season, s === summer]); // prettier-ignore
    const deep = spring.levels.find((l) => l.title === "Body, deep")!.lift!;
    // Two may take two thirds of twice what one may.
    expect(deep.judged.index / deep.indexForTwo).toBeCloseTo(4 / 3, 9);
    expect(deep.instead).toMatch(/^a frame at a time/);
    // Emptier combs are a smaller lift, and at nothing none needs help.
    expect(yearOf(STARTERS[0]!, 0).flatMap((s) => s.levels).every((l) => !l.lift?.instead)).toBe(true); // prettier-ignore
    // The frame of a long hive is all that is lifted.
    const long = yearOf(
      STARTERS.find((h) => h.name === "Long hive")!,
      1,
    )[0]!.levels.find((l) => l.lift)!.lift!;
    expect([long.what, long.instead]).toEqual(["a frame of Long body, deep", null]);
    // The medium that moves is made once.
    expect(madeBy(STARTERS[0]!, year, "2027-04-01").map((m) => [m.date, m.titles])).toEqual([["2027-05-15", ["Stand with landing", "Screened floor with tray", "Body, deep", "Framed excluder", "Body, medium", "Inner cover", "Telescoping cover"]], ["2027-08-15", ["Robbing screen"]], ["2027-10-15", ["Entrance block with mouse guard"]]]); // prettier-ignore
    // All that a year names can be made; bees that come in from below need no guard.
    for (const hive of STARTERS) {
      const named = yearOf(hive, 1).flatMap((s) => s.before.map((b) => ({ ...b.level, quantity: 1 })));
      expect([hive.name, workJob({ ...emptyJob("", "in"), lines: named }).faults]).toEqual([hive.name, []]);
      expect([hive.name, named.length]).toEqual([hive.name, hive.levels.some((l) => "item" in l && l.item === "floor-underfloor") ? 0 : 2]); // prettier-ignore
    }
  });
});

test("a table has a line for each figure any thing has, and says minutes for as many as are asked about", () => {
  const rows = rowsOf(setOf("foundations").things.slice(0, 2), PRICES);
  const table = weighTable(rows, 400, "in");
  const line = (label: string) => table.find((l) => l[0]!.startsWith(label))!;
  expect([table[0], line("Room inside")]).toEqual([["", "Wired wax", "Plastic"], undefined]);
  expect(line("To make")[2]).toBe((rows[1]!.making!.work * 400 + rows[1]!.making!.setUps).toFixed(0));
  expect(line("Bought for them")[2]).toContain("400 foundation, plastic");
});
