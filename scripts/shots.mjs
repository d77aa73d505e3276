import { existsSync, mkdirSync, rmSync } from "node:fs";
import { build, chromium, install, run, say, serve } from "./steps.mjs";

/** Takes one picture of each main view, from the demo data, into docs/screenshots. */
await install(build);
await chromium();
const db = "test-results/shots.db";
for (const f of [db, `${db}-wal`, `${db}-shm`]) rmSync(f, { force: true });
mkdirSync("test-results", { recursive: true });
await run("Loading the demo", "node_modules/.bin/tsx", ["scripts/load-demo.ts"], {
  RUNDIK_DB: db,
  SUPPLIER_PORT: "4187",
});
const { url, stop } = await serve({ port: 4182, db });
const { chromium: engine } = await import("@playwright/test");
const browser = await engine.launch({
  executablePath: "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
});

/** Waits until the job is laid out. */
const laid = (page) =>
  page
    .getByText(/(is|of|,) the least/)
    .first()
    .waitFor({ timeout: 30_000 });

/** A paper of the batch as it is printed, from its top. */
async function onPaper(page, name) {
  await page.setViewportSize({ width: 794, height: 1123 });
  await page.emulateMedia({ media: "print" });
  const paper = page.getByRole("region", { name });
  await paper.evaluate((el) => el.scrollIntoView());
  return (await paper.boundingBox()).height < 1123 ? paper : page;
}

/** Name, page, and what is done before the picture. */
const SHOTS = [
  // Seen once so that where the jobs stand is worked out; then all of it is there.
  [
    "today",
    "/",
    async (page) => {
      await page
        .getByRole("button", { name: /^Take away/ })
        .nth(4)
        .waitFor();
      await page.waitForFunction(() => !document.body.innerText.includes("being worked out"), undefined, {
        timeout: 90_000,
      });
    },
  ],
  // Before a plan that stands pins its ways.
  ["lay-out", "/jobs/1/lay-out", (page) => laid(page)],
  [
    "plan",
    "/plan",
    async (page) => {
      await page.getByRole("button", { name: "Plan all 5 jobs" }).click({ timeout: 120_000 });
      await page.getByRole("button", { name: "Let it stand" }).click({ timeout: 60_000 });
      await page.getByText(/All 5 jobs are done by/).waitFor();
      await page.getByRole("button", { name: /^weigh up/ }).click();
      await page.getByText("weighing …").waitFor({ state: "hidden", timeout: 60_000 });
    },
  ],
  [
    "bench",
    "/bench?at=table%20saw",
    async (page) => {
      await page.setViewportSize({ width: 800, height: 1180 });
      for (let i = 0; i < 12; i++) await page.keyboard.press(" ");
    },
  ],
  ["yard", "/yard"],
  [
    "orders",
    "/orders",
    async (page) => {
      await page
        .getByRole("button", { name: /^Draw it up/ })
        .first()
        .waitFor();
      await page.waitForFunction(() => !document.body.innerText.includes("being worked out"), undefined, {
        timeout: 90_000,
      });
    },
  ],
  ["shape", "/jobs/1/shape"],
  ["exploded", "/jobs/3/sheet/0"],
  ["patterns", "/patterns"],
  [
    "trade-off",
    "/jobs/5/lay-out",
    async (page) => {
      await laid(page);
      await page.locator(".recharts-surface").first().waitFor({ timeout: 30_000 });
      const weighed = page.getByRole("region", { name: "Cost against set-ups" });
      await weighed.evaluate((el) => el.scrollIntoView({ block: "start" }));
    },
  ],
  ["buy", "/jobs/1/buy", (page) => page.getByRole("region", { name: "Cost of a piece" }).waitFor({ timeout: 30_000 })],
  ["run-sheet", "/jobs/1/batch", (page) => onPaper(page, "Run sheet")],
  ["hive", "/jobs/5/hive"],
  [
    "weigh",
    "/weigh",
    async (page) => {
      // What each figure comes from, and on the drawings.
      for (const figure of [/^Comb, both faces/, /^Full frame/]) {
        await page.getByRole("button", { name: figure }).click();
        await page.getByRole("button", { name: "pin it to the drawings" }).first().click();
      }
      await page.getByRole("button", { name: /^Comb, both faces/ }).click();
      await page.evaluate(() => document.documentElement.scrollTo(0, 0));
    },
  ],
  [
    "weigh-year",
    "/weigh",
    async (page) => {
      const year = page.getByRole("region", { name: "Over the year" });
      await year
        .getByText(/^Instead of lifting/)
        .first()
        .waitFor({ timeout: 30_000 });
      await year.evaluate((el) => el.scrollIntoView());
    },
  ],
  [
    "book-piece",
    "/book",
    async (page) => {
      await page.getByLabel("Find a piece").fill("HM 19");
      await page.getByRole("link", { name: /^HM 1984/ }).click();
      await page.getByRole("button", { name: "Keep it as one" }).waitFor();
      await page.setViewportSize({ width: 1280, height: 1000 });
      await page.getByRole("heading", { name: "HM 1984" }).evaluate((el) => el.scrollIntoView());
    },
  ],
  [
    "book-repair",
    "/book",
    async (page) => {
      await page.getByLabel("Find a piece").fill("HM 19");
      await page.getByRole("link", { name: /^HM 1984/ }).click();
      await page.setViewportSize({ width: 1280, height: 900 });
      await page.getByRole("region", { name: "How it is mended" }).evaluate((el) => el.scrollIntoView());
    },
  ],
  [
    "book-record",
    "/book/record/brackwater-patty-rim",
    async (page) => {
      await page.getByRole("img", { name: /^How long they last/ }).first().waitFor(); // prettier-ignore
    },
  ],
  [
    "design",
    "/patterns/designs/brackwater-patty-rim",
    async (page) => {
      await page.getByRole("tab", { name: /Worked out/ }).click();
      await page.getByLabel("nominalInsideLength, formula").fill("bodyOutsideLong - 2 * nominalEnd");
      await page.getByRole("list", { name: "To put right" }).waitFor();
    },
  ],
];
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
if (!existsSync("docs/screenshots")) mkdirSync("docs/screenshots", { recursive: true });
/** All of them, or those named: `npm run shots -- sheet run`. */
const wanted = process.argv.slice(2);
for (const [name, path, act] of SHOTS.filter(([n]) => wanted.length === 0 || wanted.includes(n))) {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ media: "screen" });
  await page.goto(`${url}${path}`, { waitUntil: "load" });
  await page.waitForFunction(() => performance.getEntriesByName("usable").length > 0);
  // No tab of a job still waits for its plan, or for a better layout.
  await page.waitForFunction(() => !/working …|so far/.test(document.querySelector("nav")?.innerText ?? ""), undefined, { timeout: 30_000 }); // prettier-ignore
  const of = (await act?.(page)) ?? page;
  await page.waitForTimeout(400);
  await of.screenshot({ path: `docs/screenshots/${name}.png` });
  say(`docs/screenshots/${name}.png`);
}
await browser.close();
await stop();
