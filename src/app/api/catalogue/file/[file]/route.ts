import { z } from "zod";
import { answer, readPath } from "@/app/http";
import { tableFile } from "@/app/table";
import { isStock } from "@/core/catalogue/catalogue";
import { offersTable } from "@/core/yard/table";
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";

const params = z.object({ file: z.enum(["catalogue.csv", "catalogue.xlsx"]) });

/** What can be bought as a table that can be listed again: CSV, or a workbook. */
export const GET = (request: Request, context: { params: Promise<{ file: string }> }) =>
  answer(request, async () => {
    const { file } = await readPath(context, params);
    const { units } = shopStore(database()).load().shop;
    return tableFile(file, offersTable(catalogueStore(database()).offers().filter(isStock), units));
  });
