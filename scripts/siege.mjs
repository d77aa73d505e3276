import { existsSync, mkdirSync, rmSync } from "node:fs";
import Database from "better-sqlite3";
import { build, chromium, install, say, serve } from "./steps.mjs";

/**
 * What happens to what was done when the server is killed, replies are lost, many act at once, and jobs are long: each part says its
 * figures and stops at the first thing that does not hold. `npm run siege` does all of it, `npm run siege -- crowd` one
 * part, `-- small` a little of each, as `npm test` does. Everything stays on this machine.
 */
const PARTS = { clients, yard, bench, browser, two, crowd, queue, long, large, growth };
const words = process.argv.slice(2);
const small = words.includes("small");
const fewer = words.find((w) => w.startsWith("kills="));
const named = words.filter((w) => w !== "small" && w !== fewer);
/** How many kills: all, two for a small siege, or as many as were asked for with `kills=`. */
const killsOf = (all) => (fewer ? Number(fewer.slice(6)) : small ? 2 : all);
const PORT = 4185;
const DB = "test-results/siege.db";

/** Numbers that are the same each time: mulberry32. */
function chance(seed) {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const random = chance(20261126);
const wait = (ms) => new Promise((r) => setTimeout(r, ms));
const check = (holds, what) => {
  if (!holds) throw new Error(what);
};
const at = (sorted, part) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))];
const ms = (n) => `${n.toFixed(0)} ms`;
/** Median, ninety-five in a hundred, and the slowest. */
function times(list) {
  const sorted = [...list].sort((a, b) => a - b);
  return { text: `median ${ms(at(sorted, 0.5))}, p95 ${ms(at(sorted, 0.95))}, slowest ${ms(sorted.at(-1))}`, p95: at(sorted, 0.95), most: sorted.at(-1) }; // prettier-ignore
}

let running;
// A siege that ends badly leaves no server behind, which would answer the next.
process.on("exit", () => running?.server.kill("SIGKILL"));
async function start() {
  const began = performance.now();
  running = await serve({ port: PORT, db: DB });
  return performance.now() - began;
}
async function kill() {
  const gone = new Promise((r) => running.server.once("exit", r));
  running.server.kill("SIGKILL");
  await gone;
}
async function fresh() {
  if (running && running.server.exitCode === null) await running.stop();
  for (const f of [DB, `${DB}-wal`, `${DB}-shm`, "test-results/copies"]) rmSync(f, { force: true, recursive: true });
  return start();
}
const URL = `http://127.0.0.1:${PORT}`;

