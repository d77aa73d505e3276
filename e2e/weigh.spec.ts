import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";

test("a practitioner's questions are answered from the page alone", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Weigh up" }).click();
  const so = page.getByRole("complementary", { name: "So" });
  await expect(page.getByRole("img", { name: /^4 frames at one scale/ })).toBeVisible();

  // Which frame for cold winters?
  await page.getByRole("button", { name: "for cold winters" }).click();
  await expect(so.getByText("Extra-deep").first()).toBeVisible();
  await expect(so.getByText(/none does worse/).first()).toBeVisible();

  // And which hive for a bad back?
  await page.getByRole("button", { name: "whole hives" }).click();
  await page.getByRole("button", { name: "for a bad back" }).click();
  await expect(so.getByText("Long hive").first()).toBeVisible();
  await expect(so.getByText("no box is lifted: a frame at a time")).toBeVisible();

  // Eight or ten frames? Side by side, and each way.
  await page.getByRole("button", { name: "boxes" }).click();
  await expect(page.getByRole("img", { name: /^Heaviest lift: Deep 80, .*Eight-frame deep 6\d/ })).toBeVisible();
  await page.getByText("Eight or ten frames?").click();
  await expect(page.getByText("a fifth less honey in a box to lift")).toBeVisible();

  // What does leaving an excluder on in winter risk?
  await page.getByText("Leave an excluder on in winter?").click();
  await expect(page.getByText(/the queen stays below, and dies/)).toBeVisible();

  // How much sugar for twenty hives?
  await page.getByLabel("Hives", { exact: true }).fill("20");
  await page.getByLabel("Hives", { exact: true }).press("Enter");
  await expect(page.getByText(/160 kg of sugar and 80 l of water make 181 l/)).toBeVisible();

  // Another is put beside them.
  await page.getByLabel("Put another beside them").fill("warre body");
  await page.getByRole("button", { name: /^Body.*Warré/ }).first().click(); // prettier-ignore
  await expect(page.getByRole("button", { name: /^take Body.* away$/ })).toBeVisible();

  await page.setViewportSize({ width: 800, height: 1280 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(800);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => `${v.id} ${v.nodes[0]?.html}`)).toEqual([]); // prettier-ignore
});
