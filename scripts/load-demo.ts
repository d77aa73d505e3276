import { readFileSync, readdirSync } from "node:fs";
import { type BoughtAs, offerOf } from "@/core/catalogue/catalogue";
import { readDesignFile } from "@/core/designs/file";
import { readJobFile } from "@/core/job/file";
import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { layOut } from "@/core/layout/layout";
import { costOf } from "@/core/order/cost";
import { orderOf } from "@/core/order/order";
import { plusDays } from "@/core/purchase/proposal";
import { NO_QUOTE, quoteLines } from "@/core/quote/quote";
import { today } from "@/app/today";
import type { Station } from "@/core/feature/machine";
import type { Lot } from "@/core/yard/lot";
import type { Fault, Happening } from "@/core/book/book";
import { bookStore } from "@/store/book";
import { catalogueStore } from "@/store/catalogue";
import { database, databaseFile } from "@/store/database";
import { inch } from "@/core/length/length";
import { designStore } from "@/store/designs";
import { photoOf } from "@/exchange/photo";
import sharp from "sharp";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";
import { yardStore } from "@/store/yard";
import { loadOrders } from "./demo-orders";

/**
 * Keeps the demo's jobs and its workshop's own designs, mark by mark, unless the database already has jobs. The wood and hardware the
 * jobs name is the shop's: what is in the yard lies there, what is bought is in the catalogue.
 */
const BY_HAND = ["bench", "clamps", "frame jig", "finish"] as const;
const STAFF = [
  { title: "sawyer" },
  { title: "joiner", works: ["table saw", "drill", ...BY_HAND] as Station[] },
  { title: "helper", days: [1, 2, 3, 4], works: [...BY_HAND] as Station[] },
];
const db = database();
const store = jobStore(db);
const yard = yardStore(db);
const designs = designStore(db);
const files = (folder: string) =>
  readdirSync(folder)
    .filter((f) => f.endsWith(".json"))
    .sort()
    .map((f) => readFileSync(`${folder}/${f}`, "utf8"));
if (store.list().length > 0) console.log("The database already has jobs; the demo is not loaded again.");
else {
  // Three people: one works everything, one no planer, one comes four days and works no machine; the rest of the shop is as usual.
  const { shop } = shopStore(db).all([
    {
      revision: 0,
      act: {
        do: "workshop",
        to: { people: 3, staff: STAFF, money: { currency: "GBP", rate: 24, overhead: 12, tax: 20 } },
      },
    },
  ]);
  const asked = (item: string, size: string, material: string, as: BoughtAs, price: number, days: number) => ({ form: "item" as const, item, standard: "langstroth-10", size, material, as, price, days }); // prettier-ignore
  const offers = [
    asked("body", "deep", "Langstroth body, deep", "ready made", 29.5, 10),
    asked("body", "deep", "Langstroth body, deep", "kit", 22.8, 6),
    asked("frame", "deep", "Langstroth frame, deep", "ready made", 4.6, 10),
  ];
  catalogueStore(db).all([{ revision: catalogueStore(db).revision(), act: { do: "offer", offers } }]);
  for (const text of files("demo")) {
    const { stock, ...job } = readJobFile(text, shop.workshop);
    const offers = stock.filter((s) => s.source === "buy").map(offerOf);
    const lots = stock.flatMap((s): { lot: Lot; count: number }[] => {
      if (s.source !== "yard" || s.form === "pack") return [];
      const { form, material, thickness, width, length, bad, rough, available } = s;
      const place = rough ? "lean-to" : "rack 1";
      return [{ lot: { form, material, thickness, width, length, place, ...(bad ? { bad } : {}), ...(rough ? { rough } : {}) }, count: available ?? 1 }]; // prettier-ignore
    });
    if (offers.length > 0) catalogueStore(db).all([{ revision: catalogueStore(db).revision(), act: { do: "offer", offers } }]); // prettier-ignore
    const { id } = store.create({ ...job, stock: [] });
    console.log(`Loaded ${job.name}.`);
    if (lots.length === 0) continue;
    yard.all([{ revision: yard.revision(), act: { do: "put in", why: "counted", lots } }]);
    // Who brought boards in has them kept.
    const kept = lots.map(({ lot, count }) => ({ id: yard.lotOf(lot)!.id, count }));
    store.act(id, 0, { do: "reserve", lots: kept });
  }
  quoteFor("Mating hives from the rough pile");
  for (const text of files("demo/designs")) {
    const { recipe, why } = readDesignFile(text);
    console.log(`Loaded ${recipe.name}, mark ${designs.keep(recipe, why, [])}.`);
  }
  await loadOrders(db, process.env.SUPPLIER_FILE ?? `${databaseFile()}.suppliers.json`);
  console.log("Loaded its suppliers and orders.");
  await loadBook();
}

