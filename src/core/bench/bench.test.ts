import fc from "fast-check";
import { linearRegression, mean, median, medianAbsoluteDeviation, sampleStandardDeviation } from "simple-statistics";
import { type Length, inch, nm } from "@/core/length/length";
import { adviceOf, driftOf, targetOf, toleranceOf } from "./check";
import { learnedOf } from "./times";
import { type BenchEvent, benchEventSchema, talliesOf } from "./events";

const event = (id: string, at: number, what: BenchEvent["what"]): BenchEvent => ({ id, job: 1, name: "rip", at: at * 60_000, what }); // prettier-ignore
const tally = (events: BenchEvent[], now = 0) => talliesOf(events, now * 60_000).get("1 rip")!;

test("in whatever order and however often events come, what was made is the sum of what was counted once", () => {
  const counts = fc.array(fc.record({ bench: fc.constantFrom("a", "b"), n: fc.integer({ min: 1, max: 9 }), at: fc.integer({ min: 0, max: 500 }) }), { maxLength: 30 }); // prettier-ignore
  fc.assert(
    fc.property(counts, fc.integer(), (list, seed) => {
      const events = list.map(({ bench, n, at }, i) => event(`${bench}.${i}`, at, { do: "count", n }));
      const shuffled = events.toSorted((a, b) => ((a.at * 7919 + seed) % 101) - ((b.at * 7919 + seed) % 101));
      expect(tally(shuffled)?.made ?? 0).toBe(list.reduce((n, c) => n + c.n, 0));
    }),
  );
  expect(tally([event("a.1", 0, { do: "count", n: 3 }), event("a.2", 1, { do: "count", n: -1 })]).made).toBe(2);
});

test("minutes are those somebody was at it: a break is taken off, two benches add up, what runs counts until now", () => {
  const day = [event("a.1", 0, { do: "begin" }), event("a.2", 30, { do: "stop", why: "break" }), event("a.3", 45, { do: "go on" }), event("a.4", 60, { do: "leave" })]; // prettier-ignore
  expect([tally(day).minutes, tally(day).running]).toEqual([45, false]);
  const two = [...day, event("b.1", 10, { do: "begin" })];
  expect([tally(two, 70).minutes, tally(two, 70).running]).toEqual([45 + 60, true]);
  // Forgotten overnight: nobody was at it.
  expect(tally([event("a.1", 0, { do: "begin" }), event("a.2", 20, { do: "count", n: 1 }), event("a.3", 900, { do: "count", n: 1 })], 5000).minutes).toBe(20); // prettier-ignore
  const bad = [event("a.5", 61, { do: "spoil", n: 1, why: "knot" }), event("a.6", 62, { do: "spoil", n: 2, why: "knot" })]; // prettier-ignore
  expect(tally(bad).spoiled).toEqual([{ why: "knot", n: 3 }]);
  expect(benchEventSchema.safeParse({ ...day[0], id: "no number" }).error!.issues[0]!.message).toMatch(
    /like "3f2a.17"/,
  );
  expect(benchEventSchema.safeParse({ ...day[0], what: { do: "count", n: 0 } }).success).toBe(false);
});

test("a first piece within the tolerance of the trade is good, one a little off is a nudge the other way, one far off stops the work", () => {
  // Joints 1/64, lengths that set a bee space 1/32 (handbook of the trade, at the bench).
  const stop = { kind: "stop" as const, value: inch(19, 1, 8) };
  expect([toleranceOf(stop), toleranceOf({ kind: "height", value: inch(0, 3, 8) })]).toEqual([inch(0, 1, 32), inch(0, 1, 64)]); // prettier-ignore
  const told = (off: Length) => adviceOf(stop.value, inch(0, 1, 32), nm(stop.value + off));
  expect([told(inch(0, 1, 32)), told(inch(0, 1, 16)), told(nm(-inch(0, 1, 16))), told(inch(1))]).toEqual([{ say: "good" }, { say: "nudge", by: -inch(0, 1, 16) }, { say: "nudge", by: inch(0, 1, 16) }, { say: "stop" }]); // prettier-ignore
  expect(targetOf([{ kind: "angle", degrees: 30 }, stop])).toEqual(stop);
  expect(targetOf([{ kind: "take off", value: inch(0, 1, 8) }])).toBeUndefined();
});

