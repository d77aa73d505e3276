import * as XLSX from "@e965/xlsx";
import { EMPTY_PORT } from "../playwright.config";
import { expect, type Page, serious, test } from "./page";

test.use({ baseURL: `http://127.0.0.1:${EMPTY_PORT}` });
test.describe.configure({ mode: "serial" });

/** Counts what a person does: each thing typed, pressed or pasted. */
function hand(page: Page) {
  let acts = 0;
  return {
    get acts() {
      return acts;
    },
    type: async (label: string, text: string) => {
      acts++;
      await page.getByLabel(label).fill(text);
    },
    press: async (name: RegExp | string) => {
      acts++;
      await page.getByRole("button", { name }).first().click();
    },
    turn: async (name: RegExp) => {
      acts++;
      await page.getByRole("link", { name }).click();
    },
    paste: async (label: RegExp, text: string) => {
      acts++;
      await page.getByLabel(label).focus();
      await page.evaluate((said) => {
        const data = new DataTransfer();
        data.setData("text", said);
        document.activeElement!.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true })); // prettier-ignore
      }, text);
    },
  };
}

test("from nothing to a cut list and a layout for ten deep bodies, within six acts", async ({ page }) => {
  await page.goto("/");
  const me = hand(page);
  await expect(page.getByLabel("What do you want to make")).toBeFocused();
  await me.type("What do you want to make", "10 deep bodies");
  await me.press("Start the job");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("10 deep bodies");
  // Published outside length of a ten-frame box, held inside, rabbeted: 19 1/8 sides.
  await expect(page.getByRole("button", { name: /^Side, length/ })).toHaveAccessibleName('Side, length: 19 1/8"');
  await me.turn(/Lay out/);
  await me.press(/^Add pine/);
  await expect(page.getByRole("region", { name: "Layouts" })).toContainText(/the least/, { timeout: 60_000 });
  await expect(page.getByRole("button", { name: "choose layout 1" })).toBeVisible();
  expect(me.acts).toBeLessThanOrEqual(6);
});

const PILE = Array.from({ length: 37 }, (_, i) => `1\tpine\t${i % 2 ? "1" : "1 1/8"}\t${8 + (i % 5)} 1/4\t${84 + 2 * i}\tx\tlean-to`); // prettier-ignore

test("an empty yard to 37 rough boards by paste, within three acts; what is wrong in a row is marked and takes no other", async ({
  page,
}) => {
  await page.goto("/yard");
  const me = hand(page);
  await me.paste(/^What came in/, [...PILE, "", "two\tpine\t1\t8\t96\tx\tlean-to"].join("\n"));
  await expect(page.getByText("how many: read “two”, wanted a whole number")).toBeVisible();
  await me.press("Put in 37 boards");
  await expect(page.getByText("37 boards and sheets")).toBeVisible();
  expect(me.acts).toBeLessThanOrEqual(3);
  await expect(page.getByText("keeping …")).toBeHidden();
  await page.reload();
  await expect(page.getByRole("region", { name: "Rough boards" })).toContainText("37 pieces");
});

test("the yard goes out as CSV and as a workbook another library reads, and comes in again as it was", async ({
  page,
  request,
}) => {
  const csv = await (await request.get("/api/yard/file/yard.csv")).text();
  const book = XLSX.read(await (await request.get("/api/yard/file/yard.xlsx")).body());
  const rows = XLSX.utils.sheet_to_json<string[]>(book.Sheets[book.SheetNames[0]!]!, { header: 1 });
  expect(rows.length).toBe(1 + 37);
  expect(rows[0]!.slice(0, 5)).toEqual(["count", "what", "thickness (in)", "width (in)", "length (in)"]);
  expect(csv.trim().split("\r\n").map((l) => l.split(",").length)).toEqual(rows.map(() => 9)); // prettier-ignore
  await page.goto("/yard");
  const file = { name: "pile.xlsx", mimeType: "application/octet-stream", buffer: Buffer.from(XLSX.write(book, { type: "array", bookType: "xlsx" }) as ArrayBuffer) }; // prettier-ignore
  for (const chosen of [file, { name: "pile.csv", mimeType: "text/csv", buffer: Buffer.from(csv) }]) {
    await page.getByLabel("Spreadsheet of stock").setInputFiles(chosen);
    await expect(page.getByText("37 of things the yard has already: their number is set to this")).toBeVisible();
    await page.getByRole("button", { name: "Put in 37 boards" }).click();
    await expect(page.getByText("37 boards and sheets")).toBeVisible();
  }
});

