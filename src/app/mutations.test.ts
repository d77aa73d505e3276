import { workerBuilt } from "@/workers/tests/built";
import { JOB_FILES, ownRecipe as recipe, ownStandard as standard } from "./tests/samples";
import { bent, bentRequest, handlers, type Handler, type Sent } from "./tests/mutate";
import { chance } from "@/core/plan/tests/hunt";
import { actSchema } from "@/core/job/acts";
import { readJob, writeJob } from "@/core/job/file";
import type { StoredJob } from "@/core/job/stored";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { workJob } from "@/core/job/worked";
import { writeDesign } from "@/core/designs/design";
import { blank, request } from "@/core/layout/tests/samples";
import type { BenchEvent } from "@/core/bench/events";
import { inch, mm } from "@/core/length/length";
import { admit } from "@/core/trial/trial";
import { type Draft, type PurchaseAct, purchaseActSchema } from "@/core/purchase/purchase";
import { database } from "@/store/database";
import { catalogueStore } from "@/store/catalogue";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";
import { yardStore } from "@/store/yard";
import { closePool } from "@/workers/pool";

process.env.RUNDIK_DB = ":memory:";
/** A few here; 100 000 requests and 20 000 files with `npm run figures`. */
const REQUESTS = Number(process.env.RUNDIK_REQUESTS ?? 250);
const FILES = Number(process.env.RUNDIK_FILES ?? 90);

/** A request that takes longer hangs, however slow the machine, ms. */
const HANGS = 60_000;

beforeAll(workerBuilt);
afterAll(closePool);

const line = { item: "body", standard: "national", size: "brood", quantity: 3, options: { thickness: 20e6 } };
const stock = { form: "board", material: "pine", thickness: 19e6, width: 286e6, length: 2440e6, price: 14.2, available: null, source: "buy" }; // prettier-ignore
const lot = { form: "board", material: "pine", thickness: 19e6, width: 286e6, length: 2440e6, bad: [[1e6, 2e6]], rough: true, place: "rack 2" }; // prettier-ignore
const offer = { form: "pack", material: "frame nail", pack: 200, price: 6.5 };
const level = { item: "body", standard: "national", size: "brood", options: {} };
const box = { name: "old box", outsideLength: 460e6, outsideWidth: 460e6, insideLength: 420e6, insideWidth: 420e6, depth: 225e6, over: 0, under: 6e6 }; // prettier-ignore
const hive = { name: "h", count: 2, levels: [level, { measured: box }], begins: { spring: "03-01", summer: "06-01", autumn: "09-01", winter: "12-01" } }; // prettier-ignore
/** A picture of one dot. */
const PICTURE = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";
const pinned = { stock: 0, repeat: 1, layout: {} };

/** One of each kind of act; the schema's list is the list. */
const ACTS: Record<string, object> = {
  name: { name: "Moor" },
  dates: { start: "2027-01-04", due: "2027-03-01" },
  units: { units: "in" },
  finish: { finish: "wax" },
  thickness: { thickness: 20e6 },
  "add line": { line },
  "remove line": { at: 1 },
  "change line": { at: 0, to: { quantity: 5 } },
  option: { at: 0, name: "joint", value: "finger" },
  "add stock": { stock },
  "change stock": { at: 0, stock },
  "remove stock": { at: 0 },
  "use standard": { standard },
  "use design": { design: { recipe, mark: 1, why: "" } },
  hives: { hives: [hive] },
  read: { reading: { subject: "rip-1 fence", target: 225e6, value: 224e6, at: "2027-01-05T08:00:00.000Z" } },
  "add lines": { lines: [line, line] },
  pin: { pinned: [pinned] },
  "strike out": { at: 0 },
  resaw: { at: 0, into: 2 },
  "bad stretches": { at: 0, bad: [[1e6, 2e6]] },
  customer: { customer: "Moorland estate" },
  wood: { wood: "larch" },
  alone: { alone: true },
  reserve: { lots: [{ id: 1, count: 1 }] },
  sawn: { stock: [{ ...stock, available: 1 }], layouts: [{ stock: 0, repeat: 1, strips: [] }], kept: [{ lot: { ...lot, offcut: true }, count: 2 }] }, // prettier-ignore
  hold: { pinned: [pinned], lots: [{ id: 1, count: 1 }] },
  spoil: { spoiled: { id: "3f2a.17", of: { line: 0, part: "side" }, pieces: 2, units: 1, at: "Rip to width" } },
  quote: { to: { margin: 25, until: "2027-03-01", terms: "six weeks" } },
  "ask for": { at: 0, each: 4150 },
  "give quote": { given: { on: "2027-02-01", currency: "GBP", tax: 20, lines: [{ item: "Body, deep", quantity: 4, each: 4150, cost: 2600 }] } }, // prettier-ignore
  "accept quote": { given: 0 },
  workshop: { to: { kerf: 3e6, people: 2, money: { currency: "GBP", rate: 24, overhead: 12, tax: 20 } } },
  "as the shop": { name: "kerf" },
};

