import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { delimiter, join, resolve } from "node:path";
import { env, install, say } from "./steps.mjs";

/**
 * Figures that take too long for every day. `npm run figures` makes all of them, `npm run figures -- answers pages` those named.
 * Those of layouts, pages and the command are made of the commit before as well (`against=<commit>` of another, `against=` of none),
 * one right after the other on the same machine, and told with the ratios of now to then: 0.8 is a fifth less.
 */
const jest = (...files) => ({
  command: ["node_modules/.bin/jest", "--runInBand", ...files],
  env: {
    RUNDIK_ORDERS: "1000",
    RUNDIK_CASES: "20",
    RUNDIK_REQUESTS: "100000",
    RUNDIK_FILES: "20000",
    RUNDIK_SHOPS: "2000",
    RUNDIK_CHANGES: "200",
    RUNDIK_PIECES: "100000",
    NODE_OPTIONS: "--experimental-vm-modules --no-warnings",
  },
});
const PARTS = {
  answers: { ...jest("src/workers/answers"), compared: true },
  classes: { ...jest("src/workers/classes"), compared: true },
  pages: { command: ["node_modules/.bin/playwright", "test", "e2e/speed.spec.ts", "--retries=0"], env: { RUNDIK_LOADS: "4" }, built: true, compared: true },
  command: { command: [process.execPath, join(import.meta.dirname, "timed.mjs")], compared: true },
  shop: jest("src/workers/sourcing", "src/workers/supplying", "src/workers/whole", "src/workers/shopfloor", "src/workers/planning", "src/app/weighed"),
  book: jest("src/store/book", "src/app/book"),
  requests: jest("src/app/mutations"),
}; // prettier-ignore
const words = process.argv.slice(2);
const against = words.find((w) => w.startsWith("against="))?.slice(8) ?? "HEAD~1";
const named = words.filter((w) => !w.startsWith("against="));
const unknown = named.find((w) => !(w in PARTS));
if (unknown) {
  console.error(`read “${unknown}”, wanted some of: ${Object.keys(PARTS).join(", ")}, against=<commit>`);
  process.exit(1);
}

/** Runs a part in a checkout, showing what it says; answers with its lines that have figures. */
function figuresOf({ command: [program, ...args], env: extra, built }, folder) {
  if (built) spawnSync(process.execPath, ["-e", "import('./scripts/steps.mjs').then(async (s) => (await s.build(), await s.chromium()))"], { cwd: folder, env, stdio: "inherit" }); // prettier-ignore
  const path = `${resolve(folder, "node_modules/.bin")}${delimiter}${env.PATH}`;
  return new Promise((done) => {
    const one = spawn(program, args, {
      cwd: folder,
      env: { ...env, ...extra, PATH: path },
      stdio: ["ignore", "pipe", "inherit"],
    });
    let said = "";
    one.stdout.on("data", (text) => {
      process.stdout.write(text);
      said += text;
    });
    one.on("close", (code) => {
      if (code !== 0) process.exitCode = 1;
      done(said.split("\n").filter((line) => NUMBER.test(line) && /: | in /.test(line)));
    });
  });
}

const NUMBER = /(?<![\w.])\d+(?:\.\d+)?/;
const every = new RegExp(NUMBER, "g");
/** A line without its figures: the same line of another run has others in the same places. */
const kindOf = (line) => line.replace(every, "#");

/** Each line of now with the ratios of its figures to those of the same line before. */
function compare(now, before) {
  const open = [...before];
  for (const line of now) {
    const at = open.findIndex((o) => kindOf(o) === kindOf(line));
    if (at < 0) continue;
    const [old] = open.splice(at, 1);
    const was = old.match(every).map(Number);
    const ratios = line.match(every).map((n, i) => (was[i] === 0 || Number(n) === was[i] ? "=" : (Number(n) / was[i]).toFixed(2))); // prettier-ignore
    console.log(`  now     ${line.trim()}\n  before  ${old.trim()}\n  ratios  ${ratios.join("  ")}\n`);
  }
}

/** A checkout of a commit with what it needs installed. */
function checkout(commit) {
  const folder = mkdtempSync(join(tmpdir(), "rundik-before-"));
  const git = spawnSync("git", ["worktree", "add", "--detach", folder, commit], { stdio: ["ignore", "ignore", "inherit"] });
  if (git.status !== 0) process.exit(1);
  const lock = (at) => readFileSync(join(at, "package-lock.json"), "utf8");
  if (lock(folder) === lock(".")) {
    spawnSync("cp", ["-a", "node_modules", folder], { stdio: "inherit" });
    rmSync(join(folder, "node_modules/.rundik"), { recursive: true, force: true });
  } else spawnSync("npm", ["ci", "--no-audit", "--no-fund"], { cwd: folder, env, stdio: "inherit" });
  return folder;
} // prettier-ignore

await install();
const chosen = Object.entries(PARTS).filter(([name]) => named.length === 0 || named.includes(name));
const before = against && chosen.some(([, p]) => p.compared) ? checkout(against) : undefined;
try {
  for (const [name, part] of chosen) {
    say(`Figures: ${name}`);
    const now = await figuresOf(part, ".");
    if (!before || !part.compared) continue;
    say(`Figures: ${name}, as of ${against}`);
    const then = await figuresOf(part, before);
    say(`${name}: now, before and the ratios`);
    compare(now, then);
  }
} finally {
  if (before && existsSync(before)) {
    rmSync(before, { recursive: true, force: true });
    spawnSync("git", ["worktree", "prune"]);
  }
}
