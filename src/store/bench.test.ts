import type { BenchEvent } from "@/core/bench/events";
import { emptyJob } from "@/core/job/job";
import { benchStore } from "./bench";
import { openDatabase } from "./database";
import { jobStore } from "./jobs";

test("an event that is sent twice happened once; two benches at one operation add up; a job put by is not counted on", () => {
  const db = openDatabase(":memory:");
  const { id: job } = jobStore(db).create(emptyJob("a", "in"));
  const store = benchStore(db);
  const event = (id: string, what: BenchEvent["what"], name = "rip"): BenchEvent => ({
    id,
    job,
    name,
    at: 60_000,
    what,
  });
  const some = [event("a.1", { do: "count", n: 3 }), event("b.1", { do: "count", n: 4 })];
  expect(store.add(some, 0).map((t) => t.made)).toEqual([7]);
  expect(store.add([...some, event("b.2", { do: "count", n: -1 })], 0).map((t) => t.made)).toEqual([6]);
  // Only what it was done to is told.
  expect(store.add([event("a.2", { do: "spoil", n: 1, why: "knot" }, "slice")], 0)).toMatchObject([{ name: "slice", made: 0, spoiled: [{ why: "knot", n: 1 }] }]); // prettier-ignore
  expect([store.version(), store.tallies(0).size]).toEqual([4, 2]);
  jobStore(db).archive(job, true);
  expect(store.tallies(0).size).toBe(0);
});
