import Papa from "papaparse";
import { SUPPLIERS_PORT } from "../playwright.config";
import { expect, type Page, serious, test } from "./page";

const TIMBER = "saltmarsh-timber";
/** What happens at a made-up supplier: days pass, the next answer goes wrong. */
const happens = (page: Page, said: Record<string, string>) =>
  page.request.post(`http://127.0.0.1:${SUPPLIERS_PORT}/stand-in`, { form: said, maxRedirects: 0 });

test("a job's wood is ordered through a line that goes dead, comes in two parts, and lies in the yard kept for it", async ({
  page,
}) => {
  await page.goto("/orders");
  const toOrder = page.getByRole("region", { name: "To order" });
  await expect(toOrder.getByText(/being worked out/)).toBeHidden({ timeout: 120_000 });
  for (const other of ["Mating hives from the rough pile", "Wintering sets", "Mixed standards", "Shallow boxes and frames"]) await toOrder.getByLabel(other).uncheck(); // prettier-ignore
  const order = toOrder.getByRole("region", { name: "Saltmarsh timber yard" });
  await expect(order.getByRole("heading", { name: /^Order \d things from Saltmarsh timber yard by/ })).toBeVisible();
  await expect(order.getByText("Wintering sets")).toHaveCount(0);
  await order.getByRole("button", { name: /Draw it up/ }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^Order \d+ to Saltmarsh timber yard$/);
  const id = /orders\/(\d+)/.exec(page.url())![1]!;

  // What is printed adds up by another library, and is what the page says.
  const csv = await (await page.request.get(`/api/orders/${id}/file/order.csv`)).text();
  const rows = Papa.parse<string[]>(csv.trim()).data.slice(1);
  const cents = (text: string) => Math.round(Number(text) * 100);
  const goods = rows.slice(0, -2).reduce((s, [packs, , each]) => s + Number(packs) * cents(each!), 0);
  expect(goods + cents(rows.at(-2)![3]!)).toBe(cents(rows.at(-1)![3]!));
  const total = Number(rows.at(-1)![3]).toLocaleString("en-GB", { minimumFractionDigits: 2 });
  await expect(page.getByRole("row", { name: /together/ })).toContainText(`£${total}`);

  // The line goes dead after the supplier has taken it: sent again, it is the same order.
  await happens(page, { at: TIMBER, fault: "dies after" });
  await page.getByRole("button", { name: "Send it to Saltmarsh timber yard" }).click();
  await expect(page.getByRole("status")).toHaveText(/sent, but not acknowledged: it cannot be reached, or hung up/);
  await page.getByRole("button", { name: "Send it again" }).click();
  await expect(page.getByRole("status")).toHaveText(/^acknowledged, here/);
  expect(await serious(page)).toEqual([]); // prettier-ignore

  // It comes in two parts; the second is booked in with one press too.
  await happens(page, { at: TIMBER, days: "30" });
  await page.getByRole("button", { name: "Ask how it stands" }).click();
  await page.getByRole("button", { name: /^Book in .+\/1: \d+ packs?/ }).click();
  await expect(page.getByRole("status")).toHaveText(/the next part is on its way/);
  await page.getByRole("button", { name: /^Book in .+\/2: \d+ packs?/ }).click();
  await expect(page.getByRole("status")).toHaveText("all here");
  await page.goto("/yard");
  await expect(
    page
      .getByRole("row", { name: /pine/ })
      .filter({ hasText: /kept for 1 job/ })
      .first(),
  ).toBeVisible();
});

test("a supplier that is asked in vain, one that cannot be, and prices that changed are said; an order by hand is put off", async ({
  page,
}) => {
  await page.goto("/orders");
  const suppliers = page.getByRole("region", { name: "Suppliers" });
  await expect(suppliers.getByText(/dearer by 6 % foundation, plastic/)).toBeVisible();
  await suppliers.getByText(/dearer by 6 %/).click();
  await expect(suppliers.getByText("the catalogue, pack of 50")).toBeVisible();
  await happens(page, { at: "quay-fixings", fault: "fails" });
  const quay = suppliers.getByRole("listitem").filter({ hasText: "Quay fixings" });
  await quay.getByRole("button", { name: "ask for prices" }).click();
  await expect(quay.getByText("asked in vain: it answered with an error (500)")).toBeVisible();
  await suppliers.getByLabel("Address a supplier answers at").fill("timber down the road");
  await suppliers.getByRole("button", { name: "Ask it" }).click();
  await expect(suppliers.getByRole("alert")).toHaveText(/address: read “timber down the road”; wanted one like/);
  const byHand = page.getByRole("region", { name: "By hand" });
  await byHand.getByRole("button", { name: /Draw it up/ }).click();
  await page.getByLabel("put it off until").fill("2030-01-07");
  await expect(page.getByRole("status")).toHaveText("put off until Mon 7 Jan");
  await page.getByRole("button", { name: "take it up again" }).click();
  await page.getByRole("button", { name: "I have sent it" }).click();
  await page.getByRole("button", { name: "It came: book it in" }).click();
  await page.getByRole("button", { name: /^Book in \d+ packs?$/ }).click();
  await expect(page.getByRole("status")).toHaveText("all here");
  await page.getByRole("button", { name: /^undo/ }).click();
  await expect(page.getByRole("status")).toHaveText(/^sent by hand/);
});
