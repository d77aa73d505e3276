import type { BoardStock, StockEntry } from "@/core/boards/stock";
import { piecesOf } from "@/core/boards/laid";
import type { WorkedJob } from "@/core/job/worked";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { type Currency, type Minor, moneyText, fromMinor, percentOf, shared, toMinor } from "@/core/money/money";
import type { Operation } from "@/core/work/operation";
import { operations } from "@/core/work/operations";
import type { WeighedStock } from "@/core/layout/weighed";
import type { Order } from "./order";

/** Where the money of a piece is, in the order it is spent. */
export const KINDS = ["wood", "hardware", "finish", "work", "setUps", "overhead"] as const;
export type Kind = (typeof KINDS)[number];

/** So much of one kind for all pieces of a line, and how it came about. */
export interface CostPart {
  kind: Kind;
  minor: Minor;
  working: string;
}

/** What one line of the job costs. */
export interface ItemCost {
  line: number;
  item: string;
  quantity: number;
  parts: CostPart[];
  total: Minor;
  /** A piece, to a whole coin: pieces times it can be a few coins off the total. */
  each: Minor;
  /** Minutes of people. */
  minutes: number;
  /** What has no price, and so counts for nothing here. */
  unknown: string[];
  /** Of those, what is wood. */
  unknownWood: string[];
}

export interface Cost {
  currency: Currency;
  items: ItemCost[];
  total: Minor;
  /** What becomes of the wood paid for, as parts of it. */
  wood: { parts: number; kept: number; scrap: number };
}

/** Groups of wood, and how much of each a line takes: what a part of its price is parted by. */
interface Pool {
  name: string;
  minor: Minor;
  byLine: Map<number, number>;
}

/**
 * What each line of the job costs: wood by its pieces' share of the area laid out, so that scrap is the job's; hardware and finish by
 * what it takes; minutes by the shop's rate, set-ups parted among the pieces they serve; overhead on all of it. In whole coins that add
 * up to what is paid. What is of the yard is worth what the same costs to buy.
 */
export function costOf(worked: WorkedJob, layout: LayoutResult, order: Order): Cost {
  const { currency, rate, overhead } = worked.job.workshop.money;
  const lines = worked.lines.map((l) => l.at);
  const ops = operations(worked, layout);
  const [unpriced, noWood] = [0, 1].map(() => new Map(lines.map((l) => [l, new Set<string>()]))) as [Map<number, Set<string>>, Map<number, Set<string>>]; // prettier-ignore
  const pools: Record<"wood" | "hardware" | "finish", Pool[]> = {
    wood: woodPools(layout, currency, (line, what) => noWood.get(line)?.add(what)),
    ...hardwarePools(order, worked.job.stock, currency, (line, what) => unpriced.get(line)?.add(what)),
  };
  for (const { blank } of layout.missing) noWood.get(blank.of.line)?.add(`wood for ${blank.name}`);
  const area = areaByLine(layout);
  const minutes = minutesByLine(ops, lines, area);
  const say = (minor: Minor) => moneyText(fromMinor(minor, currency), currency);
  const material = (kind: "wood" | "hardware" | "finish") => {
    const parts = pools[kind].map((p) => shared(p.minor, lines.map((l) => p.byLine.get(l) ?? 0))); // prettier-ignore
    return (i: number): CostPart => ({
      kind,
      minor: parts.reduce((s, p) => s + p[i]!, 0),
      working: pools[kind]
        .flatMap((p, k) =>
          !parts[k]![i] ? [] : [`${p.name}: ${shareText(p, lines[i]!)} of ${say(p.minor)} = ${say(parts[k]![i]!)}`],
        ) // prettier-ignore
        .join("; "),
    });
  };
  const work = (kind: "work" | "setUps") => {
    const each = lines.map((l) => minutes.get(l)![kind]);
    const parts = shared(toMinor(((rate ?? 0) * each.reduce((s, m) => s + m, 0)) / 60, currency), each);
    return (i: number): CostPart => ({
      kind,
      minor: parts[i]!,
      working: rate === null ? `${tenth(each[i]!)} min, an hour has no price yet` : `${tenth(each[i]!)} min × ${moneyText(rate, currency)} an hour`, // prettier-ignore
    });
  };
  const kinds = [material("wood"), material("hardware"), material("finish"), work("work"), work("setUps")];
  const items = worked.lines.map((l, i): ItemCost => {
    const parts = kinds.map((k) => k(i)).filter((p) => p.minor > 0 || p.working !== "");
    const before = parts.reduce((s, p) => s + p.minor, 0);
    if (overhead > 0) parts.push({ kind: "overhead", minor: percentOf(before, overhead), working: `${overhead} % of ${say(before)}` }); // prettier-ignore
    const total = parts.reduce((s, p) => s + p.minor, 0);
    const { quantity } = l.line;
    return {
      line: l.at,
      item: l.shape.title,
      quantity,
      parts,
      total,
      each: Math.round(total / quantity),
      minutes: minutes.get(l.at)!.work + minutes.get(l.at)!.setUps,
      unknown: [...noWood.get(l.at)!, ...unpriced.get(l.at)!],
      unknownWood: [...noWood.get(l.at)!],
    };
  });
  return { currency, items, total: items.reduce((s, i) => s + i.total, 0), wood: woodUse(layout) };
}

const tenth = (n: number) => (Math.round(n * 10) / 10).toLocaleString("en-GB");

function shareText({ byLine }: Pool, line: number): string {
  const all = [...byLine.values()].reduce((s, n) => s + n, 0);
  return `${Number((((byLine.get(line) ?? 0) / all) * 100).toPrecision(3))} %`;
}

