import { readFileSync } from "node:fs";
import { expect, type Page, serious, test } from "./page";

const POLLINATION = "Mating hives from the rough pile";

async function layOut(page: Page, name = POLLINATION): Promise<void> {
  await page.goto("/");
  await page.getByRole("link", { name, exact: true }).click();
  await expect(page.getByRole("heading", { name, level: 1 })).toBeVisible();
  await page.getByRole("link", { name: /Lay out/ }).click();
  await laid(page);
}
const laid = (page: Page) =>
  expect(page.getByRole("region", { name: "Layouts" })).toContainText(/the least/, { timeout: 60_000 });
const layouts = (page: Page) =>
  page
    .getByRole("region", { name: "Layouts" })
    .getByRole("listitem")
    .filter({ has: page.getByRole("group") });
const bar = (page: Page) => page.getByRole("toolbar", { name: "By hand" });
const undo = async (page: Page) => {
  await page.keyboard.press("z");
  await laid(page);
};

test("a layout is pinned, let go, a board struck out and a bad stretch marked; the rest is laid out around it", async ({
  page,
}) => {
  test.slow();
  await layOut(page);
  await page.getByText("how that is known").click();
  await expect(page.getByText(/^So the least is .*, and that is what this layout costs/).first()).toBeVisible();
  await page.keyboard.press("k");
  await expect(page.getByText("pinned", { exact: true })).toBeVisible({ timeout: 60_000 });
  await laid(page);
  const pinned = layouts(page).filter({ hasText: "pinned" });
  await expect(pinned).toHaveCount(1);
  await pinned.getByRole("button", { name: /choose layout/ }).click();
  await page.keyboard.press("k");
  await expect(page.getByText("pinned", { exact: true })).toHaveCount(0, { timeout: 60_000 });
  await laid(page);

  // From the yard: struck out it is gone from the layouts.
  const yard = () => layouts(page).filter({ hasText: "from the yard" });
  const before = await yard().count();
  await yard()
    .first()
    .getByRole("button", { name: /choose layout/ })
    .click();
  await page.keyboard.press("x");
  await expect(yard()).toHaveCount(before - 1, { timeout: 60_000 });
  await laid(page);
  await undo(page);
  await expect(yard()).toHaveCount(before, { timeout: 60_000 });
  // What was found first may still give way to a better layout, and with it what is chosen.
  await laid(page);

  await yard()
    .last()
    .getByRole("button", { name: /choose layout/ })
    .click();
  await bar(page).getByLabel("Bad stretch from").fill("20");
  await bar(page).getByLabel("Bad stretch from").press("Enter");
  await bar(page).getByLabel("Bad stretch to").fill("23 1/2");
  await bar(page).getByLabel("Bad stretch to").press("Enter");
  await bar(page).getByRole("button", { name: "mark it" }).click();
  await expect(page.locator("title", { hasText: "bad from 20 to 23 1/2" })).toHaveCount(1, { timeout: 60_000 });
  await undo(page);
});

test("two pieces change places by keyboard alone; what cannot be cut is said", async ({ page }) => {
  await layOut(page);
  const piece = (at: number, name: RegExp) => layouts(page).nth(at).getByRole("button", { name }).first();
  const all = await layouts(page).count();
  // A long side for a short end on boards that have both.
  for (let at = 0; at < all; at++) {
    const side = piece(at, /^[A-Z] side .*19/);
    const end = piece(at, /^[A-Z] end .*16/);
    if ((await side.count()) === 0 || (await end.count()) === 0) continue;
    await layouts(page)
      .nth(at)
      .getByRole("button", { name: /choose layout/ })
      .press("Enter");
    await side.press("Enter");
    await expect(bar(page)).toContainText("is picked up");
    await end.press("Enter");
    await expect(page.getByText("pinned", { exact: true }).or(page.getByText(/cannot be cut so/))).toBeVisible({
      timeout: 60_000,
    });
    await expect(bar(page)).not.toContainText("is picked up");
    await laid(page);
    return;
  }
  throw new Error("no board has a side and an end");
});