const PURCHASE_ACTS: PurchaseAct[] = [{ do: "line", line: 0, packs: 3 }, { do: "put off", until: "2027-03-01" }, { do: "take up" }, { do: "sent by hand" }, { do: "receive", note: "n 1", lines: [{ line: 0, packs: 1 }] }]; // prettier-ignore
const draft: Draft = { seller: null, name: "by hand", currency: "GBP", delivery: 0, lines: [{ offer: null, thing: { form: "pack", material: "frame nail" }, pack: 200, packs: 5, price: 650, for: [] }] }; // prettier-ignore

const BENCH: BenchEvent["what"][] = [{ do: "begin", of: { kind: "Rip to width", all: 40, setup: 5, each: 1.5 } }, { do: "count", n: 4 }, { do: "spoil", n: 1, why: "knot", of: [{ line: 0, part: "side" }] }, { do: "measure", target: mm(20), value: mm(20), tolerance: mm(0.4) }, { do: "stop", why: "break" }, { do: "time", counts: true }]; // prettier-ignore

test("every kind of act has a sample here", () => {
  expect(Object.keys(ACTS)).toEqual(actSchema.unwrap().options.map((o) => o.shape.do.value));
  expect(PURCHASE_ACTS.map((a) => a.do)).toEqual(purchaseActSchema.options.map((o) => o.shape.do.value));
});

