import { oneLine } from "./text";
import { NM_PER_INCH, NM_PER_MM } from "@/core/length/length";

/** PDF points in a nanometre: 72 to the inch. */
export const PT = 72 / NM_PER_INCH;

/** Papers a printer holds, upright, in nm. */
export const PAPER = { A4: [210 * NM_PER_MM, 297 * NM_PER_MM], Letter: [8.5 * NM_PER_INCH, 11 * NM_PER_INCH] } as const;
export type Paper = keyof typeof PAPER;

/** What comes of a document when it has ended. */
export const finished = (doc: PDFKit.PDFDocument): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc
      .on("data", (c: Buffer) => chunks.push(c))
      .on("end", () => resolve(Buffer.concat(chunks)))
      .on("error", reject);
  });

/** What the letters of the page can write; a currency's sign they do not have is its three letters already. */
export const printable = (text: string): string =>
  oneLine(text)
    .replace(/\u00a0/g, " ")
    .replace(/[^\x20-\xff€–—‘’“”•…]/g, "?");
