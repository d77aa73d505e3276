import { z } from "zod";
import { answer, readBody } from "@/app/http";
import { today } from "@/app/today";
import { readBookCsv } from "@/exchange/bookCsv";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { MOST_BYTES } from "../most";

const body = z.strictObject({ csv: z.string().min(1) });

/** Takes in a Book's CSV or a list of pieces that somebody typed; what is there already stays. Answers with how much was added. */
export const POST = (request: Request) =>
  answer(request, async () => Response.json(bookStore(database()).take(readBookCsv((await readBody(request, body, MOST_BYTES)).csv, today())))); // prettier-ignore
