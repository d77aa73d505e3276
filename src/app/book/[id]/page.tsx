import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { z } from "zod";
import { fromKept } from "@/app/kept";
import { today } from "@/app/today";
import type { KeptPiece } from "@/core/book/book";
import { type MeasuredBox, MEASURES, type New } from "@/core/book/repair";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { bodyOf, frameFor, frameOf } from "@/core/line/shapes";
import { recipeFor } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { costsOf, makingOf, type Prices, pricesOf } from "@/core/weigh/making";
import { bookStore } from "@/store/book";
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";
import { PiecePage } from "@/ui/book/PiecePage";
import type { AsNew } from "@/ui/book/Repairs";
import { Fresh } from "@/ui/parts/Fresh";

export const metadata: Metadata = { title: "A piece of the Book" };
/** What a new one like it measures, and what it costs: of a box of no known standard a usual deep's; undefined of what is no box. */
function newOf({ item, standard, size }: KeptPiece, prices: Prices): AsNew | null {
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

const id = z.coerce.number().int().min(1);

/** One piece: what it is, how it stands, all that happened to it. */
const Page = (props: { params: Promise<{ id: string }> }) =>
  fromKept(async () => {
    const read = id.safeParse((await props.params).id);
    const db = database();
    const found = read.success ? bookStore(db).load(read.data) : undefined;
    if (!found) notFound();
    const job = jobStore(db).list().find((j) => j.id === found.piece.job); // prettier-ignore
    const visit = randomUUID();
    const asNew = newOf(
      found.piece,
      pricesOf(catalogueStore(db).load().offers, shopStore(db).load().shop.workshop.money, "mm"),
    );
    return (
      <>
        <Fresh visit={visit} />
        <PiecePage
          key={visit}
          found={found}
          jobName={job?.name ?? null}
          asNew={asNew}
          units={shopStore(db).load().shop.units}
          today={today()}
        />{" "}
        {/* prettier-ignore */}
      </>
    );
  });
export default Page;
