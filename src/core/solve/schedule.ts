import { z } from "zod";
import type { Shop } from "@/core/plan/shopfloor/shop";
import { solveShop } from "@/core/plan/shopfloor/solve";

const MOST = 5000;
const id = z.string().min(1).max(120);
const minutes = z.number().int().min(0).max(1e6);
const few = z.number().int().min(0).max(1000);

export const scheduleFileSchema = z
  .strictObject({
    jobs: z
      .array(
        z.strictObject({
          id,
          release: minutes.default(0),
          due: minutes.optional(),
          weight: z.number().min(0).max(1e6).default(1),
          lots: z.number().int().min(1).max(200).default(1),
          operations: z
            .array(
              z.strictObject({
                station: id,
                minutes,
                people: few.default(0),
                wait: minutes.default(0),
                setUp: z.strictObject({ key: z.string().max(120), minutes }).optional(),
              }),
            )
            .min(1)
            .max(200),
        }),
      )
      .min(1)
      .max(MOST),
    people: z.number().int().min(1).max(1000).optional(),
    stations: z.array(z.strictObject({ id, count: z.number().int().min(1).max(200).default(1) })).default([]),
    aim: z.enum(["finish", "lateness"]).default("finish"),
  })
  .superRefine(({ jobs, people, stations }, ctx) => {
    const twice = (of: string, list: { id: string }[]) => {
      const seen = new Set<string>();
      for (const [i, one] of list.entries()) {
        if (seen.has(one.id)) ctx.addIssue({ code: "custom", path: [of, i, "id"], message: `two are called "${one.id}"` });
        seen.add(one.id);
      }
    };
    twice("jobs", jobs);
    twice("stations", stations);
    const parts = jobs.reduce((n, j) => n + j.lots * j.operations.length, 0);
    if (parts > MOST) ctx.addIssue({ code: "custom", path: ["jobs"], message: `${parts} operations, each lot its own; at most ${MOST} are planned` });
    for (const [i, j] of jobs.entries())
      for (const [k, o] of j.operations.entries())
        if (people !== undefined && o.people > people) ctx.addIssue({ code: "custom", path: ["jobs", i, "operations", k, "people"], message: `read ${o.people}; there are ${people}` });
  }); // prettier-ignore
export type ScheduleFile = z.infer<typeof scheduleFileSchema>;

/** What a schedule file says, by numbers; stations that are not listed are there once. */
function shopOf({ jobs, people, stations, aim }: ScheduleFile): { shop: Shop; names: string[] } {
  const names = [
    ...new Set([...stations.map((s) => s.id), ...jobs.flatMap((j) => j.operations.map((o) => o.station))]),
  ];
  const keys = [...new Set(jobs.flatMap((j) => j.operations.flatMap((o) => o.setUp?.key ?? [])))];
  const shop: Shop = {
    jobs: jobs.map((j) => ({
      release: j.release,
      due: j.due ?? null,
      weight: j.weight,
      lots: j.lots,
      steps: j.operations.map((o) => ({
        station: names.indexOf(o.station),
        minutes: o.minutes,
        people: o.people,
        wait: o.wait,
        key: o.setUp ? keys.indexOf(o.setUp.key) : -1,
        setUp: o.setUp?.minutes ?? 0,
      })),
    })),
    counts: names.map((n) => stations.find((s) => s.id === n)?.count ?? 1),
    people: people ?? null,
    aim,
  };
  return { shop, names };
}

/** Seconds a search has by its operations: some two for a hundred, ten for two hundred and more. */
const secondsFor = (operations: number): number => Math.min(9.5, Math.max(0.9, operations ** 2 * 0.00019));

/** Answers a schedule file: when each part of each operation runs, and a bound of what is aimed at. */
export function solveSchedule(file: ScheduleFile, clock: () => number, seed = 1) {
  const began = clock();
  const { shop, names } = shopOf(file);
  const parts = file.jobs.reduce((n, j) => n + j.lots * j.operations.length, 0);
  const solved = solveShop(shop, seed, () => clock() - began < secondsFor(parts) * 1000);
  return {
    operations: solved.placed
      .toSorted((a, b) => a.start - b.start || a.task.station - b.task.station)
      .map(({ task, start, end, setUp }) => ({
        job: file.jobs[solved.chains[task.chain]!.job]!.id,
        index: task.step,
        lot: solved.chains[task.chain]!.lot,
        station: names[task.station]!,
        start,
        end,
        setUp,
      })),
    finish: solved.finish,
    lateness: solved.lateness,
    bound: solved.bound,
    proven: solved.proven,
    seconds: (clock() - began) / 1000,
  };
}
