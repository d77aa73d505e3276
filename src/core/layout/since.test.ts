import { inch } from "@/core/length/length";
import { layOut } from "./layout";
import type { LayoutRequest } from "./request";
import { since } from "./since";
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
