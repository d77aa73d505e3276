import type { LpModel, LpSolver } from "@/core/layout/lp";

/** A price that holds for all packs once so many are bought. */
export interface Break {
  from: number;
  price: number;
}
/** Packs of something needed that a supplier sells; `pack` is how much is in one. Null is unlimited. */
export interface SupplierOffer {
  need: string;
  pack: number;
  price: number;
  breaks: Break[];
  available: number | null;
}
export interface Supplier {
  id: string;
  /** Paid once for all that is bought there, unless the goods come to `freeFrom`. */
  delivery: number;
  /** Goods that come to less are not sold. */
  minimum: number;
  freeFrom: number | null;
  leadDays: number;
  offers: SupplierOffer[];
}
/** What is needed, and who sells it; money in any unit. */
export interface SourcingProblem {
  needs: { id: string; quantity: number }[];
  suppliers: Supplier[];
  /** Days within which all has to be there; a slower supplier is not used. */
  by: number | null;
}

/** So many packs of one offer, at the price of a pack that so many cost. */
export interface Buy {
  supplier: string;
  need: string;
  pack: number;
  packs: number;
  price: number;
}
export interface Sourcing {
  buys: Buy[];
  goods: number;
  delivery: number;
  total: number;
  /** Nothing that covers as much costs less. */
  bound: number;
  proven: boolean;
  /** What nobody has enough of. */
  short: { need: string; quantity: number }[];
}

const cents = (amount: number) => Math.round(amount * 100);

/** What one pack costs when so many are bought. */
export const packPrice = (offer: SupplierOffer, packs: number): number =>
  offer.breaks.reduce((best, b) => (packs >= b.from && b.from >= best.from ? b : best), { from: 0, price: offer.price }).price; // prettier-ignore

/** What goods and delivery of these packs come to at a supplier, in cents; undefined where they are fewer than are sold. */
export function costAt(supplier: Supplier, packs: number[]): { goods: number; delivery: number } | undefined {
  const goods = supplier.offers.reduce((sum, o, i) => sum + cents(packs[i]! * packPrice(o, packs[i]!)), 0);
  if (packs.every((n) => n === 0)) return { goods: 0, delivery: 0 };
  if (goods < cents(supplier.minimum)) return undefined;
  const isFree = supplier.freeFrom !== null && goods >= cents(supplier.freeFrom);
  return { goods, delivery: isFree ? 0 : cents(supplier.delivery) };
}

/** Prices an offer has, each with the fewest and most packs it holds for. */
function tiersOf(
  { price, breaks, available }: SupplierOffer,
  most: number,
): { price: number; from: number; to: number }[] {
  const cap = Math.min(most, available ?? Infinity);
  const starts = [{ from: 1, price }, ...breaks.filter((b) => b.from > 1).toSorted((a, b) => a.from - b.from)];
  if (breaks.some((b) => b.from <= 1)) starts[0] = { from: 1, price: breaks.find((b) => b.from <= 1)!.price };
  return starts
    .map((t, i) => ({ ...t, to: Math.min(cap, (starts[i + 1]?.from ?? Infinity) - 1) }))
    .filter((t) => t.from <= t.to);
}

/** The most packs that can be of use: to cover all of it, to reach the last break, or to reach what the supplier asks for. */
function mostPacks(offer: SupplierOffer, quantity: number, { minimum, freeFrom }: Supplier): number {
  const cheapest = Math.min(offer.price, ...offer.breaks.map((b) => b.price));
  const threshold = Math.max(minimum, freeFrom ?? 0);
  const cover = Math.ceil(quantity / offer.pack - 1e-9);
  const reach = threshold > 0 && cheapest > 0 ? Math.ceil(threshold / cheapest) : 0;
  return Math.min(offer.available ?? Infinity, Math.max(cover, reach, ...offer.breaks.map((b) => b.from)));
}

/** Column by column, so that each tier's packs, and each choice, know their place. */
class Model {
  readonly columns: LpModel["columns"] = [];
  readonly rows: LpModel["rows"] = [];

