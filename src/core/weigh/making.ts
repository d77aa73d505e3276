import type { Offer } from "@/core/catalogue/catalogue";
import { layoutRequest } from "@/core/job/ask";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { anyStock } from "@/core/layout/anystock";
import { layOut } from "@/core/layout/layout";
import { lengthText } from "@/core/length/format";
import { inch, nm, type Units } from "@/core/length/length";
import { type Currency, type Money, moneyText } from "@/core/money/money";
import { minutesByLine } from "@/core/order/cost";
import { orderOf } from "@/core/order/order";
import { operations } from "@/core/work/operations";

/** What things cost in the shop: the cheapest of what its catalogue offers, and its rate an hour. */
export interface Prices {
  currency: Currency;
  /** Of a person's hour; null where nobody has said. */
  rate: number | null;
  /** Of one (a gram, a metre) of what is bought in packs, by its name. */
  packs: Map<string, number>;
  /** Of a cubic metre of wood in boards or of another material in sheets, and what it is bought as. */
  stuff: Map<string, { each: number; as: string }>;
}

/** The cheapest price a unit of everything that has one. */
export function pricesOf(offers: Offer[], { currency, rate }: Pick<Money, "currency" | "rate">, units: Units): Prices {
  const [packs, stuff] = [new Map<string, number>(), new Map<string, { each: number; as: string }>()];
  for (const o of offers) {
    if (o.price === null || o.form === "item") continue;
    if (o.form === "pack") packs.set(o.material, Math.min(packs.get(o.material) ?? Infinity, o.price / o.pack));
    else {
      const each = o.price / ((o.thickness * o.width * o.length) / 1e27);
      const kind = o.form === "board" ? "wood" : o.material;
      const as = `${o.material} ${[o.thickness, o.width, o.length].map((l) => lengthText(l, units)).join(" × ")}`;
      if (each < (stuff.get(kind)?.each ?? Infinity)) stuff.set(kind, { each, as });
    }
  }
  return { currency, rate, packs, stuff };
}

/** What making one takes. */
export interface Making {
  /** Minutes of people for one, and for the set-ups of however many; with the operations that take most. */
  work: number;
  setUps: number;
  most: { name: string; minutes: number }[];
  /** What is bought for one, without spare. */
  buys: { what: string; quantity: number; unit: string }[];
  /** m³ of its parts as they are sawn out, by what they are of. */
  stuff: { kind: string; volume: number }[];
}

/** Minutes are those of one of so many that are made together: a strip then serves several. */
export const TOGETHER = 10;
/** Boards are of the usual size, where that holds the parts. */
const [LONG, WIDE] = [inch(96), inch(11, 1, 4)];

/** Minutes, what is bought and wood for one of each line; undefined where no board gives a part. */
export function makingOf({ job, lines: one }: WorkedJob): Making | undefined {
  const boards = anyStock(one).map((s) => (s.form === "board" ? { ...s, length: nm(Math.max(s.length, LONG)), width: nm(Math.max(s.width, WIDE)) } : s)); // prettier-ignore
  const stocked = workJob({ ...job, lines: job.lines.map((l) => ({ ...l, quantity: l.quantity * TOGETHER })), stock: boards }); // prettier-ignore
  const layout = layOut(layoutRequest(stocked), () => 0, { goOn: () => false });
  if (layout.missing.length > 0) return undefined;
  const lines = stocked.lines.map((l) => l.at);
  const ops = operations(stocked, layout);
  const minutes = [...minutesByLine(ops, lines, new Map(lines.map((l) => [l, 1]))).values()];
  const byName = new Map<string, number>();
  for (const o of ops) byName.set(o.name, (byName.get(o.name) ?? 0) + ((o.minutes - o.setup) * o.people) / TOGETHER);
  const hardware = orderOf(stocked, layout).lines.filter((l) => l.unit !== "board");
  const stuff = new Map<string, number>();
  for (const { shape } of stocked.lines)
    for (const p of shape.parts) stuff.set(p.material, (stuff.get(p.material) ?? 0) + (p.size.l * p.size.w * p.size.t * p.places.length) / 1e27); // prettier-ignore
  return {
    work: minutes.reduce((n, m) => n + m.work, 0) / TOGETHER,
    setUps: minutes.reduce((n, m) => n + m.setUps, 0),
    most: [...byName].map(([name, m]) => ({ name, minutes: m })).toSorted((a, b) => b.minutes - a.minutes),
    buys: hardware.map((l) => ({
      what: l.what,
      quantity: l.taken.reduce((n, t) => n + t.quantity, 0) / TOGETHER,
      unit: l.unit,
    })),
    stuff: [...stuff].map(([kind, volume]) => ({ kind, volume })),
  };
}

