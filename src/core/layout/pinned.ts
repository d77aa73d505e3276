import { pieceKey } from "@/core/line/line";
import { type Clear, clearOf } from "@/core/boards/clear";
import { type LaidPiece, type LaidStrip, type Pinned, piecesOf } from "@/core/boards/laid";
import type { Blank, LayoutRequest } from "./request";

interface Box {
  x: number;
  y: number;
  length: number;
  width: number;
}

const within = (inner: Box, outer: Box) =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.length <= outer.x + outer.length &&
  inner.y + inner.width <= outer.y + outer.width;

const apart = (a: Box, b: Box, kerf: number) =>
  a.x + a.length + kerf <= b.x ||
  b.x + b.length + kerf <= a.x ||
  a.y + a.width + kerf <= b.y ||
  b.y + b.width + kerf <= a.y;

/**
 * What keeps a layout from being cut as it is drawn, in a sentence; undefined when nothing does. Looks at the board's
 * clear stretches, the kerf between strips and between pieces, the cuts from edge to edge, and each piece's size.
 */
export function layoutTrouble(pin: Pinned, request: LayoutRequest, blanks = blanksByKey(request)): string | undefined {
  const board = request.stock[pin.stock];
  if (!board) return "its board is no longer among the job's stock";
  const clears = clearOf(board, request.saw);
  for (const p of piecesOf(pin)) {
    const blank = blanks.get(pieceKey(p.of));
    if (!blank) return `it has a part the job no longer has (${pieceKey(p.of)})`;
    const flat = p.length === blank.length && p.width === blank.width;
    const turned = blank.turn && p.length === blank.width && p.width === blank.length;
    const edge = p.length === blank.length && p.width === blank.thickness && board.thickness >= blank.width;
    if (!flat && !turned && !edge) return `${blank.name} is no longer the size it has there`;
    if (!edge && board.thickness < blank.thickness) return `the board is too thin for ${blank.name}`;
  }
  if (piecesOf(pin).length === 0) return "nothing is left on it";
  if (tooNear(pin.strips, request.saw.kerf)) return "two strips are nearer than a saw cut";
  for (const strip of pin.strips) {
    const clear = clears.find((c) => within(strip, c));
    if (!clear) return "a strip lies on a bad stretch or past the board's trims";
    if (!alongside(strip, clear)) return "a strip does not reach from edge to edge";
    const trouble = stripTrouble(strip, request.saw.kerf, blanks);
    if (trouble) return trouble;
  }
  return undefined;
}

/** Two that no cut gets between; each is held only against those beside it along the board. */
function tooNear<B extends Box>(boxes: B[], kerf: number): [B, B] | undefined {
  const along = [...boxes].sort((a, b) => a.x - b.x);
  for (const [i, a] of along.entries())
    for (let k = i + 1; k < along.length && along[k]!.x < a.x + a.length + kerf; k++)
      if (!apart(a, along[k]!, kerf)) return [a, along[k]!];
  return undefined;
}

export const blanksByKey = (request: LayoutRequest): Map<string, Blank> =>
  new Map(request.blanks.map((b) => [pieceKey(b.of), b]));

/** A strip reaches across its clear stretch, so that one cut frees it. */
const alongside = (s: LaidStrip, c: Clear) =>
  s.order === "rip" ? s.x === c.x && s.length === c.length : s.y === c.y && s.width === c.width;

function stripTrouble(strip: LaidStrip, kerf: number, blanks: Map<string, { name: string }>): string | undefined {
  const pieces: LaidPiece[] = strip.sections.flatMap((s) => s.pieces);
  const name = (p: LaidPiece) => blanks.get(pieceKey(p.of))!.name;
  const large = pieces.find((p) => !within(p, strip));
  if (large) return `${name(large)} is larger than its strip`;
  const near = tooNear(pieces, kerf);
  if (near) return `${name(near[0])} and ${name(near[1])} are nearer than a saw cut`;
  // One section after another along the strip, so that a cut across the strip frees each.
  const rip = strip.order === "rip";
  const spans = strip.sections.map((s) => ({
    from: Math.min(...s.pieces.map((p) => (rip ? p.x : p.y))),
    to: Math.max(...s.pieces.map((p) => (rip ? p.x + p.length : p.y + p.width))),
    size: s.size,
  }));
  for (const [i, a] of spans.entries()) {
    if (a.to - a.from > a.size) return "a section is shorter than its pieces";
    const next = spans.filter((_, k) => k !== i).find((b) => a.from < b.to + kerf && b.from < a.to + kerf);
    if (next) return "two sections of a strip are nearer than a saw cut";
  }
  return undefined;
}

/** How often each blank lies on the pinned boards. */
export function pinnedCounts(pins: Pinned[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const pin of pins)
    for (const p of piecesOf(pin)) counts.set(pieceKey(p.of), (counts.get(pieceKey(p.of)) ?? 0) + pin.repeat);
  return counts;
}
