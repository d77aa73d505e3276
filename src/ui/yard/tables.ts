"use client";
import Papa from "papaparse";

/** Rows of a text: of a spreadsheet's clipboard, a CSV with commas, semicolons or tabs, or plain lines. */
export function tableInText(text: string): string[][] {
  const plain = text.replace(/^﻿/, "");
  // A comma between a board's sizes and what is bad of it parts no columns, nor does one between figures.
  const [head = ""] = plain.split("\n", 1);
  const delimiter = [...plain.matchAll(/\t/g)].length > 0 ? "\t" : head.includes(";") ? ";" : isCsv(plain) ? "," : "\n";
  if (delimiter === "\n") return plain.split(/\r?\n/).map((line) => [line]);
  return Papa.parse<string[]>(plain, { delimiter, skipEmptyLines: false }).data;
}

/** Commas part columns where every filled line has as many of them, two or more. */
function isCsv(text: string): boolean {
  const lines = Papa.parse<string[]>(text, { delimiter: ",", skipEmptyLines: true, preview: 50 }).data;
  return lines.length > 0 && lines[0]!.length > 2 && lines.every((l) => l.length === lines[0]!.length);
}

/** Rows of a file: CSV, text, or the first sheet of a workbook. @throws with why it cannot be read */
export async function tableInFile(file: File): Promise<string[][]> {
  if (file.size > MOST_BYTES) throw new Error(`it is larger than ${MOST_BYTES / 1024 / 1024} MB`);
  if (!/\.xlsx$/i.test(file.name)) return tableInText(await file.text());
  const { readSheet } = await import("read-excel-file/browser");
  const rows = await readSheet(file);
  return rows.map((cells) => cells.map((c) => (c === null ? "" : c instanceof Date ? c.toISOString().slice(0, 10) : String(c)))); // prettier-ignore
}
const MOST_BYTES = 16 * 1024 * 1024;
