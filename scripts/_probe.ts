import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { layoutRequest } from "@/core/job/ask";
import { layOut } from "@/core/layout/layout";
import { operations } from "@/core/work/operations";
import { inch } from "@/core/length/length";
import { instanceOf } from "@/core/plan/tasks";
import { Hands } from "@/core/plan/hands";
import { construct, improve, LOTS } from "@/core/plan/search";
import { clockText, dayStart } from "@/core/plan/calendar";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
const B = { form: "board", material: "pine", width: inch(11, 1, 4), length: inch(96), price: 14, available: null, source: "buy" } as const;
const opsFor = (lines: any[], more = {}) => { const job: Job = { ...emptyJob("x", "in"), start: "2027-02-08", lines: lines.map((l) => ({ standard: "langstroth-10", size: "deep", options: {}, ...l })), stock: [{ ...B, thickness: inch(0, 3, 4) }, { ...B, thickness: inch(1, 1, 2) }], ...more } as never;
 const w = workJob(job); return operations(w, layOut(layoutRequest(w), () => 0)); };
const rand = (() => { let a = 7; return () => ((a = (a * 16807) % 2147483647) / 2147483647); })();
function go(name: string, jobs: any[], shop: any, ms: number) {
  const W = { ...USUAL_WORKSHOP, ...shop };
  const now = dayStart("2027-02-08");
  const hands = new Hands(W, "2027-02-08");
  const t0 = performance.now();
  const inst = (name2 => LOTS.map((lot) => instanceOf(jobs, W, hands, now, lot)))(0);
  const c = construct(inst)[0]!;
  const t1 = performance.now();
  const until = t1 + ms; let n = 0;
  const f = improve(c, rand, () => (n++, performance.now() < until), () => {});
  console.log(name, "tasks", inst.map((i) => i.tasks.length).join("/"), "lot", JSON.stringify(f.instance.lots), "| construct", (t1 - t0).toFixed(0), "ms", clockText(c.worth.finish), "late", c.worth.late, "| improved", clockText(f.worth.finish), "late", f.worth.late, "setups", f.worth.setUps, "| bound", clockText(f.bound.finish), f.bound.by, "late", f.bound.late, "| gap", ((100 * (f.worth.finish - f.bound.finish)) / (f.bound.finish - now)).toFixed(2) + "%", n, "tries");
}
const deep = opsFor([{ item: "body", quantity: 600 }]);
for (const people of [1, 2, 3]) go(`600 deeps ${people}`, [{ job: 1, from: 0, due: null, work: deep }], { people }, 1500);
go(`600 deeps 2, 2 clamps`, [{ job: 1, from: 0, due: null, work: deep }], { people: 2, stations: { clamps: 2 } }, 1500);
const twelve = [[{ item: "body", quantity: 600 }], [{ item: "frame", quantity: 6000 }], ...[10, 40, 8, 100, 20, 30, 12, 16, 60, 5].map((q, i) => [{ item: "body", quantity: q, size: i % 2 ? "medium" : "deep" }, { item: "frame", quantity: q * 10, size: i % 2 ? "medium" : "deep" }])];
const staff = [{ title: "sawyer" }, { title: "joiner", works: ["bench", "clamps", "frame jig", "finish", "drill"] }, { title: "helper", days: [1, 2, 3, 4], works: ["bench", "frame jig", "finish", "table saw", "clamps"] }];
go("twelve", twelve.map((l, i) => ({ job: i + 1, from: 0, due: dayStart("2027-02-08") + (i < 2 ? 120 : 10 + 12 * i) * 1440, work: opsFor(l, i % 3 ? { finish: "paint" } : {}) })), { staff }, 4000);
go("twelve no due", twelve.map((l, i) => ({ job: i + 1, from: 0, due: null, work: opsFor(l, i % 3 ? { finish: "paint" } : {}) })), { staff }, 4000);
{ const W = { ...USUAL_WORKSHOP, staff }; const hands = new Hands(W as never, "2027-02-08"); const jobs = twelve.map((l, i) => ({ job: i + 1, from: 0, due: null, work: opsFor(l, i % 3 ? { finish: "paint" } : {}) }));
const I = instanceOf(jobs, W as never, hands, dayStart("2027-02-08"), LOTS[0]!);
for (const [s, st] of I.stations.entries()) console.log(st.name, st.count, I.families.filter((f) => f.station === s).reduce((n, f) => n + f.minutes, 0), st.able); }
