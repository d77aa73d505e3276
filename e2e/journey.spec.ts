import { expect, type Page, reachingOut, serious, test } from "./page";

const HEATH = "Spring bodies";

async function open(page: Page, name = HEATH): Promise<void> {
  await page.goto("/");
  await page.getByRole("link", { name, exact: true }).click();
  await expect(page.getByRole("heading", { name, level: 1 })).toBeVisible();
  // A job opens where there is something to do.
  await page.getByRole("link", { name: /^2 Shape/ }).click();
}
const stock = (page: Page) => page.getByLabel("Stock, measured", { exact: true });
const length = (page: Page, part: string) => page.getByRole("button", { name: new RegExp(`^${part}, length`) });

test("from standard to run sheet: change the stock, everything downstream follows; all stations by keyboard", async ({
  page,
}) => {
  await open(page);
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 1/8"');
  await expect(page.getByRole("button", { name: /Outside against bought/ })).not.toContainText("stands out");
  const drawn = await page.getByRole("img", { name: /cut through the length/ }).innerHTML();

  await stock(page).fill("7/8");
  await stock(page).press("Enter");
  // Held inside: 18 3/8 + 2 × 7/8 − 2 × 7/16.
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 1/4"');
  await expect(page.getByRole("button", { name: /Outside against bought/ })).toContainText("stands out 1/8");
  expect(await page.getByRole("img", { name: /cut through the length/ }).innerHTML()).not.toBe(drawn);
  // No board in the job is that thick.
  await expect(page.getByRole("link", { name: /Lay out/ })).toContainText("without wood", { timeout: 40_000 });

  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("z");
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 1/8"');

  const seen = [
    ["1", "Wanted"],
    ["3", "Set-ups, in sawing order"],
    ["4", "for materials"],
    ["5", "No plan in these hours"],
    ["6", "Measure the first piece"],
    ["2", "Will it fit"],
  ] as const;
  for (const [key, text] of seen) {
    await page.keyboard.press(key);
    await expect(page.getByRole("main")).toContainText(text);
  }
  await page.keyboard.press("u");
  await expect(length(page, "Side")).toHaveAccessibleName("Side, length: 485.8 mm");
  await page.keyboard.press("u");
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 1/8"');
  // The next test finds the job as the server has it: what was last done must have reached it.
  await expect(page.getByText("keeping …")).toBeHidden();
});

test("part, stick, drawing and working light up together; w goes all the way back", async ({ page }) => {
  await open(page);
  await length(page, "Side").focus();
  const strip = page.getByRole("contentinfo", { name: "Working" });
  await expect(strip).toContainText("Side, length");
  await expect(page.locator("path.lit-wood").first()).toBeVisible();
  await page.getByRole("listitem", { name: "rest", exact: true }).focus();
  await expect(strip).toContainText("rest depth");
  await page.keyboard.press("w");
  const all = page.getByRole("dialog");
  await expect(all).toContainText("from the standard; common practice");
  await page.keyboard.press("Escape");
  await expect(all).toBeHidden();
});

test("the run sheet prints: every step with its setting, boxes and caution, none of the page around it", async ({
  page,
}) => {
  await open(page);
  await page.keyboard.press("5");
  await expect(page.getByText("No plan in these hours")).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("heading", { name: `Run sheet: ${HEATH}` })).toBeVisible();
  await expect(page.getByRole("navigation")).toBeHidden();
  const steps = page.locator("main ol > li");
  for (const step of await steps.all()) {
    await expect(step.getByText("spoiled:")).toBeVisible();
    if (/table saw|planer/.test(await step.innerText()))
      await expect(step).toContainText("manual, local rules and licensed practice");
  }
  const pdf = await page.pdf({ format: "A4" });
  expect(pdf.toString("latin1").match(/\/Type\s*\/Page\b/g)!.length).toBeGreaterThan(2);
});

test("a new job from nothing: said, shaped, kept over a reload, and a reading judged", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "start an empty job" }).click();
  await expect(page.getByText("What are you making?")).toBeVisible();
  const say = page.getByRole("button", { name: "Say what to make" });
  // A key that is pressed before the page listens is not heard.
  await expect(async () => {
    await page.keyboard.press("3");
    await expect(say).toBeVisible({ timeout: 1_000 });
  }).toPass();
  await say.click();
  await page.getByRole("combobox", { name: "What to make" }).fill("12 nat br 14");
  await expect(page.getByRole("listbox", { name: "What can be made" }).getByRole("option").first()).toContainText(
    "14×12 brood",
  );
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Quantity of line 1")).toHaveValue("12");
  await page.keyboard.type("lang deep");
  await page.keyboard.press("Enter");
  await page
    .getByLabel("Job", { exact: true })
    .fill("A very long job name for the pollination co-operative of outer Brackwater and the moors behind it");
  await page.getByLabel("Job", { exact: true }).press("Enter");
  await page.getByLabel("Start").fill("2027-02-08");
  await page.getByRole("button", { name: "Take out line 1" }).click();
  await expect(page.getByRole("link", { name: /Lay out/ })).toContainText("boards");
  await expect(page.getByText("keeping …")).toBeHidden();
  await page.reload();
  await page.keyboard.press("6");
  const reading = page.getByLabel(/Reading of Crosscut to length, pieces for side/);
  await reading.fill("19 3/16");
  await reading.press("Enter");
  await expect(page.getByText('1/16" over: move the stop in by 1/16"')).toBeVisible();
  await page.reload();
  await expect(page.getByText('1/16" over: move the stop in by 1/16"')).toBeVisible();
});

