import type { JobLine } from "@/core/line/line";
import { findMakeable, type Makeable } from "./find";

/** What one line of words asks for. */
export interface Asked {
  lines: { quantity: number; of: Makeable; said: string }[];
  due?: string;
  customer?: string;
  /** Words that are nothing the trade makes, and no day. */
  unknown: string[];
}

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const DAYS = ["sun", "mon", "tue", "wed", "thu", "fri", "sat"];
const DAY_MS = 86_400_000;
/** Quantity where none is said. */
const USUAL_QUANTITY = 10;

const isoDay = (ms: number) => new Date(ms).toISOString().slice(0, 10);

/** A day as one says it, the next there is from `today` (`YYYY-MM-DD`): `12 March`, `March 12 2028`, `2027-03-12`, `Friday`. */
export function readDay(said: string, today: string): string | undefined {
  const text = said.trim().toLowerCase().replace(/(\d)(st|nd|rd|th)\b/g, "$1"); // prettier-ignore
  const now = Date.parse(`${today}T00:00:00Z`);
  if (/^\d{4}-\d{2}-\d{2}$/.test(text)) return Number.isNaN(Date.parse(text)) ? undefined : text;
  const weekday = DAYS.findIndex((d) => new RegExp(`^(next )?${d}[a-z]*$`).test(text));
  if (weekday >= 0) {
    const ahead = (weekday - new Date(now).getUTCDay() + 7) % 7 || 7;
    return isoDay(now + ahead * DAY_MS);
  }
  const found = /^(\d{1,2})\.?\s+([a-z]{3})[a-z]*\.?,?\s*(\d{4})?$/.exec(text) ?? undefined;
  const turned = /^([a-z]{3})[a-z]*\.?\s+(\d{1,2}),?\s*(\d{4})?$/.exec(text) ?? undefined;
  const [day, month, year] = found ? [found[1], found[2], found[3]] : turned ? [turned[2], turned[1], turned[3]] : [];
  const m = MONTHS.indexOf(month ?? "");
  if (m < 0) return undefined;
  const of = (y: number) => Date.UTC(y, m, Number(day));
  const thisYear = Number(today.slice(0, 4));
  const ms = year ? of(Number(year)) : of(thisYear) >= now ? of(thisYear) : of(thisYear + 1);
  return new Date(ms).getUTCMonth() === m ? isoDay(ms) : undefined;
}

/**
 * Reads what somebody wants in one line: `10 deep bodies and 100 deep frames, for the school garden, by 12 March`. Things are parted
 * by commas and `and`; a whom and a day may stand anywhere among them. Where no standard is said it is that of what was said before,
 * or one of the `usual`.
 */
export function readAsked(text: string, all: Makeable[], today: string, usual: string[] = []): Asked {
  const asked: Asked = { lines: [], unknown: [] };
  let left = text.trim();
  for (const by of left.matchAll(/(?:^|\s)(?:by|due|until|till|before)\s+/gi)) {
    // A day is three words at most: `March 12 2028`.
    const words = left.slice(by.index + by[0].length).split(/\s+/);
    const said = [3, 2, 1]
      .map((n) => words.slice(0, n).join(" "))
      .find((w) => readDay(w.replace(/[,;.]+$/, ""), today));
    if (said === undefined) continue;
    asked.due = readDay(said.replace(/[,;.]+$/, ""), today)!;
    left = `${left.slice(0, by.index)} ${/[,;]$/.test(said) ? "," : ""}${left.slice(by.index + by[0].length + said.length)}`;
    break;
  }
  for (const part of left.split(/\s*[,;+]\s*/).flatMap((p) => apart(p, all))) {
    const whom = /^(.*?)\s*\bfor\s+(?:the\s+)?(.+)$/i.exec(part);
    const used = asked.lines.length > 0 ? asked.lines.map((l) => l.of.standard) : usual;
    const plain = findMakeable(part, all, used);
    const [said, customer] = whom && plain.found.length === 0 ? [whom[1]!, whom[2]!] : [part, undefined];
    if (customer) asked.customer = customer.slice(0, 1).toUpperCase() + customer.slice(1, 120).trim();
    if (said.trim() === "") continue;
    const { found, quantity } = findMakeable(said, all, used);
    const one = /^an?\s/i.test(said.trim()) ? 1 : USUAL_QUANTITY;
    const of = found[0] && asLast(found, said, asked.lines.at(-1)?.of);
    if (of) asked.lines.push({ quantity: quantity ?? one, of, said });
    else if (asked.due === undefined && readDay(said, today)) asked.due = readDay(said, today)!;
    else asked.unknown.push(said);
  }
  return asked;
}

/** Of what no size is said of, that of what was said before: `6 nat br 14, 66 frames` are 14×12 frames. */
function asLast(found: Makeable[], said: string, last: Makeable | undefined): Makeable {
  const [best] = found as [Makeable, ...Makeable[]];
  const sizes = found.filter((m) => m.item === best.item && m.standard === best.standard);
  const isSaid = sizes.some((m) => `${m.size} ${m.name.split(",")[1] ?? ""}`.toLowerCase().split(/[\s,×x]+/).some((w) => w !== "" && new RegExp(`\\b${w}`, "i").test(said))); // prettier-ignore
  return (!isSaid && sizes.find((m) => m.standard === last?.standard && m.size === last.size)) || best;
}

/** `bodies and frames` are two things; `floor with tray and runners` is one. */
function apart(part: string, all: Makeable[]): string[] {
  const pieces = part.split(/\s+(?:and|&)\s+/i).filter(Boolean);
  const each = pieces.length > 1 && pieces.every((p) => findMakeable(p.replace(/\s*\bfor\b.*$/i, ""), all).found.length > 0); // prettier-ignore
  return each ? pieces : part.trim() === "" ? [] : [part];
}

/** What is asked as the lines of a job. */
export const linesOf = ({ lines }: Asked): JobLine[] =>
  lines.map(({ quantity, of: { item, standard, size } }) => ({ item, standard, size, quantity, options: {} }));