  column(cost: number): number {
    return this.columns.push({ cost, entries: [] }) - 1;
  }
  row(sense: ">=" | "<=", rhs: number, entries: [column: number, value: number][]): void {
    const row = this.rows.push({ sense, rhs }) - 1;
    for (const [column, value] of entries) if (value !== 0) this.columns[column]!.entries.push([row, value]);
  }
}

/**
 * The purchase as a whole-number programme: packs of each price tier, a choice of one tier an offer (all-units discount), of each
 * supplier, and of its free delivery (a fixed charge). `needed` is what has to be covered; where `mayMiss`, what is missing is least instead.
 */
function modelOf(problem: SourcingProblem, suppliers: Supplier[], needed: number[], mayMiss = false) {
  const model = new Model();
  const cover: [number, number][][] = problem.needs.map(() => []);
  const place = new Map(problem.needs.map((n, i) => [n.id, i]));
  const cost = (price: number) => (mayMiss ? 0 : price);
  const packs = suppliers.map((s) => {
    const chosen = s.delivery > 0 || s.minimum > 0 ? model.column(cost(s.delivery)) : undefined;
    const free =
      chosen !== undefined && s.delivery > 0 && s.freeFrom !== null ? model.column(cost(-s.delivery)) : undefined;
    const goods: [number, number][] = [];
    const columns = s.offers.map((o) => {
      const i = place.get(o.need)!;
      const most = mostPacks(o, needed[i]!, s);
      const tiers = tiersOf(o, most);
      const choices: [number, number][] = [];
      const made = tiers.map((tier) => {
        const x = model.column(cost(tier.price));
        goods.push([x, tier.price]);
        cover[i]!.push([x, o.pack]);
        const choice = tiers.length > 1 ? model.column(0) : chosen;
        if (tiers.length > 1) {
          choices.push([choice!, 1]);
          if (tier.from > 1) model.row(">=", 0, [[x, 1], [choice!, -tier.from]]); // prettier-ignore
        }
        if (choice === undefined) model.row("<=", tier.to, [[x, 1]]);
        else model.row("<=", 0, [[x, 1], [choice, -tier.to]]); // prettier-ignore
        return x;
      });
      if (choices.length > 0) model.row("<=", chosen === undefined ? 1 : 0, [...choices, ...(chosen === undefined ? [] : [[chosen, -1] as [number, number]])]); // prettier-ignore
      return made;
    });
    if (chosen !== undefined) {
      model.row("<=", 1, [[chosen, 1]]);
      if (s.minimum > 0) model.row(">=", 0, [...goods, [chosen, -s.minimum]]);
    }
    if (free !== undefined) {
      model.row("<=", 0, [[free, 1], [chosen!, -1]]); // prettier-ignore
      if (s.freeFrom! > 0) model.row(">=", 0, [...goods, [free, -s.freeFrom!]]);
    }
    return columns;
  });
  needed.forEach((quantity, i) => {
    if (quantity <= 0) return;
    const missing: [number, number][] = mayMiss ? [[model.column(1 / quantity), 1]] : [];
    model.row(">=", quantity, [...cover[i]!, ...missing]);
  });
  return { model: { columns: model.columns, rows: model.rows, whole: true } satisfies LpModel, packs };
}

/** The most of a need that those who sell it have. */
const mostOf = (need: string, suppliers: Supplier[]) =>
  suppliers
    .flatMap((s) => s.offers)
    .reduce((sum, o) => sum + (o.need === need ? (o.available ?? Infinity) * o.pack : 0), 0);

const NODES = 20_000;

/**
 * The least that covers all that can be covered: which packs from whom, with deliveries, minimums and price breaks, by mixed-integer
 * programming. No dearer than all from the best one supplier.
 */
