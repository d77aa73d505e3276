import { byCuts, type Row } from "./gomory";
import { leastValue, type MasterAnswer, SCALE } from "./master";
import { type Near, undominated } from "./nearby";
import type { Diver } from "./primal";
import type { Rest } from "./problem";

/**
 * Showing that so many boards are too few, though fractions of them would do.
 *
 * Seven boards hold thirty large parts and a thousand slips. Ways to cut a board that differ in slips are too many to write down; ways
 * that differ in large parts are some dozens, each with what the slips beside them are worth at the most, by their duals. All slips
 * together are worth 21.3. When no seven of those ways give thirty parts and slips worth 21.3, no cutting gives all. Where some do, and
 * there are not too many ways with every slip, those are tried.
 */

/** A piece whose dual is a smaller part of the dearest board is told together with others such; or none is. */
const SMALL = [1 / 40, 0];
/** Ways to cut a stock after which nothing is concluded, and how many go into one programme. */
const MOST = { found: 3000, columns: 500 };
/** What all pieces told together are worth is so many parts: whole numbers small enough for cuts. */
const PARTS = 2000;

/**
 * Whether no cutting of the boards of `within`, all of which there are so many of, gives every piece; `price` is what they cost together.
 * True only where that is proven: by reduced costs (`leastValue`), by what is left out of rows (a piece whose dual is nothing may be missed;
 * pieces told together may be had for their duals, a surrogate of their rows), and by cuts in whole numbers (`byCuts`).
 */
export const isRefuted = (d: Diver, within: Rest, root: MasterAnswer, price: number): boolean =>
  SMALL.some((small) => d.going() && isTooFew(d, within, root, price, small));

/** With pieces told together whose dual is less than such a part of the dearest board. */
function isTooFew(
  { stock, pricer, lp, going }: Diver,
  within: Rest,
  { proof }: MasterAnswer,
  price: number,
  small: number,
): boolean {
  const { left, supply } = within;
  const { duals } = proof;
  const dearest = Math.max(...stock.map((s) => s.price));
  const among = duals.map((w) => w > 0);
  const together = duals.map((w) => w > 0 && w < small * dearest * SCALE);
  const least = leastValue(stock, within, proof, price);
  const ways: Near[] = [];
  for (const s of stock.keys()) {
    if (supply[s] === 0) continue;
    const near = pricer.near(s, { duals, left, among, limit: MOST.found, together }, least[s]!);
    if (!near) return false;
    ways.push(...near);
  }
  const pieces = left.flatMap((n, i) => (n > 0 && among[i] && !together[i] ? [i] : []));
  const worth = left.reduce((s, n, i) => s + (together[i] ? n * duals[i]! : 0), 0);
  const part = Math.max(1, Math.floor(worth / PARTS));
  const all = undominated(
    ways.map((w) => ({ stock: w.stock, of: [...pieces.map((i) => w.gives[i]!), Math.ceil(w.beside / part)] })),
  );
  if (all.length > MOST.columns) return false;
  const wanted = [...pieces.map((i) => left[i]!), Math.ceil(worth / part)];
  const rows: Row[] = [
    // What is missed costs 1, whatever it is: an answer for nothing misses nothing.
    ...wanted.map((n, r) => ({ of: [...all.map((w) => w.of[r]!), ...wanted.map((_, k) => (k === r ? Math.max(1, n) : 0))], least: n })), // prettier-ignore
    ...stock.map((_, s) => ({ of: [...all.map((w) => (w.stock === s ? -1 : 0)), ...wanted.map(() => 0)], least: -supply[s]! })), // prettier-ignore
  ];
  const programme = {
    costs: [...all.map(() => 0), ...wanted.map(() => 1)],
    rows,
    target: 0,
    kinds: [...all.map((w) => w.stock), ...wanted.map(() => stock.length)],
    most: [...supply.map((n) => n!), 0],
  };
  return byCuts(programme, lp, going).least > 0;
}
