import { pieceKey } from "@/core/line/line";
import { toMm } from "@/core/length/format";
import { added } from "./cutting/problem";
import { cutsOf, settingsOf } from "./cuts";
import { type BoundStyle, type GroupLayout, type GroupRequest, heldWith, keptWorth, layGroup, type Point } from "./lay";
import type { LpSolver } from "./lp";
import { type Pinned, type Layout, piecesOf } from "@/core/boards/laid";
import { blanksByKey, layoutTrouble, pinnedCounts } from "./pinned";
import { offcutsOf } from "./place";
import { sharing } from "./sharing";
import { type Group, type LayoutRequest, type Missing, groups } from "./request";

/** A job's layouts, as a point, with how good they are. Cost in the job's money; areas in nm². */
export interface LayoutResult extends Point {
  request: LayoutRequest;
  groups: { group: Group; result: GroupLayout }[];
  missing: Missing[];
  boundCost: number;
  count: number;
  boundCount: number;
  /** True when no layout of the bound's style could cost less. */
  proven: boolean;
  boundStyle: BoundStyle;
  /** Pinned layouts that no longer hold, and why: they are left out. */
  troubles: { pin: number; why: string }[];
  partsArea: number;
  stockArea: number;
  keptArea: number;
  /** Layouts of the whole job, whatever is laid out together: what fewer set-ups would cost. */
  front: Point[];
  /** No layout of the job does with fewer set-ups. */
  fewestSetUps: number;
  seconds: number;
}

export interface Progress {
  done: number;
  of: number;
  count: number;
  cost: number;
  /** The least it could cost, as far as is known. */
  bound: number;
}

/** A request taken apart by thickness: what each group asks, and what is needed to put the answers together. */
export interface LayoutParts {
  split: ReturnType<typeof groups>;
  held: Held[];
  troubles: LayoutResult["troubles"];
  asks: GroupRequest[];
  /** Of each group the settings its pinned boards want. */
  needed: string[][];
}

/** Takes a request apart; groups share no boards, so each can be solved on its own. */
export function partsOf(request: LayoutRequest, split = groups(request)): LayoutParts {
  const { held, troubles } = holdPins(request);
  const laid = pinnedCounts(held.map((h) => h.pin));
  const pinnedBoards = (i: number) => held.reduce((n, h) => n + (h.pin.stock === i ? h.pin.repeat : 0), 0);
  const left = (i: number) => {
    const { available, struck } = request.stock[i]!;
    return available === null ? null : Math.max(0, available - (struck ?? 0) - pinnedBoards(i));
  };
  const asks = split.groups.map((group): GroupRequest => ({
    lying: group.lying
      .map((l) => ({ ...l, blank: { ...l.blank, quantity: l.blank.quantity - (laid.get(pieceKey(l.blank.of)) ?? 0) } }))
      .filter((l) => l.blank.quantity > 0),
    boards: group.stock.map((i) => request.stock[i]!),
    available: group.stock.map(left),
    saw: request.saw,
  }));
  const needed = split.groups.map((group) => settingsOf(heldOn(group, held).flatMap((h) => h.pin.strips)));
  return { split, held, troubles, asks, needed };
}

/** The request taken apart anew where thicknesses do better together; undefined when the answers are as good as they get. */
export function sharedParts(
  request: LayoutRequest,
  { split }: LayoutParts,
  answers: GroupLayout[],
): LayoutParts | undefined {
  const shared = sharing(request, split.groups, answers);
  return shared && partsOf(request, { ...split, groups: shared });
}

/** Progress over all groups, from the best known of each. */
export function progressOf(best: (Omit<Progress, "done" | "of"> | undefined)[], done: number): Progress {
  const sum = (f: (b: Omit<Progress, "done" | "of">) => number) => best.reduce((n, b) => n + (b ? f(b) : 0), 0);
  return { done, of: best.length, count: sum((b) => b.count), cost: sum((b) => b.cost), bound: sum((b) => b.bound) };
}

/**
 * Lays a job out on its boards, one thickness after another. `seconds` is measured by `clock` (milliseconds), which the
 * core has none of its own. `watch` is told of progress and may end the search; what was best so far is then the answer.
 */
