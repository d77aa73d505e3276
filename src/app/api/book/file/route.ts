import { answer, readText } from "@/app/http";
import { readBookFile } from "@/core/book/file";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";

/** As much as a yard's stock: more would keep everybody else waiting while it is read. A larger Book goes with the copy of everything. */
const MOST_BYTES = 16 * 1024 * 1024;

/** Takes a Book's file in; what is there already stays. Answers with how much was added. */
export const POST = (request: Request) =>
  answer(request, async () => Response.json(bookStore(database()).take(readBookFile(await readText(request, MOST_BYTES))))); // prettier-ignore
