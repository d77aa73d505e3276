import { defineConfig } from "@playwright/test";

const port = 4181;
/** A shop with nothing in it. */
export const EMPTY_PORT = 4184;
/** A shop with the demo that only the plan and the bench are tried in: no other test's jobs are planned with it. */
export const PLAN_PORT = 4188;

/** The made-up suppliers of the demo. */
export const SUPPLIERS_PORT = 4186;
const suppliers = { SUPPLIER_PORT: String(SUPPLIERS_PORT), SUPPLIER_FILE: "test-results/suppliers.json" };

const fileOf = (name: string) => `test-results/${name}.db`;
const serves = (name: string, at: number, first: string) => {
  const db = fileOf(name);
  return {
    command: `rm -f ${db}* && mkdir -p test-results && ${first} && exec node scripts/server.mjs`,
    env: { RUNDIK_DB: db, PORT: String(at), SUPPLIER_RUNS: "1", ...suppliers },
    url: `http://127.0.0.1:${at}`,
    gracefulShutdown: { signal: "SIGTERM" as const, timeout: 5000 },
  };
};

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
  // Two with the demo, and one for who begins with nothing.
  webServer: [
    {
      command: `rm -f ${suppliers.SUPPLIER_FILE} && mkdir -p test-results && exec node_modules/.bin/tsx src/standins/supplier/main.ts`,
      env: suppliers,
      url: `http://127.0.0.1:${SUPPLIERS_PORT}`,
      gracefulShutdown: { signal: "SIGTERM", timeout: 5000 },
    },
    serves("e2e", port, `tsx scripts/load-demo.ts && cp ${fileOf("e2e")} ${fileOf("demo")}`),
    serves("empty", EMPTY_PORT, "true"),
    // They are started one after the other.
    serves("planned", PLAN_PORT, `cp ${fileOf("demo")} ${fileOf("planned")}`),
  ],
});
