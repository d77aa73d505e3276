import { actsBody } from "@/app/acts";
import { answer, readBody } from "@/app/http";
import { yardActSchema } from "@/core/yard/acts";
import { database } from "@/store/database";
import { yardStore } from "@/store/yard";

const body = actsBody(yardActSchema);
/** A yard's whole stock from a spreadsheet comes as one act. */
const MOST_BYTES = 16 * 1024 * 1024;

/** Writes something down in the yard's ledger, or takes the last back by writing the opposite; or several, in their order. */
export const POST = (request: Request) =>
  answer(request, async () => {
    const read = await readBody(request, body, MOST_BYTES);
    const since = Math.max(0, Math.min(...read.acts.map((a) => ("revision" in a ? a.revision : 0))));
    return Response.json(yardStore(database()).all(read.acts, read.loaded, since));
  });
