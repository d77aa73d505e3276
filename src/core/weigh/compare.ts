import { NM_PER_INCH, NM_PER_MM, type Units } from "@/core/length/length";
import { BOARD_FOOT } from "./making";
import type { Row } from "./rows";
import { boughtText } from "./why";

/** A figure things are compared by. */
export interface Figure {
  id: string;
  label: string;
  better: "more" | "less";
  /** Of one; of what is made, of so many. */
  of(row: Row, many: number): number | null;
  /** As it is said, and in what. */
  text(n: number, units: Units): string;
  unit(units: Units, rows?: Row[]): string;
  /** Better than this is no better. */
  enough?: number;
}

const POUND = 0.45359237;
const plain = (digits: number) => (n: number) => n.toFixed(digits);
const nothing = () => "";
const kilos = { text: (n: number, units: Units) => (units === "in" ? (n / POUND).toFixed(n < 9 ? 1 : 0) : n.toFixed(n < 9 ? 1 : 0)), unit: (units: Units) => (units === "in" ? "lb" : "kg") }; // prettier-ignore

/** Everything things are compared by, in the order a practitioner asks. */
export const FIGURES: Figure[] = [
  { id: "comb", label: "Comb, both faces", better: "more", of: (r) => r.combArea, text: (n, units) => (units === "in" ? n / 25.4e6 ** 2 : n / 1e14).toFixed(0), unit: (units) => (units === "in" ? "in²" : "cm²") },
  { id: "ten", label: "Makes ten deep frames", better: "less", of: (r) => (r.deepEquivalents && r.framesCount ? (10 * r.framesCount) / r.deepEquivalents : null), text: plain(1), unit: () => "frames" },
  { id: "look", label: "Frames to look through", better: "less", of: (r) => (r.litres === null ? null : r.framesCount), text: plain(0), unit: nothing },
  { id: "frame", label: "Full frame", better: "less", of: (r) => r.frameFullKg, ...kilos },
  { id: "lift", label: "Heaviest lift", better: "less", of: (r) => r.lift?.kg ?? null, ...kilos },
  { id: "index", label: "Lift index, one person", better: "less", of: (r) => (r.lift && Number.isFinite(r.lift.judged.index) ? r.lift.judged.index : null), text: plain(1), unit: () => "(1 is fine)", enough: 1 },
  { id: "grip", label: "Propolis grip a frame", better: "less", of: (r) => r.contactCm2, text: plain(1), unit: () => "cm²" },
  { id: "room", label: "Room inside", better: "more", of: (r) => r.litres, text: plain(0), unit: () => "l" },
  { id: "wall", label: "R of the wall", better: "more", of: (r) => r.wall, text: plain(2), unit: () => "m²·K/W" },
  { id: "climb", label: "Across the way up in winter", better: "less", of: (r) => r.climb?.total ?? null, text: (n, units) => (units === "in" ? (n / NM_PER_INCH).toFixed(1) : (n / NM_PER_MM).toFixed(0)), unit: (units) => (units === "in" ? "inches" : "mm") },
  { id: "loss", label: "Warmth lost", better: "less", of: (r) => r.loss, text: plain(2), unit: () => "W a degree" },
  { id: "pallet", label: "On a pallet", better: "more", of: (r) => r.pallet, text: plain(0), unit: nothing },
  { id: "trailer", label: "On a trailer", better: "more", of: (r) => r.trailer, text: plain(0), unit: nothing },
  { id: "wood", label: "Wood in them", better: "less", of: (r, many) => (r.making ? many * r.making.stuff.reduce((n, s) => n + (s.kind === "wood" ? s.volume : 0), 0) : null), text: (n, units) => (units === "in" ? (n / BOARD_FOOT).toFixed(1) : (n * 1000).toFixed(1)), unit: (units) => (units === "in" ? "board feet" : "l") },
  { id: "minutes", label: "To make", better: "less", of: (r, many) => (r.making ? r.making.work * many + r.making.setUps : null), text: plain(0), unit: () => "minutes" },
  { id: "money", label: "Costs", better: "less", of: (r, many) => (r.costs ? r.costs.each * many + r.costs.setUps : null), text: plain(2), unit: (_, rows) => rows?.find((r) => r.costs)?.costs!.currency ?? "" },
]; // prettier-ignore

/** What is said of things and no number says, in the order it is asked. */
export const WORDS: { id: string; label: string; of(row: Row, many: number): string | null }[] = [
  { id: "extractor", label: "Extracted in", of: (r) => r.extractor },
  { id: "sheet", label: "Foundation", of: (r) => r.sheet },
  { id: "buys", label: "Bought for them", of: (r, many) => (r.making && r.making.buys.length > 0 ? r.making.buys.map((b) => boughtText(b, many)).join(", ") : null) }, // prettier-ignore
];

