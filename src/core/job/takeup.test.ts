import type { Pinned } from "@/core/boards/laid";
import { inch } from "@/core/length/length";
import type { BoardLot } from "@/core/yard/lot";
import { type Act, carryOut } from "./acts";
import { collides, touches } from "./collide";
import { inShop, NOTHING_AROUND } from "./inshop";
import { emptyJob, type Job } from "./job";
import { takingUp } from "./takeup";

const pine: BoardLot = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) }; // prettier-ignore
const own = { ...pine, price: 9, available: null, source: "buy" as const };
const job = (more: Partial<Job> = {}): Job => ({ ...emptyJob("Four", "in"), stock: [own], ...more });
const around = {
  ...NOTHING_AROUND,
  lots: [5, 8].map((id) => ({ id, lot: { ...pine, length: inch(90 + id) }, there: 4, reserved: [] })),
  offers: [{ id: 2, ...pine, width: inch(7, 1, 4), price: 8.6 }],
};
const pin = (stock: number): Pinned => ({ stock, repeat: 1, strips: [] });

test("a job stands in its shop with its own stock first, then the yard's, then the catalogue's", () => {
  expect(inShop(job(), 1, around).stock.map((s) => [s.lot ?? null, s.offer ?? null])).toEqual([[null, null], [5, null], [8, null], [null, 2]]); // prettier-ignore
});

test("layouts pinned on boards of the yard and the catalogue take them up, each once, and stay on the boards they were on", () => {
  const seen = inShop(job(), 1, around);
  const { before, act } = takingUp({ do: "pin", pinned: [pin(0), pin(3), pin(1), pin(3)] }, job(), seen);
  expect(before.map((a) => a.do === "add stock" && [a.stock.lot ?? null, a.stock.offer ?? null])).toEqual([[null, 2], [5, null]]); // prettier-ignore
  expect(act.do === "pin" && act.pinned.map((p) => p.stock)).toEqual([0, 1, 2, 1]);
  const after = inShop(
    [...before, act].reduce((j, a) => carryOut(j, a), job()),
    1,
    around,
  );
  expect(after.stock.map((s) => [s.lot ?? null, s.offer ?? null])).toEqual([[null, null], [null, 2], [5, null], [8, null]]); // prettier-ignore
  expect(after.pinned.map((p) => after.stock[p.stock])).toMatchObject([own, { offer: 2 }, { lot: 5 }, { offer: 2 }]);
});

test("what names only the job's own stock is done as it is", () => {
  const seen = inShop(job(), 1, around);
  for (const act of [
    { do: "strike out", at: 0 },
    { do: "pin", pinned: [pin(0)] },
    { do: "name", name: "Five" },
  ] as Act[])
    // prettier-ignore
    expect(takingUp(act, job(), seen)).toEqual({ before: [], act });
});

test("of two screens both stand where one chooses the wood and the other whom it is for; of two that keep boards for the job one does", () => {
  const reserve = (count: number): Act => ({ do: "reserve", lots: [{ id: 5, count }] });
  expect(collides({ do: "wood", wood: "larch" }, { do: "customer", customer: "Heath estate" })).toBe(false);
  expect(collides(reserve(1), reserve(2))).toBe(true);
  expect(collides({ do: "sawn", stock: [own], layouts: [pin(0)], kept: [] }, { do: "pin", pinned: [] })).toBe(true);
  expect(touches({ do: "alone", alone: true })).toEqual(["alone"]);
});
