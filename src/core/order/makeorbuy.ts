import type { Currency, Minor } from "@/core/money/money";
import { fromMinor, moneyText, toMinor } from "@/core/money/money";
import type { BoughtAs } from "@/core/catalogue/catalogue";
import type { WorkedJob } from "@/core/job/worked";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import type { Operation } from "@/core/work/operation";
import { operations } from "@/core/work/operations";
import { SAW_KINDS } from "@/core/work/sawing";
import { handsOf, type Workshop } from "@/core/shop/shop";
import { areaByLine, type ItemCost, minutesByLine } from "./cost";

/** How an item is come by: made from wood that is bought or that one has, put together from parts somebody cut, or bought whole. */
export type Way = "wood bought" | "own wood" | BoughtAs;

/** What a way costs: once for the batch, and for each piece. Minor units, not rounded. */
export interface WayCost {
  way: Way;
  once: number;
  each: number;
  /** Minutes of people, once and for each piece. */
  minutes: { once: number; each: number };
  working: string;
  /** What is not known, so that this is too little, or nothing can be said. */
  unknown: string[];
}

/** An item's costs for a quantity by every way there is, the cheapest first where all of it is known. */
export interface Compared {
  way: WayCost;
  total: Minor;
  each: Minor;
  /** Minutes of people for all of them. */
  minutes: number;
}

/** Minutes an item takes: to cut, and to put together, each split into what comes once and what comes for each piece. */
export interface ItemMinutes {
  cut: { once: number; each: number };
  assemble: { once: number; each: number };
}

/** What the rough pile asks for beside: minutes to joint and plane what an item takes of it. */
export interface OwnWood {
  once: number;
  each: number;
}

/** What a line's minutes are, and what they would be more of with rough wood of one's own. */
export function minutesOf(
  worked: WorkedJob,
  layout: LayoutResult,
  line: number,
): { minutes: ItemMinutes; own: OwnWood } {
  const lines = worked.lines.map((l) => l.at);
  const area = areaByLine(layout);
  const ops = operations(worked, layout);
  const { quantity } = worked.lines.find((l) => l.at === line)!.line;
  const of = (some: Operation[]) => {
    const { work, setUps } = minutesByLine(some, lines, area).get(line)!;
    return { once: setUps, each: work / quantity };
  };
  const minutes = {
    cut: of(ops.filter((o) => o.step === undefined)),
    assemble: of(ops.filter((o) => o.step !== undefined)),
  };
  const { stock } = layout.request;
  const planed = allLayouts(layout).filter(
    ({ layout: l }) => stock[l.stock]!.form === "board" && !stock[l.stock]!.rough,
  );
  const share = (area.get(line) ?? 0) / Math.max(1, [...area.values()].reduce((s, a) => s + a, 0)); // prettier-ignore
  const boards = planed.reduce((n, { layout: l }) => n + l.repeat, 0) * share;
  const rough = ["Joint one edge straight", "Plane to thickness"].map((kind) => worked.job.workshop.minutes[kind] ?? SAW_KINDS.find((k) => k.kind === kind)!); // prettier-ignore
  const own = boards > 0 ? { once: rough.reduce((s, r) => s + r.setup, 0), each: (boards / quantity) * rough.reduce((s, r) => s + r.each, 0) } : { once: 0, each: 0 }; // prettier-ignore
  return { minutes, own };
}

export interface Asked {
  currency: Currency;
  rate: number | null;
  overhead: number;
  /** Prices asked for one, by what is bought; null is not known. */
  prices: Partial<Record<BoughtAs, number | null>>;
}

const minorOf = (item: ItemCost, ...kinds: string[]) =>
  item.parts.reduce((s, p) => s + (kinds.includes(p.kind) ? p.minor : 0), 0);

/**
 * What each way to come by an item costs, as once + each × how many: set-ups come once, all else with every piece. Overhead is on what
 * is made or put together here, not on what comes ready.
 */
