import { z } from "zod";
import { answer, BadRequest, readBody } from "@/app/http";
import { database } from "@/store/database";
import { supplierStore } from "@/store/suppliers";
import { freshPrices } from "@/workers/supplying";

const body = z.strictObject({ address: z.string().trim().max(300) });

/** Keeps the address of a supplier, and asks for its prices. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const { address } = await readBody(request, body);
    const url = URL.canParse(address) ? new URL(address) : undefined;
    if (!url || !["http:", "https:"].includes(url.protocol) || url.username || url.search || url.hash)
      throw new BadRequest(`address: read “${address.slice(0, 80)}”; wanted one like https://prices.timber.example`);
    const id = supplierStore(database()).add(url.href.replace(/\/+$/, ""));
    await freshPrices(database(), id);
    return Response.json({ id }, { status: 201 });
  });
