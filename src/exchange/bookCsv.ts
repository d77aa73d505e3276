import Papa from "papaparse";
import type { z } from "zod";
import type { Happening, Piece } from "@/core/book/book";
import { type BookFile, bookFileSchema, type BookPart } from "@/core/book/file";
import { markKey, markText, readGiven } from "@/core/book/mark";
import { type Length, nm, NM_PER_MM } from "@/core/length/length";
import { JobFileError, meant, type Problem } from "@/core/problem/problem";

/**
 * A Book as one table: a line a piece and a line a thing that happened, told apart by the first column. Lengths are in mm. A list that
 * somebody typed needs no more than `mark`, `what` and, where it is known, `made on`.
 */
const COLUMNS = ["line", "key", "mark", "code", "year", "number", "what", "item", "standard", "size", "job", "design", "wood", "corner", "finish", "made on", "age unknown", "measured", "id", "on", "did", "faults", "words", "minutes", "picture"] as const; // prettier-ignore
type Column = (typeof COLUMNS)[number];
type Line = Partial<Record<Column, string>>;

/** Which of its words each thing that happens has. */
const WORDS: Partial<Record<Happening["what"]["do"], string>> = { out: "to", inspected: "note", repaired: "how", treated: "with", scrapped: "why", note: "text", photographed: "note" }; // prettier-ignore

type Sizes = { what: string; value: Length }[];
const sizesText = (sizes: Sizes) =>
  sizes.length > 0 ? JSON.stringify(sizes.map((s) => [s.what, s.value / NM_PER_MM])) : "";

const pieceLine = (key: string, given: BookFile["pieces"][number]["given"], p: Piece): Line => ({ line: "piece", key, mark: p.mark, code: given?.code, year: text(given?.year), number: text(given?.number), what: p.title, item: p.item, standard: p.standard, size: p.size, job: text(p.job), design: text(p.design), wood: p.wood, corner: p.joint, finish: p.finish, "made on": p.madeOn, "age unknown": p.ageless ? "yes" : "", measured: sizesText(p.measured) }) as Line; // prettier-ignore
const text = (n: number | undefined) => (n === undefined ? undefined : String(n));

function happeningLine({ id, of, on, what }: BookFile["happenings"][number]): Line {
  const own = what as Record<string, unknown>;
  const known = what.do === "known" ? { item: what.item, standard: what.standard, size: what.size } : {};
  return { line: "happening", key: of, id, on, did: what.do, faults: "faults" in what ? what.faults.join("; ") : "", words: (own[WORDS[what.do] ?? ""] as string | undefined) ?? "", minutes: what.do === "repaired" ? (text(what.minutes) ?? "") : "", measured: what.do === "measured" ? sizesText(what.sizes) : "", picture: what.do === "photographed" ? what.photo : "", ...known }; // prettier-ignore
}

/** What a spreadsheet would take for a formula is kept from being one by a `'`; one that stands there already gets another. */
const GUARDED = /^'+[=+\-@\t\r]/;

/** A whole Book as CSV, part by part, all pieces first; `readBookCsv` reads it back the same. */
export function* bookCsv(parts: Iterable<BookPart>): Generator<string> {
  yield `${COLUMNS.join(",")}\r\n`;
  for (const { pieces, happenings } of parts) yield csvLines([...pieces.map((p) => pieceLine(p.key, p.given, p.piece)), ...happenings.map(happeningLine)]); // prettier-ignore
}

function csvLines(lines: Line[]): string {
  const cell = (c = "") => (GUARDED.test(c) ? `'${c}` : c);
  return `${Papa.unparse(lines.map((l) => COLUMNS.map((c) => cell(l[c]))), { escapeFormulae: /^[=+\-@\t\r]/, newline: "\r\n" })}\r\n`; // prettier-ignore
}