/** Asks until there is an answer, as a page does. */
async function ask(path, body, method = body === undefined ? "GET" : "POST") {
  for (;;)
    try {
      const reply = await fetch(`${URL}${path}`, {
        method,
        ...(body === undefined ? {} : { headers: { "content-type": "application/json" }, body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(10_000),
      });
      const said = await reply.json();
      if (reply.status === 503) throw new Error(said.error);
      check(reply.ok, `${path}: ${reply.status} ${JSON.stringify(said).slice(0, 300)}`);
      return said;
    } catch (e) {
      if (!["TypeError", "TimeoutError", "AbortError"].includes(e.name)) throw e;
      await wait(50);
    }
}
const body = (quantity = 4, o = {}) => ({ item: "body", standard: "langstroth-10", size: "deep", quantity, ...o });
const BOARD = { form: "board", material: "pine", thickness: "3/4", width: "11 1/4", length: 96, price: 14.2 };
const YARD = { form: "board", material: "pine", thickness: 19_050_000, width: 285_750_000, length: 2_438_400_000, price: 0, available: 100_000, source: "yard" }; // prettier-ignore
const job = (name, lines, stock = [BOARD]) => ({ format: "rundik-job", version: 1, name, units: "in", lines, stock });
const make = async (...of) => (await ask("/api/jobs", job(...of))).id;

function whole() {
  const db = new Database(DB, { readonly: true });
  const said = db.pragma("integrity_check", { simple: true });
  db.close();
  check(said === "ok", `the database is not whole: ${said}`);
}

/** Four clients strike out boards one after another while the server is killed: none is lost, none is struck out twice. */
async function clients() {
  const kills = killsOf(1000);
  await fresh();
  const id = await make("clients", [body()], [1, 2, 3, 4].map(() => ({ ...BOARD, source: "yard", price: 0, available: 100_000 }))); // prettier-ignore
  let on = true;
  const done = [0, 0, 0, 0];
  const all = done.map(async (_, client) => {
    let revision = 0;
    for (let n = 1; on; n++) {
      const kept = await ask(`/api/jobs/${id}/act`, { key: `client${client}.${n}`, revision, act: { do: "strike out", at: client } }); // prettier-ignore
      revision = kept.revision;
      done[client] = n;
    }
  });
  for (let k = 0; k < kills; k++) {
    await wait(60 + random() * 400);
    await kill();
    if (k % 20 === 0) whole();
    await start();
  }
  on = false;
  await Promise.all(all);
  whole();
  const { job: kept } = await ask(`/api/jobs/${id}`);
  kept.stock.forEach((s, i) => check(s.struck === done[i], `client ${i} struck out ${done[i]}, kept are ${s.struck}`));
  return `${kills} kills under four clients: ${done.reduce((a, b) => a + b)} acts, each kept once; the database whole`;
}

/** One kind of thing that is there, as the yard has it, and the movements that say so. */
function ledger() {
  const db = new Database(DB, { readonly: true });
  const off = db.prepare("SELECT count(*) AS n FROM lot WHERE there <> (SELECT coalesce(sum(change), 0) FROM movement WHERE lot_id = lot.id)").get().n; // prettier-ignore
  const lots = db.prepare("SELECT id, json_extract(data, '$.place') AS place, there / 100.0 AS there FROM lot ORDER BY id").all(); // prettier-ignore
  db.close();
  check(off === 0, `${off} lots are not the sum of their movements`);
  return lots;
}
const lot = (place, more = {}) => ({ form: "board", material: "pine", thickness: 19_050_000, width: 285_750_000, length: 2_438_400_000, place, ...more }); // prettier-ignore

/** Boards come in, are used, sawn for a job and put right again by four clients while the server is killed. */
async function yard() {
  const kills = killsOf(1000);
  await fresh();
  const id = await make("sawn", [body()], []);
  /** The yard as a client saw it last: what was done since longer ago than is known cannot be told apart. */
  let seen = 0;
  const inYard = async (body) =>
    void (seen = Math.max(seen, (await ask("/api/yard/act", { ...body, revision: seen })).revision));
  const put = (key, of, count) => inYard({ key, act: { do: "put in", why: "received", lots: [{ lot: of, count }] } });
  await put("first.1", lot("heap"), 1_000_000);
  await put("first.2", lot("came in"), 1);
  const board = { ...lot(), price: 0, source: "yard", lot: 1, available: 1 };
  delete board.place;
  const works = [
    (key) => put(key, lot("came in"), 2),
    (key) => inYard({ key, act: { do: "take out", why: "used", lots: [{ id: 1, count: 1 }] } }),
    // What is sawn is taken back before the next, so that the job stays small.
    async (key, n) => {
      const act = { do: "sawn", stock: [board], layouts: [{ stock: 0, repeat: 1, strips: [] }], kept: [{ lot: lot("rack", { offcut: true, width: 38_100_000 }), count: 1 }] }; // prettier-ignore
      await ask(`/api/jobs/${id}/act`, n % 2 ? { key, revision: n - 1, act } : { key, revision: n - 1, undo: true });
    },
    (key, n) => inYard(n % 2 ? { key, act: { do: "take out", why: "spoiled", lots: [{ id: 1, count: 1 }] } } : { key, loaded: 0, undo: true }), // prettier-ignore
  ];
  let on = true;
  const done = works.map(() => 0);
  const all = works.map(async (work, client) => {
    for (let n = 1; on; n++) {
      await work(`client${client}.${n}`, n);
      done[client] = n;
    }
  });
  for (let k = 0; k < kills; k++) {
    await wait(60 + random() * 400);
    await kill();
    if (k % 20 === 0) {
      whole();
      ledger();
    }
    await start();
  }
  on = false;
  await Promise.all(all);
  whole();
  const there = Object.fromEntries(ledger().map((l) => [l.place, l.there]));
  const [came, used, sawn, spoiled] = done;
  check(there["came in"] === 1 + 2 * came, `${came} times two came in, there are ${there["came in"]}`);
  check(there.heap === 1_000_000 - used - (sawn % 2) - (spoiled % 2), `the heap is ${there.heap} after ${done}`);
  check((there.rack ?? 0) === sawn % 2, `the rack has ${there.rack} after ${sawn} sawings and takings back`);
  return `${kills} kills while boards come in, are used, sawn and put right: ${done.reduce((a, b) => a + b)} acts, each kept once; the yard is the sum of its ledger`; // prettier-ignore
}

/** Two benches count at one operation while replies are lost, pages are loaded again and the server is killed. */
async function bench() {
  const [kills, counts] = [fewer ? killsOf(5) : small ? 2 : 5, small ? 400 : 10_000];
  await fresh();
  const job = await make("counted", [body()], []);
  const told = { counted: 0, sent: 0, lost: 0, reloads: 0 };
  const client = async (name) => {
    /** What a browser keeps until it is told that it is kept. */
    let row = [];
    for (let n = 1; n <= counts / 2 || row.length > 0;) {
      for (let k = Math.floor(random() * 8); k > 0 && n <= counts / 2; k--, n++) {
        row.push({ id: `${name}.${n}`, job, name: "rip", at: n, what: { do: "count", n: 1 } });
        told.counted++;
      }
      if (row.length === 0) continue;
      const sent = row.slice(0, 200);
      await ask("/api/bench", { events: sent });
      told.sent += sent.length;
      // The reply never came, or the page was loaded again before it did: what was sent is sent once more.
      if (random() < 0.2) told.lost++;
      else if (random() < 0.1) told.reloads++;
      else row = row.slice(sent.length);
    }
  };
  let on = true;
  const killing = (async () => {
    for (let k = 0; k < kills && on; k++) {
      await wait(small ? 300 : 1500 + random() * 1000);
      await kill();
      await start();
    }
  })();
  await Promise.all([client("a"), client("b")]);
  on = false;
  await killing;
  const { tallies } = await ask("/api/bench", {
    events: [{ id: "c.1", job, name: "rip", at: 0, what: { do: "begin" } }],
  });
  check(tallies[0].made === counts, `${counts} were counted, there are ${tallies[0].made}`);
  whole();
  return `${told.counted} counts of two benches, sent ${told.sent} times over ${told.lost} lost replies, ${told.reloads} reloads and ${kills} kills: ${tallies[0].made}, exactly`;
}

let engine;
async function page(path, at_ = {}) {
  engine ??= await (
    await import("@playwright/test")
  ).chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--no-first-run", "--disable-background-networking", "--disable-sync"],
  });
  const context = await engine.newContext(at_);
  const made = await context.newPage();
  await made.goto(`${URL}${path}`);
  await usable(made);
  return made;
}
const usable = (p) => p.waitForFunction(() => performance.getEntriesByName("usable").length > 0, undefined, { timeout: 60_000 }); // prettier-ignore
const quantities = (p) => p.getByRole("textbox", { name: /^Quantity of line/ });
const settled = (p) => p.waitForFunction(() => !/keeping …|not kept yet/.test(document.body.innerText), undefined, { timeout: 600_000 }); // prettier-ignore