export function layOut(
  request: LayoutRequest,
  clock: () => number,
  watch: { hear?(p: Progress): void; goOn?(): boolean } = {},
  lp?: LpSolver,
): LayoutResult {
  const began = clock();
  const solved = (parts: LayoutParts) => {
    const best: (Omit<Progress, "done" | "of"> | undefined)[] = parts.asks.map(() => undefined);
    return parts.asks.map((ask, i) => {
      const hear = (b: Omit<Progress, "done" | "of">) => {
        best[i] = b;
        watch.hear?.(progressOf(best, i));
      };
      return layGroup(ask, request.weighing, { hear, goOn: watch.goOn }, lp, parts.needed[i]);
    });
  };
  const apart = partsOf(request);
  const answers = solved(apart);
  const shared = sharedParts(request, apart, answers);
  const first = joined(request, apart, answers, (clock() - began) / 1000);
  return shared ? betterOf(first, joined(request, shared, solved(shared), (clock() - began) / 1000)) : first;
}

/**
 * What the maker holds a layout to cost: its boards, and each set-up, less what the kept offcuts are worth. 74 boards for 781.40 and 25
 * set-ups, each held to cost 2.33, are held to cost 839.65; 71 for 761.20 and 37 are held to cost 847.41.
 */
export const heldCost = (of: LayoutResult): number => heldWith(of.request.weighing.setUp, of);

/**
 * Of a layout with every thickness on its own and one with some together the better as the maker holds it; what is proven of the first
 * alone does not hold once boards may be shared, and a search that was cut short may have done worse with more to choose from.
 */
export function betterOf(apart: LayoutResult, shared: LayoutResult): LayoutResult {
  const lost = (r: LayoutResult) => r.missing.reduce((n, m) => n + (m.short ?? m.blank.quantity), 0);
  if (lost(shared) < lost(apart)) return shared;
  // What lacks more pieces is none to choose.
  const both = lost(shared) > lost(apart) ? {} : { front: [...apart.front, ...shared.front], fewestSetUps: Math.min(apart.fewestSetUps, shared.fewestSetUps) }; // prettier-ignore
  const dearer = heldCost(shared) - heldCost(apart);
  const isBetter = dearer < -1e-9 || (dearer <= 1e-9 && shared.setUps <= apart.setUps);
  if (lost(shared) === lost(apart) && isBetter) return { ...shared, ...both };
  const boundCost = Math.min(apart.boundCost, shared.boundCost);
  return {
    ...apart,
    ...both,
    boundCost,
    boundCount: Math.min(apart.boundCount, shared.boundCount),
    proven: apart.missing.length === 0 && apart.cost <= boundCost + 1e-9,
    seconds: shared.seconds,
  };
}

/** Of two layouts of one question the better as the maker holds it, with what is known since the later one. */
export function laterOf(before: LayoutResult, now: LayoutResult): LayoutResult {
  const { boundCost, boundCount } = now;
  const best = betterOf(before, now);
  return { ...best, boundCost, boundCount, proven: best.missing.length === 0 && best.cost <= boundCost + 1e-9 };
}

/** Points of several thicknesses as one. */
const together = (points: Point[]): Point => {
  const sum = (f: (p: Point) => number) => points.reduce((n, p) => n + f(p), 0);
  const cost = added(points.map((p) => p.cost));
  return { setUps: sum((p) => p.setUps), patterns: sum((p) => p.patterns), cost, kept: sum((p) => p.kept), tie: sum((p) => p.tie) }; // prettier-ignore
};

/** The layouts of every thickness put together: for so many set-ups the best. None where something is not laid out. */
function frontOf(groups: GroupLayout[]): Point[] {
  let sums: Point[] = [together([])];
  for (const { tradeOff } of groups) {
    const best = new Map<number, Point>();
    for (const a of sums)
      for (const b of tradeOff) {
        const p = together([a, b]);
        const known = best.get(p.setUps);
        if (!known || heldWith(0, p) < heldWith(0, known)) best.set(p.setUps, p);
      }
    sums = [...best.values()];
  }
  return sums;
}

