import { emptyJob, type Job } from "@/core/job/job";
import { inShop, leftAside, NOTHING_AROUND } from "@/core/job/inshop";
import { carryOut, yardActsOf } from "@/core/job/acts";
import { sawnAct, unsawn } from "@/core/job/sawn";
import { takingUp } from "@/core/job/takeup";
import { workJob } from "@/core/job/worked";
import { layoutRequest } from "@/core/job/ask";
import { changeCatalogue, type Offered } from "@/core/catalogue/catalogue";
import { layOut } from "@/core/layout/layout";
import { inch } from "@/core/length/length";
import { piecesOf } from "@/core/boards/laid";
import type { BoardLot, LotThere } from "@/core/yard/lot";
import { nextOf, nexts, pegs } from "./todo";
import { type Standing, standingOf } from "./standing";

const pine: BoardLot = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) }; // prettier-ignore
const lot = (id: number, there: number, more: Partial<BoardLot> = {}, reserved: LotThere["reserved"] = []): LotThere => ({ id, lot: { ...pine, ...more }, there, reserved }); // prettier-ignore
const job = (more: Partial<Job> = {}): Job => ({
  ...emptyJob("Four boxes", "in"),
  lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: { joint: "rabbet-ends" } }],
  ...more,
});
const offer = (price: number | null, more = {}): Offered => ({ ...pine, price, ...more }) as Offered;
const listed = (...offers: Offered[]) => changeCatalogue({ offers: [] }, { do: "offer", offers }).offers;
const quick = (request: Parameters<typeof layOut>[0]) => layOut(request, () => 0);
const stands = (j: Job, around = NOTHING_AROUND, kept = new Map<number, number>()) => standingOf(inShop(j, 1, around), "2027-02-08", kept, quick); // prettier-ignore

test("a job finds what is free in the yard, then what is bought; what is kept for others is not there, nor wood that was not chosen", () => {
  const around = { ...NOTHING_AROUND, lots: [lot(1, 9, {}, [{ job: 2, count: 4 }]), lot(2, 3, { material: "larch" }), lot(3, 2, { bad: [[inch(30), inch(42)]] })], offers: listed(offer(14), offer(null, { material: "larch" })) }; // prettier-ignore
  const found = (j: Job) => inShop(j, 1, around).stock.map((s) => [s.source, s.material, s.available, s.price]);
  expect(found(job({ wood: "Pine" }))).toEqual([["yard", "pine", 5, 0], ["yard", "pine", 1, 0], ["yard", "pine", 1, 0], ["buy", "pine", null, 14]]); // prettier-ignore
  expect(found(job()).filter(([, m]) => m === "larch")).toEqual([["yard", "larch", 3, 0], ["buy", "larch", null, 0]]); // prettier-ignore
  expect(found(job({ alone: true }))).toEqual([]);
  const heap = { ...NOTHING_AROUND, lots: Array.from({ length: 600 }, (_, i) => lot(i + 1, 1, { length: inch(40 + i) })) }; // prettier-ignore
  expect(inShop(job(), 1, heap).stock.length).toBe(500);
  expect(leftAside(job(), 1, heap)).toBe(100);
});

test("what was taken up from the yard counts as what is free of it now; acts that name it by its place take it up first", () => {
  const around = { ...NOTHING_AROUND, lots: [lot(7, 3)], offers: [] };
  const seen = inShop(job(), 1, around);
  const { before, act } = takingUp({ do: "strike out", at: 0 }, job(), seen);
  expect(before).toMatchObject([{ do: "add stock", stock: { lot: 7 } }]);
  const own = before.reduce((j, a) => carryOut(j, a), job());
  expect(yardActsOf(act, own, 1)).toEqual([{ do: "take out", why: "spoiled", lots: [{ id: 7, count: 1 }], job: 1 }]); // prettier-ignore
  expect(inShop(own, 1, { ...around, lots: [lot(7, 2)] }).stock).toMatchObject([{ lot: 7, available: 2 }]);
  expect(inShop(own, 1, NOTHING_AROUND).stock).toMatchObject([{ lot: 7, available: 0 }]);
});

test("a job is ready on no day before it has all its wood", () => {
  const begun = job({ start: "2027-02-08", due: "2027-02-20" });
  const short = stands(begun, { ...NOTHING_AROUND, lots: [lot(1, 1)] });
  expect(short).toMatchObject({ missing: expect.any(Number) });
  expect([short.ready, short.late]).toEqual([undefined, undefined]);
  expect(stands(begun, { ...NOTHING_AROUND, lots: [lot(1, 20)] }).ready).toMatch(/^2027-02/);
});

