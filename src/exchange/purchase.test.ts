import { inch } from "@/core/length/length";
import type { Purchase } from "@/core/purchase/purchase";
import { purchasePdf, purchaseTable, purchaseText } from "./purchase";
import { csvOf, xlsxOf } from "./table";
import { fromCsv, fromXlsx, pagesOf } from "./tests/readBack";

const order: Purchase = {
  seller: 1, name: "Saltmarsh timber yard", currency: "GBP", delivery: 3500, key: "k-77", drawnUp: "2027-02-01T08:00:00.000Z", receipts: [],
  lines: [
    { offer: "p1", thing: { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) }, pack: 1, packs: 50, price: 1280, for: [] },
    { offer: "p2", thing: { form: "pack", material: "exterior screw, no. 8" }, pack: 200, packs: 3, price: 1590, for: [] },
  ],
}; // prettier-ignore
// By hand: 50 × 12.80 = 640, 3 × 15.90 = 47.70, 35 to bring them: 722.70.
const ROWS = [
  ["packs", "what", "each", "amount"],
  ["50", "pine, 3/4 × 11 1/4 × 96", "12.8", "640"],
  ["3", "exterior screw, no. 8, pack of 200", "15.9", "47.7"],
  ["", "delivery", "", "35"],
  ["", "total, GBP", "", "722.7"],
];

test("an order as CSV and as a workbook says the same to other libraries, and adds up", async () => {
  const table = purchaseTable(order, "in");
  expect(fromCsv(csvOf(table))).toEqual(ROWS);
  expect(fromXlsx(await xlsxOf(table))).toEqual(ROWS);
});

test("on paper and as text it says who, what, how many and how much, under its number", async () => {
  const [text] = await pagesOf(await purchasePdf(order, 7, "in", "A4"));
  for (const said of ["Order 7", "To Saltmarsh timber yard", "k-77", "50", "pine, 3/4 × 11 1/4 × 96", "£640.00", "Delivery", "£722.70"]) expect(text).toContain(said); // prettier-ignore
  const plain = purchaseText(order, 7, "in").split("\n");
  expect([plain[0], plain[3], plain.at(-3)]).toEqual([
    "Order 7 to Saltmarsh timber yard, 2027-02-01",
    "50 × pine, 3/4 × 11 1/4 × 96, £12.80 each",
    "Delivery £35.00, together £722.70.",
  ]);
});
