import type { Given } from "@/core/quote/quote";
import { quotePdf, quoteTable } from "./quote";
import { csvOf, xlsxOf } from "./table";
import { fromCsv, fromXlsx, pagesOf } from "./tests/readBack";

const given = (o: Partial<Given> = {}): Given => ({
  on: "2027-02-01",
  until: "2027-03-01",
  terms: "Ready six weeks after the order.\nHalf when ordered.",
  currency: "GBP",
  tax: 20,
  lines: [
    { item: "Body, deep", quantity: 40, each: 3470, cost: 2571 },
    { item: "Frame, deep", quantity: 400, each: 705, cost: 571 },
  ],
  ...o,
});

test("a quote on paper: items, the sum, the tax and what is to pay by hand; nothing of what it costs the shop", async () => {
  const [page, ...more] = await pagesOf(
    await quotePdf(given(), 2, { job: "Spring bodies", customer: "Heath estate" }, "A4"),
  );
  expect(more).toEqual([]);
  // 40 × 34.70 + 400 × 7.05 = 1 388.00 + 2 820.00; a fifth of 4 208.00 is 841.60.
  for (const said of ["Quote, revision 2", "For Heath estate", "Valid until 2027-03-01", "£34.70", "£1,388.00", "£4,208.00", "£841.60", "£5,049.60", "Half when ordered."])
    expect(page).toContain(said); // prettier-ignore
  expect(page).not.toMatch(/25\.71|5\.71/);
});

test("a long quote runs over pages with its heads on each, and a currency without a letter of the page is its code", async () => {
  const lines = Array.from({ length: 120 }, (_, n) => ({ item: `Item ${n + 1}`, quantity: 1, each: 100, cost: 50 }));
  const pages = await pagesOf(
    await quotePdf(given({ lines, currency: "PLN", terms: undefined }), 1, { job: "Ш line\nbreak" }, "Letter"),
  );
  expect(pages.length).toBeGreaterThan(2);
  expect(pages.every((p) => p.includes("quantity"))).toBe(true);
  for (const l of lines) expect(pages.filter((p) => `${p} `.includes(`${l.item} `))).toHaveLength(1);
  expect(pages.at(-1)).toContain("PLN 120.00");
  expect(pages[0]).toContain("? line break");
});

test("as a table, in both kinds of file, the amounts are bare numbers that another library adds up", async () => {
  const table = quoteTable(given());
  for (const rows of [fromCsv(csvOf(table)), fromXlsx(await xlsxOf(table))]) {
    const sum = rows.slice(1, 3).reduce((s, r) => s + Number(r[0]) * Number(r[2]), 0);
    expect([sum, ...rows.slice(3).map((r) => r[3])]).toEqual([4208, "4208", "841.6", "5049.6"]);
  }
});