/** One good request of each handler; acts one of each kind. */
function samples(id: string): Sent[] {
  const sent = (route: string, method: string, body?: unknown, path = {}, query = ""): Sent => ({
    route, method, path, query, type: "application/json", ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  }); // prettier-ignore
  const of = { id };
  return [
    ...JOB_FILES.map((f) => sent("jobs", "POST", f)),
    sent("jobs/[id]", "GET", undefined, of),
    sent("jobs/[id]", "DELETE", undefined, { id: "999" }),
    sent("jobs/[id]/file", "GET", undefined, of),
    sent("jobs/[id]/follow", "GET", undefined, of),
    sent("jobs/[id]/instead", "GET", undefined, of),
    ...["item.svg", "item.dxf", "stick.pdf"].map((file) => sent("jobs/[id]/lines/[line]/[file]", "GET", undefined, { ...of, line: "0", file }, "paper=A4")), // prettier-ignore
    sent("jobs/[id]/layout/[file]", "GET", undefined, { ...of, file: "boards.csv" }),
    ...["batch.pdf", "labels.pdf"].map((file) => sent("jobs/[id]/batch/[file]", "GET", undefined, { ...of, file })),
    sent("jobs/[id]/labels", "POST", {}, of),
    ...["pdf", "csv", "xlsx"].map((kind) => sent("jobs/[id]/quote/[file]", "GET", undefined, { ...of, file: `quote-1.${kind}` })), // prettier-ignore
    ...Object.entries(ACTS).map(([kind, a]) => sent("jobs/[id]/act", "POST", { key: `s-1.${kind.length}`, revision: 0, act: { do: kind, ...a } }, of)), // prettier-ignore
    sent("jobs/[id]/act", "POST", { undo: true }, of),
    sent("jobs/[id]/act", "POST", { loaded: 0, acts: [{ key: "s-1.9", revision: 0, act: { do: "name", name: "Moor" } }, { undo: true }] }, of), // prettier-ignore
    sent("jobs/[id]", "PATCH", { archived: false }, of),
    sent("jobs/[id]", "PATCH", { away: false }, of),
    sent("jobs/start", "POST", {
      lines: [line, { ...line, frames: true }],
      wood: "larch",
      due: "2027-03-01",
      customer: "Moorland estate",
    }),
    sent("jobs/start", "POST", { template: "national" }),
    sent("jobs/start", "POST", { like: Number(id) }),
    sent("today/follow", "GET"),
    sent("catalogue", "GET", undefined, {}, "screen=s-1&loaded=0"),
    sent("catalogue/follow", "GET"),
    ...[{ do: "offer", offers: [offer, { form: "board", material: "pine", thickness: 19e6, width: 286e6, length: 2440e6, price: null }] }, { do: "change", id: 1, to: offer }, { do: "leave out", id: 2 }].map((act) => sent("catalogue/act", "POST", { revision: 0, act })), // prettier-ignore
    sent("yard", "GET", undefined, {}, "screen=s-1&loaded=0&since=0"),
    sent("yard/follow", "GET"),
    sent("yard/lots/[id]", "GET", undefined, { id: "1" }),
    ...["catalogue.csv", "catalogue.xlsx"].map((file) => sent("catalogue/file/[file]", "GET", undefined, { file })),
    ...["yard.csv", "yard.xlsx"].map((file) => sent("yard/file/[file]", "GET", undefined, { file })),
    ...[{ do: "put in", why: "received", lots: [{ lot, count: 9 }, { lot: { form: "pack", material: "frame nail" }, count: 480 }] }, { do: "take out", why: "used", lots: [{ id: 1, count: 1 }], job: 1 }, { do: "count", id: 1, found: 7 }, { do: "put right", id: 1, count: 1, lot: { ...lot, bad: [[3e6, 4e6]] } }, { do: "reserve", job: Number(id), lots: [{ id: 1, count: 1 }] }].map((act) => sent("yard/act", "POST", { loaded: 0, acts: [{ revision: 0, act }] })), // prettier-ignore
    sent("yard/act", "POST", { undo: true }),
    sent("orders", "GET", undefined, {}, `jobs=${id}`),
    sent("orders", "POST", { key: "k-12345678", seller: null, jobs: [Number(id)], total: 0 }),
    sent("orders/follow", "GET"),
    sent("orders/prices", "GET", undefined, {}, "thing=pack|frame nail|"),
    sent("orders/[id]", "GET", undefined, { id: "1" }),
    sent("orders/[id]/follow", "GET", undefined, { id: "1" }),
    ...["pdf", "csv", "xlsx", "txt"].map((kind) => sent("orders/[id]/file/[file]", "GET", undefined, { id: "1", file: `order.${kind}` })), // prettier-ignore
    ...PURCHASE_ACTS.map((act) => sent("orders/[id]/act", "POST", { revision: 0, act }, { id: "1" })),
    ...["send", "ask", "cancel"].map((what) => sent("orders/[id]/line", "POST", { do: what }, { id: "1" })),
    sent("suppliers", "POST", { address: "http://127.0.0.1:1/timber" }),
    ...["ask", "leave out"].map((what) => sent("suppliers/[id]", "POST", { do: what }, { id: "1" })),
    sent("designs", "GET"),
    sent("designs", "POST", { recipe, why: "x" }),
    sent("designs", "PATCH", { id: "moor-rim", mark: 1, note: "warped" }),
    sent("designs", "DELETE", { id: "moor-rim" }),
    sent("designs/file", "GET", undefined, {}, "id=moor-rim&mark=1"),
    sent("designs/file", "POST", writeDesign({ recipe, mark: 1, why: "" })),
    sent("shop", "GET", undefined, {}, "screen=s-1&loaded=0"),
    sent("shop/follow", "GET"),
    sent("shop/act", "POST", { revision: 0, act: { do: "workshop", to: { ...USUAL_WORKSHOP, people: 2 } } }),
    sent("shop/act", "POST", { loaded: 0, acts: [{ revision: 0, act: { do: "units", units: "mm" } }, { undo: true }] }), // prettier-ignore
    sent("weigh/file/[file]", "GET", undefined, { file: "weighed-up.pdf" }, new URLSearchParams({ many: "3", units: "mm", of: JSON.stringify({ format: "rundik-weigh", version: 1, units: "mm", things: [{ name: "deep", item: "frame", standard: "langstroth-10", size: "deep" }] }) }).toString()), // prettier-ignore
    sent("weigh/year", "POST", { starter: 1, fill: 0.5 }),
    sent("weigh", "POST", { format: "rundik-weigh", version: 1, units: "in", things: [{ name: "deep", item: "frame", standard: "langstroth-10", size: "deep", options: {}, frames: 3 }, { name: "hive", hive: [{ item: "long-body", standard: "langstroth-10", size: "deep", options: { longFrames: 20 } }] }], assume: { honeyFill: 0.5, season: "winter" } }), // prettier-ignore
    sent("book", "GET", undefined, {}, "q=BW-2%3F"),
    ...["book.json", "book.csv", "pieces.csv", "pieces.xlsx"].map((file) =>
      sent("book/file/[file]", "GET", undefined, { file }),
    ),
    sent("book/file", "POST", { format: "rundik-book", version: 1, pieces: [{ key: "k-in-0001", given: { code: "KH", year: 2020, number: 7 }, piece: { mark: "KH-20-0007", title: "Old body", item: "body", standard: "national", size: "brood", madeOn: "2020-03-01" } }], happenings: [{ id: "t.1", of: "k-in-0001", on: "2021-03-02", what: { do: "out", to: "Moor" } }] }), // prettier-ignore
    sent("book/file/list", "POST", { csv: "mark,what,made on\nKL-19-0001,Old deep,2019-03-01" }),
    sent("book/labels", "GET", undefined, {}, "q=BW"),
    sent("book/[id]/photo", "POST", { id: "ph.1", on: "2030-01-02", note: "left", photo: PICTURE }, { id: "1" }),
    sent("book/photo/[name]", "GET", undefined, { name: "a".repeat(64) }),
    sent("book/[id]/mend", "POST", { box: { outsideLength: 505e6, outsideWidth: 413e6, insideLength: 466e6, insideWidth: 374e6, depth: 241e6, restToRest: 486e6, restDepth: 16e6 }, corner: "finger" }, { id: "1" }), // prettier-ignore
    sent("book/lasting", "GET", undefined, {}, "by=wood"),
    sent("book/[id]/brand", "GET", undefined, { id: "1" }, "high=20"),
    sent("book/pieces", "POST", { key: "k-book-1", give: { job: Number(id), line: 0, count: 3, code: "BW", madeOn: "2027-03-01" } }), // prettier-ignore
    sent("book/pieces", "POST", { key: "k-book-2", keep: { title: "Old body", mark: "HM 1984", item: "body", standard: "unknown", size: "unknown", madeOn: "2027-03-01", measured: [{ what: "depth", value: 240e6 }] } }), // prettier-ignore
    sent("book/happened", "POST", { events: [{ id: "s.1", piece: 1, on: "2027-03-02", what: { do: "inspected", faults: ["split"], note: "left side" } }] }), // prettier-ignore
    sent("standards", "GET"),
    sent("copy", "GET"),
    sent("door", "POST", { passphrase: "four dry boards in the yard" }),
    sent("door", "DELETE", { id: 1 }),
    sent("standards", "PUT", standard),
    sent("standards", "DELETE", { id: "heath" }),
    sent("layout", "POST", request([blank("0/side", inch(19, 7, 8), inch(9, 5, 8), 9)]), {}, "ask=abcdefgh"),
    sent("layout", "DELETE", undefined, {}, "ask=abcdefgh"),
    ...["plan", "plan/gains"].flatMap((route) => ["POST", "DELETE"].map((method) => sent(route, method, undefined, {}, "ask=abcdefgh"))), // prettier-ignore
    sent("plan/mend", "POST", { puts: [{ job: Number(id), name: "rip", lot: 0, lots: 2, at: 30_000_000 }] }),
    sent("plan/stand", "POST", { id: 1, do: "stand" }),
    sent("plan/follow", "GET"),
    sent("plan/file/[file]", "GET", undefined, { file: "plan.ics" }, "who=0"),
    ...BENCH.map((what, n) => sent("bench", "POST", { events: [{ id: `s-1.${n}`, job: Number(id), name: "rip", at: 1e12, what }] })), // prettier-ignore
    sent("bench/follow", "GET"),
    sent("bench/calliper", "GET"),
  ];
}

