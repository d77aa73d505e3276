import type { Length } from "@/core/length/length";
import { toMm } from "@/core/length/format";
import { type GroupLayout, type Layout, layBoards } from "./boards";
import type { LpSolver } from "./lp";
import { type Group, type LayoutRequest, type Missing, groups } from "./request";

/** A job's layouts, with how good they are. Cost in the job's money; areas in nm². */
export interface LayoutResult {
  request: LayoutRequest;
  groups: { group: Group; result: GroupLayout }[];
  missing: Missing[];
  cost: number;
  boundCost: number;
  count: number;
  boundCount: number;
  /** True when no layout of the bound's style could cost less. */
  proven: boolean;
  boundStyle: "any" | "rip-first";
  partsArea: number;
  stockArea: number;
  keptArea: number;
  seconds: number;
}

export interface Progress {
  done: number;
  of: number;
  count: number;
  cost: number;
}

/**
 * Lays a job out on its boards. `hear` is told of progress and stops the search by returning false; what was best so
 * far is then the result. `seconds` is measured by `clock` (milliseconds), which the core has none of its own.
 */
export function layOut(
  request: LayoutRequest,
  clock: () => number,
  hear: (p: Progress) => boolean = () => true,
  lp?: LpSolver,
): LayoutResult {
  const began = clock();
  const split = groups(request);
  let going = true;
  const done: { group: Group; result: GroupLayout }[] = [];
  for (const group of split.groups) {
    const result = layBoards(
      group,
      request.stock,
      request.saw,
      (best, tried, of) => {
        const before = done.reduce((s, d) => ({ count: s.count + d.result.count, cost: s.cost + d.result.cost }), {
          count: 0,
          cost: 0,
        });
        going &&= hear({
          done: done.length * of + tried,
          of: split.groups.length * of,
          count: before.count + best.count,
          cost: before.cost + best.cost,
        });
        return going;
      },
      lp,
    );
    done.push({ group, result });
  }
  const sum = (f: (g: GroupLayout) => number) => done.reduce((s, d) => s + f(d.result), 0);
  const short = done.flatMap(({ group, result }) =>
    result.short.map((s): Missing => {
      const { blank } = group.lying.find((l) => l.blank.id === s.blank)!;
      return {
        blank,
        needs: { thickness: group.thickness, width: blank.width, length: blank.length },
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
    cost: sum((g) => g.cost),
    boundCost: sum((g) => g.boundCost),
    count: sum((g) => g.count),
    boundCount: sum((g) => g.boundCount),
    proven: missing.length === 0 && sum((g) => g.cost) <= sum((g) => g.boundCost) + 1e-9,
    boundStyle: done.some((d) => d.result.boundStyle === "rip-first") ? "rip-first" : "any",
    partsArea: each((l) => l.strips.reduce((s, st) => s + st.pieces.reduce((t, p) => t + p.length * p.width, 0), 0)),
    stockArea: each((l) => board(l).length * board(l).width),
    keptArea: each((l) => l.offcuts.reduce((s, o) => s + (o.keep ? o.length * o.width : 0), 0)),
    seconds: (clock() - began) / 1000,
  };
}

/** How far above the least its cost can be, as a part of it: 0.02 is two in a hundred. */
export const aboveBound = (r: LayoutResult): number => (r.cost > 0 ? Math.max(0, r.cost - r.boundCost) / r.cost : 0);

/** Every layout of every thickness, most boards first within a thickness. */
export function allLayouts(result: LayoutResult): { layout: Layout; group: Group }[] {
  return result.groups.flatMap(({ group, result: r }) =>
    [...r.layouts].sort((a, b) => b.repeat - a.repeat).map((layout) => ({ layout, group })),
  );
}

export interface Cut {
  kind: "trim" | "rip" | "crosscut";
  /** Fence or stop. */
  setting: Length;
  count: number;
}

/** The cuts of one board in the order a person makes them: square the end, rip widest first, crosscut longest first. */
export function cutsOf(layout: Layout, endTrim: Length): Cut[] {
  const cuts: Cut[] = [{ kind: "trim", setting: endTrim, count: 1 }];
  const add = (kind: Cut["kind"], setting: Length) => {
    const last = cuts.at(-1)!;
    if (last.kind === kind && last.setting === setting) last.count++;
    else cuts.push({ kind, setting, count: 1 });
  };
  for (const s of layout.strips) add("rip", s.width);
  for (const s of layout.strips) for (const p of s.pieces) add("crosscut", p.length);
  return cuts;
}

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
    })),
    layouts: allLayouts(result).map(({ layout }) => ({
      stock: id(layout.stock),
      repeat: layout.repeat,
      pieces: layout.strips.flatMap((s) =>
        s.pieces.map((p) => ({
          part: p.blank,
          xMm: toMm(p.x),
          yMm: toMm(p.y),
          lengthMm: toMm(p.length),
          widthMm: toMm(p.width),
        })),
      ),
      offcuts: layout.offcuts.map((o) => ({
        xMm: toMm(o.x),
        yMm: toMm(o.y),
        lengthMm: toMm(o.length),
        widthMm: toMm(o.width),
        keep: o.keep,
      })),
      cuts: cutsOf(layout, saw.endTrim).map((c, n) => ({
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
    style: `rip, then crosscut; the bound holds for ${result.boundStyle === "any" ? "any cutting" : "ripping first"}`,
    partsAreaMm2: mm2(result.partsArea),
    stockAreaMm2: mm2(result.stockArea),
    seconds: result.seconds,
  };
}
