import { pieceKey } from "@/core/line/line";
import type { PackStock, StockEntry } from "@/core/boards/stock";
import type { WorkedJob } from "@/core/job/worked";
import { lengthText } from "@/core/length/format";
import { jointArea } from "@/core/layout/panels";
import { piecesOf } from "@/core/boards/laid";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { stepsOf } from "@/core/shape/steps";
import { GLUE, taken } from "@/core/work/assembling";
import type { Taken } from "@/core/work/operation";
import type { Lot } from "@/core/yard/lot";

/** One thing to buy or fetch. `quantity` is what is needed, in `unit`; `packs` what is bought for it. */
export interface OrderLine {
  what: string;
  quantity: number;
  unit: "board" | Taken["unit"];
  packs: { size: number; count: number; price: number }[];
  /** Null when the job's stock has no price for it. */
  price: number | null;
  for: string[];
  from: "yard" | "buy";
  /** How the quantity came about. */
  working: string;
  short?: number;
  /** Hardware: how much of it each line of the job takes, without spare; and whether it is a finish. */
  taken: { line: number; quantity: number }[];
  finish: boolean;
  /** What it is, as it would lie in the yard; and how much of it has to be bought: not in the yard, and not sawn already. */
  of: Lot;
  bought: number;
}

export interface Order {
  lines: OrderLine[];
  total: number;
  unpriced: string[];
}

/** Take-off: boards by the layout, hardware by count and spare, glue by joint area; then the cheapest packs. */
export function orderOf(worked: WorkedJob, layout: LayoutResult): Order {
  const { units } = worked.job;
  const boards = boardLines(layout, units);
  const needs = hardwareNeeds(worked, layout);
  const packs = worked.job.stock.filter((s) => s.form === "pack");
  const hardware = needs.map((n) =>
    packLine(
      n,
      packs.filter((p) => p.material === n.what),
    ),
  );
  const lines = [...boards, ...hardware];
  return {
    lines,
    total: lines.reduce((s, l) => s + (l.price ?? 0), 0),
    unpriced: lines.filter((l) => l.price === null).map((l) => l.what),
  };
}

/** What one of a stock costs; nothing as long as it has no price. */
const moneyOf = ({ request }: LayoutResult, stock: number) =>
  request.stock[stock]!.unpriced ? 0 : request.stock[stock]!.price;

function boardLines(layout: LayoutResult, units: WorkedJob["job"]["units"]): OrderLine[] {
  const used = new Map<number, { count: number; for: Set<string> }>();
  for (const { layout: l, group } of allLayouts(layout)) {
    const u = used.get(l.stock) ?? { count: 0, for: new Set() };
    u.count += l.repeat;
    const names = new Map(group.lying.map(({ blank }) => [pieceKey(blank.of), blank.name.toLowerCase()]));
    for (const p of piecesOf(l)) u.for.add(names.get(pieceKey(p.of))!);
    used.set(l.stock, u);
  }
  return [...used].map(([i, u]) => {
    const s = layout.request.stock[i]!;
    const size = [s.thickness, s.width, s.length].map((x) => lengthText(x, units)).join(" × ");
    // Boards that turned out unusable are bought again; those of the yard are only gone.
    const struck = s.source === "buy" ? (s.struck ?? 0) : 0;
    const count = u.count + struck;
    const price = moneyOf(layout, i);
    const { form, material, thickness, width, length, rough } = s;
    return {
      what: `${s.material} ${s.form} ${size}`,
      quantity: count,
      unit: "board",
      packs: [{ size: 1, count, price }],
      price: s.unpriced && s.source === "buy" ? null : count * price,
      for: [...u.for],
      from: s.source,
      working: `${u.count} as laid out${struck > 0 ? ` + ${struck} struck out` : ""}`,
      taken: [],
      finish: false,
      of: { form, material, thickness, width, length, ...(rough ? { rough } : {}) },
      bought: s.source === "buy" && !s.sawn ? count : 0,
    };
  });
}

interface Need {
  what: string;
  unit: Taken["unit"];
  quantity: number;
  for: string[];
  working: string;
  finish: boolean;
  byLine: Map<number, number>;
}

/** What is ordered is rounded up to so many parts of its unit. */
const PARTS: Record<Taken["unit"], number> = { each: 1, g: 1, m: 10, m2: 100 };

