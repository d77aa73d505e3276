import { z } from "zod";
import { answer, readQuery } from "@/app/http";
import { database } from "@/store/database";
import { priceStore } from "@/store/prices";

const query = z.strictObject({ thing: z.string().min(1).max(200) });

/** What a thing cost when, at each supplier and in the catalogue. */
export const GET = (request: Request) =>
  answer(request, async () => Response.json(priceStore(database()).of(readQuery(request, query).thing)));
