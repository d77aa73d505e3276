import { build, chromium, install, run, say } from "./steps.mjs";

/** Every check: types, lint, core purity, units, the real interface. */
const from = Date.now();
const bin = (name) => `node_modules/.bin/${name}`;
await install(() => {
  run("Types", bin("tsc"), ["--noEmit", "-p", "."]);
  run("Lint", bin("oxlint"), ["--deny-warnings"]);
  run("Formatting", bin("prettier"), ["--check", "--log-level=warn", "."]);
  run("The core is pure, no import goes round", bin("depcruise"), ["--config", ".dependency-cruiser.cjs", "src"]);
  run("Nothing unused", bin("knip"), ["--no-progress"]);
  run("Schemas and tables in docs are current", bin("tsx"), ["scripts/docs.ts", "--check"]);
  build();
  chromium();
});
run("Unit tests", bin("jest"), [], { NODE_OPTIONS: "--experimental-vm-modules --no-warnings" });
run("End to end", bin("playwright"), ["test"]);
run("A small siege", "node", ["scripts/siege.mjs", "small"]);
say(`All checks passed in ${((Date.now() - from) / 1000).toFixed(0)} s`);
