import { pieceKey } from "@/core/line/line";
import { clearOf } from "@/core/boards/clear";
import { type Length, nm } from "@/core/length/length";
import {
  type Pinned,
  type LaidPiece,
  type LaidSection,
  type LaidStrip,
  type Layout,
  type Offcut,
  piecesOf,
} from "@/core/boards/laid";
import { layoutTrouble } from "./pinned";
import { type LayoutRequest } from "./request";

/** One piece of one layout, by its place among the layout's pieces. */
export interface Spot {
  layout: Layout;
  piece: number;
}

export type ByHand = { pinned: Pinned[] } | { trouble: string };

type Size = Pick<LaidPiece, "of" | "length" | "width">;

/** What lies where on a board: the same text is the same layout. */
export const placesText = (l: { strips: LaidStrip[] }): string =>
  piecesOf(l).map((p) => [pieceKey(p.of), p.x, p.y, p.length, p.width]).join(";"); // prettier-ignore

/** Which of the pinned layouts this one is: the same pieces in the same places, on as many boards; undefined for none. */
export function pinOf(layout: Layout, pinned: Pinned[]): number | undefined {
  const own = placesText(layout);
  const at = pinned.findIndex((p) => p.stock === layout.stock && p.repeat === layout.repeat && placesText(p) === own);
  return at < 0 ? undefined : at;
}

/** Keeps a layout as it is, on all its boards. */
export const pin = (layout: Layout, request: LayoutRequest): Pinned[] => [
  ...request.pinned,
  plain(layout, layout.repeat),
];

/** Lets a pinned layout go, or one board of it. */
export const unpin = (layout: Layout, request: LayoutRequest, boards = Infinity): Pinned[] =>
  request.pinned.flatMap((p, i) =>
    i !== layout.pin ? [p] : p.repeat > boards ? [{ ...p, repeat: p.repeat - boards }] : [],
  );

/** Two pieces change places, on one board each; both boards are then pinned. */
export function swap(a: Spot, b: Spot, request: LayoutRequest): ByHand {
  const [first, second] = [piecesOf(a.layout)[a.piece]!, piecesOf(b.layout)[b.piece]!];
  const put = (layout: Layout, changes: Map<number, Size>) => withPieces(layout, changes, request);
  if (a.layout === b.layout)
    return settle([a.layout], [put(a.layout, new Map([[a.piece, second], [b.piece, first]]))], request); // prettier-ignore
  const changed = [put(a.layout, new Map([[a.piece, second]])), put(b.layout, new Map([[b.piece, first]]))];
  return settle([a.layout, b.layout], changed, request);
}

/** A piece goes to an offcut of the same board or another; both boards are then pinned. */
export function moveTo(a: Spot, layout: Layout, offcut: Offcut, request: LayoutRequest): ByHand {
  const piece = piecesOf(a.layout)[a.piece]!;
  const without = withPieces(a.layout, new Map([[a.piece, undefined]]), request);
  const onto = withOne(a.layout === layout ? without : plain(layout, 1), piece, offcut, request);
  return a.layout === layout
    ? settle([layout], [onto], request)
    : settle([a.layout, layout], piecesOf(without).length > 0 ? [without, onto] : [onto], request);
}

const plain = (layout: Pinned | Layout, repeat: number): Pinned => ({
  stock: layout.stock,
  repeat,
  strips: layout.strips,
});

/** The pinned layouts when one board each of `before` is cut as `after` says; or what keeps it from being cut. */
function settle(before: Layout[], after: Pinned[], request: LayoutRequest): ByHand {
  for (const p of after) {
    const why = layoutTrouble(p, request);
    if (why) return { trouble: why };
  }
  const rest = request.pinned.map((p, i) => ({ ...p, repeat: p.repeat - before.filter((l) => l.pin === i).length }));
  return { pinned: [...rest.filter((p) => p.repeat > 0), ...after] };
}

/** The layout with some pieces changed for others, or left out; strips are drawn anew, one piece after another. */
function withPieces(layout: Layout, changes: Map<number, Size | undefined>, request: LayoutRequest): Pinned {
  let at = 0;
  const strips = layout.strips.flatMap((strip): LaidStrip[] => {
    let changed = false;
    const sections = strip.sections.flatMap((s) => {
      const pieces = s.pieces.flatMap((p): Size[] => {
        const i = at++;
        if (!changes.has(i)) return [p];
        changed = true;
        const now = changes.get(i);
        return now ? [now] : [];
      });
      return pieces.length > 0 ? [pieces] : [];
    });
    if (!changed) return [strip];
    return sections.length > 0 ? [drawn(strip, sections, request.saw.kerf)] : [];
  });
  return { stock: layout.stock, repeat: 1, strips };
}

function drawn(strip: LaidStrip, sections: Size[][], kerf: Length): LaidStrip {
  const rip = strip.order === "rip";
  let along: number = rip ? strip.x : strip.y;
  return {
    ...strip,
    sections: sections.map((pieces): LaidSection => {
      let across: number = rip ? strip.y : strip.x;
      const size = nm(Math.max(...pieces.map((p) => (rip ? p.length : p.width))));
      const laid = pieces.map((p): LaidPiece => {
        const [x, y] = rip ? [along, across] : [across, along];
        across += (rip ? p.width : p.length) + kerf;
        return { of: p.of, x: nm(x), y: nm(y), length: p.length, width: p.width };
      });
      along += size + kerf;
      return { size, pieces: laid };
    }),
  };
}

/** The layout with one more piece in an offcut: at the end of the strip it is part of, or as a strip of its own. */
function withOne(layout: Pinned, piece: Size, offcut: Offcut, request: LayoutRequest): Pinned {
  const inside = (s: LaidStrip) =>
    offcut.x >= s.x &&
    offcut.y >= s.y &&
    offcut.x + offcut.length <= s.x + s.length &&
    offcut.y + offcut.width <= s.y + s.width;
  const home = layout.strips.findIndex(inside);
  if (home >= 0) {
    const strip = layout.strips[home]!;
    const grown = drawn(strip, [...strip.sections.map((s) => s.pieces), [piece]], request.saw.kerf);
    return { ...layout, repeat: 1, strips: layout.strips.map((s, i) => (i === home ? grown : s)) };
  }
  const clear = clearOf(request.stock[layout.stock]!, request.saw).find(
    (c) => offcut.x >= c.x && offcut.x < c.x + c.length,
  )!;
  const order = layout.strips.find((s) => s.x >= clear.x && s.x < clear.x + clear.length)?.order ?? "rip";
  const room =
    order === "rip"
      ? { x: clear.x, y: offcut.y, length: clear.length, width: piece.width }
      : { x: offcut.x, y: clear.y, length: piece.length, width: clear.width };
  return {
    ...layout,
    repeat: 1,
    strips: [...layout.strips, drawn({ order, ...room, sections: [] }, [[piece]], request.saw.kerf)],
  };
}
