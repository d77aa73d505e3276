import { existsSync, mkdirSync, rmSync } from "node:fs";
import { build, chromium, install, run, say, serve } from "./steps.mjs";

/** Takes one picture of each main view, from the demo data, into docs/screenshots. */
install();
build();
chromium();
const db = "test-results/shots.db";
for (const f of [db, `${db}-wal`, `${db}-shm`]) rmSync(f, { force: true });
mkdirSync("test-results", { recursive: true });
run("Loading the demo", "node_modules/.bin/tsx", ["scripts/load-demo.ts"], { RUNDIK_DB: db });
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
  ["ask", "/jobs/1/ask"],
  [
    "browse",
    "/jobs/1/ask",
    async (page) => {
      await page.keyboard.press("/");
      await page.getByRole("button", { name: "look through everything" }).click();
      await page.getByRole("region", { name: "Everything that can be made" }).scrollIntoViewIfNeeded();
    },
  ],
  ["shape", "/jobs/1/shape"],
  ["national", "/jobs/3/shape"],
  ["exploded", "/jobs/3/sheet/0"],
  ["corners", "/jobs/1/shape", (page) => page.getByRole("button", { name: "compare corners" }).click()],
  ["patterns", "/patterns"],
  ["lay-out", "/jobs/1/lay-out", (page) => laid(page)],
  [
    "trade-off",
    "/jobs/1/lay-out",
    async (page) => {
      await laid(page);
      await page.getByRole("region", { name: "Cost against set-ups" }).scrollIntoViewIfNeeded();
    },
  ],
  [
    "rough-boards",
    "/jobs/4/lay-out",
    async (page) => {
      await laid(page);
      await page.locator("title", { hasText: "bad from" }).first().locator("..").scrollIntoViewIfNeeded();
    },
  ],
  [
    "sheet",
    "/jobs/4/lay-out",
    async (page) => {
      await laid(page);
      await page
        .locator("li p", { hasText: /^birch ply \d/ })
        .last()
        .scrollIntoViewIfNeeded();
    },
  ],
  ["buy", "/jobs/1/buy"],
  ["run", "/jobs/1/run"],
  ["rough-run", "/jobs/4/run"],
  ["prove", "/jobs/1/prove"],
  ["hive", "/jobs/5/hive"],
  [
    "floor",
    "/jobs/5/shape",
    async (page) => {
      await page.getByRole("button", { name: /Screened floor/ }).click();
      await page.getByRole("button", { name: "cut through" }).click();
    },
  ],
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
  await page.goto(`${url}${path}`, { waitUntil: "networkidle" });
  if (act) await act(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  say(`docs/screenshots/${name}.png`);
}
await browser.close();
await stop();
