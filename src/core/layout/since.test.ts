import { inch } from "@/core/length/length";
import { layOut } from "./layout";
import type { LayoutRequest } from "./request";
import { keepTo, since } from "./since";
import { blank, request, saw } from "./tests/samples";

const [wide, narrow] = [inch(9, 5, 8), inch(1, 1, 2)];
const asked = (long: number, short: number, o: Partial<LayoutRequest> = {}) =>
  layOut(request([blank("0/long", inch(40), wide, long), blank("1/short", inch(12), wide, short)], undefined, o), () => 0); // prettier-ignore

test("what a change made of the ways to cut: as before, another number, new, gone; worked by hand", () => {
  // 95 1/2 take two of 40 and one of 12, with two saw cuts 92 1/4: three boards alike.
  const was = asked(6, 3);
  expect(since(was, was)).toEqual({ were: [undefined], gone: 0 });
  // A fourth board alike; or one with seven of 12, 84 3/4, and no other way as cheap.
  expect(since(was, asked(8, 4))).toEqual({ were: [3], gone: 0 });
  expect(since(was, asked(6, 10))).toEqual({ were: [undefined, 0], gone: 0 });
  expect(since(asked(6, 10), was)).toEqual({ were: [undefined], gone: 1 });
});

test("a line taken out moves the others up and changes no way to cut them; a wider saw cut changes all", () => {
  const rail = blank("0/rail", inch(20), narrow, 1, { thickness: inch(1, 1, 2) });
  const line = (of: number) => [blank(`${of}/long`, inch(40), wide, 6, { name: "long" })];
  const was = layOut(request([rail, ...line(1)]), () => 0);
  expect(
    since(
      was,
      layOut(request(line(0)), () => 0),
    ).were,
  ).toEqual([undefined]);
  expect(since(asked(6, 3), asked(6, 3, { saw: { ...saw, kerf: inch(0, 1, 4) } }))).toEqual({ were: [0], gone: 1 });
});

test("the ways of before are kept as far as their pieces are still wanted, and the rest is laid out around them; by hand", () => {
  // Three boards of two of 40 and one of 12, one of seven of 12.
  const was = asked(6, 10);
  const to = (now: LayoutRequest) => keepTo(was, now).map((p) => p.repeat);
  // Of five of 40 two boards stand and one piece is left over; of eight all three stand; with other cuts none.
  const five = asked(5, 10).request;
  expect(to(five)).toEqual([2, 1]);
  expect(to(asked(8, 10).request)).toEqual([3, 1]);
  expect(to(asked(6, 10, { saw: { ...saw, kerf: inch(0, 1, 4) } }).request)).toEqual([]);
  const kept = layOut({ ...five, pinned: keepTo(was, five) }, () => 0);
  expect([kept.count, kept.troubles, kept.missing]).toEqual([4, [], []]);
  expect(since(was, kept)).toEqual({ were: [3, undefined, 0], gone: 0 });
  // What is kept already is not kept twice, and no more boards are kept than there are.
  expect(keepTo(was, kept.request)).toEqual(kept.request.pinned);
  expect(to({ ...five, stock: five.stock.map((s) => ({ ...s, available: 2 })) })).toEqual([2]);
});
