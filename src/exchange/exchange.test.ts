import { type JobLine, pieceKey } from "@/core/line/line";
import DxfParser from "dxf-parser";
import { XMLParser } from "fast-xml-parser";
import Papa from "papaparse";
import { inch, mm } from "@/core/length/length";
import { storyStick } from "@/core/drawing/stick";
import { emptyJob } from "@/core/job/job";
import { cutList } from "@/core/line/cutlist";
import { workJob } from "@/core/job/worked";
import { RECIPES } from "@/core/recipes";
import { STANDARDS } from "@/core/standards";
import { allLayouts, layOut } from "@/core/layout/layout";
import { piecesOf } from "@/core/boards/laid";
import { blank, board, request } from "@/core/layout/tests/samples";
import { itemDxf } from "./dxf";
import { layoutCsv, layoutDxf, layoutSvg } from "./layout";
import { stickPages } from "@/core/drawing/stick";
import { roomOn, stickPdf } from "./stickPdf";
import { itemSvg } from "./svg";

const work = (line: Partial<JobLine>) =>
  workJob({
    ...emptyJob("Heath estate", "in"),
    lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: {}, ...line }],
  });
const shapeOf = (line: Partial<JobLine>) => work(line).lines[0]!.shape;

interface Entity {
  type: string;
  layer: string;
  vertices?: { x: number; y: number }[];
  radius?: number;
  center?: { x: number; y: number };
  text?: string;
}
const readDxf = (text: string) => {
  const dxf = new DxfParser().parseSync(text)!;
  return { layers: Object.keys(dxf.tables.layer.layers), entities: dxf.entities as unknown as Entity[] };
};
const box = (e: Entity) => {
  const [xs, ys] = [e.vertices!.map((v) => v.x), e.vertices!.map((v) => v.y)];
  return [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
};

describe("DXF, read back by an independent parser", () => {
  test("every part's outline at true size in mm, labelled with letter, count and size", () => {
    const shape = shapeOf({ options: { handholds: "none" } });
    const { entities } = readDxf(itemDxf(shape));
    const outlines = entities.filter((e) => e.layer === "OUTLINE").map(box);
    expect(outlines).toHaveLength(2);
    [
      [485.775, 244.475],
      [412.75, 244.475],
    ].forEach((want, i) => want.forEach((w, k) => expect(outlines[i]![k]).toBeCloseTo(w, 6)));
    expect(entities.filter((e) => e.layer === "LABEL").map((e) => e.text)).toEqual([
      "A  Side  2 off  485.775 x 244.475 x 19.05 mm",
      "B  End  2 off  412.75 x 244.475 x 19.05 mm",
    ]);
  });

  test("a layer for each kind of cut: the rest is 5/8 high along the whole end, corner rabbets 3/4 wide", () => {
    const { entities, layers } = readDxf(itemDxf(shapeOf({ options: { handholds: "none" } })));
    expect(layers).toEqual(expect.arrayContaining(["OUTLINE", "RABBET", "GROOVE", "HOLE", "LABEL"]));
    const rabbets = entities
      .filter((e) => e.layer === "RABBET")
      .map((e) => box(e).map((v) => Math.round(v * 1000) / 1000));
    expect(rabbets).toEqual([
      [19.05, 244.475],
      [19.05, 244.475],
      [412.75, 15.875],
    ]);
  });

  test("fingers are in the outline: 13 rows of a deep body give the side 7 fingers an end, 28 corners each", () => {
    const { entities } = readDxf(itemDxf(shapeOf({ options: { joint: "finger", handholds: "none" } })));
    const side = entities.find((e) => e.layer === "OUTLINE")!;
    // Six notches of four corners at each end, and the four corners of the board.
    expect(side.vertices).toHaveLength(2 * 6 * 4 + 4);
  });

  test("holes are circles of their diameter where they belong", () => {
    const shape = shapeOf({ item: "divided-body", options: { handholds: "none" } });
    const circles = readDxf(itemDxf(shape)).entities.filter((e) => e.type === "CIRCLE");
    expect(circles.map((c) => c.radius)).toEqual([12.7, 12.7]);
    // Side: 2 + t from the outside corner, less what the rabbet takes: 2 3/8 from the part's end.
    expect(circles[0]!.center!.x).toBeCloseTo(2.375 * 25.4, 6);
  });

  test("a skin's fold lines lie on a layer of their own, a fold from each edge", () => {
    const { entities } = readDxf(itemDxf(shapeOf({ item: "cover-telescoping" })));
    const folds = entities.filter((e) => e.layer === "FOLD" && e.type === "LINE");
    const runs = folds.map((e) =>
      Math.hypot(e.vertices![1]!.x - e.vertices![0]!.x, e.vertices![1]!.y - e.vertices![0]!.y),
    );
    expect(runs.map((r) => Math.round(r * 10) / 10).sort()).toEqual([498.5, 498.5, 590.6, 590.6]);
  });

  test("every item in every standard it is made for is listed, drawn and read back", () => {
    const ids = [...new Set(RECIPES.map((r) => r.id))];
    for (const standard of STANDARDS)
      for (const item of ids) {
        const { lines, faults } = work({ item, standard: standard.id, size: standard.defaultSize });
        const shape = lines[0]?.shape;
        if (!shape) {
          // Some items are made for some standards only: nothing else keeps one from being drawn.
          expect(faults[0]!.message).toMatch(/ is made for | gives no /);
          continue;
        }
        expect(readDxf(itemDxf(shape)).entities.filter((e) => e.layer === "LABEL")).toHaveLength(shape.parts.length);
        expect(new XMLParser().parse(itemSvg(shape))).toHaveProperty("svg");
        const line = { item, standard: standard.id, size: standard.defaultSize, quantity: 2, options: {} };
        const worked = workJob({ ...emptyJob("x", "mm"), lines: [line] });
        expect(cutList(worked.lines).map((c) => c.part.name)).toEqual(shape.parts.map((p) => p.name));
        expect(storyStick(worked.lines, 0).marks.length).toBeGreaterThan(0);
      }
  });

  test("every item id of the job file's contract ships", () => {
    const contract =
      "body nuc divided-body long-body joined-body square-box top-bar-trough cabinet-storey frame half-frame extra-deep-frame no-ear-frame closed-top-frame pi-frame top-bar floor-solid floor-screened floor-underfloor floor-four-way entrance-block inner-cover inner-cover-four-way cover-telescoping cover-flat roof-deep roof-gable quilt-box feed-rim feed-rim-inner-board feeder-trough feeder-frame excluder slatted-rack follower stand pallet robbing-screen escape-board insulated-jacket inspection-cover transfer-clip"; // prettier-ignore
    expect(contract.split(" ").filter((id) => !RECIPES.some((r) => r.id === id))).toEqual([]);
  });
});

describe("SVG", () => {
  interface Svg {
    svg: {
      width: string;
      height: string;
      viewBox: string;
      title: string;
      g: { g: { id: string; path: { "data-layer": string; d: string }[] | { "data-layer": string; d: string } }[] };
    };
  }
  const read = (text: string) =>
    (new XMLParser({ ignoreAttributes: false, attributeNamePrefix: "" }).parse(text) as Svg).svg;

  test("is well-formed, true to size in mm, a group a part, a path a layer", () => {
    const svg = read(itemSvg(shapeOf({ options: { handholds: "none" } })));
    expect([svg.width, svg.viewBox.split(" ")[2]]).toEqual(["505.775mm", "505.775"]);
    expect(svg.g.g.map((g) => g.id)).toEqual(["side", "end"]);
    const paths = svg.g.g[1]!.path as { "data-layer": string; d: string }[];
    expect(paths.map((p) => p["data-layer"])).toEqual(["OUTLINE", "RABBET", "RABBET", "RABBET"]);
    expect(paths[3]!.d).toBe("M0 0L412.75 0L412.75 15.875L0 15.875Z");
  });
});

describe("the story stick on paper", () => {
  test("carries every measure of the line once, in order, with all its names", () => {
    const stick = storyStick(work({}).lines, 0);
    expect(stick.marks.map((m) => m.at)).toEqual(stick.marks.map((m) => m.at).sort((a, b) => a - b));
    expect(stick.marks.find((m) => m.at === inch(9, 5, 8))!.label).toBe("lower edge; side, width; end, width");
    expect(stick.length).toBe(inch(19, 1, 8));
  });

  test("pages overlap and together cover it all", () => {
    const pages = stickPages(mm(900), roomOn("A4"));
    expect(pages[0]!.from).toBe(0);
    expect(pages.at(-1)!.to).toBe(mm(900));
    pages.slice(1).forEach((p, i) => expect(pages[i]!.to - p.from).toBe(mm(10)));
    expect(stickPages(mm(100), roomOn("Letter"))).toEqual([{ from: 0, to: mm(100) }]);
  });

  test.each([
    ["in", "Letter", 612, 792, 288],
    ["mm", "A4", 595.28, 841.89, 283.46],
  ] as const)(
    "in %s on %s: read back, the check length and the marks measure true",
    async (units, paper, width, height, check) => {
      const stick = storyStick(work({}).lines, 0);
      const pdf = await stickPdf(stick, units, paper, "Heath estate");
      const { getDocument, OPS } = await import("pdfjs-dist/legacy/build/pdf.mjs");
      const doc = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: true, verbosity: 0 }).promise;
      expect(doc.numPages).toBe(stickPages(stick.length, roomOn(paper)).length);
      const page = await doc.getPage(1);
      const [, , w, h] = page.view as [number, number, number, number];
      expect([w, h].map((v) => Math.round(v * 10))).toEqual([width, height].map((v) => Math.round(v * 10)));
      const { fnArray, argsArray } = await page.getOperatorList();
      // Every stroked straight line: its two ends in PDF points, from the path's own numbers.
      const lines = fnArray.flatMap((fn: number, i: number) => {
        if (fn !== OPS.constructPath) return [];
        const numbers = Array.from((argsArray[i] as [number, [Float32Array], Float32Array])[1][0] ?? []);
        return numbers.length === 6 ? [[numbers[1]!, numbers[2]!, numbers[4]!, numbers[5]!]] : [];
      });
      const lengths = lines.map(([x0, y0, x1, y1]) => Math.hypot(x1! - x0!, y1! - y0!));
      expect(lengths.some((l) => Math.abs(l - check) < 0.01)).toBe(true);
      // The rest's mark stands 5/8" = 45 pt below the top of the stick.
      const tops = lines.filter(([x0, , x1]) => Math.abs(x1! - x0!) > 60 && Math.abs(x1! - x0!) < 70).map((l) => l[1]!);
      const fromTop = tops.map((y) => Math.abs(y - tops[0]!)).sort((a, b) => a - b);
      expect(fromTop.some((d) => Math.abs(d - (45 - 18)) < 0.01)).toBe(true);
    },
  );
});

