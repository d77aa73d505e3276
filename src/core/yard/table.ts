import type { StockOffered } from "@/core/catalogue/catalogue";
import { exactText } from "@/core/length/format";
import type { Length, Units } from "@/core/length/length";
import { readPrice } from "@/core/money/read";
import type { Lot } from "./lot";
import { asBoard, readSaid, type Said, type Written } from "./said";

/** A row of a table as it was read, by its number in the table, from 1. */
export type Row = { at: number; cells: string[]; price?: number | null } & Said;

/** A table of stock as it was read. */
export interface Read {
  rows: Row[];
  /** What each column was taken for; nothing where it is left out. Undefined where every row is a line as one writes it. */
  columns?: (Column | undefined)[];
}

const COLUMNS = ["count", "what", "thickness", "width", "length", "rough", "bad", "place", "form", "price"] as const;
export type Column = (typeof COLUMNS)[number];

/** What a column may be headed with. */
const HEADED: Record<Column, RegExp> = {
  count: /^(count|qty|quantity|number|no|pcs|pieces|how many|there are|pack|pack of|pack size|in a pack|per pack|n)$/,
  what: /^(wood|material|species|what|timber|name|item|description)$/,
  thickness: /^(thick|thickness|t|thk|depth)$/,
  width: /^(wide|width|w|breadth)$/,
  length: /^(long|length|l|len)$/,
  rough: /^(rough|sawn|surface)$/,
  bad: /^(bad|defects?|knots?|bad stretch(es)?|bad from to)$/,
  place: /^(place|where|rack|location|at|bay)$/,
  form: /^(form|kind|type)$/,
  price: /^(unit )?(price|cost|each)( each| a pack| per pack| [a-z]{3})?$/,
};
const UNIT = /\b(mm|cm|m|in|inch|inches|ft|feet)\b|["″]/i;

/** What a heading means, and the unit of what stands under it: `Width (mm)`. */
function heading(cell: string): { column: Column; unit: string } | undefined {
  const unit = UNIT.exec(cell)?.[0] ?? "";
  const word = cell.toLowerCase().replace(UNIT, " ").replace(/[^a-z]+/g, " ").trim(); // prettier-ignore
  const column = COLUMNS.find((c) => HEADED[c].test(word));
  return column && { column, unit: unit === "″" ? '"' : unit };
}

/** How a sheet is laid out that says nothing of it, as a cutting list is: how many first. */
const UNHEADED: Column[] = ["count", "what", "thickness", "width", "length", "rough", "bad", "place"];

/**
 * Reads a table of stock, row by row: with headings in any order and units in them, or without, how many first. A table of one
 * column is read line by line, by `readLine`. Blank rows are left out; what cannot be read is marked in its row and takes no other with it.
 */
export function readTable(
  table: string[][],
  units: Units,
  readLine: (line: string, units: Units) => Said & { price?: number | null } = readSaid,
): Read {
  const filled = table
    .map((cells, i) => ({ at: i + 1, cells: cells.map((c) => c.trim()) }))
    .filter((r) => r.cells.some((c) => c !== ""));
  const first = filled[0]?.cells.filter((c) => c !== "").map(heading) ?? [];
  const isHead = first.length > 1 && first.filter(Boolean).length >= 2;
  const rows = isHead ? filled.slice(1) : filled;
  if (!isHead && rows.every((r) => r.cells.filter((c) => c !== "").length <= 1))
    return { rows: rows.map((r) => ({ ...r, ...readLine(r.cells.join(""), units) })) };
  const heads = isHead ? filled[0]!.cells.map(heading) : UNHEADED.map((column) => ({ column, unit: "" }));
  const at = heads.findIndex((h) => h?.column === "price");
  const priced = (r: { at: number; cells: string[] }): Row => {
    const row = { ...r, ...readRow(r.cells, heads, units) };
    if (at < 0 || "problem" in row) return row;
    const price = readPrice(r.cells[at] ?? "");
    return "problem" in price ? { ...r, ...price } : { ...row, ...price };
  };
  return { rows: rows.map(priced), columns: heads.map((h) => h?.column) };
}

function readRow(cells: string[], heads: ReturnType<typeof heading>[], units: Units): Said {
  const said = new Map<Column, string>();
  for (const [i, h] of heads.entries()) {
    const cell = cells[i] ?? "";
    if (!h || h.column === "price" || cell === "") continue;
    const bare = /^[\d\s.,/½¼¾⅛⅜⅝⅞-]+$/.test(cell);
    // Where nothing bad is written but words, they say where it lies.
    const column = h.column === "bad" && !/\d/.test(cell) ? "place" : h.column;
    // A fraction under mm, or a length with its own unit, is what it says.
    said.set(column, h.unit && bare ? `${cell} ${h.unit}` : cell);
  }
  const missing = (["what", "thickness", "width", "length"] as const).find((c) => !said.has(c));
  if (missing) {
    const only = [...said.values()];
    if (missing !== "what" && said.has("what") && !said.has("thickness") && !said.has("width") && !said.has("length"))
      return readSaid(`${said.get("count") ?? "1"} ${said.get("what")}`, units);
    return only.length === 1 ? readSaid(only[0]!, units) : { problem: `${missing}: nothing there` };
  }
  const written: Written = {
    count: said.get("count") ?? "1",
    what: `${said.get("form") ?? ""} ${said.get("what")}`.trim(),
    thickness: said.get("thickness")!,
    width: said.get("width")!,
    length: said.get("length")!,
    rough: /^(yes|y|true|x|1|rough|sawn)$/i.test(said.get("rough") ?? ""),
    ...(said.has("bad") ? { bad: said.get("bad")! } : {}),
    ...(said.has("place") ? { place: said.get("place")! } : {}),
  };
  return asBoard(written, units);
}

/** The rows that can be read, as lots. */
export const lotsOf = (read: Read): { lot: Lot; count: number }[] =>
  read.rows.flatMap((r) => ("lot" in r ? [{ lot: r.lot, count: r.count }] : []));

/** What things are made from as it can be bought, as a table that `readTable` reads back, prices and all; what has no price is left open. */
export const offersTable = (offers: StockOffered[], units: Units): string[][] => {
  const rows = offers.map((o) => ({ lot: o.form === "pack" ? { form: o.form, material: o.material } : o, there: o.form === "pack" ? o.pack : 1 })); // prettier-ignore
  return tableOf(rows, units).map((row, i) => [...row, i === 0 ? "price" : String(offers[i - 1]!.price ?? "")]);
};

/** A yard as a table that `readTable` reads back: one row a lot, lengths in the units its heads say. */
export function tableOf(lots: { lot: Lot; there: number }[], units: Units): string[][] {
  const say = (l: Length) => exactText(l, units);
  const rows = lots.map(({ lot, there }) =>
    lot.form === "pack"
      ? [String(there), lot.material, "", "", "", "", "", lot.place ?? "", "pack"]
      : [
          String(there),
          lot.material,
          say(lot.thickness),
          say(lot.width),
          say(lot.length),
          lot.rough ? "rough" : "",
          (lot.bad ?? []).map(([a, b]) => `${say(a)} to ${say(b)}`).join("; "),
          lot.place ?? "",
          lot.form,
        ],
  );
  const sizes = ["thickness", "width", "length"].map((of) => `${of} (${units})`);
  return [["count", "what", ...sizes, "rough", "bad", "place", "form"], ...rows];
}
