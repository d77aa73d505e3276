import { expect, serious, test } from "./page";

test("a practitioner's questions are answered from the page alone", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Weigh up" }).click();
  const so = page.getByRole("complementary", { name: "So" });
  await expect(page.getByRole("img", { name: /^5 frames at one scale/ })).toBeVisible();

  // Which frame for cold winters and a bad back? Both are asked to begin with; a deep if the lift alone decides.
  for (const asked of ["for cold winters", "for a bad back"]) await expect(page.getByRole("button", { name: asked })).toHaveAttribute("aria-pressed", "true"); // prettier-ignore
  await expect(so.getByText("Extra-deep").first()).toBeVisible();
  await expect(so.getByText(/Costs: none does worse|Full frame: none does worse/).first()).toBeVisible();
  await expect(so.getByText(/If heaviest lift decides: Deep/)).toBeVisible();

  // And which hive?
  await page.getByRole("button", { name: "whole hives" }).click();
  await expect(so.getByText("Long hive").first()).toBeVisible();
  await expect(so.getByText("no box is lifted: a frame at a time")).toBeVisible();

  // Wax or plastic for 400 frames: parts, minutes, money, and what it does later.
  await page.getByRole("button", { name: "foundations" }).click();
  await expect(page.getByLabel("How many of each")).toHaveValue("400");
  const bought = page.getByRole("group", { name: "Bought for them" });
  await expect(bought.getByText(/400 foundation, plastic/)).toBeVisible();
  await expect(bought.getByText(/400 foundation, wired wax, 1,600 brad, 3\/4, 1,600 support pin/)).toBeVisible();
  await expect(page.getByRole("img", { name: /^To make: Wired wax \d{4}, Plastic \d{4}/ })).toBeVisible();
  await expect(page.getByRole("img", { name: /^Costs: Wired wax \d{4}\.\d\d, Plastic \d{4}\.\d\d/ })).toBeVisible();
  await expect(
    page.getByRole("region", { name: "What each does later" }).getByText("against: ends as waste"),
  ).toBeVisible();
  await page.getByRole("button", { name: /^To make/ }).click();
  await expect(page.getByText(/fit foundation, wedge and pins: 1\.5/).first()).toBeVisible();
  const carried = page.waitForEvent("download");
  await page.getByRole("link", { name: "workbook" }).click();
  expect((await carried).suggestedFilename()).toBe("weighed-up.xlsx");

  // What is lifted over the year, and what to do instead.
  const year = page.getByRole("region", { name: "Over the year" });
  await expect(year.getByText(/^Instead of lifting the body, deep full/)).toBeVisible();

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
  expect(await serious(page)).toEqual([]); // prettier-ignore
});
