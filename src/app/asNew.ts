import type { Condition, KeptPiece } from "@/core/book/book";
import { type AsNew, type MeasuredBox, MEASURES, type New } from "@/core/book/repair";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { bodyOf, frameFor, frameOf } from "@/core/line/shapes";
import { recipeFor } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { costsOf, makingOf, pricesOf } from "@/core/weigh/making";
import { bookStore } from "@/store/book";
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";

/** What a new one like it measures, and what it costs: of a box of no known standard a usual deep's; undefined of what is no box. */
export function asNewOf(piece: KeptPiece, { known: found }: Condition): AsNew | null {
  const { item, standard, size } = found ?? piece;
  const db = database();
  const prices = pricesOf(catalogueStore(db).load().offers, shopStore(db).load().shop.workshop.money, "mm");
  const known = findStandard(standard)?.sizes[size] ? { standard, size } : { standard: "langstroth-10", size: "deep" };
  const recipe = recipeFor(item, findStandard(known.standard)!);
  if (recipe?.kind !== "body") return null;
  const worked = workJob({ ...emptyJob("", "in"), lines: [{ item, ...known, quantity: 1, options: {} }] });
  const making = makingOf(worked);
  const costs = making && costsOf(making, prices, "mm");
  const wood = prices.stuff.get("wood")?.each;
  const cost: New = { minutes: making?.work ?? 0, currency: prices.currency, ...(costs && prices.rate !== null ? { money: costs.each, rate: prices.rate } : {}), ...(wood === undefined ? {} : { wood }) };
  const { shape } = worked.lines[0]!;
  const body = bodyOf(shape);
  const box = Object.fromEntries(MEASURES.map((m) => [m, body[m]])) as MeasuredBox;
  return { box, cost, standard: known.standard, ear: frameOf(frameFor(worked.lines[0]!, worked.lines)).earThickness };
} // prettier-ignore

/** A piece as its page shows it: all that happened, how it stands, and what a new one like it would be. */
export function pieceNow(id: number) {
  const found = bookStore(database()).load(id);
  return found && { ...found, asNew: asNewOf(found.piece, found.condition) };
}
