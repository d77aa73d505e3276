import { z } from "zod";
import { answer, readPath } from "@/app/http";
import { tableFile } from "@/app/table";
import { tableOf } from "@/core/yard/table";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";
import { yardStore } from "@/store/yard";

const params = z.object({ file: z.enum(["yard.csv", "yard.xlsx"]) });

/** The yard as a table that can be put in again: CSV, or a workbook. */
export const GET = (request: Request, context: { params: Promise<{ file: string }> }) =>
  answer(request, async () => {
    const { file } = await readPath(context, params);
    const { units } = shopStore(database()).load().shop;
    return tableFile(file, tableOf(yardStore(database()).lots(), units));
  });
