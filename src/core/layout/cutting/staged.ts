import { type LpModel, openWith } from "../lp";
import type { MasterAnswer } from "./master";
import type { Pricer } from "./pricing";
import { byReducedCost, type Diver, randomOf } from "./primal";
import { given, type Pattern, patternKey, type Rest, type Section, type Strip, type Used } from "./problem";
import { folded, gathered, unfolded } from "./reshape";

/**
 * The staged model (Gilmore and Gomory 1965): boards give strips, strips give sections, sections give pieces, and each of the three is
 * chosen by itself. Patterns met are taken apart, and stand for all that their parts can be put together to: what comes out a board
 * too many by patterns often does not by parts.
 *
 * Boards 100 × 20. One pattern has two strips of 10, each 60 and 40 long; another two strips of 50 and 50. Taken apart there is a
 * board of two strips of 10, and strips of both kinds: so there is a board with one of each, which no pattern was. A section of 50
 * may hold what is 40 long, and what is over is waste.
 */

/** Patterns taken apart, those of least reduced cost. */
const PATTERNS = 200;
/** How often a dive may take a choice back. */
const BACKTRACKS = 15;
/** How much chance says beside nearness, after the first dive. */
const CHANCE = 0.25;
const EPS = 1e-6;

/** What is cut from what; a larger section may be taken for a smaller one. */
const ORDER = ["board", "strip", "smaller", "section"] as const;
/** What is made whole first. */
const LEVEL = { board: 0, strip: 1, smaller: 1, section: 2 };

/** A column: takes one of a row, where it is cut from, and brings so many of others. */
interface Part {
  level: (typeof ORDER)[number];
  cost: number;
  takes: string;
  brings: Map<string, number>;
  of?: Pattern | Section;
}

/** A section's place in strips of a stretch cut one way: what has place in one has place in a larger one, or in one only longer. */
interface Place {
  way: string;
  /** As wide as its strip. */
  fitted: boolean;
  wide: number;
  long: number;
}

/**
 * Looks for a cutting of what is left that costs no more than `most`, by dives in the staged model over the patterns met: of what is
 * not whole the nearest is made whole, boards first, then strips, then sections, and the last choice is taken back where the rest
 * then costs more. The same attempt makes the same choices. @returns a cutting, which may give too much
 */
export function byParts(
  d: Diver,
  rest: Rest,
  relaxed: MasterAnswer,
  most: number,
  { attempt, tries }: { attempt: number; tries: number },
): Used | undefined {
  const patterns = byReducedCost(d.pool.patterns, d.stock, relaxed.duals).slice(0, PATTERNS);
  const parts = partsOf(d, rest, patterns);
  const counts = dives(d, modelOf(parts, rest), parts, most, { attempt, tries });
  return counts && joined(d.pricer, parts, counts, rest.left.length);
}

const stockRow = (stock: number) => `stock ${stock}`;
const pieceRow = (piece: number) => `piece ${piece}`;

/** What a strip is cut from, which way, and how its sections lie: a strip that holds nothing else is a way of its own. */
function rowsOf(pricer: Pricer, { stock }: Pattern, { clear, order }: Pattern["stretches"][number], strip: Strip) {
  const lying = strip.sections.map(({ items }) => items.map((i) => pricer.lies(stock, clear, order, i)));
  const alone = lying.flat().includes("alone") ? ` ${strip.sections[0]!.items[0]!.piece}` : "";
  const way = `${stock} ${clear} ${order}${alone}`;
  return { from: `strip ${way} ${strip.size}`, way, fitted: lying.map((l) => l.includes("fitted")) };
}

