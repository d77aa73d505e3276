import { createReadStream, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { answer } from "@/app/http";
import { copyTo } from "@/store/copies";
import { database } from "@/store/database";

/** All there is, as it is at one moment, as one file to carry off. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const folder = mkdtempSync(join(tmpdir(), "rundik-copy-"));
    const clear = () => rmSync(folder, { recursive: true, force: true });
    const file = join(folder, "rundik.db");
    try {
      await copyTo(database(), file);
    } catch (e) {
      clear();
      throw e;
    }
    const read = createReadStream(file).once("close", clear);
    const day = new Date().toISOString().slice(0, 10);
    return new Response(Readable.toWeb(read) as ReadableStream, {
      headers: {
        "content-type": "application/vnd.sqlite3",
        "content-disposition": `attachment; filename="rundik-${day}.db"`,
      },
    });
  });
