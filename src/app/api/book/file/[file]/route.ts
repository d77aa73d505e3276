import { z } from "zod";
import { answer, readPath } from "@/app/http";
import { tableFile } from "@/app/table";
import { bookTable } from "@/core/book/file";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

const path = z.object({ file: z.enum(["book.json", "book.csv", "book.xlsx"]) });

/** The Book to carry off: all of it as JSON, which is taken in again; how each piece stands as a table. */
export const GET = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { file } = await readPath(at, path);
    const store = bookStore(database());
    if (file !== "book.json") return tableFile(file, bookTable(store.everything()));
    return new Response(JSON.stringify(store.out()), { headers: { "content-type": "application/json", "content-disposition": `attachment; filename="${file}"` } }); // prettier-ignore
  });