/** What making one of several kinds of things takes, so many of each: what they have alike is said once. */
export function makingOfAll(all: { of: Making; times: number }[]): Making {
  const most = new Map<string, number>();
  const buys = new Map<string, Making["buys"][number]>();
  const stuff = new Map<string, number>();
  for (const { of, times } of all) {
    for (const { name, minutes } of of.most) most.set(name, (most.get(name) ?? 0) + minutes * times);
    for (const { kind, volume } of of.stuff) stuff.set(kind, (stuff.get(kind) ?? 0) + volume * times);
    for (const { what, quantity, unit } of of.buys) {
      const key = `${what} ${unit}`;
      buys.set(key, { what, unit, quantity: (buys.get(key)?.quantity ?? 0) + quantity * times });
    }
  }
  return {
    work: all.reduce((n, { of, times }) => n + of.work * times, 0),
    setUps: all.reduce((n, { of }) => n + of.setUps, 0),
    most: [...most].map(([name, minutes]) => ({ name, minutes })).toSorted((a, b) => b.minutes - a.minutes),
    buys: [...buys.values()],
    stuff: [...stuff].map(([kind, volume]) => ({ kind, volume })),
  };
}

/** Money for one, each part with its working; what has no price counts for nothing and is named. */
export interface Costs {
  currency: Currency;
  /** Of one; and of the set-ups of however many. */
  each: number;
  setUps: number;
  working: string[];
  unpriced: string[];
}

/** m³ */
export const BOARD_FOOT = 144 * 0.0254 ** 3;

/** What one costs at these prices: its wood without scrap, what is bought for it, and minutes at the shop's rate. Undefined where nothing has a price. */
export function costsOf({ buys, stuff, work, setUps }: Making, prices: Prices, units: Units): Costs | undefined {
  const money = (n: number) => moneyText(n, prices.currency);
  const [working, unpriced]: [string[], string[]] = [[], []];
  let each = 0;
  const add = (amount: number, said: string) => {
    each += amount;
    working.push(`${said} = ${money(amount)}`);
  };
  for (const { kind, volume } of stuff) {
    const known = prices.stuff.get(kind);
    if (!known) unpriced.push(kind);
    else if (units === "in")
      add(volume * known.each, `${(volume / BOARD_FOOT).toFixed(2)} board feet of ${known.as} at ${money(known.each * BOARD_FOOT)}`); // prettier-ignore
    else add(volume * known.each, `${(volume * 1000).toFixed(2)} l of ${known.as} at ${money(known.each / 1000)}`);
  }
  for (const { what, quantity, unit } of buys) {
    const known = prices.packs.get(what);
    if (known === undefined) unpriced.push(what);
    else add(quantity * known, `${Number(quantity.toFixed(2))} ${unit === "each" ? "" : `${unit} `}${what} at ${moneyFine(known, prices.currency)}`); // prettier-ignore
  }
  if (prices.rate === null) unpriced.push("work");
  else add((work * prices.rate) / 60, `${work.toFixed(1)} minutes at ${money(prices.rate)} an hour`);
  return working.length > 0
    ? { currency: prices.currency, each, setUps: ((prices.rate ?? 0) * setUps) / 60, working, unpriced }
    : undefined;
}

/** A price of less than a coin keeps its figures: `0.0125`. */
const moneyFine = (n: number, currency: Currency): string => (n > 0 && n < 0.1 ? n.toPrecision(2) : moneyText(n, currency)); // prettier-ignore
