import { existsSync, readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";

/** Runs the command from one bundled file, made again whenever a source is newer: it starts in a fraction of the time. */
const BUNDLE = "dist/rundik.mjs";
const newest = (dir) =>
  Math.max(
    ...readdirSync(dir, { withFileTypes: true }).map((e) =>
      e.isDirectory() ? newest(join(dir, e.name)) : statSync(join(dir, e.name)).mtimeMs,
    ),
  );
const sources = Math.max(
  ...["src/core", "src/cli", "src/workers", "src/store"].map(newest),
  statSync("package-lock.json").mtimeMs,
);
if (!existsSync(BUNDLE) || statSync(BUNDLE).mtimeMs < sources) {
  const { buildSync } = await import("esbuild");
  buildSync({
    entryPoints: ["src/cli/rundik.ts"],
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    outfile: BUNDLE,
    external: ["highs", "better-sqlite3"],
    logLevel: "error",
  });
}
await import(pathToFileURL(BUNDLE).href);
