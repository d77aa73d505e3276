import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, readdirSync, realpathSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";

/** What `npm run demo`, `npm test` and `npm run shots` share. Plain Node: it runs before anything is installed. */
export const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1", CHECKPOINT_DISABLE: "1" };
const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(1)} s`;

export function say(text) {
  console.log(`\n— ${text}`);
}

const running = new Set();
process.on("exit", () => running.forEach((command) => command.kill("SIGTERM")));

/** Runs a command to its end, showing what it prints; stops everything when it fails. */
export async function run(what, command, args, extra = {}) {
  say(what);
  const from = Date.now();
  const began = spawn(command, args, { stdio: "inherit", env: { ...env, ...extra } });
  running.add(began);
  const status = await new Promise((told) => began.once("error", () => told(null)).once("exit", told));
  running.delete(began);
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

const stampOf = (name) => join("node_modules/.rundik", name);
/** What a step's input was when it was last done, held against what it is; null when the step is still good. */
function due(name, inputs, kept) {
  const now = digest(inputs);
  if (!existsSync(kept) || !existsSync(stampOf(name)) || readFileSync(stampOf(name), "utf8") !== now) return now;
  say(`${name}: already done`);
  return null;
}
function done(name, input) {
  mkdirSync("node_modules/.rundik", { recursive: true });
  writeFileSync(stampOf(name), input);
}

/** Where Node came with its headers they are compiled against, and none are fetched. */
function ownHeaders() {
  const prefix = dirname(dirname(realpathSync(process.execPath)));
  return existsSync(join(prefix, "include/node/node.h")) ? { npm_config_nodedir: prefix } : {};
}

/** Compiled so it takes half as long as at its own setting, and answers one in twenty slower. */
const SOON_COMPILED = { CFLAGS: "-O1", CXXFLAGS: "-O1" };

/**
 * Installs the packages unless they are there. The database is compiled by one core alone; what can be done without it, `meanwhile`, is
 * done beside that.
 */
export async function install(meanwhile = async () => {}) {
  const input = due("install", ["package-lock.json", ".npmrc"], "node_modules/next");
  if (input === null) return meanwhile();
  await run("Installing packages", "npm", ["ci", "--ignore-scripts", "--no-audit", "--no-fund"]);
  const compiled = run("Compiling the database, a minute or two", "npm", ["rebuild", "--no-audit", "--no-fund"], { ...ownHeaders(), ...SOON_COMPILED, ...process.env }); // prettier-ignore
  await Promise.all([compiled, meanwhile()]);
  done("install", input);
}

const SOURCES = [
  "src",
  "scripts/pack.mjs",
  "next.config.ts",
  "postcss.config.mjs",
  "tsconfig.json",
  "package-lock.json",
];

export async function build() {
  const input = due("build", SOURCES, ".next/BUILD_ID");
  if (input === null) return;
  await run("Building the workers", "node_modules/.bin/esbuild", [
    "src/workers/worker.ts",
    "--bundle",
    "--platform=node",
    "--format=cjs",
    "--target=node20",
    "--outfile=dist/worker.cjs",
    "--external:highs",
    "--log-level=warning",
  ]);
  await run("Building the pages", "node_modules/.bin/next", ["build"]);
  await run("Packing scripts and styles", process.execPath, ["scripts/pack.mjs"]);
  done("build", input);
}

/** Debian's Chromium, by apt, when it is not there. */
export async function chromium() {
  if (existsSync("/usr/bin/chromium")) return say("chromium: already there");
  await run("Fetching the package lists", "apt-get", ["update", "-qq"]);
  await run("Installing Chromium", "apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium"], {
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