export function waysOf(item: ItemCost, minutes: ItemMinutes, own: OwnWood, asked: Asked): WayCost[] {
  const { currency, rate, overhead, prices } = asked;
  const perMinute = toMinor(rate ?? 0, currency) / 60;
  const say = (minor: number) => moneyText(fromMinor(Math.round(minor), currency), currency);
  const withOverhead = (minor: number) => (minor * (100 + overhead)) / 100;
  const wood = minorOf(item, "wood") / item.quantity;
  const things = minorOf(item, "hardware", "finish") / item.quantity;
  const noRate = rate === null ? ["an hour"] : [];
  const made = (
    way: Way,
    material: number,
    spent: { once: number; each: number },
    said: string,
    unknown: string[],
  ): WayCost => ({
    way,
    once: withOverhead(spent.once * perMinute),
    each: withOverhead(material + spent.each * perMinute),
    minutes: spent,
    working: `${said} ${say(material)}, ${tenth(spent.each)} min each and ${tenth(spent.once)} min once${overhead > 0 ? `, ${overhead} % overhead` : ""}`,
    unknown: [...unknown, ...noRate],
  });
  const withoutWood = item.unknown.filter((u) => !item.unknownWood.includes(u));
  const whole = { once: minutes.cut.once + minutes.assemble.once, each: minutes.cut.each + minutes.assemble.each };
  const out = [
    made("wood bought", wood + things, whole, "wood and hardware", item.unknown),
    made(
      "own wood",
      things,
      { once: whole.once + own.once, each: whole.each + own.each },
      "hardware only",
      withoutWood,
    ),
  ];
  const price = (as: BoughtAs) =>
    prices[as] === undefined || prices[as] === null ? undefined : toMinor(prices[as], currency);
  const [parts, kit, ready] = [price("parts cut"), price("kit"), price("ready made")];
  const notAsked = (p: number | undefined) => (p === undefined ? ["its price"] : []);
  out.push(
    made("parts cut", (parts ?? 0) + things, minutes.assemble, "parts and hardware", [
      ...notAsked(parts),
      ...withoutWood,
    ]),
    made("kit", kit ?? 0, minutes.assemble, "a kit", notAsked(kit)),
    {
      way: "ready made",
      once: 0,
      each: ready ?? 0,
      minutes: { once: 0, each: 0 },
      working: ready === undefined ? "what it is sold for" : `${say(ready)} as it is sold`,
      unknown: notAsked(ready),
    },
  );
  return out;
}

const tenth = (n: number) => (Math.round(n * 10) / 10).toLocaleString("en-GB");

/** So many pieces by each way, the cheapest that is wholly known first, then those of which something is not known. */
export function compare(ways: WayCost[], quantity: number): Compared[] {
  return ways
    .map((way): Compared => {
      const total = Math.round(way.once + way.each * quantity);
      return {
        way,
        total,
        each: Math.round(total / quantity),
        minutes: way.minutes.once + way.minutes.each * quantity,
      };
    })
    .sort((a, b) => Number(a.way.unknown.length > 0) - Number(b.way.unknown.length > 0) || a.total - b.total);
}

/**
 * From how many on a way costs no more than another; null where it never does, 1 where it always does. once + each × n ≤ the other's.
 */
export function breakEven(way: WayCost, other: WayCost): number | null {
  const [once, each] = [way.once - other.once, other.each - way.each];
  if (once <= each) return 1;
  return each > 1e-9 ? Math.ceil(once / each - 1e-9) : null;
}

/** How the break-even moves when one thing is otherwise: dearer wood, quicker hands, a dearer hour. */
export interface Moved {
  what: string;
  from: number | null;
}

/** What would move the quantity from which making pays against a price: each changed alone by a fifth. */
export function movesOfBreakEven(
  item: ItemCost,
  minutes: ItemMinutes,
  own: OwnWood,
  asked: Asked,
  against: BoughtAs,
): Moved[] {
  const by = (i: ItemCost, m: ItemMinutes, a: Asked) => {
    const ways = waysOf(i, m, own, a);
    return breakEven(
      ways[0]!,
      ways.find((w) => w.way === against)!,
    );
  };
  const scaled = (m: ItemMinutes, f: number, of: "once" | "each"): ItemMinutes => ({
    cut: { ...m.cut, [of]: m.cut[of] * f },
    assemble: { ...m.assemble, [of]: m.assemble[of] * f },
  });
  const wood = (f: number): ItemCost => ({
    ...item,
    parts: item.parts.map((p) => (p.kind === "wood" ? { ...p, minor: Math.round(p.minor * f) } : p)),
  });
  const rate = asked.rate === null ? null : asked.rate * 1.2;
  return [
    { what: "wood a fifth dearer", from: by(wood(1.2), minutes, asked) },
    { what: "set-ups a fifth quicker", from: by(item, scaled(minutes, 0.8, "once"), asked) },
    { what: "each piece a fifth quicker", from: by(item, scaled(minutes, 0.8, "each"), asked) },
    ...(rate === null ? [] : [{ what: "an hour a fifth dearer", from: by(item, minutes, { ...asked, rate }) }]),
    { what: "bought a fifth cheaper", from: by(item, minutes, { ...asked, prices: { ...asked.prices, [against]: (asked.prices[against] ?? 0) * 0.8 } }) }, // prettier-ignore
  ];
}

/** Working days a batch takes in the shop, all hands at it, whole ones; of what is bought nothing. */
export function daysInShop(
  minutes: number,
  { people, staff, hours }: Pick<Workshop, "people" | "staff" | "hours">,
): number {
  // prettier-ignore
  const day = hours.reduce((sum, [from, to]) => sum + to - from, 0) * handsOf({ people, staff });
  return minutes > 0 && day > 0 ? Math.ceil(minutes / day) : 0;
}

/** What a piece costs by a way when so many are made: for a curve. */
export const eachOf = (way: WayCost, quantity: number): number => way.each + way.once / quantity;
