import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/** What `npm run demo`, `npm test` and `npm run shots` share. Plain Node: it runs before anything is installed. */
export const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1", CHECKPOINT_DISABLE: "1" };
const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(1)} s`;

export function say(text) {
  console.log(`\n— ${text}`);
}

/** Runs a command to its end, showing what it prints; stops everything when it fails. */
export function run(what, command, args, extra = {}) {
  say(what);
  const from = Date.now();
  const { status } = spawnSync(command, args, { stdio: "inherit", env: { ...env, ...extra } });
  if (status !== 0) {
    console.error(`\n${what}: failed (${status ?? "stopped"}) after ${seconds(from)}`);
    process.exit(status ?? 1);
  }
  console.log(`  ${what}: done in ${seconds(from)}`);
}

/** A digest of files, to know whether a step is still good. */
export function digest(paths) {
  const hash = createHash("sha256");
  const add = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) for (const f of readdirSync(path).sort()) add(join(path, f));
    else hash.update(path).update(readFileSync(path));
  };
  paths.forEach(add);
  return hash.digest("hex");
}

/** Does a step unless it was done for the very same input. `kept` is what it makes. */
export function once(name, inputs, kept, step) {
  const stamp = join("node_modules/.rundik", name);
  const now = digest(inputs);
  if (existsSync(kept) && existsSync(stamp) && readFileSync(stamp, "utf8") === now) return say(`${name}: already done`);
  step();
  mkdirSync("node_modules/.rundik", { recursive: true });
  writeFileSync(stamp, now);
}

export function install() {
  once("install", ["package-lock.json", ".npmrc"], "node_modules/next", () =>
    run("Installing packages (the database is compiled, which takes a few minutes)", "npm", [
      "ci",
      "--no-audit",
      "--no-fund",
    ]),
  );
}

const SOURCES = [
  "src",
  "scripts/pack.mjs",
  "next.config.ts",
  "postcss.config.mjs",
  "tsconfig.json",
  "package-lock.json",
];

export function build() {
  once("build", SOURCES, ".next/BUILD_ID", () => {
    run("Building the workers", "node_modules/.bin/esbuild", [
      "src/workers/worker.ts",
      "--bundle",
      "--platform=node",
      "--format=cjs",
      "--target=node20",
      "--outfile=dist/worker.cjs",
      "--external:highs",
      "--log-level=warning",
    ]);
    run("Building the pages", "node_modules/.bin/next", ["build"]);
    run("Packing scripts and styles", process.execPath, ["scripts/pack.mjs"]);
  });
}

/** Debian's Chromium, by apt, when it is not there. */
export function chromium() {
  if (existsSync("/usr/bin/chromium")) return say("chromium: already there");
  run("Fetching the package lists", "apt-get", ["update", "-qq"]);
  run("Installing Chromium", "apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium"], {
    DEBIAN_FRONTEND: "noninteractive",
  });
}

/** Starts the built server; answers with how to stop it once it can be asked. */
export async function serve({ port, host = "127.0.0.1", db, show = false }) {
  const server = spawn(process.execPath, ["scripts/server.mjs"], {
    stdio: show ? "inherit" : ["ignore", "ignore", "inherit"],
    env: { ...env, RUNDIK_DB: db, PORT: String(port), HOST: host },
  });
  const url = `http://${host}:${port}`;
  for (let i = 0; i < 240; i++) {
    if (server.exitCode !== null) throw new Error(`the server stopped with ${server.exitCode}; is port ${port} taken?`);
    try {
      if ((await fetch(url)).ok)
        return { url, server, stop: () => new Promise((done) => (server.once("exit", done), server.kill("SIGTERM"))) };
    } catch (e) {
      if (e.cause?.message === "bad port") {
        server.kill("SIGTERM");
        throw new Error(`port ${port} is one that browsers refuse to open; choose another with PORT`, { cause: e });
      }
    }
    await new Promise((r) => setTimeout(r, 250));
  }
  server.kill("SIGTERM");
  throw new Error("the server did not answer within a minute");
}

/** Starts a made-up device of the bench; a port that is taken is no reason not to go on. */
function device(name, settings, url) {
  const server = spawn("node_modules/.bin/tsx", [`src/standins/${name}/main.ts`], {
    stdio: "ignore",
    env: { ...env, ...settings },
  });
  process.once("exit", () => server.kill("SIGTERM"));
  return { url, server };
}

/** Starts the made-up calliper. */
export const calliperOn = (port) => device("calliper", { CALLIPER_PORT: port }, `http://127.0.0.1:${port}/stand-in`);

/** Starts the made-up label printer; what came out is on a page one port on. */
export const labelPrinterOn = (port) =>
  device("label-printer", { LABEL_PORT: port }, `http://127.0.0.1:${Number(port) + 1}`);

/** Starts the made-up suppliers; answers once they can be asked. A demo that fails to start takes them along. */
export async function suppliersAt(settings) {
  const server = spawn("node_modules/.bin/tsx", ["src/standins/supplier/main.ts"], {
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...env, ...settings },
  });
  process.once("exit", () => server.kill("SIGTERM"));
  const url = `http://127.0.0.1:${settings.SUPPLIER_PORT}`;
  for (let i = 0; i < 120 && server.exitCode === null; i++) {
    if (await fetch(url).then((r) => r.ok).catch(() => false)) return { url, server }; // prettier-ignore
    await new Promise((r) => setTimeout(r, 250));
  }
  throw new Error(
    `the made-up suppliers did not start; is port ${settings.SUPPLIER_PORT} taken? Choose another with SUPPLIER_PORT`,
  );
}
