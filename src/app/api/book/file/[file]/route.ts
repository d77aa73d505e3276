import { z } from "zod";
import { answer, readPath } from "@/app/http";
import { inParts, larger } from "@/app/inParts";
import { tableFile } from "@/app/table";
import { BOOK_HEADS, bookLines, bookText } from "@/core/book/file";
import { bookCsv } from "@/exchange/bookCsv";
import { csvOf } from "@/exchange/table";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

const path = z.object({ file: z.enum(["book.json", "book.csv", "pieces.csv", "pieces.xlsx"]) });
const CSV = "text/csv; charset=utf-8";

/** The Book to carry off: all of it as JSON or CSV, which are taken in again; how each piece stands as a table. */
export const GET = (request: Request, at: { params: Promise<Record<string, string>> }) =>
  answer(request, async () => {
    const { file } = await readPath(at, path);
    const store = bookStore(database());
    switch (file) {
      case "book.json":
        return inParts(file, "application/json", larger(bookText(store.out())));
      case "book.csv":
        return inParts(file, CSV, bookCsv(store.out()));
      case "pieces.csv":
        return inParts(file, CSV, standing(store.everything()));
      case "pieces.xlsx":
        return tableFile(file, [BOOK_HEADS, ...[...store.everything()].flatMap(bookLines)]);
    }
  });

function* standing(parts: Iterable<Parameters<typeof bookLines>[0]>): Generator<string> {
  yield csvOf([BOOK_HEADS]);
  for (const part of parts) yield csvOf(bookLines(part));
}
