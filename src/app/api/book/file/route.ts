import { answer, readText } from "@/app/http";
import { readBookFile } from "@/core/book/file";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { MOST_BYTES } from "./most";

/** Takes a Book's file in; what is there already stays. Answers with how much was added. */
export const POST = (request: Request) =>
  answer(request, async () => Response.json(bookStore(database()).take(readBookFile(await readText(request, MOST_BYTES))))); // prettier-ignore
