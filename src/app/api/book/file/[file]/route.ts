import { z } from "zod";
import { answer, readPath } from "@/app/http";
import { tableFile } from "@/app/table";
import { bookTable } from "@/core/book/file";
import { bookCsv } from "@/exchange/bookCsv";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

const path = z.object({ file: z.enum(["book.json", "book.csv", "pieces.csv", "pieces.xlsx"]) });

/** The Book to carry off: all of it as JSON or CSV, which are taken in again; how each piece stands as a table. */
export const GET = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { file } = await readPath(at, path);
    const store = bookStore(database());
    if (file === "pieces.csv" || file === "pieces.xlsx") return tableFile(file, bookTable(store.everything()));
    const isCsv = file === "book.csv";
    return new Response(isCsv ? bookCsv(store.out()) : JSON.stringify(store.out()), { headers: { "content-type": isCsv ? "text/csv; charset=utf-8" : "application/json", "content-disposition": `attachment; filename="${file}"` } }); // prettier-ignore
  });