test("a long search shows what is best so far, to buy and saw by, and can be told that it will do", async ({
  page,
  request,
}) => {
  const file = JSON.parse(readFileSync("demo/5-wintering.json", "utf8")) as {
    name: string;
    lines: { quantity: number }[];
  };
  const lines = file.lines.map((l, i) => ({ ...l, quantity: 2 * l.quantity + 3 * i + 7 }));
  const { id } = (await (
    await request.post("/api/jobs", { data: { ...file, name: "Long search", lines } })
  ).json()) as { id: number };
  await page.goto(`/jobs/${id}/lay-out`);
  await expect(page.getByText("so far; looking for a cheaper layout")).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole("link", { name: /Buy/ })).toContainText(/to buy|without a price/);
  await page.getByRole("button", { name: "this will do" }).click();
  await expect(page.getByText("Stopped early.")).toBeVisible({ timeout: 30_000 });
});

test("boards, money and the day move while a quantity is typed, and nothing flickers", async ({ page }) => {
  await page.goto("/jobs/1/ask");
  const tab = (name: string) => page.getByRole("navigation", { name: "Stations" }).getByRole("link", { name });
  await expect(tab("Run")).toContainText(/ready .* \w+$/, { timeout: 60_000 });
  await expect(tab("Lay out")).toContainText("least", { timeout: 60_000 });
  await page.evaluate(() => {
    const said: string[] = [];
    const stations = document.querySelector('nav[aria-label="Stations"]')!;
    new MutationObserver(() => said.push(stations.textContent)).observe(stations, { subtree: true, childList: true, characterData: true }); // prettier-ignore
    Object.assign(window, { said });
  });
  const quantity = page.getByLabel("Quantity of line 1", { exact: true });
  // One more may take as many boards at the same cost.
  await quantity.fill("60");
  await expect(tab("Lay out")).toContainText(/[+−]\d/, { timeout: 30_000 });
  await expect(tab("Buy")).toContainText(/\+£\d/, { timeout: 30_000 });
  await quantity.press("Escape");
  await expect(quantity).toHaveValue("40");
  await expect(tab("Buy")).not.toContainText(/[+−…]/, { timeout: 30_000 });
  expect(await page.evaluate(() => (window as unknown as { said: string[] }).said.filter((t) => /working …/.test(t)))).toEqual([]); // prettier-ignore
});

test("what a set-up costs moves the layout; sheets to print and files to carry", async ({ page, request }) => {
  test.setTimeout(180_000);
  await layOut(page, "Spring bodies");
  // What is still looked for is no cost to hold another against.
  await expect(page.getByRole("region", { name: "Layouts" })).not.toContainText(/looking for/, { timeout: 90_000 });
  const cost = async () => Number((await page.getByText("Wood cost").locator("xpath=following-sibling::dd[1]").textContent())!.replace(/[^\d.]/g, "")); // prettier-ignore
  const cheap = await cost();
  const choices = page.getByRole("region", { name: "Cost against set-ups" }).getByRole("button", { name: /set-ups/ });
  await choices.last().click();
  await expect(async () => expect(await cost()).toBeGreaterThan(cheap)).toPass({ timeout: 60_000 });
  await undo(page);
  expect(await serious(page)).toEqual([]);

  const id = /jobs\/(\d+)/.exec(page.url())![1];
  for (const [file, has] of [
    ["boards.svg", "<svg"],
    ["boards.dxf", "SECTION"],
    ["boards.csv", "layout,boards"],
  ] as const) {
    const reply = await request.get(`/api/jobs/${id}/layout/${file}`);
    expect([file, reply.status(), (await reply.text()).includes(has)]).toEqual([file, 200, true]);
  }
  await page.getByRole("link", { name: "a sheet a pattern" }).click();
  await expect(page.getByRole("heading", { name: /boards like this/ }).first()).toBeVisible();
  await expect(page.getByText("Tick each board when it is cut").first()).toBeVisible();
});