/** Five fields are edited in a browser while the server is killed. */
async function browser() {
  const kills = killsOf(300);
  await fresh();
  const id = await make(
    "browser",
    [1, 2, 3, 4, 5].map(() => body()),
  );
  const p = await page(`/jobs/${id}/ask`);
  const typed = [4, 4, 4, 4, 4];
  let [on, acts] = [true, 0];
  const typing = (async () => {
    while (on) {
      const n = Math.floor(random() * 5);
      const value = 1 + Math.floor(random() * 900);
      const field = quantities(p).nth(n);
      await field.fill(String(value));
      await field.press("Enter");
      typed[n] = value;
      acts++;
      // About as fast as a person; what waits meanwhile is sent when the server is back.
      await wait(200);
    }
  })();
  for (let k = 0; k < kills; k++) {
    await wait(150 + random() * 500);
    await kill();
    await start();
  }
  on = false;
  await typing;
  await settled(p);
  whole();
  const kept = (await ask(`/api/jobs/${id}`)).job.lines.map((l) => l.quantity);
  check(String(kept) === String(typed), `typed ${typed}, kept ${kept}`);
  check((await p.getByText("Not kept").count()) === 0, "something was said not to be kept");
  await p.context().close();
  return `${kills} kills while five fields are edited in a browser: ${acts} edits, the last of each kept, none said to be lost`;
}