export function sourceFrom(problem: SourcingProblem, lp: LpSolver, going: () => boolean = () => true): Sourcing {
  const quick = problem.suppliers.filter((s) => problem.by === null || s.leadDays <= problem.by);
  const most = problem.needs.map((n) => mostOf(n.id, quick));
  const tries = (suppliers: Supplier[], needed: number[]) => {
    const { model, packs } = modelOf(problem, suppliers, needed);
    if (model.rows.length === 0) return undefined;
    const solved = lp({ ...model, nodes: NODES, going });
    if (!solved) return undefined;
    const answer = solved.values.length > 0 ? answerOf(suppliers, packs, solved.values) : undefined;
    return { answer, bound: solved.optimal ? solved.objective : (solved.bound ?? 0) };
  };
  let needed = problem.needs.map((n, i) => Math.min(n.quantity, most[i]!));
  if (needed.every((n) => n <= 0)) return { buys: [], goods: 0, delivery: 0, total: 0, bound: 0, proven: true, short: shortOf(problem, needed) }; // prettier-ignore
  let all = tries(quick, needed);
  if (!all) {
    // Minimums keep some of it from being sold: what is missing is least.
    needed = leastMissing(problem, quick, needed, lp);
    all = tries(quick, needed) ?? { answer: undefined, bound: 0 };
  }
  const ones =
    all.answer && all.answer.total <= all.bound + 1e-9 ? [] : quick.flatMap((s) => tries([s], needed)?.answer ?? []);
  const best = [...(all.answer ? [all.answer] : []), ...ones].toSorted((a, b) => a.total - b.total)[0];
  if (!best) return { buys: [], goods: 0, delivery: 0, total: 0, bound: 0, proven: false, short: shortOf(problem, problem.needs.map(() => 0)) }; // prettier-ignore
  // Whole cents: where every price is one, so is every total.
  const isCents = quick.every((s) => [s.delivery, ...s.offers.flatMap((o) => [o.price, ...o.breaks.map((b) => b.price)])].every((p) => Math.abs(p * 100 - Math.round(p * 100)) < 1e-9)); // prettier-ignore
  const least = isCents ? Math.ceil(all.bound * 100 - 1e-4) / 100 : all.bound;
  const bound = Math.max(0, Math.min(best.total, least));
  return { ...best, bound, proven: best.total <= bound + 1e-9, short: shortOf(problem, needed) };
}

const shortOf = ({ needs }: SourcingProblem, covered: number[]) =>
  needs.flatMap((n, i) => (covered[i]! < n.quantity ? [{ need: n.id, quantity: n.quantity - covered[i]! }] : []));

/** How much of each need can be had when as little as possible, as shares, is missing. */
function leastMissing(problem: SourcingProblem, suppliers: Supplier[], needed: number[], lp: LpSolver): number[] {
  const { model, packs } = modelOf(problem, suppliers, needed, true);
  const solved = lp({ ...model, nodes: NODES });
  const got = new Map<string, number>();
  if (solved && solved.values.length > 0)
    suppliers.forEach((s, i) => s.offers.forEach((o, k) => got.set(o.need, (got.get(o.need) ?? 0) + o.pack * packs[i]![k]!.reduce((n, x) => n + Math.round(solved.values[x]!), 0)))); // prettier-ignore
  return problem.needs.map((n, i) => Math.min(needed[i]!, got.get(n.id) ?? 0));
}

/** The purchase in whole packs and cents, worked out anew from its packs; undefined where it is none after all. */
function answerOf(
  suppliers: Supplier[],
  packs: number[][][],
  values: number[],
): Omit<Sourcing, "bound" | "proven" | "short"> | undefined {
  const buys: Buy[] = [];
  let [goods, delivery] = [0, 0];
  for (const [i, s] of suppliers.entries()) {
    const counts = packs[i]!.map((tiers) => tiers.reduce((n, x) => n + Math.round(values[x]!), 0));
    const paid = costAt(s, counts);
    if (!paid) return undefined;
    goods += paid.goods;
    delivery += paid.delivery;
    for (const [k, o] of s.offers.entries())
      if (counts[k]! > 0)
        buys.push({ supplier: s.id, need: o.need, pack: o.pack, packs: counts[k]!, price: packPrice(o, counts[k]!) });
  }
  return { buys, goods: goods / 100, delivery: delivery / 100, total: (goods + delivery) / 100 };
}
