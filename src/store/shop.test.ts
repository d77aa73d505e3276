import Database from "better-sqlite3";
import { readFileSync, readdirSync } from "node:fs";
import { emptyJob } from "@/core/job/job";
import { inch, mm } from "@/core/length/length";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { openDatabase } from "./database";
import { jobStore } from "./jobs";
import { StaleError } from "./keeper";
import { shopStore } from "./shop";

const stores = () => {
  const db = openDatabase(":memory:");
  return { shop: shopStore(db), jobs: jobStore(db) };
};
const kerf = (value: number, key?: string, revision = 0) => [
  { ...(key ? { key } : {}), revision, act: { do: "workshop" as const, to: { kerf: mm(value) } } },
];

test("a job has what the shop has, also when that changes; what it does otherwise stays, and can be given back", () => {
  const { shop, jobs } = stores();
  const { id } = jobs.create(emptyJob("Moor", "in"));
  jobs.act(id, 0, { do: "workshop", to: { people: 5 } });
  const before = jobs.load(id).version;
  shop.all([{ revision: 0, act: { do: "workshop", to: { kerf: mm(2.4), people: 3 } } }]);
  expect(jobs.load(id)).toMatchObject({ job: { workshop: { kerf: mm(2.4), people: 5 } }, shop: { people: 3 } });
  // Its page hears of it.
  expect(jobs.version(id)).toBe(before + 1);
  expect(jobs.otherwise()).toEqual([{ id, name: "Moor", workshop: { people: 5 } }]);
  jobs.act(id, 1, { do: "as the shop", name: "people" });
  expect(jobs.otherwise()).toEqual([]);
  shop.all([{ revision: 1, act: { do: "workshop", to: { people: 4 } } }]);
  expect(jobs.load(id).job.workshop.people).toBe(4);
});

test("two screens at the shop: both stand where they touch different things; done once each; undo is one's own", () => {
  const { shop } = stores();
  expect(shop.all([{ key: "one.1", revision: 0, act: { do: "workshop", to: { glue: 160 } } }], 0).revision).toBe(1);
  expect(shop.all(kerf(3, "two.1"), 0).shop.workshop).toMatchObject({ glue: 160, kerf: mm(3) });
  expect(() => shop.all(kerf(2.8, "one.2"), 0)).toThrow(StaleError);
  expect(() => shop.all(kerf(2.8, "one.2"), 0)).toThrow(/what the saw removes was changed elsewhere/);
  expect(shop.all(kerf(3, "two.1"), 0).revision).toBe(2);
  expect(shop.all([{ key: "one.3", undo: true }], 0).shop.workshop).toMatchObject({ glue: 175, kerf: mm(3) });
});

test("a shop of millimetres has what is usual there; what was chosen stays as it measures", () => {
  const { shop } = stores();
  shop.all([{ revision: 0, act: { do: "workshop", to: { minHold: inch(10) } } }]);
  const { units, workshop } = shop.all([{ revision: 1, act: { do: "units", units: "mm" } }]).shop;
  expect([units, workshop.kerf, workshop.endTrim, workshop.minHold]).toEqual(["mm", mm(3), mm(6), inch(10)]);
});

test("jobs of before there was a shop: what was usual is the shop's, what was not is still theirs, and can still be undone", () => {
  const folder = "src/store/migrations";
  const db = new Database(":memory:");
  for (const f of readdirSync(folder).sort()) if (f < "010") db.exec(readFileSync(`${folder}/${f}`, "utf8"));
  const { name: _, units: _u, lines: _l, stock: _s, ...rest } = emptyJob("", "in");
  const old = (name: string, units: string, workshop: object) =>
    db.prepare("INSERT INTO job (name, units, data, changed_at) VALUES (?, ?, ?, '')").run(name, units, JSON.stringify({ ...rest, workshop })); // prettier-ignore
  old("usual", "in", USUAL_WORKSHOP);
  old("own", "in", { ...USUAL_WORKSHOP, people: 2, days: [1, 2], panels: true });
  old("metric", "mm", { ...USUAL_WORKSHOP, kerf: mm(3) });
  db.exec(`INSERT INTO job_done VALUES (2, 'a.1', 1, '{"do":"workshop","to":{"people":2}}', 'workshop', '[{"of":"workshop","within":"people","was":1,"is":2}]')`); // prettier-ignore
  for (const f of readdirSync(folder).sort()) if (f >= "010") db.exec(readFileSync(`${folder}/${f}`, "utf8"));
  const jobs = jobStore(db);
  expect(jobs.otherwise().map((j) => [j.name, j.workshop])).toEqual([
    ["own", { people: 2, days: [1, 2], panels: true }],
    ["metric", { kerf: mm(3) }],
  ]);
  expect(jobs.undo(2).job.workshop.people).toBe(1);
  expect(shopStore(db).load().shop).toEqual({ units: "in", workshop: USUAL_WORKSHOP });
});