async function send(all: Map<string, Handler>, s: Sent): Promise<{ status: number; text: string }> {
  const handle = all.get(`${s.method} ${s.route}`)!;
  const asked = new Request(`http://127.0.0.1/api?${s.query}`, {
    method: s.method,
    ...(s.body === undefined ? {} : { body: s.body, headers: { "content-type": s.type } }),
  });
  const reply = await handle(asked, { params: Promise.resolve(s.path) });
  if (!reply.headers.get("content-type")?.includes("event-stream"))
    return { status: reply.status, text: await reply.text() };
  // A line that stays open: what it says first.
  const line = reply.body!.getReader();
  const text = Buffer.from((await line.read()).value!).toString();
  await line.cancel();
  return { status: reply.status, text };
}

/** Whatever is kept opens: worked out, written and read back as the same job. */
function opens(id: number): void {
  const { job } = jobStore(database()).load(id);
  const { findings, faults } = workJob(job);
  expect(findings.filter((f) => Number.isNaN(f.value))).toEqual([]);
  expect(faults).toEqual([]);
  expect(readJob(JSON.parse(JSON.stringify(writeJob(job))))).toEqual(readJob(writeJob(job)));
}
const rows = () => database().prepare("SELECT (SELECT count(*) FROM job) AS jobs, (SELECT sum(revision) FROM job) AS revisions, (SELECT revision FROM shop) AS shop, (SELECT revision FROM yard) AS yard, (SELECT count(*) FROM movement) AS moved, (SELECT revision FROM catalogue) AS catalogue, (SELECT sum(revision + 1) FROM purchase) AS purchases, (SELECT count(*) FROM supplier) AS suppliers, (SELECT count(*) FROM bench) AS bench, (SELECT count(*) FROM plan) AS plans, (SELECT count(*) FROM own_design) AS marks, (SELECT count(*) FROM own_standard) AS standards").get(); // prettier-ignore