/** Two browsers on one job, a tenth of the replies lost: all kept, and both screens the same. */
async function two() {
  const each = small ? 10 : 500;
  await fresh();
  const id = await make(
    "two",
    [1, 2, 3, 4, 5, 6].map(() => body()),
  );
  const pages = [await page(`/jobs/${id}/ask`), await page(`/jobs/${id}/ask`)];
  let lost = 0;
  for (const p of pages)
    await p.route("**/act", async (route) => {
      if (random() < 0.1) {
        // Half of them are done and nobody hears of it, half never arrive.
        if (random() < 0.5) await route.fetch().catch(() => undefined);
        lost++;
        return route.abort();
      }
      return route.continue();
    });
  const typed = [4, 4, 4, 4, 4, 4];
  await Promise.all(
    pages.map(async (p, side) => {
      for (let n = 0; n < each; n++) {
        const which = side * 3 + (n % 3);
        typed[which] = 1 + Math.floor(random() * 900);
        const field = quantities(p).nth(which);
        await field.fill(String(typed[which]));
        await field.press("Enter");
        await wait(10);
      }
    }),
  );
  for (const p of pages) await settled(p);
  const kept = (await ask(`/api/jobs/${id}`)).job.lines.map((l) => l.quantity);
  check(String(kept) === String(typed), `typed ${typed}, kept ${kept}`);
  for (const p of pages) {
    const shown = () => quantities(p).evaluateAll((all) => all.map((f) => f.value));
    const until = Date.now() + 60_000;
    while (String(await shown()) !== String(typed)) {
      check(Date.now() < until, `typed ${typed}, shown ${await shown()}`);
      await wait(100);
    }
  }
  // One sees the other.
  const began = performance.now();
  await quantities(pages[0]).nth(0).fill("999");
  await quantities(pages[0]).nth(0).press("Enter");
  await pages[1].waitForFunction(() => [...document.querySelectorAll("input")].some((f) => f.value === "999"), undefined, { timeout: 60_000 }); // prettier-ignore
  const seen = performance.now() - began;
  for (const p of pages) await p.context().close();
  return `two browsers, ${each} acts each, ${lost} replies lost: all kept, both screens the same; one sees the other's act after ${ms(seen)}`;
}

