import { type Length, LONGEST, NM_PER_INCH, NM_PER_MM, type Units, nm, roundHalfAway } from "./length";

/** Says what was read and what would be right; the caller adds the field's name. */
export class LengthError extends Error {
  override name = "LengthError";
}

const NM_PER_FOOT = 12 * NM_PER_INCH;

/** Unit marks, the longest first so that "mm" is not read as "m". */
const MARKS: [RegExp, Mark][] = [
  [/^(mm|millimet(er|re)s?)$/i, { nm: NM_PER_MM, metric: true, name: "mm" }],
  [/^(cm|centimet(er|re)s?)$/i, { nm: 10 * NM_PER_MM, metric: true, name: "cm" }],
  [/^(m|met(er|re)s?)$/i, { nm: 1000 * NM_PER_MM, metric: true, name: "m" }],
  [/^("|″|”|in|inch|inches)$/i, { nm: NM_PER_INCH, metric: false, name: "in" }],
  [/^('|′|’|ft|foot|feet)$/i, { nm: NM_PER_FOOT, metric: false, name: "ft" }],
];
interface Mark {
  nm: number;
  metric: boolean;
  name: "mm" | "cm" | "m" | "in" | "ft";
}

const GLYPHS: Record<string, string> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
  "⅓": "1/3",
  "⅔": "2/3",
};

const HELP: Record<Units, string> = {
  in: "write it like 19 7/8, 19-7/8, 8' 2 1/2\" or 225 mm",
  mm: 'write it like 225, 22.5 cm, 2.44 m or 3/4"',
};

/**
 * Reads a length as a maker writes it: `19 7/8`, `19-7/8`, `1 1/8"`, `8'`, `8' 2 1/2"`, `225 mm`, `22.5 cm`, `2.44 m`,
 * `3/4 in`, or a plain number in `units`; `505,5` is `505.5`. Exact to the nanometre.
 * @throws LengthError saying what was read and what would be right.
 */
export function parseLength(input: unknown, units: Units): Length {
  if (typeof input === "number") return fromNumber(input, units);
  if (typeof input !== "string") throw new LengthError(`read ${describe(input)}, wanted a length: ${HELP[units]}`);
  const shown = JSON.stringify(input.length > 60 ? `${input.slice(0, 57)}…` : input);
  const fail = (why: string) => new LengthError(`read ${shown}: ${why}`);
  if (input.length > 60) throw fail(`too long for a length; ${HELP[units]}`);
  const typed = input
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (g) => ` ${GLYPHS[g]}`)
    .replace(/''/g, '"')
    .replace(/⁄/g, "/") // the fraction slash a phone's keyboard writes
    .trim();
  if (typed === "") throw fail(`nothing there; ${HELP[units]}`);
  if (/^[-−]/.test(typed)) throw fail("a length cannot be below zero");
  if (/\d,\d{3}(?!\d)|,.*[,.]|\..*,/.test(typed)) throw fail('this comma reads two ways; write "1250" or "1.25"');
  const text = typed.replace(/(\d),(\d)/, "$1.$2");

  const feet = /^(.+?)\s*(?:'|′|’|ft\b|foot\b|feet\b)\s*(.*)$/i.exec(text);
  if (feet) {
    const ft = quantity(feet[1]!, fail, units);
    if (feet[2] === "") return whole(ft.value * NM_PER_FOOT, ft.den, fail);
    if (ft.den !== 1 || !Number.isInteger(ft.value)) throw fail("feet before inches are whole: 8' 2 1/2\"");
    const rest = /^(.+?)\s*("|″|”|in|inch|inches)?$/i.exec(feet[2]!)!;
    const inches = quantity(rest[1]!, fail, "in");
    return whole((ft.value * 12 * inches.den + inches.value) * NM_PER_INCH, inches.den, fail);
  }

  const [, body, markText] = /^([\d\s./\-–]*)(.*)$/s.exec(text)!;
  const mark = markOf(markText!.trim(), fail, units);
  const q = quantity(body!.trim(), fail, units);
  if (q.fraction && mark?.metric) throw fail(`fractions go with inches; write ${mark.name} as a decimal`);
  if (q.fraction && !mark && units === "mm") throw fail(`a fraction in a file of mm; did you mean ${body!.trim()}"?`);
  return whole(q.value * (mark?.nm ?? (units === "in" ? NM_PER_INCH : NM_PER_MM)), q.den, fail);
}

function fromNumber(value: number, units: Units): Length {
  const fail = (why: string) => new LengthError(`read ${value}: ${why}`);
  if (!Number.isFinite(value)) throw fail(`not a length; ${HELP[units]}`);
  if (value < 0) throw fail("a length cannot be below zero");
  return whole(value * (units === "in" ? NM_PER_INCH : NM_PER_MM), 1, fail);
}

type Fail = (why: string) => LengthError;

function markOf(text: string, fail: Fail, units: Units): Mark | undefined {
  if (text === "") return undefined;
  const found = MARKS.find(([pattern]) => pattern.test(text));
  if (!found) throw fail(`"${text}" is not a unit; ${HELP[units]}`);
  return found[1];
}

/** A number as written: `value`/`den`, so that fractions stay exact until the one rounding. */
function quantity(text: string, fail: Fail, units: Units): { value: number; den: number; fraction: boolean } {
  if (/^\d+(\.\d+)?$|^\.\d+$/.test(text)) return { value: Number(text), den: 1, fraction: false };
  const mixed = /^(?:(\d+)(?:\s+|\s*[-–]\s*))?(\d+)\s*\/\s*(\d+)$/.exec(text);
  if (!mixed) {
    if (/\/\s*$/.test(text)) throw fail(`the fraction has no lower number; ${HELP[units]}`);
    if (/^\/|\s\//.test(text) && !/\d\s*\//.test(text)) throw fail(`the fraction has no upper number; ${HELP[units]}`);
    throw fail(`not a length; ${HELP[units]}`);
  }
  const [w, n, d] = [Number(mixed[1] ?? 0), Number(mixed[2]), Number(mixed[3])];
  if (d === 0) throw fail("a fraction over 0");
  if (d > 1024) throw fail("finer than a shop can cut; use 64ths or a decimal");
  if (mixed[1] !== undefined && n >= d) throw fail(`${n}/${d} after a whole number is not below one`);
  return { value: w * d + n, den: d, fraction: true };
}

function whole(scaled: number, den: number, fail: Fail): Length {
  const value = scaled / den;
  if (value > LONGEST) throw fail("longer than 100 m; check the unit");
  return nm(roundHalfAway(value));
}

function describe(input: unknown): string {
  if (input === null) return "null";
  if (input === undefined) return "nothing";
  return Array.isArray(input) ? "a list" : typeof input === "object" ? "an object" : String(input);
}
