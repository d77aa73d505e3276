import { z } from "zod";
import { answer, idParam, readPath } from "@/app/http";
import { tableFile } from "@/app/table";
import { purchasePdf, purchaseTable, purchaseText } from "@/exchange/purchase";
import { database } from "@/store/database";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";

const params = z.object({ id: idParam, file: z.enum(["order.pdf", "order.csv", "order.xlsx", "order.txt"]) });

/** An order as a page, a table or plain text. */
export const GET = (request: Request, context: { params: Promise<{ id: string; file: string }> }) =>
  answer(request, async () => {
    const { id, file } = await readPath(context, params);
    const { purchase } = purchaseStore(database()).load(id);
    const { units, workshop } = shopStore(database()).load().shop;
    if (file === "order.csv" || file === "order.xlsx") return tableFile(file, purchaseTable(purchase, units));
    if (file === "order.txt") return new Response(purchaseText(purchase, id, units), { headers: { "content-type": "text/plain; charset=utf-8" } }); // prettier-ignore
    const pdf = await purchasePdf(purchase, id, units, workshop.paper);
    return new Response(new Uint8Array(pdf), {
      headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="${file}"` },
    });
  });