test("drift is called while every piece is still good, and scatter is not called drift", () => {
  const [target, tolerance] = [inch(9, 5, 8), inch(0, 1, 32)];
  const at = (...parts: number[]) => parts.map((p) => nm(Math.round(target + p * tolerance)));
  const said = (...parts: number[]) => driftOf(at(...parts), target, tolerance);
  expect(said(0, 0.1, -0.2, 0.1, 0, -0.1)).toEqual({ say: "steady" });
  const rising = [0, 0.09, 0.21, 0.3, 0.41];
  const line = linearRegression(rising.map((y, i) => [i, y]));
  // The line as a statistics library has it reaches the tolerance so many pieces after the last.
  const left = Math.ceil((1 - (line.b + line.m * 4)) / line.m);
  expect(said(...rising)).toEqual({ say: "drifts", way: 1, left });
  // A first piece that was off, and was set again, is no part of the run after it.
  expect(said(2, ...rising)).toEqual(said(...rising));
  expect(said(0, -0.6, -0.7)).toMatchObject({ say: "drifts", way: -1 });
  expect(said(0, 0.6, -0.6)).toEqual({ say: "few" });
  expect([said(), said(0.1), said(0, 1.2)]).toEqual([{ say: "few" }, { say: "few" }, { say: "off", way: 1 }]);
});

describe("what was learned", () => {
  const of = { kind: "Rip to width", all: 10, setup: 5, each: 1.5 };
  /** Operations that are done, each in so many minutes a piece after one set-up of five. */
  const done = (...each: number[]) => each.flatMap((e, i) => [
    { ...event(`a${i}.1`, 0, { do: "begin", of }), name: `r${i}` },
    { ...event(`a${i}.2`, 5 + 10 * e, { do: "count", n: 10 }), name: `r${i}` },
    { ...event(`a${i}.3`, 5 + 10 * e, { do: "leave" }), name: `r${i}` },
  ]); // prettier-ignore
  const learned = (events: BenchEvent[]) => learnedOf(talliesOf(events, 0).values())[0]!;

  test("the estimate moves from the guess as runs come in, their spread beside it: held against a statistics library", () => {
    const each = [2, 2.2, 1.8, 2.4, 2.1];
    for (let n = 1; n <= each.length; n++) {
      const some = each.slice(0, n);
      const told = learned(done(...some));
      // A guess weighs as two runs.
      expect(told.each).toBeCloseTo(mean([1.5, 1.5, ...some]), 9);
      expect([told.runs, told.guess]).toEqual([n, 1.5]);
      if (n > 1) expect(told.spread).toBeCloseTo(sampleStandardDeviation(some), 9);
      else expect(told.spread).toBeNull();
    }
    expect(learnedOf(talliesOf([event("a.1", 0, { do: "begin", of })], 0).values())).toEqual([]);
  });

  test("a run far from the others is asked about and counts only when somebody says so", () => {
    const each = [2, 2.1, 1.9, 2, 2.05, 7];
    const odd = learned(done(...each));
    const far = each.filter((x) => Math.abs(x - median(each)) > 3 * 1.4826 * medianAbsoluteDeviation(each));
    expect(odd.odd.map((o) => Number(o.each.toFixed(6)))).toEqual(far);
    expect(odd.each).toBeCloseTo(mean([1.5, 1.5, ...each.slice(0, 5)]), 9);
    const said = (counts: boolean) => learned([...done(...each), { ...event("z.1", 100, { do: "time", counts }), name: "r5" }]); // prettier-ignore
    expect([said(true).odd, said(true).runs]).toEqual([[], 6]);
    expect(said(true).each).toBeCloseTo(mean([1.5, 1.5, ...each]), 9);
    expect([said(false).odd, said(false).runs]).toEqual([[], 5]);
  });
});
