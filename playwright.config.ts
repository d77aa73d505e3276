import { defineConfig } from "@playwright/test";

const port = 4181;
const db = "test-results/e2e.db";

export default defineConfig({
  testDir: "e2e",
  outputDir: "test-results/out",
  workers: 1,
  fullyParallel: false,
  timeout: 60_000,
  // A busy machine can miss a moment; what fails twice is broken. The list says what passed only then.
  retries: 1,
  expect: { timeout: 15_000 },
  reporter: [["list"]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  webServer: {
    command: `rm -f ${db}* && mkdir -p test-results && tsx scripts/load-demo.ts && exec node_modules/.bin/next start -p ${port} -H 127.0.0.1`,
    env: { RUNDIK_DB: db, NEXT_TELEMETRY_DISABLED: "1" },
    url: `http://127.0.0.1:${port}`,
    gracefulShutdown: { signal: "SIGTERM", timeout: 5000 },
  },
});
