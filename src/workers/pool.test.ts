import { buildSync } from "esbuild";
import { inch, nm } from "@/core/length/length";
import { layOut, type Progress } from "@/core/layout/layout";
import { blank, request as asked } from "@/core/layout/tests/samples";
import { ask, closePool } from "./pool";

beforeAll(() => {
  buildSync({
    entryPoints: ["src/workers/worker.ts"],
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    outfile: "dist/worker.mjs",
    external: ["highs"],
  });
});
afterAll(closePool);

const request = (quantity: number, different: number) =>
  asked(
    Array.from({ length: different }, (_, i) =>
      blank(`p${i}`, nm(inch(7) + i * 7_654_321), nm(inch(2) + i * 1_234_567), quantity),
    ),
  );

test("a worker answers, tells every step of progress first, and the same question is answered from memory", async () => {
  const heard: Progress[] = [];
  const first = await ask("layout", request(20, 4), { hear: (p) => heard.push(p) });
  expect(first.count).toBeGreaterThan(0);
  expect(heard.at(-1)!.count).toBe(first.count);
  const again = heard.length;
  expect(await ask("layout", request(20, 4), { hear: (p) => heard.push(p) })).toBe(first);
  expect(heard.length).toBe(again);
});

test("the pool lays out with the solver: a bound for ripping first, never above what it costs", async () => {
  const solved = await ask("layout", request(37, 5));
  expect(solved.missing).toEqual([]);
  expect(solved.boundCost).toBeLessThanOrEqual(solved.cost + 1e-9);
  expect(solved.boundCost).toBeGreaterThan(layOut(request(37, 5), () => 0).boundCost - 1e-9);
  expect(solved.cost).toBeLessThanOrEqual(layOut(request(37, 5), () => 0).cost + 1e-9);
});

test("a stop ends the work at once and leaves the pool able to go on", async () => {
  const stop = new AbortController();
  const began = Date.now();
  const long = ask("layout", request(5000, 40), { signal: stop.signal, hear: () => stop.abort() });
  await expect(long).rejects.toThrow(/abort/i);
  expect(Date.now() - began).toBeLessThan(10_000);
  expect((await ask("layout", request(21, 3))).missing).toEqual([]);
});
