import type { JobLine } from "@/core/line/line";
import { woodCalled } from "@/core/recipes/woods";
import { findMakeable, type Makeable } from "./find";

/** So many of a thing; boxes with the frames that hang in them where that is said. */
export interface AskedLine {
  quantity: number;
  of: Makeable;
  frames?: true;
}

/** What one line of words asks for. */
export interface Asked {
  lines: AskedLine[];
  due?: string;
  customer?: string;
  /** The wood of its boards, where one is said. */
  wood?: string;
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

/** `for the school garden`; `in larch`, `of red cedar`; `with their frames`. */
const WHOM = /^(.*?)\s*\bfor\s+(?:the\s+)?(.+)$/i;
const WOOD = /^(.*?)\s*\b(?:in|of|out of)\s+([a-z][a-z' -]{2,40})$/i;
const FRAMED = /^(.*?)\s+(?:and|with|&)\s+(?:all\s+)?(?:the\s+|their\s+|its\s+)?frames$/i;

/**
 * Reads what somebody wants in one line: `10 deep bodies and 100 deep frames, for the school garden, by 12 March`. Things are parted
 * by commas and `and`; a whom, a wood and a day may stand anywhere among them. `10 supers with frames` are boxes and what hangs in
 * them, `3 National hives` all that stands between stand and rain. Where no standard is said it is that of what was said before, or
 * one of the `usual`.
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
    const used = asked.lines.length > 0 ? asked.lines.map((l) => l.of.standard) : usual;
    const read = (said: string) => linesIn(said, all, used, asked.lines.at(-1)?.of);
    let said = part;
    let lines = read(said);
    const whom = lines ? null : WHOM.exec(said);
    if (whom) {
      // `for Moor in larch`, not `for the shop in town`.
      const of = WOOD.exec(whom[2]!);
      const isWood = of !== null && of[1]!.trim() !== "" && woodCalled(of[2]!) !== undefined;
      if (isWood) asked.wood = of[2]!.trim();
      const name = isWood ? of[1]! : whom[2]!;
      asked.customer = name.slice(0, 1).toUpperCase() + name.slice(1, 120).trim();
      said = whom[1]!;
      lines = read(said);
    }
    const wood = lines ? null : WOOD.exec(said);
    const before = wood && (wood[1]!.trim() === "" ? [] : read(wood[1]!));
    if (before) {
      asked.wood = wood[2]!.trim();
      [said, lines] = ["", before];
    }
    if (lines) asked.lines.push(...lines);
    else if (said.trim() === "") continue;
    else if (asked.due === undefined && readDay(said, today)) asked.due = readDay(said, today)!;
    else asked.unknown.push(said.trim());
  }
  return asked;
}

/** What one thing said comes to, in lines; undefined when nothing is called that. */
function linesIn(said: string, all: Makeable[], used: string[], last?: Makeable): AskedLine[] | undefined {
  if (said.trim() === "") return undefined;
  const hive = wholeHive(said, all, used);
  if (hive) return hive;
  const box = FRAMED.exec(said)?.[1];
  const [boxes] = (box && linesIn(box, all, used, last)) || [];
  if (boxes?.of.family === "bodies") return [{ ...boxes, frames: true }];
  const { found, quantity } = findMakeable(said, all, used);
  const of = found[0] && asLast(found, said, last);
  return of && [{ quantity: quantity ?? (/^an?\s/i.test(said.trim()) ? 1 : USUAL_QUANTITY), of }];
}

/** Hives of these standards have a deep roof, the others a cover that telescopes. */
const DEEP_ROOFED = ["national", "commercial", "smith"];

/**
 * `3 hives`, `a whole National`: floor, brood box, two supers where the standard has them, inner cover and lid, so often. What else is
 * called a hive, a long or a mating hive, is a thing of its own.
 */
function wholeHive(said: string, all: Makeable[], used: string[]): AskedLine[] | undefined {
  const which = said.replace(/\b(?:whole|complete|hives?)\b/gi, " ");
  if (!/\bhives?\s*$|\b(?:whole|complete)\b/i.test(said) || /\b(?:bod|box|super|brood|deep|medium|shallow)/i.test(which)) return undefined; // prettier-ignore
  const { found, quantity = 1 } = findMakeable(`${which} body`, all, used);
  if (found[0]?.item !== "body") return undefined;
  const { standard } = found[0];
  const of = (item: string, size?: string) => all.find((m) => m.item === item && m.standard === standard && (!size || m.size === size)); // prettier-ignore
  const lid = DEEP_ROOFED.includes(standard) ? of("roof-deep") : of("cover-telescoping");
  const parts: [Makeable | undefined, number, framed?: true][] = [
    [of("floor-screened") ?? of("floor-solid"), 1],
    [of("body"), 1, true],
    [of("body", "medium") ?? of("body", "super"), 2, true],
    [of("inner-cover"), 1],
    [lid, 1],
  ];
  return parts.flatMap(([m, each, frames]) => (m ? [{ quantity: each * quantity, of: m, ...(frames ? { frames } : {}) }] : [])); // prettier-ignore
}

/** Of what no size is said of, that of what was said before: `6 nat br 14, 66 frames` are 14×12 frames. */
function asLast(found: Makeable[], said: string, last: Makeable | undefined): Makeable {
  const [best] = found as [Makeable, ...Makeable[]];
  const sizes = found.filter((m) => m.item === best.item && m.standard === best.standard);
  const isSaid = sizes.some((m) => `${m.size} ${m.name.split(",")[1] ?? ""}`.toLowerCase().split(/[\s,×x]+/).some((w) => w !== "" && new RegExp(`\\b${w}`, "i").test(said))); // prettier-ignore
  return (!isSaid && sizes.find((m) => m.standard === last?.standard && m.size === last.size)) || best;
}

/** `bodies and frames` are two things; `floor with tray and runners` is one, `bodies with frames` a box with what hangs in it. */
function apart(part: string, all: Makeable[]): string[] {
  if (part.trim() === "") return [];
  const isKnown = (p: string) => linesIn(p, all, []) !== undefined;
  const pieces = part
    .split(/\s+(?=(?:and|&)\s)/i)
    .filter(Boolean)
    // `for Reed and Sons` is one whom: what comes after it is a thing where it is so many, or something the trade makes.
    .reduce<string[]>((before, p) => {
      const [last, next] = [before.at(-1), p.replace(/^(?:and|&)\s+/i, "")];
      const isWhom = last !== undefined && /\bfor\b/i.test(last) && !/^\d/.test(next) && !isKnown(next);
      return isWhom ? [...before.slice(0, -1), `${last} ${p}`] : [...before, next];
    }, []);
  const things = part.replace(/\s*\bfor\b.*$/i, "");
  const isOne = pieces.length < 2 || (FRAMED.test(things) && isKnown(things));
  const known = pieces.filter((p) => isKnown(p) || isKnown(p.replace(/\s*\bfor\b.*$/i, "")) || isKnown(WOOD.exec(p)?.[1] ?? "")); // prettier-ignore
  return isOne || (known.length < pieces.length && (known.length === 0 || isKnown(part))) ? [part] : pieces;
}

/** What is asked as the lines of a job; those of boxes with their frames say so. */
export const linesOf = ({ lines }: Asked): (JobLine & Pick<AskedLine, "frames">)[] =>
  lines.map(({ quantity, frames, of: { item, standard, size } }) => ({ item, standard, size, quantity, options: {}, ...(frames ? { frames } : {}) })); // prettier-ignore
