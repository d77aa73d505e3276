import { DEFAULT_BANDS } from "@/core/fit/bands";
import { stand } from "@/core/hive/stand";
import { renderToStaticMarkup } from "react-dom/server";
import type { Hive } from "@/core/hive/hive";
import { STARTERS } from "@/core/hive/starters";
import { heightOf } from "@/core/line/standing";
import { inch, mm, nm } from "@/core/length/length";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { findRecipe } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { shapeItem } from "@/core/shape/shape";
import { heightMarks } from "@/core/drawing/stick";
import { BodySection } from "./drawing/BodySection";
import { foldedParts } from "@/core/shape/part";
import { Flat } from "./drawing/Flat";
import { HiveStack } from "./drawing/HiveStack";
import { ThreeViews } from "./drawing/ThreeViews";
import { spread } from "@/core/drawing/spread";
import { measureWidth, SvgMeasure } from "./drawing/SvgMeasure";
import { movesBetween, moveText } from "./desk/moves";
import { GapGauge } from "./parts/GapGauge";
import { Measure } from "./parts/Measure";
import { clockDay, clockTime, count, dayText, duration, percent } from "./parts/words";

const html = renderToStaticMarkup;
const text = (markup: string) =>
  markup
    .replace(/<[^>]*>/g, " ")
    .replace(/\s+/g, " ")
    .trim();
const make = (item: string, options = {}) =>
  shapeItem(findRecipe(item)!, findStandard("langstroth-10")!, "deep", options);

test("a measure is read aloud whole and shown stacked, ≈ when it lies off the 64ths", () => {
  expect(text(html(<Measure value={inch(15, 31, 64)} units="in" />))).toBe(
    '15 31/64" 15 31 64'.replaceAll('"', "&quot;"),
  );
  expect(text(html(<Measure value={mm(460)} units="in" />))).toContain("≈18 7 64");
  expect(text(html(<Measure value={nm(-1_600_000)} units="mm" />))).toBe("-1.6 mm −1.6");
});

test("a drawn measure takes the room it says", () => {
  expect(measureWidth(inch(19, 7, 8), "in", 10)).toBeGreaterThan(measureWidth(inch(19), "in", 10));
  expect(measureWidth(inch(0, 31, 64), "in", 10)).toBeGreaterThan(measureWidth(inch(0, 1, 2), "in", 10));
  expect(
    text(
      html(
        <svg>
          <SvgMeasure value={inch(9, 5, 8)} units="in" x={0} y={0} />
        </svg>,
      ),
    ),
  ).toBe("9 5 8");
});

test("labels that would lie on each other are spread, in order, and otherwise stay", () => {
  expect(spread([10, 50, 90], 19)).toEqual([10, 50, 90]);
  const near = spread([10, 12, 14, 80], 20);
  expect(near[1]! - near[0]!).toBeCloseTo(20);
  expect(near[2]! - near[1]!).toBeCloseTo(20);
  expect((near[0]! + near[2]!) / 2).toBeCloseTo(12);
  expect(near[3]).toBe(80);
  expect(spread([14, 10], 20)).toEqual([22, 2]);
  expect(spread([14, 10, 90], 20, 10)).toEqual([30, 10, 90]);
  expect(spread([85, 88, 10], 20, 0, 90)).toEqual([70, 90, 10]);
});

test("the drawing carries the dimensions of the geometry, in either unit", () => {
  const frame = make("frame");
  const worked = (options: object) =>
    workJob({
      ...emptyJob("x", "in"),
      lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 1, options: options as never }],
    });
  const draw = (units: "in" | "mm", options = {}) =>
    text(
      html(
        <BodySection
          body={worked(options).lines[0]!.shape}
          frame={frame}
          marks={heightMarks(worked(options).lines[0]!, worked(options).lines)}
          units={units}
          onPart={() => undefined}
          onMark={() => undefined}
        />,
      ),
    );
  const inches = draw("in");
  // Outside, rest to rest, inside, frame; the stick's marks.
  for (const shown of ["19 7 8", "19 1 8", "18 3 8", "17 3 4", "9 5 8", "9 3 8"]) expect(inches).toContain(shown);
  expect(draw("mm")).toContain("504.8");
  expect(draw("in", { thickness: inch(1) })).toContain("20 3 8");
});