/** What a square nanometre of the same wood costs to buy; undefined where none has a price of its own. */
function worthOfArea(stock: WeighedStock[], of: BoardStock): number | undefined {
  const same = stock.filter(
    (s) => s.source === "buy" && !s.unpriced && s.price > 0 && s.material === of.material && s.form === of.form,
  );
  const asThick = same.filter((s) => s.thickness === of.thickness);
  const prices = (asThick.length > 0 ? asThick : same).map((s) => s.price / (s.length * s.width));
  return prices.length > 0 ? Math.min(...prices) : undefined;
}

/** What area of what is laid out is each line's. */
export function areaByLine(layout: LayoutResult): Map<number, number> {
  const out = new Map<number, number>();
  for (const { group } of layout.groups)
    for (const { blank, width } of group.lying) out.set(blank.of.line, (out.get(blank.of.line) ?? 0) + blank.length * width * blank.quantity); // prettier-ignore
  return out;
}

/** A pool of money for each thickness that is laid out, by the area each line has in it. */
function woodPools(layout: LayoutResult, currency: Currency, unknown: (line: number, what: string) => void): Pool[] {
  const { stock } = layout.request;
  return layout.groups.map(({ group, result }): Pool => {
    const byLine = new Map<number, number>();
    for (const { blank, width } of group.lying) byLine.set(blank.of.line, (byLine.get(blank.of.line) ?? 0) + blank.length * width * blank.quantity); // prettier-ignore
    let minor = 0;
    const counts = new Map<number, number>();
    for (const l of result.layouts) counts.set(l.stock, (counts.get(l.stock) ?? 0) + l.repeat);
    for (const [i, count] of counts) {
      const s = stock[i]!;
      const bought = s.source === "buy" && !s.unpriced;
      const worth = bought ? s.price : (worthOfArea(stock, s) ?? 0) * s.length * s.width;
      if (worth === 0)
        for (const line of byLine.keys()) unknown(line, `${s.material}${s.source === "yard" ? " of the yard" : ""}`);
      minor += toMinor(Math.round(worth * 1e6) / 1e6, currency) * (count + (bought ? (s.struck ?? 0) : 0));
    }
    return { name: [...new Set([...counts.keys()].map((i) => stock[i]!.material))].join(" and "), minor, byLine };
  });
}

/** What one of what comes in packs costs to buy; undefined where none has a price. */
function worthOfOne(stock: StockEntry[], what: string): number | undefined {
  const prices = stock.flatMap((s) => (s.form === "pack" && s.source === "buy" && s.price > 0 && s.material === what ? [s.price / s.pack] : [])); // prettier-ignore
  return prices.length > 0 ? Math.min(...prices) : undefined;
}

function hardwarePools(
  order: Order,
  stock: StockEntry[],
  currency: Currency,
  unknown: (line: number, what: string) => void,
) {
  const pools: Record<"hardware" | "finish", Pool[]> = { hardware: [], finish: [] };
  for (const l of order.lines) {
    if (l.unit === "board") continue;
    const had = l.quantity - l.bought;
    const worth = had > 0 ? worthOfOne(stock, l.what) : 0;
    if (l.price === null || worth === undefined) for (const { line } of l.taken) unknown(line, had > 0 ? `${l.what} of the yard` : l.what); // prettier-ignore
    else pools[l.finish ? "finish" : "hardware"].push({ name: l.what, minor: toMinor(l.price, currency) + toMinor(had * worth, currency), byLine: new Map(l.taken.map((t) => [t.line, t.quantity])) }); // prettier-ignore
  }
  return pools;
}

/**
 * Minutes of people for each line: its own operations', and of those that serve several lines by the pieces of each; of what makes no
 * piece yet, such as a rip, by their wood.
 */
export function minutesByLine(
  ops: Operation[],
  lines: number[],
  area: Map<number, number>,
): Map<number, { work: number; setUps: number }> {
  const out = new Map(lines.map((l) => [l, { work: 0, setUps: 0 }]));
  for (const o of ops) {
    const weights = new Map<number, number>();
    if (o.line !== null) weights.set(o.line, 1);
    else for (const m of o.makes) weights.set(m.part.line, (weights.get(m.part.line) ?? 0) + m.pieces);
    if (weights.size === 0) for (const l of lines) weights.set(l, area.get(l) ?? 0);
    const all = [...weights.values()].reduce((s, n) => s + n, 0) || 1;
    for (const [line, weight] of weights) {
      const mine = out.get(line)!;
      mine.setUps += (o.setup * o.people * weight) / all;
      mine.work += ((o.minutes - o.setup) * o.people * weight) / all;
    }
  }
  return out;
}

/** What becomes of the boards laid out: parts, offcuts that are kept, and scrap. */
function woodUse(layout: LayoutResult): Cost["wood"] {
  let [all, parts, kept] = [0, 0, 0];
  for (const { layout: l } of allLayouts(layout)) {
    const s = layout.request.stock[l.stock]!;
    all += l.repeat * s.length * s.width;
    parts += l.repeat * piecesOf(l).reduce((n, p) => n + p.length * p.width, 0);
    kept += l.repeat * l.offcuts.reduce((n, o) => n + (o.keep ? o.length * o.width : 0), 0);
  }
  return all > 0
    ? { parts: parts / all, kept: kept / all, scrap: 1 - (parts + kept) / all }
    : { parts: 0, kept: 0, scrap: 0 };
}