/** So many blanks of so many kinds that a layout of them takes its time. */
const layout = (seed) => {
  const r = chance(seed);
  const blanks = Array.from({ length: 24 }, (_, i) => ({ of: { line: 0, part: `p${i}` }, name: `p${i}`, material: "wood", length: Math.round(200e6 + r() * 700e6), width: Math.round(40e6 + r() * 120e6), thickness: 19_050_000, quantity: 20 + Math.floor(r() * 80), turn: false, block: false })); // prettier-ignore
  const saw = { kerf: 3_175_000, endTrim: 6_350_000, edgeTrim: 0, sheetTrim: 0, minHold: 228_600_000, keepOffcut: 304_800_000, sheetStages: 2 }; // prettier-ignore
  const { available: _some, ...bought } = YARD;
  return { blanks, stock: [{ ...bought, price: 14.2, source: "buy", available: null }], saw, weighing: { setUp: 0, offcut: 0 }, pinned: [] }; // prettier-ignore
};

/** Asks for a layout; `first` is when something came that could be sawn by. Hung up on when `enough` says so. */
function laidOut(seed) {
  const began = performance.now();
  const call = new AbortController();
  const first = (async () => {
    const reply = await fetch(`${URL}/api/layout`, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(layout(seed)), signal: call.signal }); // prettier-ignore
    let held = "";
    for await (const chunk of reply.body.pipeThrough(new TextDecoderStream())) {
      held += chunk;
      const lines = held.split("\n");
      held = lines.pop();
      for (const l of lines) {
        const said = JSON.parse(l);
        check(!said.error, `a layout: ${said.error}`);
        if (said.soFar || said.result) return performance.now() - began;
      }
    }
    throw new Error("a layout ended without an answer");
  })();
  return { first, hangUp: () => call.abort() };
}

/** Twenty screens act once a second while four layouts run. */
async function crowd() {
  const seconds = small ? 4 : 40;
  await fresh();
  const ids = [];
  for (let n = 0; n < 20; n++) ids.push(await make(`screen ${n}`, [body(), body(9)]));
  await ask(`/api/jobs/${ids[0]}`);
  const layouts = [1, 2, 3, 4].map((n) => laidOut(n));
  const took = [];
  await Promise.all(
    ids.map(async (id, screen) => {
      await wait(screen * 50);
      for (let n = 1; n <= seconds; n++) {
        const began = performance.now();
        await ask(`/api/jobs/${id}/act`, { key: `s${screen}.${n}`, revision: n - 1, act: { do: "change line", at: n % 2, to: { quantity: n } } }); // prettier-ignore
        took.push(performance.now() - began);
        await wait(Math.max(0, 1000 - (performance.now() - began)));
      }
    }),
  );
  await Promise.all(layouts.map((l) => l.first));
  layouts.forEach((l) => l.hangUp());
  return `20 screens acting once a second while four layouts run: ${took.length} acts, ${times(took).text}`;
}

/** Sixteen layouts asked for at once. */
async function queue() {
  const many = small ? 4 : 16;
  await fresh();
  const all = Array.from({ length: many }, (_, n) => laidOut(100 + n));
  const first = await Promise.all(all.map((l) => l.first));
  all.forEach((l) => l.hangUp());
  return `${many} layouts asked for at once: first answers ${times(first).text}`;
}

