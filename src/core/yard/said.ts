import { usualForm } from "@/core/boards/stock";
import type { Length, Units } from "@/core/length/length";
import { LengthError, parseLength } from "@/core/length/parse";
import type { BoardLot, Lot } from "./lot";

/** What a line says there is of a lot, or what of it cannot be read and what would be right. */
export type Said = { lot: Lot; count: number } | { problem: string };

const EXAMPLE = "6 pine 1 x 8 1/4 x 110 rough, bad 30-42";
/** How a length goes on: figures, fractions, marks of feet and inches, then perhaps a unit. */
const LONG = /^([\d\s.,/½¼¾⅛⅜⅝⅞⅓⅔'’′"”″-]*(?:(?:mm|cm|m|in|ft)\b)?)(.*)$/is;
const FORMS: Record<string, BoardLot["form"]> = { board: "board", sheet: "sheet", roll: "roll", coil: "coil" };

/**
 * Reads a line as a maker writes it on a list: `6 pine 1 x 8 1/4 x 110 rough, bad 30-42`, `2 sheets ply 3/4 x 48 x 96 at rack 2`,
 * `1 roll mesh 0.9 mm x 36 x 50'`, `480 frame nail`, `3 packs of 200 staples`. How many first, then of what, then thick × wide × long.
 * A unit at the length holds for all three where the others have none.
 */
export function readSaid(line: string, units: Units): Said {
  const asWritten = line.trim().replace(/\s+/g, " ");
  const text = asWritten.replace(/×/g, "x");
  // What follows the sizes may have an x in it too.
  const parts = text.split(/\s*(?<![a-z])x(?![a-z])\s*|\s+by\s+/i);
  if (parts.length < 3) return readPacks(asWritten);
  const [first, wide, ...others] = parts as [string, string, ...string[]];
  const head = /^(?:(\d+)\s+)?(\D.*?)\s+(\.?\d.*)$/s.exec(first);
  if (!head) return { problem: `read “${first}” before the first ×; wanted how many, of what wood, and how thick: ${EXAMPLE}` }; // prettier-ignore
  const [, long, rest] = LONG.exec(others.join(" x "))!;
  const tail = readTail(rest!);
  if ("problem" in tail) return tail;
  return asBoard({ count: head[1] ?? "1", what: head[2]!, thickness: head[3]!, width: wide, length: long!.replace(/[\s,-]+$/, ""), ...tail }, units); // prettier-ignore
}

/** What is written of a board, field by field. */
export interface Written {
  count: string;
  what: string;
  thickness: string;
  width: string;
  length: string;
  rough?: boolean;
  offcut?: boolean;
  bad?: string;
  place?: string;
}

/** A board, a sheet, a roll or a coil from what is written of it. */
export function asBoard(w: Written, units: Units): Said {
  const count = Number(w.count.trim() === "" ? "1" : w.count.replace(",", "."));
  if (!Number.isInteger(count) || count < 1 || count > 1e6) return { problem: `how many: read “${w.count}”, wanted a whole number` }; // prettier-ignore
  const { form, material } = formOf(w.what);
  if (material === "") return { problem: `read “${w.what}”; of what is it: pine, ply, mesh?` };
  // `20 x 245 x 2400 mm` is all in millimetres, `20 x 245 x 2.4 m` too.
  const metric = /\d\s*(mm|m)\s*$/i.test(w.length) && ![w.thickness, w.width].some((s) => /[a-z'"”″’′]/i.test(s));
  const sizes: Partial<Record<"thickness" | "width" | "length", Length>> = {};
  for (const side of ["thickness", "width", "length"] as const) {
    const read = lengthOf(w[side], metric && side !== "length" ? "mm" : units);
    if (typeof read === "string") return { problem: `${side}: ${read}` };
    if (read === 0) return { problem: `${side}: read “${w[side]}”, wanted more than nothing` };
    sizes[side] = read;
  }
  const { thickness, width, length } = sizes as Record<"thickness" | "width" | "length", Length>;
  const bad = readBad(w.bad ?? "", metric ? "mm" : units, length);
  if (typeof bad === "string") return { problem: bad };
  const place = w.place?.trim();
  const lot: BoardLot = {
    form,
    material,
    thickness,
    width,
    length,
    ...(bad.length > 0 ? { bad } : {}),
    ...(w.rough && form === "board" ? { rough: true as const } : {}),
    ...(place ? { place: place.slice(0, 60) } : {}),
    ...(w.offcut ? { offcut: true as const } : {}),
  };
  return { lot, count };
}

/** `sheet ply` and `ply sheets` are sheets of ply; ply alone is too. */
function formOf(what: string): { form: BoardLot["form"]; material: string } {
  const words = what.trim().slice(0, 60).split(/\s+/);
  const said = words.find((word) => Object.hasOwn(FORMS, word.toLowerCase().replace(/s$/, "")));
  const material = words.filter((word) => word !== said && word.toLowerCase() !== "of").join(" ");
  return { form: said ? FORMS[said.toLowerCase().replace(/s$/, "")]! : usualForm(material), material };
}

/** What stands behind the sizes: rough, offcut, bad stretches, where it lies. */
function readTail(rest: string): Pick<Written, "rough" | "offcut" | "bad" | "place"> | { problem: string } {
  let left = rest;
  const take = (pattern: RegExp): string | undefined => {
    const found = pattern.exec(left);
    if (!found) return undefined;
    left = left.replace(pattern, " ");
    return found[1] ?? found[0];
  };
  const place = take(/\b(?:at|in|on)\s+(.+)$/i);
  const bad = take(/\bbad:?\s*([\d\s.,/½¼¾⅛⅜⅝⅞'’′"”″–-]+(?:mm|cm|m|in)?(?:\s*(?:to|and|–|-)\s*[\d\s.,/½¼¾⅛⅜⅝⅞'’′"”″–-]+(?:mm|cm|m|in)?)*)/i); // prettier-ignore
  const rough = take(/\brough\b/i) !== undefined;
  const offcut = take(/\boffcuts?\b/i) !== undefined;
  take(/\b(?:planed|dressed|boards?|long)\b/i);
  const odd = left.replace(/[\s,;.]+/g, " ").trim();
  if (odd)
    return { problem: `read “${odd.slice(0, 40)}” after the sizes; wanted rough, offcut, bad 30-42, or at a place` };
  return { rough, offcut, ...(bad ? { bad } : {}), ...(place ? { place: place.trim() } : {}) };
}

/** `30-42, 60 to 66 1/2` */
function readBad(said: string, units: Units, long: Length): [Length, Length][] | string {
  if (said.trim() === "") return [];
  const out: [Length, Length][] = [];
  for (const span of said.split(/\s*(?:,|;|\band\b)\s*/).filter(Boolean)) {
    const ends = span.split(/\s*(?:–|-|\bto\b)\s*/).map((s) => lengthOf(s, units));
    const [a, b] = ends;
    if (ends.length !== 2 || typeof a !== "number" || typeof b !== "number" || a >= b || b > long)
      return `bad: read “${span}”, wanted from where to where along the board, like 30-42`;
    out.push([a, b]);
  }
  return out;
}

/** Lengths as they were read: the same few stand in a table of thousands of rows. */
const known = new Map<string, Length | string>();
const MOST_KNOWN = 2000;

function lengthOf(said: string, units: Units): Length | string {
  const key = `${units} ${said}`;
  const found = known.get(key) ?? readLength(said, units);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, found);
  return found;
}

function readLength(said: string, units: Units): Length | string {
  try {
    return parseLength(said, units);
  } catch (e) {
    if (e instanceof LengthError) return e.message;
    throw e;
  }
}

/** `480 frame nail`, `3 packs of 200 staples`, `750 g glue`: what is in the packs counts. */
function readPacks(text: string): Said {
  const packs = /^(\d+)\s+packs?\s+of\s+(\d+(?:[.,]\d+)?)\s+(?:g\s+)?(\D.*)$/i.exec(text);
  const loose = /^(\d+(?:[.,]\d+)?)\s+(?:(kg|g)\s+(?:of\s+)?)?([a-z].*)$/i.exec(text);
  const [count, what] = packs
    ? [Number(packs[1]) * Number(packs[2]!.replace(",", ".")), packs[3]!]
    : loose
      ? [Number(loose[1]!.replace(",", ".")) * (loose[2]?.toLowerCase() === "kg" ? 1000 : 1), loose[3]!]
      : [0, ""];
  if (!(count > 0)) return { problem: `read “${text.slice(0, 60)}”; wanted a line like ${EXAMPLE}, or 480 frame nail` };
  return { lot: { form: "pack", material: what.trim().slice(0, 60) }, count };
}
