import { z } from "zod";

/** A shop's code on its marks: letters that a branding iron holds. */
export const codeSchema = z.string().regex(/^[A-Z]{1,4}$/, 'wanted one to four capital letters, like "BW"');

/** A mark as it is burned on: the shop's code, the year in two figures, a number that counts on in it. `BW-27-0123` */
export const markText = (code: string, year: number, number: number): string =>
  `${code}-${String(year % 100).padStart(2, "0")}-${String(number).padStart(4, "0")}`;

/** The code and the number of a mark that is as a shop gives them; undefined of any other. */
export function readGiven(mark: string): { code: string; number: number } | undefined {
  const read = /^([A-Z]{1,4})-\d\d-(\d{4})$/.exec(mark);
  return read ? { code: read[1]!, number: Number(read[2]) } : undefined;
}

/** What of a mark is compared: capitals and figures, without what stands between them. */
export const markKey = (mark: string): string => mark.toUpperCase().replace(/[^A-Z0-9]/g, "");

/**
 * What can still be read of a mark, as a GLOB pattern over keys: `?` is a letter or figure that cannot be read, and the end may be missing;
 * figures alone are the end of one. Nothing where nothing can be read. `BW-8?` → `BW8?*`
 */
export function markPattern(read: string): string | undefined {
  const seen = read.toUpperCase().replace(/[^A-Z0-9?]/g, "");
  if (!/[A-Z0-9]/.test(seen)) return undefined;
  return /^[0-9]+$/.test(seen) ? `*${seen}` : `${seen}*`;
}