const MIX = [
  { item: "body", size: "deep" },
  { item: "frame", size: "deep" },
  { item: "body", size: "medium" },
  { item: "frame", size: "medium" },
  { item: "floor-solid", size: "deep" },
  { item: "cover-telescoping", size: "deep" },
  { item: "inner-cover", size: "deep" },
];
/** A job of a thousand lines. */
async function long() {
  const many = small ? 200 : 1000;
  await fresh();
  const lines = Array.from({ length: many }, (_, n) => body(1 + (n % 9), { ...MIX[n % MIX.length], ...(n % 5 === 0 && MIX[n % MIX.length].item === "body" ? { options: { thickness: 0.7 + (n % 40) / 400 } } : {}) })); // prettier-ignore
  const timed = async (work) => {
    const began = performance.now();
    const value = await work();
    return [value, performance.now() - began];
  };
  const [id, kept] = await timed(() => make("long", lines, []));
  const [, html] = await timed(() => fetch(`${URL}/jobs/${id}/ask`).then((r) => r.text()));
  const acts = [];
  for (let n = 0; n < 20; n++)
    acts.push((await timed(() => ask(`/api/jobs/${id}/act`, { revision: n, act: { do: "change line", at: n * 7, to: { quantity: 50 + n } } })))[1]); // prettier-ignore
  await (await page("/")).context().close();
  const [p, opened] = await timed(() => page(`/jobs/${id}/ask`));
  const edits = [];
  for (let n = 0; n < 12; n++) {
    const field = quantities(p).nth(3 + n);
    await field.fill(String(700 + n));
    edits.push(await p.evaluate(() => new Promise((done) => {
      const began = performance.now();
      document.activeElement.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }));
      requestAnimationFrame(() => setTimeout(() => done(performance.now() - began)));
    }))); // prettier-ignore
  }
  await settled(p);
  await p.context().close();
  return `${many} lines: kept from a file in ${ms(kept)}, page from the server ${ms(html)}, usable in the browser ${ms(opened)}, an act at the server ${times(acts).text}, an edit in the page ${times(edits).text}`; // prettier-ignore
}

/** Two thousand jobs, a gigabyte. */
async function large() {
  const [jobs, size] = small ? [50, 5e6] : [2000, 1e9];
  await fresh();
  await make("one of many", [body()]);
  await running.stop();
  const db = new Database(DB);
  const one = db.prepare("SELECT * FROM job").get();
  // As large as a job with long notes and many readings would be.
  const readings = Array.from({ length: Math.ceil(size / jobs / 130) }, (_, n) => ({ subject: `set-up ${n} of a long campaign, at the fence`, target: 1e8, value: 1e8 + n, at: "2027-02-09T10:00:00.000Z" })); // prettier-ignore
  const data = JSON.stringify({ ...JSON.parse(one.data), readings });
  db.transaction(() => {
    for (let n = 0; n < jobs; n++) db.prepare("INSERT INTO job (name, units, data, changed_at) VALUES (?, 'in', ?, '')").run(`Job ${n}`, data); // prettier-ignore
  })();
  db.close();
  const started = await start();
  const began = performance.now();
  await fetch(URL).then((r) => r.text());
  const first = performance.now() - began;
  const acts = [];
  for (let n = 0; n < 10; n++) {
    const from = performance.now();
    await ask(`/api/jobs/1/act`, { revision: n, act: { do: "name", name: `Job ${n}` } });
    acts.push(performance.now() - from);
  }
  return `${jobs} jobs in ${(size / 1e6).toFixed(0)} MB: answers ${ms(started)} after it is started, first page ${ms(first)}, an act ${times(acts).text}`; // prettier-ignore
}

