import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";

test("the shop is planned, a run is moved by a key, what moves is said, and it stands when it is let; the calendar file has it", async ({ page }) => {
  test.slow();
  await page.goto("/plan");
  // What has to be done is worked out behind the page.
  await expect(page.getByRole("button", { name: /^Plan all 5 jobs$/ })).toBeVisible({ timeout: 120_000 });
  await page.getByRole("button", { name: "Plan all 5 jobs" }).click();
  await page.getByRole("button", { name: "Let it stand" }).click({ timeout: 60_000 });
  await expect(page.getByText(/All 5 jobs are done by/)).toBeVisible();
  await expect(page.getByText(/no plan can/)).toBeVisible();
  const saw = page.getByRole("group", { name: "Table saw" }).getByRole("button");
  await expect(async () => {
    await saw.nth(1).press("Shift+ArrowRight");
    await expect(page.getByText(/operations? moves?,/)).toBeVisible({ timeout: 5000 });
  }).toPass();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Let it stand" })).toBeHidden();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical")).toEqual([]);
  const file = await page.request.get("/api/plan/file/plan.ics");
  expect(await file.text()).toContain("BEGIN:VEVENT");
  // A day the saw's people are off is a change in the shop: the page asks about what it moves.
  await page.goto("/jobs/1/run");
  await expect(page.getByText("Spring bodies").first()).toBeVisible();
}); // prettier-ignore