/** Puts the groups' answers together; `seconds` is how long they took. */
export function joined(
  request: LayoutRequest,
  parts: LayoutParts,
  answers: GroupLayout[],
  seconds: number,
): LayoutResult {
  const { split, held, troubles } = parts;
  const done = split.groups.map((group, k) => {
    const named = answers[k]!.layouts.map((l) => ({ ...l, stock: group.stock[l.stock]! }));
    const pins = heldOn(group, held);
    return { group, result: withPins({ ...answers[k]!, layouts: named }, pins, request) };
  });
  const sum = (f: (g: GroupLayout) => number) => done.reduce((s, d) => s + f(d.result), 0);
  const short = done.flatMap(({ group, result }, k) =>
    result.short.map((s): Missing => {
      // What pinned layouts give all of was not asked for.
      const asked = parts.asks[k]!.lying[s.lying]!;
      const { blank, takes } = group.lying.find((l) => pieceKey(l.blank.of) === pieceKey(asked.blank.of))!;
      return {
        blank,
        needs: { thickness: takes, width: blank.width, length: blank.length },
        why: "too few",
        short: s.quantity,
      };
    }),
  );
  const missing = [...split.missing, ...short];
  const each = (f: (l: Layout) => number) =>
    done.reduce((s, d) => s + d.result.layouts.reduce((t, l) => t + l.repeat * f(l), 0), 0);
  const board = (l: Layout) => request.stock[l.stock]!;
  return {
    request,
    groups: done,
    missing,
    ...together(done.map((d) => d.result)),
    boundCost: added(done.map((d) => d.result.boundCost)),
    count: sum((g) => g.count),
    boundCount: sum((g) => g.boundCount),
    proven: missing.length === 0 && done.every((d) => d.result.cost <= d.result.boundCost + 1e-9),
    boundStyle:
      (["three-stage", "two-stage"] as const).find((k) => done.some((d) => d.result.boundStyle === k)) ?? "any",
    troubles,
    partsArea: each((l) => piecesOf(l).reduce((s, p) => s + p.length * p.width, 0)),
    stockArea: each((l) => board(l).length * board(l).width),
    keptArea: each((l) => l.offcuts.reduce((s, o) => s + (o.keep ? o.length * o.width : 0), 0)),
    front: frontOf(done.map((d) => d.result)),
    fewestSetUps: sum((g) => g.fewestSetUps),
    seconds,
  };
}

interface Held {
  pin: Pinned;
  index: number;
}

const heldOn = (group: Group, held: Held[]) => held.filter((h) => group.stock.includes(h.pin.stock));

/** The pinned layouts that can still be cut and are still wanted, and why the others cannot. */
function holdPins(request: LayoutRequest): { held: Held[]; troubles: LayoutResult["troubles"] } {
  const held: Held[] = [];
  const troubles: LayoutResult["troubles"] = [];
  const blanks = blanksByKey(request);
  const laid = new Map<string, number>();
  const boards = new Map<number, number>();
  request.pinned.forEach((pin, index) => {
    const counts = [...pinnedCounts([pin])].map(([key, n]) => [key, (laid.get(key) ?? 0) + n] as const);
    const over = counts.map(([key, n]) => ({ blank: blanks.get(key), n })).find(({ blank, n }) => blank && n > blank.quantity); // prettier-ignore
    const board = request.stock[pin.stock];
    const wanted = (boards.get(pin.stock) ?? 0) + pin.repeat;
    const why =
      layoutTrouble(pin, request, blanks) ??
      (over ? `with it there would be more of ${over.blank!.name} than the job wants` : undefined) ??
      (board && board.available !== null && wanted > board.available - (board.struck ?? 0)
        ? "there are fewer such boards than are pinned"
        : undefined);
    if (why) {
      troubles.push({ pin: index, why });
      return;
    }
    held.push({ pin, index });
    boards.set(pin.stock, wanted);
    for (const [key, n] of counts) laid.set(key, n);
  });
  return { held, troubles };
}

function withPins(solved: GroupLayout, pins: Held[], request: LayoutRequest): GroupLayout {
  const layouts = pins.map(({ pin, index }): Layout => ({
    ...pin,
    offcuts: offcutsOf(pin.strips, request.stock[pin.stock]!, request.saw),
    pin: index,
  }));
  const count = pins.reduce((n, h) => n + h.pin.repeat, 0);
  const cost = layouts.map((l) => l.repeat * request.stock[l.stock]!.price);
  const worth = layouts.reduce((s, l) => s + l.repeat * keptWorth(l.offcuts, request.stock[l.stock]!), 0);
  // What they set the saw to is counted already.
  const onto = (p: Point): Point => ({
    setUps: p.setUps + pins.length,
    patterns: p.patterns + pins.length,
    cost: added([p.cost, ...cost]),
    kept: p.kept + request.weighing.offcut * worth,
    tie: p.tie,
  });
  return {
    ...solved,
    ...onto(solved),
    layouts: [...layouts, ...solved.layouts],
    count: solved.count + count,
    boundCount: solved.boundCount + count,
    boundCost: added([solved.boundCost, ...cost]),
    tradeOff: solved.tradeOff.map(onto),
  };
}

/**
 * What a layout costs in money, and the least it could: what lies in the yard costs none. Undefined where something to buy has no
 * price, or nothing is bought: then wood is all it is weighed by.
 */
