import { agesOf } from "./lasting";
import { type Known, recordOf } from "./record";

const piece = (more: Partial<Known>): Known => ({ mark: 1, wood: "pine", joint: "fingers", finish: "oil", madeOn: "2000-01-01", ageless: false, ended: null, found: [], repairs: 0, ...more }); // prettier-ignore

test("a design's record by hand: each mark's pieces, what was found in how many and at what age, and what is tried against the newest's worst", () => {
  const rotten = { on: "2011-01-01", why: "corner rotten" };
  const all = [
    piece({ found: [["corner rotten", "2010-01-01"], ["corner rotten", "2012-01-01"], ["split", "2005-01-01"]], repairs: 2 }),
    piece({ found: [["corner rotten", "2006-01-01"]] }),
    piece({ ended: rotten }),
    piece({ ended: { on: "2004-01-01", why: "lost" } }),
    piece({ mark: 2, madeOn: "2015-01-01", found: [["rest broken", "2019-01-01"]] }),
    piece({ mark: 2, madeOn: "2026-01-01", ageless: true, found: [["rest broken", "2026-02-01"], ["split", "2026-02-01"]] }),
  ]; // prettier-ignore
  const { marks, next, lasting } = recordOf(all, "2027-01-01");
  // Twice found is one piece; ten, six and eleven years: half of them are older than ten. Nobody knows how old the last one is.
  expect(marks).toEqual([
    { mark: 2, pieces: 2, inUse: 2, repairs: 0, faults: [{ fault: "rest broken", pieces: 2, age: 4 }, { fault: "split", pieces: 1, age: null }] },
    { mark: 1, pieces: 4, inUse: 2, repairs: 2, faults: [{ fault: "corner rotten", pieces: 3, age: 10 }, { fault: "split", pieces: 1, age: 5 }] },
  ]); // prettier-ignore
  expect(next).toMatchObject({ mark: 2, fault: "rest broken", pieces: 2, try: expect.stringContaining("thicker lip") });
  expect(lasting.map((l) => [l.by, l.groups.map((g) => [g.value, g.pieces, g.failed])])).toEqual([
    ["mark", [["mark 1", 4, 1], ["mark 2", 1, 0]]],
  ]); // prettier-ignore
  // Of one mark and one wood it is said once how long they last.
  expect(recordOf(all.slice(0, 4), "2027-01-01").lasting).toMatchObject([{ by: "mark", groups: [{ value: "mark 1", pieces: 4, failed: 1 }] }]); // prettier-ignore
  // So many that are alike are as so many one by one.
  expect(recordOf(all.map((k) => ({ ...k, n: 12 })), "2027-01-01")).toEqual(recordOf(Array.from({ length: 12 }, () => all).flat(), "2027-01-01")); // prettier-ignore
  expect(recordOf([], "2027-01-01")).toEqual({ marks: [], lasting: [], ages: [], next: null });
});

test("at which age things fail: who reached it, who failed before the next, by hand", () => {
  const lived = (years: number, why: string | null) => ({ madeOn: "2000-01-01", ended: why ? { on: `${2000 + years}-01-01`, why } : null }); // prettier-ignore
  const ages = agesOf([lived(3, "split"), lived(4, "lost"), lived(7, "split"), lived(0, null)], "2012-01-01");
  expect(ages.map((a) => [a.from, a.reached, a.failed])).toEqual([[0, 4, 1], [5, 2, 1], [10, 1, 0]]); // prettier-ignore
  expect(ages[0]!.why).toEqual([{ fault: "split", n: 1 }]);
});
