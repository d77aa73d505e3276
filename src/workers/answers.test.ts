import { readdirSync, readFileSync } from "node:fs";
import { layoutRequest } from "@/core/job/ask";
import { readJobFile } from "@/core/job/file";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { aboveBound, heldCost, type LayoutResult } from "@/core/layout/layout";
import { randomOf } from "@/core/layout/tests/instances";
import { verify } from "@/core/layout/tests/verify";
import { tradeOff } from "@/core/layout/tradeoff";
import { askLayout, askLayoutSoon, askStanding, closePool } from "./pool";
import { workerBuilt } from "./tests/built";

beforeAll(workerBuilt);
afterAll(closePool);

/** Seeds of each job; 20 for the figures: `npm run figures`. */
const SEEDS = Number(process.env.RUNDIK_CASES ?? 1);

const demo = readdirSync("demo").filter((f) => f.endsWith(".json")).sort().map((f) => readJobFile(readFileSync(`demo/${f}`, "utf8"))); // prettier-ignore
const line = (item: string, quantity: number) => ({ item, standard: "langstroth-10", size: "deep", quantity, options: {} }); // prettier-ignore
/** A big batch, of the first job's boards, as many as it takes. */
const big: Job = {
  ...emptyJob("600 + 6 000", "in"),
  lines: [line("body", 600), line("frame", 6000)],
  stock: demo[0]!.stock.map((s) => ({ ...s, available: s.source === "buy" ? null : s.available })),
};
/** Beside other tests those that are soon done. */
const jobs = SEEDS < 20 ? [demo[1]!, demo[3]!, big] : [...demo, big];
/** A part of a cost: above its bound by no more than this counts as near. */
const NEAR = 5e-4;
/** A slow machine is waited for. */
const PATIENCE = 300_000;

/** One quantity changed by a seed, and the layout asked for as the page does. */
async function changed(job: Job, seed: number) {
  const r = randomOf(seed);
  const at = Math.floor(r() * job.lines.length);
  const by = 1 + Math.floor(r() * 9);
  const lines = job.lines.map((l, i) => (i === at ? { ...l, quantity: l.quantity + by } : l));
  const request = layoutRequest(workJob({ ...job, lines }));
  const told: { ms: number; result: LayoutResult }[] = [];
  const began = performance.now();
  const tell = (result: LayoutResult) => void told.push({ ms: performance.now() - began, result });
  tell(await askLayoutSoon(request, { soFar: tell }));
  // What is on the page by then is held against the last bound: those on the way may be of less than is known in the end.
  const { boundCost } = told.at(-1)!.result;
  return {
    request,
    told,
    near: told.find(({ result: { cost } }) => aboveBound({ cost, boundCost }) <= NEAR)?.ms ?? Infinity,
  };
}

const sorted = (ns: number[]) => ns.toSorted((a, b) => a - b);
const middle = (ns: number[]) => sorted(ns)[Math.floor(ns.length / 2)]!;
const said = (ns: number[], digits = 0) => `median ${middle(ns).toFixed(digits)}, worst ${Math.max(...ns).toFixed(digits)}`; // prettier-ignore

test.each(jobs.map((j) => [j.name, j] as const))(
  "%s: a quantity changes, and every layout told can be cut, none worse than the one before",
  async (name, job) => {
    await changed(job, 0);
    const first: number[] = [];
    const last: number[] = [];
    const near: number[] = [];
    const above: number[] = [];
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { request, told, near: at } = await changed(job, seed);
      for (const [n, { result }] of told.entries()) {
        verify(result, request);
        expect(result.missing).toEqual([]);
        expect(result.boundCost).toBeLessThanOrEqual(result.cost + 1e-9);
        if (n > 0) expect(heldCost(result)).toBeLessThanOrEqual(heldCost(told[n - 1]!.result) + 1e-9);
      }
      first.push(told[0]!.ms);
      near.push(at);
      last.push(told.at(-1)!.ms);
      above.push(100 * aboveBound(told.at(-1)!.result));
    }
    process.stdout.write(
      `${name}: first answer ms ${said(first)}; proven or within 0.05 % ms ${said(near)} (${near.filter((n) => n < Infinity).length} of ${SEEDS}); last ms ${said(last)}; above the bound % ${said(above, 3)}\n`,
    );
  },
  SEEDS * PATIENCE,
);

test("what a set-up is held to cost chooses among what was found: each point of the front is what its price shows, at once", async () => {
  // Of a job whose thicknesses may share boards.
  const asked = layoutRequest(workJob(demo[2]!));
  const points = tradeOff(await askLayout(asked));
  expect(points.length).toBeGreaterThan(2);
  for (const { price, cost, setUps } of points) {
    const said: LayoutResult[] = [];
    const shown = await askLayoutSoon({ ...asked, weighing: { ...asked.weighing, setUp: price } }, { soFar: (r) => void said.push(r) }); // prettier-ignore
    expect([shown, said]).toEqual([expect.objectContaining({ cost, setUps }), []]);
  }
});

test(
  "many open jobs are worked out behind the one in hand: it is answered before they are done",
  async () => {
    const many = Array.from({ length: SEEDS < 20 ? 3 : 50 }, (_, k) => {
      const job = demo[k % demo.length]!;
      return { ...job, lines: job.lines.map((l) => ({ ...l, quantity: l.quantity + 10 + k })) };
    });
    const began = performance.now();
    let done = 0;
    const behind = (async () => {
      for (const job of many) {
        await askStanding({ job, day: "2027-02-08", kept: [] });
        done++;
      }
    })();
    const first: number[] = [];
    const near: number[] = [];
    for (let seed = 101; seed <= 100 + Math.max(3, SEEDS); seed++) {
      const answer = await changed(demo[seed % 2 ? 1 : 3]!, seed);
      first.push(answer.told[0]!.ms);
      near.push(answer.near);
    }
    expect(done).toBeLessThan(many.length);
    await behind;
    process.stdout.write(
      `${many.length} open jobs in ${((performance.now() - began) / 1000).toFixed(0)} s; meanwhile of the one in hand the first answer ms ${said(first)}; proven or within 0.05 % ms ${said(near)}\n`,
    );
  },
  SEEDS * PATIENCE,
);
