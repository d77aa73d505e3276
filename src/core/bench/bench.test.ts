import fc from "fast-check";
import { linearRegression } from "simple-statistics";
import { type Length, inch, nm } from "@/core/length/length";
import { adviceOf, centredNudge, driftOf, targetOf, toleranceOf } from "./check";
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
  // A groove 1/8 nearer the fence than the other side: half of that.
  expect(centredNudge(inch(0, 5, 16), inch(0, 7, 16))).toBe(inch(0, 1, 16));
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
  expect(said(0, -0.6, -0.7)).toMatchObject({ say: "drifts", way: -1 });
  expect(said(0, 0.6, -0.6)).toEqual({ say: "few" });
  expect([said(), said(0.1), said(0, 1.2)]).toEqual([{ say: "few" }, { say: "few" }, { say: "off", way: 1 }]);
});
