import * as XLSX from "@e965/xlsx";
import fc from "fast-check";
import { type Length, mm } from "@/core/length/length";
import { lotsOf, readTable, tableOf } from "@/core/yard/table";
import { type BoardLot, lotSchema } from "@/core/yard/lot";
import { csvOf, xlsxOf } from "./table";
import { fromCsv, fromXlsx } from "./tests/readBack";

test("a name that would be a formula, or break a row, is text in both; numbers are numbers", async () => {
  const table = [["12", "=HYPERLINK(1)", "+1 pine", "two\r\nlines", "@x", 'quo"te, comma', "8 1/4"]];
  const [row] = fromCsv(csvOf(table));
  expect(row!.every((cell) => !/^[=+@\t\r]/.test(cell))).toBe(true);
  expect(row![5]).toBe('quo"te, comma');
  expect(csvOf(table).trim().split("\r\n").length).toBe(1);
  const book = XLSX.read(await xlsxOf(table), { cellFormula: true });
  const sheet = book.Sheets[book.SheetNames[0]!]!;
  const cells = Object.entries(sheet).filter(([at]) => !at.startsWith("!")).map(([, c]) => c as XLSX.CellObject); // prettier-ignore
  expect(cells.some((c) => c.f !== undefined)).toBe(false);
  expect(cells[0]).toMatchObject({ t: "n", v: 12 });
  expect(cells[1]).toMatchObject({ t: "s", v: "=HYPERLINK(1)" });
});

const size = (most: number) => fc.integer({ min: 1, max: most * 64 }).map((n): Length => mm((n * 25.4) / 64));
const words = fc.constantFrom("pine", "western red cedar", "larch", "birch ply", "steel mesh, 8 to the inch");
const anyLot: fc.Arbitrary<BoardLot> = fc
  .record({
    form: fc.constantFrom("board" as const, "sheet" as const, "roll" as const),
    material: words,
    thickness: size(3),
    width: size(48),
    length: size(600),
    rough: fc.boolean(),
    place: fc.option(fc.constantFrom("rack 2", "lean-to", "the loft")),
    bad: fc.boolean(),
  })
  .map(({ rough, place, bad, ...lot }) => ({
    ...lot,
    ...(rough && lot.form === "board" ? { rough: true as const } : {}),
    ...(place ? { place } : {}),
    ...(bad && lot.form === "board" ? { bad: [[mm(0), lot.length] as [Length, Length]] } : {}),
  }));

test.each(["in", "mm"] as const)(
  "any yard goes out and comes in as it was, through either file, in %s",
  async (units) => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ lot: anyLot, there: fc.integer({ min: 1, max: 900 }) }), { minLength: 1, maxLength: 8 }),
        async (lots) => {
          const table = tableOf(lots, units);
          const as = lots.map(({ lot, there }) => ({ lot: lotSchema.parse(lot), count: there }));
          for (const read of [fromCsv(csvOf(table)), fromXlsx(await xlsxOf(table))])
            expect(lotsOf(readTable(read, units))).toEqual(as);
        },
      ),
      { numRuns: 30 },
    );
  },
);
