import { build, chromium, install, run, say } from "./steps.mjs";

/** Every check: types, lint, core purity, units, the real interface. */
const from = Date.now();
const bin = (name) => `node_modules/.bin/${name}`;
await install(async () => {
  // By itself: building writes some of what it reads.
  await run("Types", bin("tsc"), ["--noEmit", "-p", "."]);
  const built = build();
  await run("Lint", bin("oxlint"), ["--deny-warnings"]);
  await run("Formatting", bin("prettier"), ["--check", "--log-level=warn", "."]);
  await run("The core is pure, no import goes round", bin("depcruise"), ["--config", ".dependency-cruiser.cjs", "src"]);
  await run("Nothing unused", bin("knip"), ["--no-progress"]);
  await run("Schemas and tables in docs are current", bin("tsx"), ["scripts/docs.ts", "--check"]);
  await chromium();
  await built;
});
await run("Unit tests", bin("jest"), [], { NODE_OPTIONS: "--experimental-vm-modules --no-warnings" });
await run("End to end", bin("playwright"), ["test"]);
await run("A small siege", "node", ["scripts/siege.mjs", "small"]);
say(`All checks passed in ${((Date.now() - from) / 1000).toFixed(0)} s`);
