import Papa from "papaparse";
import { expect, type Page, serious, test } from "./page";

/** The demo's largest job, at Buy, when its order stands. */
async function atBuy(page: Page): Promise<string> {
  await page.goto("/");
  await page.getByRole("link", { name: "Spring bodies", exact: true }).first().click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Spring bodies");
  const job = /jobs\/\d+/.exec(page.url())![0];
  await page.goto(`/${job}/buy`);
  await expect(page.getByRole("region", { name: "Cost of a piece" })).toBeVisible({ timeout: 60_000 });
  return job;
}
const money = (text: string) => Number(text.replace(/[^\d.]/g, ""));

test("what a body costs adds up from what the page shows; a price asked for is set against it", async ({ page }) => {
  await atBuy(page);
  const cost = page.getByRole("region", { name: "Cost of a piece" });
  await cost.getByText("where it goes").first().click();
  // All at one moment: while other jobs are worked out what is bought for this one may change.
  const { rows, all } = await cost.evaluate((of) => ({
    rows: [...of.querySelector("table")!.rows].map((r) => r.innerText),
    all: (of as HTMLElement).innerText,
  }));
  const parts = rows.map((r) => money(/(£[\d,.]+) for 40/.exec(r)![1]!));
  const said = /(£[\d,.]+) for 40; a piece is rounded/.exec(all)![1]!;
  expect(parts.length).toBeGreaterThan(3);
  expect(parts.reduce((s, p) => s + p, 0)).toBeCloseTo(money(said), 2);
  const buying = page.getByRole("region", { name: "Make or buy" });
  const asked = buying.getByLabel("Asked for one: ready made");
  await asked.fill("90");
  await asked.press("Enter");
  await expect(buying.getByText("Make them")).toBeVisible();
  await asked.fill("9");
  await asked.press("Enter");
  await expect(buying.getByText(/Cheaper bought ready made/)).toBeVisible();
});

test("a quote from the order to the paper: the margin is on the cost, the table adds up to what is to pay, and it is accepted", async ({
  page,
  request,
}) => {
  const job = await atBuy(page);
  await page.getByRole("link", { name: "Quote it" }).click();
  await page.getByLabel("Margin on what it costs, %").fill("30");
  await page.getByLabel("Margin on what it costs, %").press("Enter");
  await page.getByLabel("Valid until").fill("2027-03-01");
  const own = page.getByLabel("Asked for one: Frame, deep, line 3");
  await own.fill("7.50");
  await own.press("Enter");
  await page.getByRole("button", { name: "Give this quote" }).click();
  const given = page.getByRole("region", { name: "Quotes given" });
  await expect(given.getByRole("link", { name: "PDF" })).toBeVisible();
  await expect(page.getByText("keeping …")).toBeHidden();
  const csv = await (await request.get(`/api/${job}/quote/quote-1.csv`)).text();
  const rows = Papa.parse<string[]>(csv.trim()).data.slice(1);
  const sum = rows
    .slice(0, 3)
    .reduce((s, [quantity, , each]) => s + Math.round(Number(quantity) * Number(each) * 100), 0);
  expect(rows[2]).toEqual(["400", "Frame, deep", "7.5", "3000"]);
  // A fifth of it is tax.
  expect(Math.round(Number(rows[5]![3]) * 100)).toBe(sum + Math.round(sum * 0.2));
  await expect(
    given.getByText(`£${Number(rows[5]![3]).toLocaleString("en-GB", { minimumFractionDigits: 2 })}`),
  ).toBeVisible();
  const pdf = await request.get(`/api/${job}/quote/quote-1.pdf`);
  expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, "%PDF-"]);
  expect((await request.get(`/api/${job}/quote/quote-2.pdf`)).status()).toBe(404);
  await given.getByRole("button", { name: "it was accepted" }).click();
  await expect(given.getByText(/before tax was quoted, it costs/)).toBeVisible();
  expect(await serious(page)).toEqual([]);
});

test("other woods are laid out and set beside the job as it is; one is used and taken back", async ({ page }) => {
  await atBuy(page);
  const instead = page.getByRole("region", { name: "Something else instead" });
  await instead.getByRole("button", { name: "Set other woods and boards side by side" }).click();
  const rows = instead.getByRole("row");
  await expect(rows.filter({ hasText: "as it is" })).toContainText("fits", { timeout: 60_000 });
  const larch = rows.filter({ hasText: /^larch/ });
  const [asIs, other] = await Promise.all([rows.filter({ hasText: "as it is" }).innerText(), larch.innerText()]);
  // The difference is what the two costs differ by, and larch is the heavier wood.
  const costs = [asIs, other].map((t) => money(/£[\d,]+\.\d\d/.exec(t)![0]));
  const said = /([+−])£([\d,]+\.\d\d)/.exec(other)!;
  expect(costs[1]! - costs[0]!).toBeCloseTo(money(said[2]!) * (said[1] === "+" ? 1 : -1), 2);
  const kg = (text: string) => Number(/(\d+) kg/.exec(text)![1]);
  expect(kg(other)).toBeGreaterThan(kg(asIs) * 1.2);
  await larch.getByRole("button", { name: "Use larch" }).click();
  await page.keyboard.press("1");
  await expect(page.getByLabel(/wood/i).first()).toHaveValue("larch");
  await page.keyboard.press("z");
  await expect(page.getByLabel(/wood/i).first()).not.toHaveValue("larch");
});
