import { z } from "zod";
import { answer, readPath } from "@/app/http";
import { csvOf, xlsxOf } from "@/exchange/table";
import { tableOf } from "@/core/yard/table";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";
import { yardStore } from "@/store/yard";

const params = z.object({ file: z.enum(["yard.csv", "yard.xlsx"]) });
const TYPE = {
  "yard.csv": "text/csv; charset=utf-8",
  "yard.xlsx": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
};

/** The yard as a table that can be put in again: CSV, or a workbook. */
export const GET = (request: Request, context: { params: Promise<{ file: string }> }) =>
  answer(request, async () => {
    const { file } = await readPath(context, params);
    const { units } = shopStore(database()).load().shop;
    const table = tableOf(yardStore(database()).lots(), units);
    const body = file === "yard.csv" ? csvOf(table) : new Uint8Array(await xlsxOf(table));
    return new Response(body, {
      headers: { "content-type": TYPE[file], "content-disposition": `attachment; filename="${file}"` },
    });
  });