export function moneyOf(r: LayoutResult): { cost: number; bound: number } | undefined {
  const { stock } = r.request;
  const used = allLayouts(r).map(({ layout }) => ({ repeat: layout.repeat, board: stock[layout.stock]! }));
  if (used.some(({ board }) => board.unpriced && board.source === "buy")) return undefined;
  if (!used.some(({ board }) => board.source === "buy")) return undefined;
  // A group that weighs the yard too is bounded in wood; in money nothing is known of it but that it costs no less than nothing.
  const inMoney = r.groups.filter(({ group }) => !group.stock.some((i) => stock[i]!.unpriced));
  const boundsOf = (of: LayoutResult["groups"]) => added(of.map(({ result }) => result.boundCost));
  // What is known of each thickness alone does not hold where boards may be shared.
  const isShared = r.boundCost < boundsOf(r.groups) - 1e-9;
  return {
    cost: added(used.map(({ repeat, board }) => (board.unpriced ? 0 : repeat * board.price))),
    bound: !isShared ? boundsOf(inMoney) : inMoney.length === r.groups.length ? r.boundCost : 0,
  };
}

/**
 * How far above the least a cost can be, as a part of the least that is known: 102 where nothing costs less than 100 is 0.02; all of it
 * (1) where nothing is known.
 */
export const aboveBound = ({ cost, boundCost }: Pick<LayoutResult, "cost" | "boundCost">): number =>
  cost <= boundCost + 1e-9 ? 0 : boundCost > 0 ? (cost - boundCost) / boundCost : 1;

/** How far above the least a layout can be: in money where there is some to say it in, else in wood. */
export function aboveLeast(r: LayoutResult): number {
  const money = moneyOf(r);
  return aboveBound(money ? { cost: money.cost, boundCost: money.bound } : r);
}

/** Every layout of every thickness, most boards first within a thickness. */
export function allLayouts(result: LayoutResult): { layout: Layout; group: Group }[] {
  return result.groups.flatMap(({ group, result: r }) =>
    [...r.layouts].sort((a, b) => b.repeat - a.repeat).map((layout) => ({ layout, group })),
  );
}

/** What a bound is said of. */
export const STYLES: Record<BoundStyle, string> = {
  any: "any cutting",
  "two-stage": "cutting in two stages and a trim",
  "three-stage": "cutting in three stages and a trim",
};

/** The layout as the contract's document. @returns mm numbers to 0.001 */
export function layoutDocument(result: LayoutResult) {
  const { stock, saw } = result.request;
  const used = new Map<number, number>();
  for (const { layout } of allLayouts(result)) used.set(layout.stock, (used.get(layout.stock) ?? 0) + layout.repeat);
  const id = (i: number) => `s${i}`;
  const mm2 = (nm2: number) => Math.round(nm2 / 1e9) / 1e3;
  return {
    stock: [...used].map(([i, count]) => ({
      id: id(i),
      source: stock[i]!.source,
      count,
      material: stock[i]!.material,
      lengthMm: toMm(stock[i]!.length),
      widthMm: toMm(stock[i]!.width),
      thicknessMm: toMm(stock[i]!.thickness),
      price: stock[i]!.price,
      // No price was given: this is what it counts for by its size.
      ...(stock[i]!.unpriced ? { unpriced: true } : {}),
    })),
    layouts: allLayouts(result).map(({ layout }) => ({
      stock: id(layout.stock),
      repeat: layout.repeat,
      pieces: piecesOf(layout).map((p) => ({
        part: pieceKey(p.of),
        xMm: toMm(p.x),
        yMm: toMm(p.y),
        lengthMm: toMm(p.length),
        widthMm: toMm(p.width),
      })),
      offcuts: layout.offcuts.map((o) => ({
        xMm: toMm(o.x),
        yMm: toMm(o.y),
        lengthMm: toMm(o.length),
        widthMm: toMm(o.width),
        keep: o.keep,
      })),
      cuts: cutsOf(layout, stock[layout.stock]!, saw).map((c, n) => ({
        n: n + 1,
        kind: c.kind,
        settingMm: toMm(c.setting),
        count: c.count,
      })),
    })),
    cost: result.cost,
    boundCost: result.boundCost,
    count: result.count,
    boundCount: result.boundCount,
    proven: result.proven,
    style: STYLES[result.boundStyle],
    partsAreaMm2: mm2(result.partsArea),
    stockAreaMm2: mm2(result.stockArea),
    seconds: result.seconds,
  };
}
