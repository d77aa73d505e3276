import { z } from "zod";
import { answer, NotFound, readQuery } from "@/app/http";
import { pieceLabelsPdf } from "@/exchange/pieceLabels";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";

const query = z.union([
  z.object({ q: z.string().min(1, "wanted what the pieces are found by").max(200, "wanted at most 200 letters") }),
  /** Those that were given their marks at once. */
  z.object({ from: z.coerce.number().int().min(1), to: z.coerce.number().int().min(1) }),
]);
/** So many have their labels printed at once. */
const MOST = 2000;

/** Labels of the pieces that are found so or were given marks from one to another, in the order of their marks. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const asked = readQuery(request, query);
    const store = bookStore(database());
    const all = "q" in asked ? store.find(asked.q, MOST) : store.between(asked.from, asked.to, MOST);
    const found = all.filter((p) => p.mark).toSorted((a, b) => a.mark!.localeCompare(b.mark!));
    if (found.length === 0) throw new NotFound("nothing in the Book is called so and has a mark");
    const pdf = await pieceLabelsPdf(found, shopStore(database()).load().shop.workshop.paper);
    return new Response(new Uint8Array(pdf), { headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="labels.pdf"' } }); // prettier-ignore
  });
