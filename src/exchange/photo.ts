import { createHash } from "node:crypto";
import sharp from "sharp";
import { JobFileError } from "@/core/problem/problem";

/** So many pixels are read, whatever a file says it has; and so long at it, seconds. */
const [MOST_PIXELS, PATIENCE] = [60e6, 20];
/** The longer side of what is kept, pixels: a mark burned on can be read, a wall fills a screen. */
const KEPT = 1600;
const TAKEN = ["jpeg", "png", "webp"];

/** A picture as it is kept: a JPEG named by its bytes. */
export interface Photo {
  name: string;
  data: Buffer;
}

/**
 * Makes a picture anew from what a file shows: upright, no larger than needed, and without anything else that was in the file: not where or
 * when it was taken nor by what. @throws JobFileError where it is no picture that can be read
 */
export async function photoOf(file: Buffer): Promise<Photo> {
  const refused = (message: string) => new JobFileError([{ path: "photo", message }]);
  const wanted = "wanted a picture as JPEG, PNG or WebP";
  const open = () => sharp(file, { limitInputPixels: MOST_PIXELS, failOn: "error" }).timeout({ seconds: PATIENCE });
  const kind = file.length > 0 ? await open().metadata().catch(() => undefined) : undefined; // prettier-ignore
  if (!kind?.format || !TAKEN.includes(kind.format)) throw refused(`read ${kind?.format ? `a file of the kind ${kind.format}` : "a file that is no picture"}; ${wanted}`); // prettier-ignore
  if (kind.width * kind.height > MOST_PIXELS) throw refused(`read ${kind.width} × ${kind.height} pixels; at most ${MOST_PIXELS / 1e6} million are taken`); // prettier-ignore
  try {
    const data = await open().autoOrient().resize(KEPT, KEPT, { fit: "inside", withoutEnlargement: true }).flatten({ background: "#fff" }).jpeg({ quality: 80 }).toBuffer(); // prettier-ignore
    return { name: createHash("sha256").update(data).digest("hex"), data };
  } catch (e) {
    throw refused(`read a picture that breaks off or is damaged (${(e as Error).message.split("\n")[0]!.slice(0, 80)}); ${wanted}`); // prettier-ignore
  }
}
