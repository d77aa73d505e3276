import { spawnSync } from "node:child_process";
import { performance } from "node:perf_hooks";

/** Times the command as a whole process, twenty times after one that makes what it starts from; run where its checkout is. */
const RUNS = 20;
const once = () => {
  const from = performance.now();
  const { status, stderr } = spawnSync(process.execPath, ["scripts/rundik.mjs", "cutlist", "demo/1-heath-estate.json"], { encoding: "utf8" }); // prettier-ignore
  if (status !== 0) throw new Error(stderr);
  return performance.now() - from;
};
once();
once();
const times = Array.from({ length: RUNS }, once).sort((a, b) => a - b);
console.log(
  `rundik cutlist, whole process: median ${times[RUNS / 2].toFixed(0)} ms, worst ${times.at(-1).toFixed(0)} ms`,
);