/** How much each figure counts, by its id: 0 not at all to 3 most. */
export type Weights = Record<string, number>;

/** A smaller part than this is no difference. */
const ALIKE = 0.01;

/** How good a row is by a figure among others: 1 the best of them, 0 the worst, a half where it says nothing or all are the same. */
function goodness(f: Figure, rows: Row[], many: number): number[] {
  const all = rows.map((r) => {
    const n = f.of(r, many);
    return n === null || f.enough === undefined
      ? n
      : f.better === "less"
        ? Math.max(n, f.enough)
        : Math.min(n, f.enough);
  });
  const known = all.filter((n) => n !== null);
  const [least, most] = [Math.min(...known), Math.max(...known)];
  return all.map((n) => {
    // What differs by less than one in a hundred is the same.
    if (n === null || most - least <= ALIKE * Math.abs(most)) return 0.5;
    const part = (n - least) / (most - least);
    return f.better === "more" ? part : 1 - part;
  });
}

/** What is said of things side by side. */
export interface Verdict {
  /** The place of the one that does best by what counts; undefined where nothing counts or two do as well. */
  best?: number;
  scores: number[];
  /** Figures that count and speak for it over the next best, most first; and those it is worst by. */
  because: string[];
  against: string[];
  /** What else would be best if one figure counted for more than it does. */
  change: { figure: string; thing: number }[];
}

/** Sums for each thing how good it is by each figure times what that counts for (simple additive weighting: Hwang and Yoon 1981). */
export function judge(rows: Row[], weights: Weights, many = 1): Verdict {
  const counts = (f: Figure, more = 1) => (weights[f.id] ?? 0) * more;
  const good = new Map(FIGURES.map((f) => [f.id, goodness(f, rows, many)]));
  const scored = (of: (f: Figure) => number) => {
    const all = FIGURES.reduce((n, f) => n + of(f), 0);
    return rows.map((_, k) => (all > 0 ? FIGURES.reduce((n, f) => n + of(f) * good.get(f.id)![k]!, 0) / all : 0));
  };
  const scores = scored((f) => counts(f));
  const best = firstOf(scores);
  if (best === undefined) return { scores, because: [], against: [], change: [] };
  const next = scores.reduce<number | undefined>((b, s, k) => (k === best || (b !== undefined && scores[b]! >= s) ? b : k), undefined); // prettier-ignore
  const gain = (f: Figure) => (next === undefined ? good.get(f.id)![best]! : good.get(f.id)![best]! - good.get(f.id)![next]!); // prettier-ignore
  const because = FIGURES.filter((f) => counts(f) > 0 && gain(f) > 0).toSorted((a, b) => counts(b) * gain(b) - counts(a) * gain(a)); // prettier-ignore
  const worst = FIGURES.filter((f) => f.of(rows[best]!, many) !== null && good.get(f.id)![best] === 0);
  // A figure that counts for ten times the most any does now decides by itself, nearly.
  const change = FIGURES.flatMap((f) => {
    const thing = firstOf(scored((g) => (g === f ? 30 : counts(g))));
    return thing !== undefined && thing !== best ? [{ figure: f.id, thing }] : [];
  });
  return { best, scores, because: because.map((f) => f.id), against: worst.map((f) => f.id), change };
}

/** The place of the largest; undefined where two are. */
function firstOf(list: number[]): number | undefined {
  const most = Math.max(...list);
  const at = list.flatMap((n, k) => (n > most - 1e-9 ? [k] : []));
  return most > 0 && at.length === 1 ? at[0] : undefined;
}

/** What counts where several questions are asked: each figure by the sum, to the most there is. */
export const weightsOf = (asked: string[]): Weights => {
  const sum: Weights = {};
  for (const q of QUESTIONS) if (asked.includes(q.id)) for (const [id, n] of Object.entries(q.weights)) sum[id] = Math.min(3, (sum[id] ?? 0) + n);
  return sum;
}; // prettier-ignore

/** Questions a maker is asked, and what counts for each. */
export const QUESTIONS: { id: string; label: string; weights: Weights }[] = [
  { id: "back", label: "for a bad back", weights: { index: 3, lift: 1, grip: 1 } },
  { id: "cold", label: "for cold winters", weights: { comb: 3, climb: 3, wall: 2, loss: 2, ten: 1 } },
  { id: "look", label: "quick to look through", weights: { look: 3, grip: 2, ten: 1 } },
  { id: "make", label: "quick to make", weights: { minutes: 3 } },
  { id: "cheap", label: "cheap to make", weights: { money: 3 } },
];