/** Reads a Book, or a list of pieces, from CSV. `today` is when those without a day came. @throws JobFileError naming the row and its column */
export function readBookCsv(csv: string, today: string): BookFile {
  const read = Papa.parse<string[]>(csv.replace(/^\ufeff/, ""), { skipEmptyLines: "greedy" }).data;
  const heads = (read[0] ?? []).map((h) => h.trim().toLowerCase());
  const wrong = (path: string, message: string) => new JobFileError([{ path, message }]);
  if (!heads.includes("mark") && !heads.includes("key")) throw wrong("row 1", `read ${JSON.stringify(heads.join(", ").slice(0, 80))}; wanted headings, "mark" and "what" among them`); // prettier-ignore
  const unknown = heads.find((h) => h !== "" && !(COLUMNS as readonly string[]).includes(h));
  if (unknown !== undefined) throw wrong("row 1", `read the heading "${unknown.slice(0, 40)}"; wanted of ${COLUMNS.join(", ")}`); // prettier-ignore
  const file: { pieces: BookFile["pieces"]; happenings: BookFile["happenings"] } = { pieces: [], happenings: [] };
  const problems: Problem[] = [];
  const keys = new Set<string>();
  for (const [i, row] of read.slice(1).entries()) {
    const line: Line = Object.fromEntries(heads.map((h, k) => [h, GUARDED.test(row[k] ?? "") ? row[k]!.slice(1) : (row[k] ?? "")])); // prettier-ignore
    const take = <T extends z.ZodType>(schema: T, raw: unknown, put: (v: z.output<T>) => void) => {
      const is = schema.safeParse(raw);
      if (is.success) put(is.data);
      else problems.push(...is.error.issues.flatMap(meant).slice(0, 3).map((p) => ({ path: `row ${i + 2}, ${SAID[String(p.path.at(-1))] ?? String(p.path.at(-1))}`, message: p.message }))); // prettier-ignore
    };
    try {
      if ((line.line || "piece") === "piece") take(bookFileSchema.shape.pieces.element, pieceOf(line, today), (p) => (keys.add(p.key), file.pieces.push(p))); // prettier-ignore
      else if (line.line === "happening") {
        if (!keys.has(line.key ?? "")) problems.push({ path: `row ${i + 2}, key`, message: `read ${JSON.stringify(line.key ?? "")}, which is no piece of a row above` }); // prettier-ignore
        take(bookFileSchema.shape.happenings.element, happeningOf(line), (h) => file.happenings.push(h));
      } else problems.push({ path: `row ${i + 2}, line`, message: `read ${JSON.stringify(line.line)}, wanted piece or happening` }); // prettier-ignore
    } catch (e) {
      if (!(e instanceof SizesError)) throw e;
      problems.push({ path: `row ${i + 2}, measured`, message: e.message });
    }
    if (problems.length >= 5) break;
  }
  if (problems.length > 0) throw new JobFileError(problems);
  return { format: "rundik-book", version: 1, ...file };
}

/** What a field is called at the head of its column. */
const SAID: Record<string, string> = { title: "what", joint: "corner", madeOn: "made on", do: "did", to: "words", how: "words", with: "words", why: "words", text: "words", note: "words", photo: "picture", sizes: "measured" }; // prettier-ignore

class SizesError extends Error {}
function sizesOf(cell: string): Sizes {
  if (cell === "") return [];
  const wrong = () =>
    new SizesError(`read ${JSON.stringify(cell.slice(0, 60))}, wanted sizes in mm like [["depth",244.5]]`);
  let raw: unknown;
  try {
    raw = JSON.parse(cell);
  } catch {
    throw wrong();
  }
  if (!Array.isArray(raw)) throw wrong();
  return raw.map((s: unknown) => {
    if (!Array.isArray(s) || typeof s[0] !== "string" || typeof s[1] !== "number") throw wrong();
    return { what: s[0], value: nm(Math.round(s[1] * NM_PER_MM)) };
  });
}

/** Without what is empty. */
const said = (of: Record<string, unknown>) => Object.fromEntries(Object.entries(of).filter(([, v]) => v !== "" && v !== undefined)); // prettier-ignore
const numberOf = (cell: string | undefined) => (cell ? Number(cell) : undefined);

function pieceOf(line: Line, today: string): unknown {
  const { mark = "", code, year, number } = line;
  const madeOn = line["made on"] || today;
  const ours = readGiven(mark);
  const own = ours && { ...ours, year: Number(madeOn.slice(0, 4)) };
  const given = code ? { code, year: numberOf(year), number: numberOf(number) } : own && markText(own.code, own.year, own.number) === mark ? own : undefined; // prettier-ignore
  const unknownAge = line["age unknown"] === "yes" || !line["made on"];
  const piece = said({ mark, title: line.what, item: line.item || "unknown", standard: line.standard || "unknown", size: line.size || "unknown", job: numberOf(line.job), design: numberOf(line.design), wood: line.wood, joint: line.corner, finish: line.finish, madeOn, ageless: unknownAge ? true : undefined, measured: sizesOf(line.measured ?? "") }); // prettier-ignore
  return { key: line.key || (mark ? `mark-${markKey(mark)}`.padEnd(8, "-") : ""), ...(given ? { given } : {}), piece };
}

function happeningOf(line: Line): unknown {
  const what = line.did as Happening["what"]["do"];
  const own = WORDS[what];
  const faults =
    what === "inspected" || what === "repaired" ? { faults: line.faults ? line.faults.split("; ") : [] } : {};
  const known = what === "known" ? { item: line.item, standard: line.standard, size: line.size } : {};
  const sizes = what === "measured" ? { sizes: sizesOf(line.measured ?? "") } : {};
  return { id: line.id, of: line.key, on: line.on, what: said({ do: what, ...(own ? { [own]: line.words } : {}), ...faults, ...known, ...sizes, minutes: numberOf(line.minutes), photo: line.picture }) }; // prettier-ignore
}
