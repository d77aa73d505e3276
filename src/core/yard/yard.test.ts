import { inch, mm } from "@/core/length/length";
import { readSaid } from "./said";
import { offersOf, readPriced } from "./priced";
import { lotsOf, offersTable, readTable, tableOf } from "./table";
import { lotText } from "./lot";

const said = (line: string, units: "in" | "mm" = "in") => {
  const read = readSaid(line, units);
  return "problem" in read ? read.problem : `${read.count} ${lotText(read.lot, units)}${read.lot.place ? ` @ ${read.lot.place}` : ""}`; // prettier-ignore
};

// Worked by hand: feet are twelve inches, a metre a thousand millimetres.
test.each([
  ["6 pine 1 x 8 1/4 x 110 rough, bad 30-42", "6 pine, rough, 1 × 8 1/4 × 110, bad 30–42"],
  ["pine 3/4x11 1/4x8'", "1 pine, 3/4 × 11 1/4 × 96"],
  ["5 pine 7/8 × 9 × 8' 2 1/2\" rough at the lean-to", "5 pine, rough, 7/8 × 9 × 98 1/2 @ the lean-to"],
  ["2 sheets of ply 3/8 x 48 x 96 at rack 2", "2 ply sheet, 3/8 × 48 × 96 @ rack 2"],
  ["1 roll mesh 1/32 by 36 by 50 ft", "1 mesh roll, 1/32 × 36 × 600"],
  ["12 western red cedar 1 x 10 x 96 offcut, bad 3 to 4 1/2, 60-66", "12 western red cedar, offcut, 1 × 10 × 96, bad 3–4 1/2, 60–66"], // prettier-ignore
  ["480 exterior screw, no. 8 × 2", "480 exterior screw, no. 8 × 2"],
  ["3 packs of 200 staples", "600 staples"],
  ["1.5 kg waterproof wood glue", "1500 waterproof wood glue"],
])("a line as a maker writes it: %s", (line, as) => expect(said(line)).toBe(as));

test("a metric unit at the length holds for the sizes before it", () => {
  const read = readSaid("4 spruce 20 x 245 x 2,4 m", "in");
  expect(read).toMatchObject({ count: 4, lot: { thickness: mm(20), width: mm(245), length: mm(2400) } });
  expect(said("4 spruce 20 x 245 x 2400", "mm")).toBe("4 spruce, 20 × 245 × 2400");
});

test.each([
  ["pine 1 x 8", /wanted a line like/],
  ["1 x 8 x 110", /of what wood/],
  ["pine 1 x 8 x 110 knotty", /read “knotty” after the sizes/],
  ["pine 1 x 8 x 110 bad 130-142", /bad: read “130-142”/],
  ["pine 0 x 8 x 110", /thickness: .*more than nothing/],
  ["pine 1 x 8/ x 110", /width: .*lower number/],
])("what cannot be read says where and what would be right: %s", (line, why) => expect(said(line)).toMatch(why)); // prettier-ignore

test("a table with headings in any order, their units, decimal commas, feet, blank rows; what is wrong in one row takes no other", () => {
  const { rows, columns } = readTable(
    [
      ["Species", "Length (m)", "Qty", "T (mm)", "Width mm", "Rough", "Note"],
      ["pine", "2,4", "3", "20", "245", "x", "dry"],
      ["", "", "", "", "", "", ""],
      ["pine", "8' 2\"", "2", '3/4"', "245", "", ""],
      ["pine", "2.4", "three", "20", "245", "", ""],
      ["pine", "2.4", "1", "20", "", "", ""],
    ],
    "in",
  );
  expect(columns).toEqual(["what", "length", "count", "thickness", "width", "rough", undefined]);
  expect(rows.map((r) => ("problem" in r ? `${r.at}: ${r.problem}` : r.count))).toEqual([
    3, 2, "5: how many: read “three”, wanted a whole number", "6: width: nothing there",
  ]); // prettier-ignore
  expect(rows[1]).toMatchObject({ lot: { thickness: inch(0, 3, 4), width: mm(245), length: inch(98) } });
});

test("without headings how many comes first; a column of lines is read line by line", () => {
  expect(lotsOf(readTable([["3", "pine", "1", "8 1/4", "96", "x", "lean-to"]], "in"))).toMatchObject([{ count: 3, lot: { width: inch(8, 1, 4), place: "lean-to" } }]); // prettier-ignore
  expect(lotsOf(readTable([["6 pine 1 x 8 x 96"], [""], ["480 frame nail"]], "in")).map((l) => l.count)).toEqual([6, 480]); // prettier-ignore
});

test.each(["in", "mm"] as const)("the yard written as a table is read back as it was, in %s", (units) => {
  const lines = ["3 pine 19 x 245 x 2400 mm rough, bad 30-42 at rack 2", "1 roll mesh 0.9 x 914.4 x 15240 mm", "480 frame nail"]; // prettier-ignore
  const lots = lotsOf(readTable(lines.map((l) => [l]), "in")); // prettier-ignore
  expect(lots.length).toBe(3);
  const table = tableOf(lots.map(({ lot, count }) => ({ lot, there: count })), units); // prettier-ignore
  expect(lotsOf(readTable(table, units))).toEqual(lots);
});

test.each(["in", "mm"] as const)(
  "a price list is read with its prices, unknown ones too, and written as one that reads back the same, in %s",
  (units) => {
    const list = [
      ["Item", "T", "W", "L", "Pack", "Price (EUR)"],
      ["pine", '3/4"', '11 1/4"', "8'", "", "14,20"],
      ["sheet ply", "9 mm", "1220 mm", "2440 mm", "", ""],
      ["frame nail", "", "", "", "200", "€ 6.50"],
      ["pine", '3/4"', '9 1/4"', "8'", "", "cheap"],
    ];
    const read = readTable(list, units);
    expect(read.rows.flatMap((r) => ("problem" in r ? [`${r.at}: ${r.problem}`] : []))).toEqual(["5: price: read “cheap”, wanted an amount like 14.20, or nothing where it is unknown"]); // prettier-ignore
    const offers = offersOf(read);
    expect(offers).toEqual([
    { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96), price: 14.2 },
    { form: "sheet", material: "ply", thickness: mm(9), width: mm(1220), length: mm(2440), price: null },
    { form: "pack", material: "frame nail", pack: 200, price: 6.5 },
  ]); // prettier-ignore
    expect(offersOf(readTable(offersTable(offers, units), units))).toEqual(offers);
    expect(offersOf(readTable([["pine 3/4 x 9 1/4 x 96, £12.50 each"], ["200 staples"]], "in", readPriced)).map((o) => o.price)).toEqual([12.5, null]); // prettier-ignore
  },
);
