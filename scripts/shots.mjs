import { existsSync, mkdirSync, rmSync } from "node:fs";
import { build, chromium, install, run, say, serve } from "./steps.mjs";

/** Takes one picture of each main view, from the demo data, into docs/screenshots. */
install();
build();
chromium();
const db = "test-results/shots.db";
for (const f of [db, `${db}-wal`, `${db}-shm`]) rmSync(f, { force: true });
mkdirSync("test-results", { recursive: true });
run("Loading the demo", "node_modules/.bin/tsx", ["scripts/load-demo.ts"], { RUNDIK_DB: db, SUPPLIER_PORT: "4187" });
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
  ["order", "/orders/1"],
  ["ask", "/jobs/1/ask"],
  ["shape", "/jobs/1/shape"],
  ["exploded", "/jobs/3/sheet/0"],
  ["corners", "/jobs/1/shape", (page) => page.getByRole("button", { name: "compare corners" }).click()],
  ["patterns", "/patterns"],
  ["lay-out", "/jobs/1/lay-out", (page) => laid(page)],
  [
    "rough-boards",
    "/jobs/4/lay-out",
    async (page) => {
      await laid(page);
      await page.locator("title", { hasText: "bad from" }).first().locator("..").scrollIntoViewIfNeeded();
    },
  ],
  ["buy", "/jobs/1/buy", (page) => page.getByRole("region", { name: "Cost of a piece" }).waitFor({ timeout: 30_000 })],
  [
    "make-or-buy",
    "/jobs/1/buy",
    async (page) => {
      const region = page.getByRole("region", { name: "Make or buy" });
      await region.waitFor({ timeout: 30_000 });
      await region.evaluate((el) => el.scrollIntoView());
    },
  ],
  [
    "quote",
    "/jobs/1/quote",
    async (page) => {
      const say = async (label, text) => {
        await page.getByLabel(label).fill(text);
        await page.getByLabel(label).press("Enter");
      };
      await page.getByRole("region", { name: "Quote", exact: true }).waitFor({ timeout: 30_000 });
      await say("Margin on what it costs, %", "35");
      await page.getByLabel("Valid until").fill("2027-03-01");
      await page.getByRole("button", { name: "Give this quote" }).click();
      await say("Asked for one: Body, medium, line 2", "27.50");
      await page.getByRole("button", { name: /as revision 2/ }).click();
      await page.getByRole("button", { name: "it was accepted" }).first().click();
    },
  ],
  ["run", "/jobs/1/run"],
  ["prove", "/jobs/1/prove"],
  ["hive", "/jobs/5/hive"],
  ["shop", "/shop"],
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
  await page.goto(`${url}${path}`, { waitUntil: "load" });
  await page.waitForFunction(() => performance.getEntriesByName("usable").length > 0);
  if (act) await act(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  say(`docs/screenshots/${name}.png`);
}
await browser.close();
await stop();
