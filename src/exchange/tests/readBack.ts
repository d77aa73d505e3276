import * as XLSX from "@e965/xlsx";
import Papa from "papaparse";

/** Files read by libraries that did not write them. */
export const fromCsv = (text: string): string[][] => Papa.parse<string[]>(text.trim()).data;

export const fromXlsx = (book: Buffer): string[][] => {
  const sheets = XLSX.read(book);
  return XLSX.utils.sheet_to_json<unknown[]>(sheets.Sheets[sheets.SheetNames[0]!]!, { header: 1, defval: "" }).map((row) => row.map(String)); // prettier-ignore
};

/** The texts of a PDF's pages. */
export async function pagesOf(pdf: Buffer): Promise<string[]> {
  const { getDocument } = await import("pdfjs-dist/legacy/build/pdf.mjs");
  const doc = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: true, verbosity: 0 }).promise;
  const pages = Array.from({ length: doc.numPages }, (_, i) => doc.getPage(i + 1));
  return Promise.all(pages.map(async (p) => (await (await p).getTextContent()).items.map((t) => ("str" in t ? t.str : "")).join(" "))); // prettier-ignore
}