/** The boards, strips and sections that patterns are made of, and the sections that may be taken for others. */
function partsOf(d: Diver, { left }: Rest, patterns: Pattern[]): Part[] {
  const parts = new Map<string, Part>();
  const places = new Map<string, Place>();
  const part = (p: Part) => {
    const key = `${p.level} ${p.takes} ${[...p.brings].sort().join(" ")}`;
    if (!parts.has(key)) parts.set(key, p);
  };
  const rowOf = (place: Place) => {
    const row = `${place.way}${place.fitted ? " fitted" : ""} ${place.wide} ${place.long}`;
    places.set(row, place);
    return row;
  };
  const add = (to: Map<string, number>, row: string, n: number) => to.set(row, (to.get(row) ?? 0) + n);
  const apart = patterns.map((pattern) => ({
    pattern,
    strips: pattern.stretches.flatMap((t) => t.strips.map((strip) => ({ strip, ...rowsOf(d.pricer, pattern, t, strip) }))), // prettier-ignore
  }));
  // Where nothing has to be as wide as its strip, no places are told apart by that.
  const strict = new Set(
    apart.flatMap(({ strips }) => strips.flatMap((s) => (s.fitted.includes(true) ? [s.way] : []))),
  );
  for (const { pattern, strips } of apart) {
    const board = new Map<string, number>();
    for (const { strip, from, way, fitted } of strips) {
      const brings = new Map<string, number>();
      for (const [k, section] of strip.sections.entries()) {
        const place = { way, wide: strip.size, long: section.size };
        add(brings, rowOf({ ...place, fitted: strict.has(way) }), section.count);
        rowOf({ ...place, fitted: false });
        const gives = given([{ strips: [{ size: 0, count: 1, sections: [{ ...section, count: 1 }] }] }], left.length);
        const wanted = gives.flatMap((n, i): [string, number][] => (n > 0 && left[i]! > 0 ? [[pieceRow(i), n]] : []));
        if (wanted.length === 0) continue;
        part({ level: "section", cost: 0, takes: rowOf({ ...place, fitted: fitted[k]! }), brings: new Map(wanted), of: { ...section, count: 1 } }); // prettier-ignore
      }
      part({ level: "strip", cost: 0, takes: from, brings });
      add(board, from, strip.count);
    }
    part({ level: "board", cost: d.stock[pattern.stock]!.price, takes: stockRow(pattern.stock), brings: board, of: pattern }); // prettier-ignore
  }
  // Each after all that are taken for it: larger ones first, and what is as wide as its strip before the others of its size.
  const falling = [...places.values()].sort((p, q) => q.wide - p.wide || q.long - p.long || Number(q.fitted) - Number(p.fitted)); // prettier-ignore
  for (const [i, from] of falling.entries()) {
    let longest = -Infinity;
    for (const to of falling.slice(i + 1)) {
      if (to.way !== from.way || to.long > from.long || (to.fitted && !from.fitted)) continue;
      // Of those as wide as their strip: to the others of their size, or to what is as wide.
      if (from.fitted && (to.wide < from.wide || (!to.fitted && to.long < from.long))) continue;
      // Those between which there is none: what is smaller still is taken for them in turn.
      if (to.fitted === from.fitted && to.long <= longest) continue;
      if (to.fitted === from.fitted) longest = to.long;
      part({ level: "smaller", cost: 0, takes: rowOf(from), brings: new Map([[rowOf(to), 1]]) });
    }
  }
  return [...parts.values()].sort((a, b) => ORDER.indexOf(a.level) - ORDER.indexOf(b.level));
}

function modelOf(parts: Part[], { left, supply }: Rest): LpModel {
  const rows: LpModel["rows"] = [];
  const at = new Map<string, number>();
  const row = (name: string, rhs: number) => {
    if (!at.has(name)) at.set(name, rows.push({ sense: ">=", rhs }) - 1);
  };
  left.forEach((n, i) => n > 0 && row(pieceRow(i), n));
  supply.forEach((n, s) => n !== null && row(stockRow(s), -n));
  for (const p of parts) if (p.level !== "section") for (const name of p.brings.keys()) row(name, 0);
  const columns = parts.map(({ cost, takes, brings }) => ({
    cost,
    entries: [[takes, -1] as const, ...brings].flatMap(([name, n]): [number, number][] =>
      at.has(name) ? [[at.get(name)!, n]] : [],
    ),
  }));
  return { rows, columns };
}