test("Back brings up the job as it is, not as it was when it was first opened", async ({ page }) => {
  await page.goto("/jobs/2/ask");
  const quantity = page.getByLabel("Quantity of line 1");
  await quantity.fill("33");
  await page.keyboard.press("Enter");
  await expect(page.getByText("keeping …")).toBeHidden();
  await page.getByRole("link", { name: "Rundik" }).click();
  await expect(page.getByRole("region", { name: "Next, and why" })).toBeVisible();
  await page.goBack();
  await expect(quantity).toHaveValue("33");
  await page.getByRole("button", { name: "undo" }).click();
  await expect(quantity).toHaveValue("6");
});

test("a line is drawn three ways, its corners compared, its sheet and files at hand", async ({ page, request }) => {
  await open(page);
  for (const view of ["three views", "pulled apart", "cut through"]) {
    await page.getByRole("button", { name: view }).click();
    await expect(page.getByRole("button", { name: view })).toHaveAttribute("aria-pressed", "true");
  }
  // The working, by key and without a hand on the mouse.
  await page.keyboard.press("w");
  await expect(page.getByRole("dialog", { name: /all the way back$/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toBeHidden();
  await expect(page.getByRole("button", { name: "all of it" })).toBeFocused();
  await page.getByRole("button", { name: "compare corners" }).click();
  await expect(page.getByRole("dialog").getByRole("row")).toHaveCount(8);
  await page.getByRole("button", { name: "Choose fingers" }).click();
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 7/8"');
  await page.getByRole("button", { name: "undo" }).click();
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 1/8"');
  for (const [link, type] of [
    ["story stick, true size", "application/pdf"],
    ["parts as SVG", "image/svg+xml"],
    ["parts as DXF", "application/dxf"],
  ] as const) {
    const reply = await request.get((await page.getByRole("link", { name: link }).getAttribute("href"))!);
    expect([reply.status(), reply.headers()["content-type"]]).toEqual([200, type]);
  }
  await page.getByRole("link", { name: "assembly sheet" }).click();
  await expect(page.getByRole("heading", { name: /Body, deep/ })).toBeVisible();
  await expect(page.getByText("Pilot every fastener near an edge")).toBeVisible();
  await expect(page.getByText(/^Goes wrong: /).first()).toBeVisible();
});

test("what cannot be read is said at the field, and the drawing stays on the last that could", async ({ page }) => {
  await open(page);
  await stock(page).fill("19 7/");
  await expect(page.getByRole("alert").filter({ hasText: "no lower number" })).toBeVisible();
  await stock(page).fill("3");
  await expect(page.getByRole("alert").filter({ hasText: 'at most 2"' })).toBeVisible();
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 1/8"');
  await stock(page).fill("1");
  await expect(length(page, "Side")).not.toHaveAccessibleName('Side, length: 19 1/8"');
  await stock(page).press("Escape");
  await expect(stock(page)).toHaveValue("3/4");
  await expect(length(page, "Side")).toHaveAccessibleName('Side, length: 19 1/8"');
});

test("axe finds nothing serious on any station or sheet; nothing runs off an upright tablet", async ({ page }) => {
  test.setTimeout(180_000);
  const settled = () => expect(page.getByRole("main")).not.toContainText("layout is being worked out");
  await open(page);
  for (const key of ["1", "2", "3", "4", "5", "6"]) {
    await page.keyboard.press(key);
    await settled();
    expect([key, await serious(page)]).toEqual([key, []]);
  }
  await page.goto("/jobs/1/sheet/0");
  expect(await serious(page)).toEqual([]);
  // The shop's other pages are looked at on a tablet, where there is least room.
  const pages = ["/jobs/5/hive", "/patterns", "/patterns/designs/brackwater-patty-rim", "/orders", "/orders/1"];
  for (const path of pages) {
    await page.goto(path);
    await expect(page.getByRole("main")).toBeVisible();
    expect([path, await serious(page)]).toEqual([path, []]);
  }
  await page.setViewportSize({ width: 810, height: 1080 });
  for (const path of pages) {
    await page.goto(path);
    await expect(page.getByRole("main")).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(810);
  }
  await open(page);
  for (const key of ["1", "2", "3", "4", "5", "6"]) {
    await page.keyboard.press(key);
    await settled();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(810);
    expect([key, await reachingOut(page)]).toEqual([key, []]);
  }
  await page.keyboard.press("2");
  await stock(page).fill("18.2564 mm");
  await expect(length(page, "Side")).not.toHaveAccessibleName('Side, length: 19 1/8"');
  expect(await reachingOut(page)).toEqual([]);
  await stock(page).press("Escape");
  // Many kinds of pieces on one board, in either units.
  for (const job of [3, 4]) {
    await page.goto(`/jobs/${job}/lay-out`);
    await expect(page.getByText("; gives").first()).toBeVisible({ timeout: 60_000 });
    expect([job, await reachingOut(page)]).toEqual([job, []]);
  }
});
