import { expect, serious, test } from "./page";
import { PLAN_PORT } from "../playwright.config";

test.use({ baseURL: `http://127.0.0.1:${PLAN_PORT}` });

test("the shop is planned, a run is moved by a key, what moves is said, and it stands when it is let; the calendar file has it", async ({
  page,
}) => {
  test.slow();
  await page.goto("/plan");
  // What has to be done is worked out behind the page.
  await expect(page.getByRole("button", { name: /^Plan all 5 jobs$/ })).toBeVisible({ timeout: 120_000 });
  await expect(page.getByText(/being worked out/)).toBeHidden({ timeout: 120_000 });
  await page.getByRole("button", { name: "Plan all 5 jobs" }).click();
  await page.getByRole("button", { name: "Let it stand" }).click({ timeout: 60_000 });
  await expect(page.getByText(/done by/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Let it stand" })).toBeHidden();
  await expect(page.getByText(/no plan can/)).toBeVisible();
  const saw = page.getByRole("group", { name: "Table saw" }).getByRole("button");
  await expect(async () => {
    await saw.nth(1).press("Shift+ArrowRight");
    await expect(page.getByText(/operations? moves?,/)).toBeVisible({ timeout: 5000 });
  }).toPass();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Let it stand" })).toBeHidden();
  expect(await serious(page)).toEqual([]);
  const file = await page.request.get("/api/plan/file/plan.ics");
  expect(await file.text()).toContain("BEGIN:VEVENT");
});

test("at the bench counts are on the screen at once, go on without a line and over a reload, and are all kept once", async ({ page, context }) => {
  test.slow();
  await page.goto("/bench");
  await page.getByRole("link", { name: /^Table saw/ }).click();
  await expect(page.getByText(/Set-up 1 of/)).toBeVisible();
  const counted = page.getByTestId("counted");
  await expect(async () => {
    await page.keyboard.press(" ");
    await expect(counted).not.toHaveText("0", { timeout: 500 });
  }).toPass();
  const first = Number(await counted.textContent());
  // From the key to the number on the screen, in the page itself.
  const took = await page.evaluate(async () => {
    const shown = document.querySelector("[data-testid=counted]")!;
    const times: number[] = [];
    for (let i = 0; i < 5; i++) {
      const before = shown.textContent;
      const began = performance.now();
      window.dispatchEvent(new KeyboardEvent("keydown", { key: " " }));
      while (shown.textContent === before) await new Promise((r) => setTimeout(r));
      times.push(performance.now() - began);
    }
    return times.toSorted((a, b) => a - b)[2]!;
  });
  test.info().annotations.push({ type: "figure", description: `a count is on the screen in ${took.toFixed(1)} ms (median of 5)` }); // prettier-ignore
  // So few that the set-up has as many, whichever it is.
  await expect(counted).toHaveText(`${first + 5}`);
  await context.route("**/api/bench", (r) => r.abort());
  for (let i = 0; i < 3; i++) await page.keyboard.press("PageDown");
  await expect(counted).toHaveText(`${first + 8}`);
  await expect(page.getByRole("status")).toContainText(/kept here/);
  await context.unroute("**/api/bench");
  await page.reload();
  await expect(page.getByTestId("counted")).toHaveText(`${first + 8}`);
  await expect(page.getByRole("status")).toBeHidden({ timeout: 20_000 });
  await page.reload();
  await expect(page.getByTestId("counted")).toHaveText(`${first + 8}`);
  expect(await serious(page)).toEqual([]);
}); // prettier-ignore

test("the batch is one print: no page without anything on it, every setting and every label there", async ({
  page,
}) => {
  test.slow();
  await page.goto("/jobs/2/run");
  await page.getByRole("link", { name: "print the batch" }).click();
  await expect(page.getByRole("region", { name: "Set-up list" })).toBeVisible({ timeout: 60_000 });
  const labels = await page.getByRole("region", { name: "Labels" }).getByRole("img").count();
  expect(labels).toBeGreaterThan(5);
  const { getDocument } = await import("pdfjs-dist/legacy/build/pdf.mjs");
  const pdf = await getDocument({ data: new Uint8Array(await page.pdf({ format: "Letter" })), verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => {
      const { items } = await (await pdf.getPage(i + 1)).getTextContent();
      return items.map((t) => ("str" in t ? t.str : "")).join(" ");
    }),
  );
  test.info().annotations.push({ type: "figure", description: `the batch of a small job is ${pages.length} pages` });
  expect(pages.map((text, i) => [i + 1, text.trim().length > 60])).toEqual(pages.map((_, i) => [i + 1, true]));
  expect(pages.join(" ")).toContain("Run sheet");
  // What stands on the screen only, the way back and the button, is not on paper.
  expect(pages.join(" ")).not.toContain("back to the job");
  expect(await serious(page)).toEqual([]);
});

test("the year is held against the season, by region; the choice is kept", async ({ page }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "the year" }).click();
  await expect(page.getByRole("img", { name: /^The year ahead by weeks/ })).toBeVisible();
  const swarms = page.getByText(/^Before swarms and splits/);
  const mild = await swarms.textContent();
  await page.getByLabel("Region").selectOption("cold north");
  await expect(swarms).not.toHaveText(mild!);
  await page.reload();
  await page.getByRole("button", { name: "the year" }).click();
  await expect(page.getByLabel("Region")).toHaveValue("cold north");
  expect(await serious(page)).toEqual([]);
});
