import { buildSync } from "esbuild";

/** Builds the worker as the product is built, so that a test asks real threads. */
export const workerBuilt = (): void =>
  void buildSync({
    entryPoints: ["src/workers/worker.ts"],
    bundle: true,
    platform: "node",
    format: "cjs",
    target: "node20",
    outfile: "dist/worker.cjs",
    external: ["highs"],
  });
