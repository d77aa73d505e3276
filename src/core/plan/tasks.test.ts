import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { inch } from "@/core/length/length";
import { namesOf } from "@/core/work/names";
import { dayStart } from "./calendar";
import { Hands } from "./hands";
import { runsOf } from "./runs";
import { instanceOf, type Lots, sublotsOf, type Work } from "./tasks";
import { work } from "./tests/shop";
import type { Block } from "./block";

const MONDAY = dayStart("2027-02-08");
const lots = (more: Partial<Lots> = {}): Lots => ({ first: 120, growth: 1, parts: 1, most: 240, ...more });
const instance = (list: Work[], how: Lots, shop: object = {}) => instanceOf([{ job: 1, from: MONDAY, due: null, work: list }], { ...USUAL_WORKSHOP, ...shop }, new Hands({ ...USUAL_WORKSHOP, ...shop }, "2027-02-08"), MONDAY, how); // prettier-ignore
const piecesOf = ({ tasks }: ReturnType<typeof instance>, op: string) => tasks.filter((t) => t.op === op).map((t) => t.pieces); // prettier-ignore

test("a job's sublots grow from its ends and are the same for all its operations; a small part of the shop's work is not cut", () => {
  const whole = { job: 1, from: 0, due: null, work: [work("a", { pieces: 1000, each: 2 })] };
  const [cuts] = sublotsOf([whole], lots({ growth: 2, parts: 6 }));
  // Two of thirty-three hours, then twice that, until a sixth: by hand 0.06, 0.12, and the same at the end.
  expect(cuts!.slice(0, 2).map((c) => Number(c.toFixed(2)))).toEqual([0.06, 0.18]);
  expect(cuts!.at(-1)).toBeCloseTo(1, 9);
  expect(1 - cuts!.at(-2)!).toBeCloseTo(0.06, 9);
  expect(cuts!.every((c, i) => i === 0 || c > cuts![i - 1]!)).toBe(true);
  const small = { ...whole, work: [work("a", { pieces: 10, each: 2 })] };
  expect(sublotsOf([whole, small], lots({ growth: 2, parts: 6 }))[1]).toEqual([1]);
});

test("lots are whole pieces and whole minutes that add up, none longer than is said; the set-up of a bench comes with the first", () => {
  const made = instance([work("sand", { pieces: 101, each: 3.3, setup: 7 })], lots({ most: 60 }));
  const parts = piecesOf(made, "sand");
  expect(parts[0]![0]).toBe(0);
  expect(parts.at(-1)![1]).toBe(101);
  expect(parts.every(([a, b], i) => b > a && (i === 0 || a === parts[i - 1]![1]))).toBe(true);
  const minutes = made.tasks.map((t) => t.minutes);
  expect(minutes.reduce((a, b) => a + b, 0)).toBe(Math.ceil(7 + 3.3 * 101));
  expect(Math.max(...minutes.slice(1))).toBeLessThanOrEqual(60);
  expect(minutes[0]! - minutes[1]!).toBeGreaterThanOrEqual(4);
});

test("a lot waits for those that hold its own pieces, counted as a part of the whole; a fitting that is measured waits for all", () => {
  const list = [
    work("rip", { pieces: 10, each: 30, station: "table saw", settings: [{ kind: "fence", value: inch(9) }] }),
    work("cross", { pieces: 20, each: 15, station: "table saw", after: ["rip"] }),
    work("fit", { pieces: 20, each: 15, after: ["rip"], measure: ["inside"] }),
    work("try", { pieces: 20, each: 0, setup: 8, after: ["cross"] }),
    work("glue", { pieces: 20, each: 15, after: ["try", "cross"] }),
  ];
  const { tasks } = instance(list, lots({ most: 60 }));
  const before = (op: string, n: number) => tasks.filter((t) => t.op === op)[n]!.after.map((a) => `${tasks[a]!.op} ${tasks[a]!.pieces.join("-")}`); // prettier-ignore
  // Two strips of ten are four pieces of twenty.
  expect(before("cross", 1)).toEqual(["rip 2-4"]);
  expect(before("fit", 0)).toHaveLength(5);
  // What is tried once is tried with the first piece, and all glueing waits for it.
  expect(before("try", 0)).toEqual(["cross 0-4"]);
  expect([before("glue", 0), before("glue", 4)]).toEqual([["try 0-20", "cross 0-4"], ["try 0-20", "cross 16-20"]]); // prettier-ignore
});

test("an operation keeps its name when its number changes; two that are alike are told apart", () => {
  const rip = (id: string) => work(id, { name: "Rip to width", station: "table saw", settings: [{ kind: "fence", value: inch(9) }] }); // prettier-ignore
  const names = (...ids: string[]) => instance(ids.map(rip), lots()).families.map((f) => f.name);
  expect(names("rip-3", "rip-4")).toEqual(names("rip-7", "rip-9"));
  expect(new Set(names("rip-3", "rip-4")).size).toBe(2);
});

test("lots that are done one after another by the same people are one run; another set-up, person or a wait is another", () => {
  const jobs = [{ job: 1, work: [work("rip", { pieces: 40, of: "strips", caution: "Guard on." })] }];
  const called = (of: Work[]) => [...namesOf(of).values()][0]!;
  const block = (more: Partial<Block>): Block => ({ job: 1, op: "rip", name: called(jobs[0]!.work), lot: 0, pieces: [0, 10], station: "table saw", unit: 0, who: [0], startsAt: 0, endsAt: 60, minutes: 60, setUp: 5, wait: 0, ...more }); // prettier-ignore
  const second = block({ lot: 1, pieces: [10, 20], startsAt: 60, endsAt: 120, setUp: 0 });
  const runs = (...more: Block[]) => runsOf({ blocks: [block({}), ...more] }, jobs).map((r) => [r.lot, r.lots, r.begin, r.pieces, r.all, r.minutes]); // prettier-ignore
  expect(runs(second)).toEqual([[0, 2, 0, 20, 40, 120]]);
  for (const other of [{ setUp: 5 }, { who: [1] }, { startsAt: 60 + 24 * 60 }, { unit: 1 }])
    expect(runs({ ...second, ...other })).toEqual([[0, 1, 0, 10, 40, 60], [1, 1, 10, 10, 40, 60]]); // prettier-ignore
  // Its number is another since the layout changed: it is known by its name. One that is known by neither is over.
  expect(runsOf({ blocks: [block({ op: "rip-9" })] }, jobs)[0]!.title).toBe("rip");
  expect(runsOf({ blocks: [block({ name: "gone" })] }, jobs)[0]!.title).toBe("done meanwhile");
  // Lots that clamps give are counted on from one to the next.
  const glue = [1, 2].map((k) => work(`glue/${k}`, { name: "Glue", step: "glue", pieces: 8, lot: `lot ${k} of 2` }));
  const glued = runsOf({ blocks: [block({ op: "glue/2", name: called(glue), lot: 1, pieces: [0, 8], wait: 45 })] }, [{ job: 1, work: glue }]); // prettier-ignore
  expect([glued[0]!.begin, glued[0]!.all]).toEqual([8, 16]);
});
