import { z } from "zod";
import { answer, BadRequest, NotFound, readPath } from "@/app/http";
import { brandPdf } from "@/exchange/brandPdf";
import { printable } from "@/exchange/paper";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";

const path = z.object({ id: z.coerce.number().int().min(1) });
const query = z.object({ high: z.coerce.number().min(5).max(60).catch(18) });

/** A piece's mark at true size, to cut a stencil by or to have an iron made: `high` is how high its letters are, mm. */
export const GET = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { id } = await readPath(at, path);
    const { high } = query.parse(Object.fromEntries(new URL(request.url).searchParams));
    const mark = bookStore(database()).load(id)?.piece.mark;
    if (!mark) throw new NotFound("there is no such piece, or it has no mark");
    const odd = [...mark].filter((c) => printable(c) !== c);
    if (odd.length > 0)
      throw new BadRequest(`mark: read ${odd.join(" ")}; this template has Latin letters and figures only`);
    const pdf = await brandPdf(mark, high, shopStore(database()).load().shop.workshop.paper);
    return new Response(new Uint8Array(pdf), { headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="brand-${id}.pdf"` } }); // prettier-ignore
  });