/** What has been done to what a route acts on. */
function revisionOf(route: string, id: number): number {
  if (route === "orders/[id]/act") return purchaseStore(database()).revision(1);
  const of = { "shop/act": shopStore, "yard/act": yardStore, "catalogue/act": catalogueStore }[route];
  return of ? of(database()).revision() : jobStore(database()).load(id).revision;
}

test("no bent request takes a route down, refusals change nothing, and what is taken opens", async () => {
  const all = await handlers();
  const random = chance(20261126);
  const started = async () => (JSON.parse((await send(all, samples("0")[0]!)).text) as StoredJob).id;
  let id = await started();
  purchaseStore(database()).draw("k-bent", draft);
  expect(new Set(samples("1").map((s) => `${s.method} ${s.route}`))).toEqual(new Set(all.keys()));
  const seen: Record<string, number> = {};
  let slowest = 0;
  for (let n = 0; n < REQUESTS; n++) {
    // A path bent to another number may have taken the job away.
    if (
      !jobStore(database())
        .list()
        .some((j) => j.id === id)
    )
      id = await started();
    const goods = samples(String(id));
    const good = goods[Math.floor(random() * goods.length)]!;
    if (good.route.endsWith("act")) good.body = good.body!.replace('"revision":0', `"revision":${revisionOf(good.route, id)}`).replace("s-1.", `s-${n}.`); // prettier-ignore
    const sent = random() < 0.1 ? good : bentRequest(good, random);
    const before = rows();
    const began = performance.now();
    const { status, text } = await send(all, sent);
    const took = performance.now() - began;
    slowest = Math.max(slowest, took);
    seen[status] = (seen[status] ?? 0) + 1;
    expect([sent, status < 500 || status === 503 || status === 507, took < HANGS]).toEqual([sent, true, true]);
    if (status >= 400) {
      expect([sent, rows()]).toEqual([sent, before]);
      expect([sent, (JSON.parse(text) as { error: string }).error.length > 8]).toEqual([sent, true]);
    } else if (sent.route === "yard/act") {
      // Not asked as one query of the program's own: what is there is the sum of what came and went.
      expect(database().prepare("SELECT id FROM lot WHERE there <> (SELECT coalesce(sum(change), 0) FROM movement WHERE lot_id = lot.id)").all()).toEqual([]); // prettier-ignore
    } else if (sent.method === "POST" && sent.route.startsWith("jobs")) {
      const made = sent.route === "jobs" || sent.route === "jobs/start" ? (JSON.parse(text) as { id: number }).id : id;
      opens(made);
      if (made !== id) jobStore(database()).remove(made);
    }
  }
  process.stdout.write(`${REQUESTS} bent requests: ${JSON.stringify(seen)}, slowest ${slowest.toFixed(0)} ms, ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB\n`); // prettier-ignore
  expect(seen["200"]).toBeGreaterThan(REQUESTS / 50);
  expect(seen["400"]).toBeGreaterThan(REQUESTS / 10);
}, 3_600_000);

test("a bent job file is refused in words, or what it makes opens everywhere", () => {
  const random = chance(7);
  let taken = 0;
  for (let n = 0; n < FILES; n++) {
    // As it comes out of a file: a list has nothing but its entries.
    const file: unknown = JSON.parse(JSON.stringify(bent(JOB_FILES[n % JOB_FILES.length], random)));
    let said = "";
    try {
      const job = admit(readJob(file));
      workJob(job);
      taken++;
    } catch (e) {
      said = (e as Error).name;
    }
    expect([file, ["", "JobFileError"].includes(said)]).toEqual([file, true]);
  }
  process.stdout.write(`${FILES} bent files: ${taken} taken\n`);
}, 3_600_000);