test("the gauge's pointer stands to scale, and stays on the bar when the gap is wild", () => {
  const at = (value: number) =>
    Number(/M([\d.]+) 9v9/.exec(html(<GapGauge value={nm(value)} bands={DEFAULT_BANDS} />))![1]);
  expect(at(9_000_000)).toBeCloseTo(138);
  expect(at(-5_000_000)).toBe(4);
  expect(at(80_000_000)).toBe(272);
});

test("a change says what it moved, by how much, and is silent about the rest", () => {
  const job = (thickness: number) => ({
    ...emptyJob("x", "in"),
    lines: [
      {
        item: "body",
        standard: "langstroth-10",
        size: "deep",
        quantity: 1,
        options: { thickness: inch(0, thickness, 8) },
      },
    ],
  });
  const moves = movesBetween(workJob(job(6)), workJob(job(7)), 0);
  expect(moveText(moves.get("part side.length")!, "in")).toBe("+1/8");
  expect(moveText(moves.get("part end.length")!, "mm")).toBe("+6.4");
  expect(moves.has("part side.width")).toBe(false);
  expect([...moves.keys()].some((k) => k.startsWith("finding end-gap"))).toBe(false);
});

test("days, times and counts read as people say them (2027-03-12 is a Friday)", () => {
  expect(dayText("2027-03-12")).toBe("Fri 12 Mar");
  const minute = Date.UTC(2027, 2, 12, 8, 5) / 60_000;
  expect([clockDay(minute), clockTime(minute)]).toEqual(["Fri 12 Mar", "08:05"]);
  expect([count(1, "board"), count(1200, "board"), count(2, "person", "people")]).toEqual([
    "1 board",
    "1,200 boards",
    "2 people",
  ]);
  expect([duration(45), duration(120), duration(125)]).toEqual(["45 min", "2 h", "2 h 05"]);
  // However small, a gap is not said to be none.
  expect([0.1234, 0.013, 0.00129, 0.000079].map(percent)).toEqual(["12 %", "1.3 %", "0.13 %", "0.0079 %"]);
});

describe("a hive and a skin, drawn", () => {
  const job = emptyJob("x", "in");
  const hive: Hive = {
    ...STARTERS[0]!,
    levels: STARTERS[0]!.levels.filter((l) => "item" in l && l.item !== "excluder"),
  };
  test("every level is there by name, and the stick carries the foot of each from the top", () => {
    const standing = stand(hive, job);
    const drawn = html(<HiveStack standing={standing} units="in" chosen={null} onChoose={() => undefined} />);
    for (const s of standing) expect(drawn).toContain(`<title>${s.title}</title>`);
    const total = heightOf(standing);
    for (const s of standing) {
      expect(drawn).toContain(`aria-label="foot of ${s.title.toLowerCase()}"`);
      expect(s.foot).toBeLessThan(total);
    }
    // A frame hangs in each of the three bodies, in outline.
    expect(drawn.match(/stroke-dasharray="4 3"/g)).toHaveLength(3);
  });
  test("a box measured in is drawn by its walls alone", () => {
    const measured = { name: "old box", outsideLength: inch(20), outsideWidth: inch(16), insideLength: inch(18, 3, 8), insideWidth: inch(14, 1, 2), depth: inch(9, 1, 2), over: inch(0, 3, 8), under: inch(0) }; // prettier-ignore
    const drawn = html(<HiveStack standing={stand({ ...hive, levels: [{ measured }] }, job)} units="mm" chosen={0} onChoose={() => undefined} />); // prettier-ignore
    expect(drawn).toContain("<title>old box</title>");
    expect(drawn.match(/<rect[^>]*long-grain/g)).toHaveLength(2);
  });
  test("a skin laid flat has four dash-dot lines, four red cuts, and the sizes to mark it out by", () => {
    const [skin] = foldedParts(make("cover-telescoping").parts);
    const drawn = html(<Flat part={skin!} units="in" />);
    expect(drawn.match(/stroke-dasharray="12 3 2 3"/g)).toHaveLength(4);
    expect(drawn.match(/stroke="var\(--color-madder\)"/g)).toHaveLength(4);
    for (const size of ["23 1 4", "19 5 8", "21 3 4", "18 1 8", " 3 4 "]) expect(text(drawn)).toContain(size);
  });
  test("an item cut through shows end grain where the saw went, and from outside it does not", () => {
    const floor = make("floor-screened");
    const [whole, cut] = [false, true].map((c) => html(<ThreeViews shape={floor} units="in" cut={c} />));
    expect([whole!.includes("url(#end-grain)"), cut!.includes("url(#end-grain)")]).toEqual([false, true]);
    expect(cut).toContain("front, cut through the middle");
  });
});