/** Boxes of twenty years, where they went and what became of them. */
async function loadBook(): Promise<void> {
  const book = bookStore(db);
  const stands = ["Brackwater stand", "the heath", "the orchard", "the mill"];
  const woods = ["eastern white pine", "western red cedar"];
  let number = 0;
  const told = (piece: number, on: string, what: Happening["what"]): Happening => ({
    id: `demo.${++number}`,
    piece,
    on,
    what,
  });
  for (const [k, year] of [2006, 2011, 2016, 2021].entries()) {
    const wood = woods[k % 2]!;
    const pieces = book.give({ title: "Body, deep", item: "body", standard: "langstroth-10", size: "deep", wood, joint: k < 2 ? "butt, ends inside" : "rabbet in ends", finish: "oil", madeOn: `${year}-02-20`, measured: [] }, 20, "BW", `demo-book-${year}`); // prettier-ignore
    book.happened(
      pieces.flatMap(({ id }, i) => {
        const out = told(id, `${year}-04-${10 + (i % 18)}`, { do: "out", to: stands[i % 4]! });
        // Pine fails from its eighth year on, in its lower corners; cedar seldom.
        const lives = wood === woods[0] ? 8 + ((i * 7) % 13) : 14 + ((i * 11) % 30);
        const ends = year + lives;
        if (ends > 2026) return [out];
        const faults: Fault[] = i % 4 === 0 ? ["split"] : ["corner rotten"];
        const back = [told(id, `${ends}-09-12`, { do: "back" }), told(id, `${ends}-09-13`, { do: "inspected", faults: i % 5 === 0 ? [...faults, "rest broken"] : faults })]; // prettier-ignore
        return [out, ...back, ...(i % 3 === 0 ? [] : [told(id, `${ends}-11-02`, { do: "scrapped", why: faults[0]! })])];
      }),
    );
  }
  // Rims of both marks of a design: butts of the first come loose, the second holds.
  for (const [design, year] of [
    [1, 2017],
    [2, 2022],
  ] as const) {
    const rims = book.give({ title: "Brackwater patty rim", item: "brackwater-patty-rim", standard: "langstroth-10", size: "deep", design, wood: woods[0]!, finish: "oil", madeOn: `${year}-02-11`, measured: [] }, 16, "BW", `demo-rims-${year}`); // prettier-ignore
    book.happened(
      rims.flatMap(({ id }, i) => {
        const ends = year + 3 + (i % 5);
        if (i % design !== 0 || i % 4 === 3 || ends > 2026) return [];
        const fault: Fault = i % 8 === 0 ? "split" : "joint loose";
        const found = told(id, `${ends}-10-02`, { do: "inspected", faults: [fault] });
        return [found, i % 2 === 0 ? told(id, `${ends}-10-03`, { do: "scrapped", why: fault }) : told(id, `${ends}-11-20`, { do: "repaired", faults: [fault], how: "glued, screws for nails", minutes: 12 })]; // prettier-ignore
      }),
    );
  }
  designs.note("brackwater-patty-rim", 1, "corners come loose after the third winter: nails alone do not hold");
  // One that came in, and a wall with its corner gone in place of a photograph of it.
  const old = book.keep({ mark: "HM 1984", title: "Old body, two handholds", item: "body", standard: "unknown", size: "unknown", madeOn: "2026-09-14", ageless: true, measured: [] }, "demo-came-in"); // prettier-ignore
  book.happened([
    told(old.id, "2026-09-15", { do: "measured", sizes: [{ what: "insideLength", value: inch(18, 5, 16) }, { what: "insideWidth", value: inch(14, 11, 16) }, { what: "depth", value: inch(9, 1, 2) }, { what: "restDepth", value: inch(0, 13, 16) }] }),
    told(old.id, "2026-09-15", { do: "inspected", faults: ["corner rotten", "rest too deep"] }),
  ]); // prettier-ignore
  const broken = `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="600"><path d="M0 150h900M0 300h900M0 450h900" stroke="#8a6238" stroke-width="3"/><path d="M0 600V330q90 40 120 130t150 140z" fill="#3b2a1a"/><path d="M270 600q-40-90-150-140" stroke="#20160d" stroke-width="6" fill="none"/><text x="560" y="90" font-family="monospace" font-weight="bold" font-size="72" fill="#2b1d10">HM 1984</text></svg>`; // prettier-ignore
  const drawn = sharp({ create: { width: 900, height: 600, channels: 3, background: "#b98d5a" } }).composite([{ input: Buffer.from(broken) }]).jpeg(); // prettier-ignore
  book.photographed(await photoOf(await drawn.toBuffer()), { id: `demo.${++number}`, piece: old.id, on: "2026-09-15", note: "left corner, drawn in place of a picture" }); // prettier-ignore
  console.log(`Loaded ${book.count()} pieces of the Book.`);
}

/** A quote that waits for an answer: a third on what each piece costs. */
function quoteFor(name: string): void {
  const { id } = store.list().find((j) => j.name === name)!;
  const worked = workJob(store.inShop(id));
  const layout = layOut(layoutRequest(worked), () => 0);
  const { items, currency } = costOf(worked, layout, orderOf(worked, layout));
  const quote = { ...NO_QUOTE, margin: 33 };
  const lines = quoteLines(quote, items).map(({ item, quantity, each, cost }) => ({ item, quantity, each, cost }));
  const given = {
    on: today(),
    until: plusDays(today(), 28),
    terms: "Ready six weeks after you say yes. Half when ordered.",
    currency,
    tax: 20,
    lines,
  };
  const { revision } = store.load(id);
  store.all(id, [
    { revision, act: { do: "quote", to: { margin: quote.margin, until: given.until, terms: given.terms } } },
    { revision: revision + 1, act: { do: "give quote", given } },
  ]);
  console.log(`Quoted ${name}.`);
}