test("sawn as laid out: the same boards go, every offcut that is kept comes, and the layout stays when the boards are gone", () => {
  const around = { ...NOTHING_AROUND, lots: [lot(1, 20)], offers: [] };
  const seen = inShop(job(), 1, around);
  const result = quick(layoutRequest(workJob(seen)));
  const act = sawnAct(unsawn(result), result);
  const boards = result.count;
  expect(yardActsOf(act, job(), 1)[0]).toMatchObject({ do: "take out", why: "cut", lots: [{ id: 1, count: boards }] }); // prettier-ignore
  const kept = act.kept.reduce((n, k) => n + k.count, 0);
  expect(kept).toBe(unsawn(result).reduce((n, l) => n + l.repeat * l.offcuts.filter((o) => o.keep).length, 0));
  const after = carryOut(job(), act);
  const later = quick(layoutRequest(workJob(inShop(after, 1, NOTHING_AROUND))));
  expect([later.missing, later.troubles, later.count, unsawn(later)]).toEqual([[], [], boards, []]);
  // Four sides and four ends a box, sixteen of each in all: every one of them is on a sawn board.
  expect(later.groups.length + after.pinned.reduce((n, p) => n + p.repeat * piecesOf(p).length, 0)).toBeGreaterThanOrEqual(16); // prettier-ignore
});

test("a job stands where its stations do, and what is next is the first that holds the others up", () => {
  const told = (s: Standing, due: string | null = null) => nextOf({ id: 1, name: "Four boxes", customer: null, due, standing: s }); // prettier-ignore
  const started = { start: "2027-02-08", due: "2027-02-12" };
  const bare = stands(job(started));
  expect(told(bare)).toMatchObject({ at: "lay-out", wrong: true });
  const bought = stands(job(started), { ...NOTHING_AROUND, offers: listed(offer(null)) });
  expect(told(bought)).toMatchObject({ at: "buy", what: `Order ${bought.buy} boards for Four boxes` });
  const around = { ...NOTHING_AROUND, lots: [lot(1, 20)] };
  const free = stands(job(started), around);
  expect(told(free)).toMatchObject({ at: "lay-out", what: `Keep ${free.yard} boards of the yard for Four boxes` });
  const kept = stands(job(started), around, new Map([[1, free.yard]]));
  expect(told(kept)).toMatchObject({ at: "run", what: `Saw ${free.yard} boards for Four boxes` });
  expect(pegs(kept)).toEqual(["done", "done", "done", kept.unpriced > 0 ? "wrong" : "done", "open", "open"]);
  expect(told(stands(job({ lines: [] })))).toMatchObject({ at: "ask" });
  const thick = { ...job().lines[0]!, options: { thickness: inch(0, 3, 16) } };
  expect(told(stands(job({ lines: [thick] })))).toMatchObject({ at: "shape", wrong: true });
});

test("what was to begin in the past begins today; late is the days between the day it is due and the day it is ready, the latest first", () => {
  const around = { ...NOTHING_AROUND, lots: [lot(1, 20)] };
  const now = stands(job({ start: "2027-01-04", due: "2027-02-01" }), around);
  expect(now.ready! >= "2027-02-08").toBe(true);
  expect(now.late).toBe((Date.parse(now.ready!) - Date.parse("2027-02-01")) / 86_400_000);
  const late = (n: number | undefined) => ({ ...now, late: n }) as Standing;
  const of = (id: number, n: number | undefined) => ({ id, name: `J${id}`, customer: null, due: null, standing: late(n) }); // prettier-ignore
  expect(nexts([of(1, -9), of(2, undefined), of(3, 4), of(4, -2)]).map((n) => n.job)).toEqual([3, 4, 1, 2]);
});

test("a catalogue lists a thing once and keeps its price until another is said; no price is unknown, never nothing", () => {
  const once = changeCatalogue({ offers: [] }, { do: "offer", offers: [offer(14), offer(null), offer(9, { width: inch(7, 1, 4) })] }); // prettier-ignore
  expect(once.offers.map((o) => [o.id, o.price])).toEqual([[1, 14], [2, 9]]); // prettier-ignore
  expect(changeCatalogue(once, { do: "change", id: 2, to: offer(null) }).offers[1]).toMatchObject({ id: 2, price: null }); // prettier-ignore
  expect(() => changeCatalogue(once, { do: "leave out", id: 9 })).toThrow(/no number 9/);
});