/** Two thousand jobs, two hundred thousand movements, and a job of three hundred lines with five thousand acts. */
async function growth() {
  const [jobs, movements, lines, acts] = small ? [50, 2000, 30, 40] : [2000, 200_000, 300, 5000];
  await fresh();
  const big = await make("big", Array.from({ length: lines }, (_, n) => body(1 + (n % 9), MIX[n % MIX.length])), []); // prettier-ignore
  for (let n = 0; n < 60; n++) await ask("/api/yard/act", { revision: n, act: { do: "put in", why: "counted", lots: [{ lot: lot(`rack ${n % 9}`, { length: 900_000_000 + n * 20_000_000, offcut: true }), count: 3 }] } }); // prettier-ignore
  const offer = { form: "board", material: "pine", thickness: 19_050_000, width: 285_750_000, length: 2_438_400_000, price: 14.2 }; // prettier-ignore
  await ask("/api/catalogue/act", { revision: 0, act: { do: "offer", offers: [offer] } });
  for (let n = 0; n < acts; n += 20)
    await ask(`/api/jobs/${big}/act`, { loaded: 0, acts: Array.from({ length: 20 }, (_, i) => ({ key: `g.${n + i + 1}`, revision: n + i, act: { do: "change line", at: (n + i) % lines, to: { quantity: 1 + ((n + i) % 50) } } })) }); // prettier-ignore
  await running.stop();
  const db = new Database(DB);
  const one = db.prepare("SELECT data FROM job").get();
  db.transaction(() => {
    const job = db.prepare("INSERT INTO job (name, what, due, units, data, changed_at) VALUES (?, '4 deep bodies', date('2027-01-01', ?), 'in', ?, '')"); // prettier-ignore
    const line = db.prepare("INSERT INTO job_line (job_id, place, item, standard, size, quantity, options) VALUES (?, 0, 'body', 'langstroth-10', 'deep', 4, '{}')"); // prettier-ignore
    for (let n = 0; n < jobs; n++) line.run(job.run(`Job ${n}`, `+${n} days`, one.data).lastInsertRowid);
    const move = db.prepare("INSERT INTO movement (lot_id, why, change, at) VALUES (?, ?, ?, '2027-01-04T08:00:00.000Z')"); // prettier-ignore
    for (let n = 0; n < movements; n++) move.run(1 + (n % 60), n % 120 < 60 ? "received" : "used", n % 120 < 60 ? 100 : -100); // prettier-ignore
  })();
  const size = db.prepare("SELECT page_count * page_size AS n FROM pragma_page_count(), pragma_page_size()").get().n; // prettier-ignore
  db.close();
  await start();
  ledger();
  const timed = async (work) => {
    const began = performance.now();
    const value = await work();
    return [value, performance.now() - began];
  };
  await (await page("/shop")).context().close();
  // As whoever has the shop's page open all day: its parts are in the browser, and the first page was seen before.
  const p = await page("/shop");
  const seen = async (path) => (await timed(async () => {
    await p.goto(`${URL}${path}`);
    await usable(p);
  }))[1]; // prettier-ignore
  const [first, again] = [await seen("/"), await seen("/")];
  const shape = [await seen(`/jobs/${big}/shape`), await seen(`/jobs/${big}/shape`)];
  await p.context().close();
  const onJob = [];
  const onYard = [];
  for (let n = 0; n < (small ? 5 : 40); n++) {
    onJob.push((await timed(() => ask(`/api/jobs/${big}/act`, { revision: acts + n, act: { do: "change line", at: n, to: { quantity: 60 + n } } })))[1]); // prettier-ignore
    onYard.push((await timed(() => ask("/api/yard/act", { revision: 60 + n, act: { do: "take out", why: "used", lots: [{ id: 1 + n, count: 1 }] } })))[1]); // prettier-ignore
  }
  ledger();
  return `${jobs} jobs, ${movements} movements, a job of ${lines} lines and ${acts} acts, ${(size / 1e6).toFixed(0)} MB: first page usable in ${ms(first)}, then ${ms(again)}; Shape in ${ms(shape[0])}, then ${ms(shape[1])}; an act on the job ${times(onJob).text}; on the yard ${times(onYard).text}`; // prettier-ignore
}

await install(build);
await chromium();
mkdirSync("test-results", { recursive: true });
try {
  for (const [name, part] of Object.entries(PARTS))
    if (named.length === 0 || named.includes(name)) {
      const began = performance.now();
      const said = await part();
      say(`${name}: ${said} (${((performance.now() - began) / 1000).toFixed(0)} s)`);
    }
} finally {
  await engine?.close();
  if (running?.server.exitCode === null) await running.stop();
  for (const f of [DB, `${DB}-wal`, `${DB}-shm`]) if (existsSync(f)) rmSync(f, { force: true });
  rmSync("test-results/copies", { force: true, recursive: true });
}
process.exit(0);
