import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";

test("a box comes back with a rotten corner and a broken rest: found by half a mark, measured, mended to fit, counted", async ({
  page,
}) => {
  // Six of what a job made are marked.
  await page.goto("/book");
  await page.getByLabel("Which job").selectOption({ label: "Spring bodies" });
  await page.waitForURL(/job=\d+/);
  await page.getByLabel("Code of the shop").fill("zq");
  await page.getByLabel("made on").fill("2021-02-03");
  const many = page.getByLabel(/^How many: Body, deep/).first();
  await many.fill("6");
  await many.press("Enter");
  await page.getByRole("button", { name: "6 marks" }).click();
  await expect(page.getByRole("status")).toHaveText(/^Burn in ZQ-21-\d{4} to ZQ-21-\d{4}\.$/);

  // One goes out, and comes back years later with half its mark.
  await page.getByLabel("Find a piece").fill("ZQ-2?-000?");
  await expect(page.getByRole("list", { name: "Found" }).getByRole("listitem")).not.toHaveCount(0);
  await page.getByLabel("Find a piece").fill("?Q-21-0004");
  await page.getByRole("link", { name: /ZQ-21-0004/ }).click();
  const tell = page.getByRole("region", { name: "What happens to it" });
  await tell.getByRole("button", { name: "Goes out" }).click();
  await tell.getByLabel("to whom or where").fill("Moor stand");
  await tell.getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Out to Moor stand", { exact: true })).toBeVisible();
  await tell.getByRole("button", { name: "Comes back" }).click();
  await tell.getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Here", { exact: true })).toBeVisible();
  await tell.getByRole("button", { name: "Inspected" }).click();
  await tell.getByLabel("corner rotten").check();
  await tell.getByLabel("rest broken").check();
  await tell.getByRole("button", { name: "Write it down" }).click();

  // Measured: it has shrunk; what is cut fits it as it is.
  const mend = page.getByRole("region", { name: "How it is mended" });
  await expect(mend.getByRole("row", { name: /^new end/ })).toContainText("16 1/4 × 9 5/8 × 3/4");
  await mend.getByLabel("depth", { exact: true }).fill("9 1/2");
  await mend.getByLabel("depth", { exact: true }).press("Enter");
  await mend.getByLabel("outside width").fill("16 3/8");
  await mend.getByLabel("outside width").press("Enter");
  await expect(mend.getByRole("row", { name: /^new end/ })).toContainText("16 3/8 × 9 1/2 × 3/4");
  await expect(mend.getByRole("row", { name: /^lip strip/ })).toContainText("14 3/4 × 5/8 × 3/8");
  await expect(mend.getByText(/local rules and licensed practice/).first()).toBeVisible();
  await expect(
    mend.getByText(/corner rotten 40 \+ rest broken 20 = 60 min.*; a new one \d+ min.*: (not )?worth it/),
  ).toBeVisible();
  await mend.getByRole("button", { name: "It is mended" }).click();
  await expect(mend).toBeHidden();
  await expect(page.getByText(/1 repair/)).toBeVisible();
  await expect(page.getByText(/repaired: corner rotten, rest broken; new end 16 3\/8 × 9 1\/2 × 3\/4, lip strip/)).toBeVisible(); // prettier-ignore
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === "serious" || v.impact === "critical").map((v) => `${v.id} ${v.nodes[0]?.html}`)).toEqual([]); // prettier-ignore

  // What it is known by finds it, in the Book's count too.
  await page.goto("/book");
  await page.getByLabel("Find a piece").fill("new end rest");
  await expect(page.getByRole("link", { name: /ZQ-21-0004/ })).toBeVisible();
  await expect(page.getByRole("region", { name: "How long things last" }).getByText(/6 pieces|pieces/).first()).toBeVisible(); // prettier-ignore
});