/** Dives for a whole number of each part; undefined when none comes to no more than `most`. */
function dives(
  d: Diver,
  model: LpModel,
  parts: Part[],
  most: number,
  { attempt, tries }: { attempt: number; tries: number },
): number[] | undefined {
  const random = randomOf(attempt);
  const programme = openWith(d.lp, model);
  const lower = parts.map(() => 0);
  const upper = parts.map(() => Infinity);
  const solved = () => {
    const now = programme.solve();
    return now && now.objective <= most + EPS ? now.values : undefined;
  };
  const within = (k: number, least: number, highest: number) => {
    [lower[k], upper[k]] = [least, highest];
    programme.within?.(lower, upper);
    return solved();
  };
  const first = programme.within && solved();
  let whole: number[] | undefined;
  for (let i = 0; first && !whole && i < tries && d.going(); i++) {
    lower.fill(0);
    upper.fill(Infinity);
    const chosen: { k: number; value: number; least: number; highest: number; isFewer: boolean }[] = [];
    let back = 0;
    // More choices than there are parts are of no use: a solver that goes on without end is not followed.
    for (let values: number[] | undefined = first; values && chosen.length <= parts.length && d.going();) {
      const k = nearest(values, parts, i > 0 ? random : undefined);
      if (k === undefined) {
        whole = values.map(Math.round);
        break;
      }
      const one = { k, value: values[k]!, least: lower[k]!, highest: upper[k]!, isFewer: false };
      values = within(k, Math.ceil(one.value - EPS), one.highest);
      chosen.push(one);
      // Where that costs too much, one fewer; and where that does too, the choice before is taken back.
      for (let last: typeof one | undefined = one; !values && last && back < BACKTRACKS;) {
        if (last.isFewer) {
          [lower[last.k], upper[last.k]] = [last.least, last.highest];
          chosen.pop();
          last = chosen.at(-1);
          continue;
        }
        back++;
        last.isFewer = true;
        values = within(last.k, last.least, Math.floor(last.value + EPS));
      }
    }
  }
  programme.close();
  return whole;
}

/** Of those of the first level that are not whole the one nearest to the next whole number, by and large. */
function nearest(values: number[], parts: Part[], random?: () => number): number | undefined {
  let best: { k: number; level: number; score: number } | undefined;
  for (const [k, v] of values.entries()) {
    const part = v - Math.floor(v + EPS);
    if (part < EPS) continue;
    const level = LEVEL[parts[k]!.level];
    const score = part + (random ? CHANCE * random() : 0);
    if (!best || level < best.level || (level === best.level && score > best.score)) best = { k, level, score };
  }
  return best?.k;
}

/** Puts parts together: strips into the boards that have their width, sections into the strips that have a place for them. */
function joined(pricer: Pricer, parts: Part[], counts: number[], pieces: number): Used {
  const open = new Map<string, Strip[]>();
  const opened = (row: string, strip: Strip) => void (open.get(row) ?? open.set(row, []).get(row)!).push(strip);
  const boards: Pattern[] = [];
  for (const [k, { level, takes, brings, of }] of parts.entries())
    for (let n = counts[k]!; n > 0; n--) {
      if (level === "board") {
        const { stock, stretches } = unfolded(of as Pattern);
        const empty = stretches.map((t) => ({ ...t, strips: t.strips.map((s) => {
          const strip: Strip = { size: s.size, count: 1, sections: [] };
          opened(rowsOf(pricer, of as Pattern, t, s).from, strip);
          return strip;
        }) })); // prettier-ignore
        boards.push({ stock, stretches: empty, gives: [] });
        continue;
      }
      const strip = open.get(takes)?.pop();
      if (!strip) break;
      if (level === "section") strip.sections.push(of as Section);
      else for (const [row, times] of brings) for (let i = 0; i < times; i++) opened(row, strip);
    }
  const alike = new Map<string, Used[number]>();
  for (const { stock, stretches: all } of boards) {
    const stretches = all.flatMap((t) => {
      const strips = t.strips.flatMap((s) => (s.sections.length > 0 ? [{ ...s, sections: gathered(s.sections) }] : []));
      return strips.length > 0 ? [{ ...t, strips: folded(strips) }] : [];
    });
    const pattern = { stock, stretches, gives: given(stretches, pieces) };
    const key = patternKey(pattern);
    alike.set(key, { pattern, repeat: (alike.get(key)?.repeat ?? 0) + 1 });
  }
  return [...alike.values()].filter(({ pattern }) => pattern.stretches.length > 0);
}