test("a stock-take by keys alone; another screen in the yard follows; what was counted is in the ledger", async ({
  page,
  browser,
}) => {
  const other = await (await browser.newContext({ baseURL: `http://127.0.0.1:${EMPTY_PORT}` })).newPage();
  await other.goto("/yard");
  await page.goto("/yard/count");
  await page.keyboard.press("4");
  await page.keyboard.press("Enter");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Enter");
  await expect(page.getByText("3 of 37, 2 counted, 2 otherwise than the book")).toBeVisible();
  // One was found to be four, one to be two: 37 + 3 + 1.
  await expect(other.getByText("41 boards and sheets")).toBeVisible();
  await other.getByRole("button", { name: /^More of no/ }).first().click(); // prettier-ignore
  await expect(other.getByRole("table", { name: /^Ledger of no/ })).toContainText("there are");
  await page.getByRole("button", { name: /^undo/ }).click();
  await expect(other.getByText("40 boards and sheets")).toBeVisible();
  await other.context().close();
});

test("a job made from the pile: its boards are kept, sawn with the offcuts put in, and taken back; two screens see it", async ({
  page,
  browser,
}) => {
  await page.goto("/");
  await page.getByLabel("What do you want to make").fill("4 medium bodies for the moorland estate");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("4 medium bodies");
  await page.getByRole("link", { name: /Lay out/ }).click();
  await page.getByRole("button", { name: /^Keep \d+ boards? of the yard for this job$/ }).click({ timeout: 60_000 });
  const other = await (await browser.newContext({ baseURL: `http://127.0.0.1:${EMPTY_PORT}` })).newPage();
  await other.goto("/yard");
  await expect(other.getByText(/kept for 1 job/).first()).toBeVisible();
  await page.getByRole("button", { name: "They are sawn" }).click();
  await page.getByLabel("Where offcut 1 lies").fill("rack 2");
  await page.getByRole("button", { name: /boards? (is|are) sawn$/ }).click();
  await expect(page.getByText(/^All \d+ boards are sawn/)).toBeVisible({ timeout: 30_000 });
  await expect(other.getByRole("region", { name: "Offcuts" })).toContainText("pine");
  await expect(other.getByLabel(/^Where no\. \d+ lies$/).last()).toHaveValue("rack 2");
  await page.locator("main").press("z");
  await expect(other.getByRole("region", { name: "Offcuts" })).toHaveCount(0);
  await expect(page.getByRole("button", { name: "They are sawn" })).toBeVisible({ timeout: 30_000 });
  await other.context().close();
});

test("jobs are found, copied, put by, taken away and brought back on the first page; another screen follows", async ({
  page,
  browser,
}) => {
  const other = await (await browser.newContext({ baseURL: `http://127.0.0.1:${EMPTY_PORT}` })).newPage();
  await other.goto("/");
  await page.goto("/");
  const jobs = (p: Page) => p.getByRole("region", { name: "Jobs" }).getByRole("listitem");
  await expect(jobs(other)).toHaveCount(2);
  await page.getByRole("button", { name: "A whole National" }).or(page.getByText("or something that is made often")).first().click(); // prettier-ignore
  await page.getByRole("button", { name: "A whole National" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^1 screened floor with tray, 1 brood body, 11 brood frames and 4 more$/); // prettier-ignore
  await expect(jobs(other)).toHaveCount(3);
  await page.goto("/");
  await page.getByLabel("Find a job").fill("moorland medium");
  await expect(jobs(page)).toHaveCount(1);
  await page.getByRole("button", { name: "Take away 4 medium bodies" }).click();
  await expect(page.getByText("No job is called that.")).toBeVisible();
  await expect(jobs(other)).toHaveCount(2);
  await page.getByRole("status").getByRole("button", { name: "undo" }).click();
  await expect(jobs(page)).toHaveCount(1);
  await page.getByRole("button", { name: "Put by 4 medium bodies" }).click();
  await page.getByRole("link", { name: "1 put by" }).click();
  await page.getByRole("button", { name: "Take up 4 medium bodies" }).click();
  await page.getByRole("link", { name: "the open ones" }).click();
  await expect(jobs(page)).toHaveCount(1);
  await page.getByRole("button", { name: "Start one like 4 medium bodies" }).click();
  await expect(page.getByLabel("Whom it is for")).toHaveValue("Moorland estate");
  await other.context().close();
});

test("the shop's pages on an upright tablet: nothing runs off, axe finds nothing serious, what is touched is 44 px or more", async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.setViewportSize({ width: 800, height: 1280 });
  for (const path of ["/", "/yard", "/yard/count", "/catalogue", "/weigh", "/book", "/shop"]) {
    await page.goto(path);
    expect([path, await serious(page)]).toEqual([path, []]);
    expect([path, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([path, 800]);
    if (!path.startsWith("/yard")) continue;
    const small = await page.locator("main button, main a, main input:not(.sr-only), header button, header a").evaluateAll((all) =>
      all.filter((e) => e.getClientRects().length > 0 && e.getBoundingClientRect().height < 44).map((e) => e.outerHTML.slice(0, 120)),
    ); // prettier-ignore
    expect([path, small]).toEqual([path, []]);
  }
});