function hardwareNeeds(worked: WorkedJob, layout: LayoutResult): Need[] {
  const found = new Map<string, Need>();
  const { glue } = worked.job.workshop;
  const add = (
    what: string,
    unit: Need["unit"],
    at: number,
    plain: number,
    spare: number,
    use: string,
    said: string,
    finish = false,
  ) => {
    const n: Need = found.get(what) ?? { what, unit, quantity: 0, for: [], working: "", finish, byLine: new Map() };
    n.quantity += plain * (1 + spare);
    n.byLine.set(at, (n.byLine.get(at) ?? 0) + plain);
    if (!n.for.includes(use)) n.for.push(use);
    n.working = n.working ? `${n.working} + ${said}` : said;
    found.set(what, n);
  };
  for (const { line, shape, at } of worked.lines)
    for (const step of stepsOf(shape, worked.job.units))
      for (const use of step.uses) {
        if (use.quantity === 0) continue;
        const all = taken(use, line.quantity, glue);
        const one = `${use.quantity}${{ each: "", m: " m", m2: " m²" }[use.unit]}`;
        const grams = all.unit === "g" ? ` × ${use.grams ?? glue} g` : "";
        const spare = use.spare ? ` + ${Math.round(use.spare * 100)} %` : "";
        add(
          all.what,
          all.unit,
          at,
          all.quantity,
          use.spare,
          step.name.toLowerCase(),
          `${line.quantity} × ${one}${grams}${spare}`,
          step.station === "finish" || step.station === "tank",
        );
      }
  for (const b of layout.request.blanks) {
    if (!b.staves) continue;
    const [panels, area] = [b.quantity / b.staves, jointArea(b)];
    const said = `${panels} × ${area} m² × ${glue} g`;
    add(GLUE, "g", b.of.line, panels * area * glue, 0, "panels", said);
  }
  return [...found.values()].map((n) => ({
    ...n,
    quantity: Math.ceil(n.quantity * PARTS[n.unit] - 1e-9) / PARTS[n.unit],
  }));
}

function packLine(n: Need, all: PackStock[]): OrderLine {
  const isChosen = all.some((o) => o.chosen);
  const offers = isChosen ? all.filter((o) => o.chosen || o.source === "yard") : all;
  const taken = [...n.byLine].map(([line, quantity]) => ({ line, quantity }));
  const had = offers.reduce((sum, o) => sum + (o.source === "yard" ? o.pack * (o.available ?? 1) : 0), 0);
  const of: Lot = { form: "pack", material: n.what };
  const bought = Math.max(0, Math.round((n.quantity - had) * 100) / 100);
  const base = { what: n.what, quantity: n.quantity, unit: n.unit, for: n.for, working: n.working, taken, finish: n.finish, of, bought }; // prettier-ignore
  if (offers.length === 0) return { ...base, packs: [], price: null, from: "buy" };
  // A bought pack at nothing has no price yet: it is taken only where what has one does not do.
  const priced = offers.filter((o) => o.source === "yard" || o.price > 0);
  const known = priced.length > 0 ? cheapestPacks(n.quantity, priced) : undefined;
  const isPriced = known !== undefined && (known.short === 0 || priced.length === offers.length);
  const [chosen, from] = isPriced ? [known, priced] : [cheapestPacks(n.quantity, offers), offers];
  const packs = chosen.counts.flatMap((count, i) =>
    count > 0 ? [{ size: from[i]!.pack, count, price: from[i]!.price }] : [],
  );
  return {
    ...base,
    packs,
    price: isPriced ? chosen.price : null,
    from: from.every((o) => o.source === "yard") ? "yard" : "buy",
    ...(chosen.short > 0 ? { short: chosen.short } : {}),
  };
}

/** The other sizes of pack something is bought in, and what it would come to in each of them alone. */
export function otherPacks(
  { what, bought, packs, unit }: OrderLine,
  stock: StockEntry[],
): { pack: number; count: number; price: number }[] {
  if (unit === "board" || bought <= 0) return [];
  const offers = stock.flatMap((s) => (s.form === "pack" && s.source === "buy" && s.price > 0 && s.material === what ? [s] : [])); // prettier-ignore
  return offers
    .filter(
      (o, i) => !(packs.length === 1 && packs[0]!.size === o.pack) && offers.findIndex((x) => x.pack === o.pack) === i,
    )
    .map((o) => ({ pack: o.pack, count: Math.ceil(bought / o.pack), price: Math.ceil(bought / o.pack) * o.price }));
}

/**
 * The packs that cover `quantity` for the least money, then the least left over; exact, by dynamic programming over
 * whole steps. What limited offers cannot cover is `short`.
 */
export function cheapestPacks(
  quantity: number,
  offers: Pick<PackStock, "pack" | "price" | "available">[],
): { counts: number[]; price: number; short: number } {
  const all = offers.reduce((s, o) => s + (o.available === null ? Infinity : o.available * o.pack), 0);
  const wanted = Math.min(quantity, all);
  const step = Math.max(1, Math.ceil(wanted / 20_000));
  const cap = Math.ceil(wanted / step);
  // best[c] = least cost to cover c steps with the offers so far; how[i][c] = packs of offer i used for it.
  let best = new Float64Array(cap + 1).fill(Infinity);
  best[0] = 0;
  const how = offers.map(() => new Uint32Array(cap + 1));
  offers.forEach((o, i) => {
    const size = Math.max(1, Math.floor(o.pack / step));
    const next = Float64Array.from(best);
    for (let c = 1; c <= cap; c++)
      for (let k = 1; k <= (o.available ?? Infinity) && (k - 1) * size < c; k++) {
        const cost = best[Math.max(0, c - k * size)]! + k * o.price;
        if (cost < next[c]! - 1e-9) {
          next[c] = cost;
          how[i]![c] = k;
        }
      }
    best = next;
  });
  const counts = offers.map(() => 0);
  let c = cap;
  for (let i = offers.length - 1; i >= 0; i--) {
    counts[i] = how[i]![c]!;
    c = Math.max(0, c - counts[i]! * Math.max(1, Math.floor(offers[i]!.pack / step)));
  }
  return {
    counts,
    price: counts.reduce((s, k, i) => s + k * offers[i]!.price, 0),
    short: Math.max(0, quantity - wanted),
  };
}
