import { inch } from "@/core/length/length";
import { moveTo, pin, pinOf, swap, unpin } from "./byhand";
import { allLayouts, layOut, type LayoutResult } from "./layout";
import { piecesOf } from "@/core/boards/laid";
import type { LayoutRequest } from "./request";
import { blank, board, request } from "./tests/samples";
import { verify } from "./tests/verify";

const long = blank("long", inch(40), inch(9, 5, 8), 6);
const short = blank("short", inch(12), inch(9, 5, 8), 3);
const ask = request([long, short]);
const lay = (r: LayoutRequest): LayoutResult => {
  const result = layOut(r, () => 0);
  verify(result, r);
  return result;
};
const layouts = (r: LayoutResult) => allLayouts(r).map((x) => x.layout);
const ids = (l: { strips: Parameters<typeof piecesOf>[0]["strips"] }) => piecesOf(l).map((p) => p.of.part).sort().join(" "); // prettier-ignore
const done = (x: ReturnType<typeof swap>) => {
  if ("trouble" in x) throw new Error(x.trouble);
  return x.pinned;
};

test("a pinned layout stays on its boards, and what is left is laid out around it", () => {
  const first = lay(ask);
  const kept = layouts(first)[0]!;
  const again = lay({ ...ask, pinned: pin(kept, ask) });
  const held = layouts(again).find((l) => l.pin === 0)!;
  expect([held.repeat, held.strips]).toEqual([kept.repeat, kept.strips]);
  expect(again.count).toBe(first.count);
  // The layout on the page before the others were laid out again is known to be pinned as well.
  expect([pinOf(kept, pin(kept, ask)), pinOf(kept, []), pinOf({ ...kept, repeat: 1 }, pin(kept, ask))]).toEqual([0, undefined, undefined]); // prettier-ignore
  expect(unpin(held, { ...ask, pinned: pin(kept, ask) })).toEqual([]);
});

test("two pieces change places on one board each; the counts still come out and the boards can be cut", () => {
  // By hand: three boards of 40 + 40 + 12.
  const a = layouts(lay(ask))[0]!;
  const at = (l: typeof a, id: string) => piecesOf(l).findIndex((p) => p.of.part === id);
  const swapped = done(swap({ layout: a, piece: at(a, "long") }, { layout: a, piece: at(a, "short") }, ask));
  expect(swapped).toHaveLength(1);
  expect(ids(swapped[0]!)).toBe(ids(a));
  expect(piecesOf(swapped[0]!)[0]!.of).not.toEqual(piecesOf(a)[0]!.of);
  lay({ ...ask, pinned: swapped });
});

test("a piece goes to an offcut of another board; where it does not fit it is said why", () => {
  const narrow = blank("narrow", inch(30), inch(1, 1, 4), 2);
  const r = request([long, short, narrow], [board(), board({ length: inch(60), price: 9 })]);
  const result = lay(r);
  const from = layouts(result).find((l) => ids(l).includes("narrow"))!;
  const spot = { layout: from, piece: piecesOf(from).findIndex((p) => p.of.part === "narrow") };
  const room = layouts(result).flatMap((l) => l.offcuts.map((o) => ({ l, o })));
  const fits = room.filter(({ o }) => o.length >= narrow.length && o.width >= narrow.width);
  for (const { l, o } of fits) {
    const pinned = done(moveTo(spot, l, o, r));
    expect(pinned.flatMap((p) => piecesOf(p)).filter((p) => p.of.part === "narrow").length).toBeGreaterThan(0);
    lay({ ...r, pinned });
  }
  const small = room.find(({ o }) => o.length < narrow.length);
  if (small)
    expect(moveTo(spot, small.l, small.o, r)).toEqual({ trouble: expect.stringMatching(/larger|nearer|past/) });
});

test("a pinned layout that no longer holds is left out, and why is said", () => {
  const kept = pin(layouts(lay(ask))[0]!, ask);
  const grown = { ...ask, blanks: [{ ...long, length: inch(41) }, short], pinned: kept };
  expect(lay(grown).troubles).toEqual([{ pin: 0, why: "long is no longer the size it has there" }]);
  const fewer = { ...ask, blanks: [{ ...long, quantity: 1 }, short], pinned: kept };
  expect(lay(fewer).troubles[0]!.why).toMatch(/more of long than the job wants/);
  const gone = { ...ask, stock: [], pinned: kept };
  expect(layOut(gone, () => 0).troubles[0]!.why).toMatch(/no longer among/);
});

test("nothing lies on a bad stretch, and a struck board is not used", () => {
  const rough = board({ available: 1, bad: [[inch(30), inch(34)], [inch(70), inch(71)]], source: "yard", price: 0 }); // prettier-ignore
  const r = request([blank("a", inch(29), inch(9, 5, 8), 1), blank("b", inch(35), inch(5), 3), blank("c", inch(12), inch(3), 9)], [rough, board()]); // prettier-ignore
  const result = lay(r);
  expect(layouts(result).some((l) => r.stock[l.stock] === rough)).toBe(true);
  const struck = lay({ ...r, stock: [{ ...rough, struck: 1 }, board()] });
  expect(layouts(struck).every((l) => l.stock === 1)).toBe(true);
});