describe("layouts in files", () => {
  const size = { length: inch(96), width: inch(11, 1, 4) };
  const ask = request(
    [
      blank("0/side", inch(19, 1, 8), inch(9, 5, 8), 5),
      blank("0/cleat", inch(6), inch(1, 1, 2), 9, { name: "=Cleat" }),
    ],
    [board({ ...size, available: 1, source: "yard", price: 0, bad: [[inch(50), inch(54)]] }), board(size)],
  );
  const result = layOut(ask, () => 0);
  const all = allLayouts(result).map(({ layout }) => layout);

  test("DXF, read back by an independent parser: every piece at its size on its board, the bad stretch apart", () => {
    const { entities } = readDxf(layoutDxf(result));
    const sizes = (layer: string) => entities.filter((e) => e.layer === layer && e.vertices).map(box);
    expect(sizes("BOARD")).toHaveLength(all.length);
    expect(sizes("BAD")[0]![0]).toBeCloseTo(101.6, 6);
    const sides = sizes("PIECE").filter(([l]) => Math.abs(l! - 485.775) < 1e-6);
    expect(sides.length).toBe(
      all.reduce((n, l) => n + piecesOf(l).filter((p) => pieceKey(p.of) === "0/side").length, 0),
    );
  });

  test("SVG is well formed, in mm; the table reads back with every cut and piece, and no cell is a formula", () => {
    const svg = new XMLParser({ ignoreAttributes: false }).parse(layoutSvg(result, "Heath & moor")) as {
      svg: Record<string, unknown>;
    };
    expect(svg.svg["@_width"]).toBe("2438.4mm");
    const rows = Papa.parse<Record<string, string>>(layoutCsv(result), { header: true, skipEmptyLines: true });
    expect(rows.errors).toEqual([]);
    const pieces = rows.data.filter((r) => r.row === "piece");
    expect(pieces).toHaveLength(all.reduce((n, l) => n + piecesOf(l).length, 0));
    expect(pieces.every((r) => !r.what!.startsWith("="))).toBe(true);
    expect(rows.data.filter((r) => r.what === "out")).toHaveLength(1);
  });

  test("names that would be markup, records of a drawing or formulas of a table are text, in each of them", () => {
    const nasty = '=1+1<script>"\n  0\nLINE\u0000\u2028end';
    const named = { ...result, request: { ...result.request, blanks: result.request.blanks.map((b) => ({ ...b, name: nasty })), stock: result.request.stock.map((s) => ({ ...s, material: nasty })) } }; // prettier-ignore
    const plain = readDxf(layoutDxf(result)).entities.length;
    expect(readDxf(layoutDxf(named)).entities).toHaveLength(plain);
    const svg = layoutSvg(named, nasty);
    for (const bad of ["<script", "\u0000", "\u2028"]) expect(svg).not.toContain(bad);
    expect(new XMLParser({ ignoreAttributes: false }).parse(svg)).toMatchObject({ svg: { title: expect.stringContaining("LINE end") } }); // prettier-ignore
    const cells = Papa.parse<Record<string, string>>(layoutCsv(named), { header: true }).data.flatMap(Object.values);
    expect(cells.filter((c) => /^[=+@]/.test(c))).toEqual([]);
  });
});
