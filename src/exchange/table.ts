import Papa from "papaparse";
import writeXlsxFile from "write-excel-file/node";
import { oneLine } from "./text";

/** A table as CSV; no cell is a formula to the program that opens it. */
export const csvOf = (table: string[][]): string =>
  `${Papa.unparse(table.map((row) => row.map(oneLine)), { escapeFormulae: true, newline: "\r\n" })}\r\n`; // prettier-ignore

/** A table as a workbook of one sheet; bare numbers are numbers, all else is text. */
export const xlsxOf = (table: string[][]): Promise<Buffer> =>
  writeXlsxFile(
    table.map((row) =>
      row.map((cell) =>
        /^\d+(\.\d+)?$/.test(cell) ? { value: Number(cell), type: Number } : { value: oneLine(cell), type: String },
      ),
    ),
  ).toBuffer();
