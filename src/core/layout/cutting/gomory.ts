import type { LpSolver } from "../lp";

/**
 * Whole-number programmes by cutting planes.
 *
 * Least x + y with 3x + 3y ≥ 4, x and y whole. Relaxed, x + y = 4/3. Divided by 3 the row says x + y ≥ 4/3, and as the left side
 * is whole, x + y ≥ 2: a cut, which every whole answer keeps and the relaxed one breaks. So it goes on until the relaxed answer is
 * whole, or costs more than the target.
 */

/** A row of a whole-number programme: so many of each column come to at least so much. All whole numbers. */
export interface Row {
  of: number[];
  least: number;
}

/** Least cost in whole numbers of the columns, none of them negative; everything in it is a whole number. */
export interface WholeProgramme {
  costs: number[];
  rows: Row[];
  /** Only answers that cost no more are looked for. */
  target: number;
  /** The kind of each column, and how many of a kind together any answer needs that costs no more than the target. */
  kinds: number[];
  most: number[];
}

export interface WholeAnswer {
  /** The cheapest answer, when it was reached. */
  values?: number[];
  /** No answer costs less, as far as the target goes: above it when there is none for the target. */
  least: number;
}

/** Rounds of cuts at the root and after each branching, and how many in each. */
const ROUNDS = { root: 14, later: 4 };
const PER_ROUND = 12;
/** A round that brings the bound nearer to the target by less than this part of what lies between is idle; so many end it. */
const IDLE = 0.04;
const MOST_IDLE = 3;
/** Rows times columns of all programmes after which a search ends with what it has. */
const MOST_WORK = 400_000;
/** Cuts with larger numbers are left: they would be lost in the solver's tolerance. */
const MOST_OF = 100_000;
const MOST_STEPS = 200n;
/** Duals are whole numbers of this many parts. */
const PARTS = 2 ** 40;

/** What is left to be settled: the programme with the rows of a branch, cuts among them. */
interface Node {
  rows: Row[];
  columns: number[];
  least: number;
}

/**
 * Solves a whole-number programme by cuts and, where those end, by branching, most promising branch first. The relaxed
 * programmes are solved in floating point; but what is concluded from them is not: each cut is made from the basis in
 * exact fractions (Gomory 1958, strengthened after Letchford and Lodi 2002), so that it holds for every whole-number
 * answer, and each bound is worked out in whole numbers from duals rounded to whole parts. Rounding can therefore only
 * lose a proof, never make a false one.
 */
export function byCuts(
  programme: WholeProgramme,
  lp: LpSolver,
  going: () => boolean,
  mostWork = MOST_WORK,
): WholeAnswer {
  const { costs, rows } = programme;
  let { target } = programme;
  let best: number[] | undefined;
  let open: Node[] = [{ rows, columns: costs.map((_, j) => j), least: 0 }];
  let work = 0;
  const counted: LpSolver = (model) => {
    work += model.rows.length * model.columns.length;
    return lp(model);
  };
  const goOn = () => work < mostWork && going();
  // What is proven of branches that are gone into no further.
  let left = Infinity;
  for (let rounds = ROUNDS.root; open.length > 0 && goOn(); rounds = ROUNDS.later) {
    const node = open.reduce((a, b) => (b.least < a.least ? b : a));
    const { values, ...tight } = tighten(node, { ...programme, target }, counted, goOn, rounds);
    open = open.filter((n) => n !== node);
    if (tight.least > target) continue;
    const at = values && branchOf(values, costs);
    if (at === undefined) left = Math.min(left, tight.least);
    else
      for (const up of [1, -1]) {
        const of = costs.map((_, j) => (j === at ? up : 0));
        const least = up > 0 ? Math.ceil(values![at]!) : -Math.floor(values![at]!);
        open.push({ ...tight, rows: [...tight.rows, { of, least }] });
      }
    if (values && at === undefined) {
      best = values.map(Math.round);
      target = best.reduce((s, v, j) => s + v * costs[j]!, 0) - 1;
      open = open.filter((n) => n.least <= target);
    }
  }
  return { values: best, least: Math.min(target + 1, left, ...open.map((n) => n.least)) };
}

/** The column to branch at: the dearest kind of those that are not whole, the farthest from whole of that. */
function branchOf(values: number[], costs: number[]): number | undefined {
  let at: number | undefined;
  const off = (j: number) => Math.abs(values[j]! - Math.round(values[j]!));
  for (const j of values.keys()) {
    if (isWhole(values[j]!)) continue;
    const [dearer, same] =
      at === undefined ? [true, false] : [costs[j]! > 0 && costs[at] === 0, costs[j]! > 0 === costs[at]! > 0];
    if (dearer || (same && off(j) > off(at!))) at = j;
  }
  return at;
}

/** Adds cuts in rounds. The values of the last relaxed answer are missing when it could not be solved. */
function tighten(
  { rows, columns, least }: Node,
  { costs, target, kinds, most }: WholeProgramme,
  lp: LpSolver,
  going: () => boolean,
  rounds: number,
): Node & { values?: number[] } {
  let cuts: Row[] = [];
  let values: number[] | undefined;
  for (
    let round = 0, idle = 0, before = -Infinity;
    round <= rounds && idle < MOST_IDLE && (round === 0 || going());
    round++
  ) {
    const all = [...rows, ...cuts];
    const solved = lp({
      columns: columns.map((j) => ({
        cost: costs[j]!,
        entries: all.flatMap((r, i): [number, number][] => (r.of[j] === 0 ? [] : [[i, r.of[j]!]])),
      })),
      rows: all.map((r) => ({ sense: ">=", rhs: r.least })),
    });
    if (!solved?.basic) break;
    values = costs.map(() => 0);
    for (const [i, j] of columns.entries()) values[j] = solved.values[i]!;
    const proof = boundBy(solved.duals, all, columns, { costs, target, kinds, most });
    least = Math.max(least, proof.least);
    if (least > target || values.every(isWhole)) break;
    idle = solved.objective - before < IDLE * (target + 1 - before) ? idle + 1 : 0;
    before = Math.max(before, solved.objective);
    const { basic } = solved;
    cuts = [
      ...cuts.filter((_, i) => !basic.rows[rows.length + i]),
      ...cutsFrom(
        all.filter((_, i) => !basic.rows[i]),
        columns,
        basic.columns,
        solved.values,
        costs.length,
      ),
    ];
    // What would cost more than the target if it were used but once is not part of an answer; what cannot be used at all
    // is there to make up for what is missing.
    columns = columns.filter((j, i) => proof.withOne[i]! <= target || most[kinds[j]!] === 0);
  }
  return { rows: [...rows, ...cuts], columns, least, values };
}

const isWhole = (v: number) => Math.abs(v - Math.round(v)) < 1e-6;
const upDivided = (a: bigint, by: bigint) => (a > 0n ? (a + by - 1n) / by : -(-a / by));
/** The rest on division, never negative. */
const rest = (a: bigint, by: bigint) => ((a % by) + by) % by;

/**
 * The least cost by any duals of the rows, and with one of each column at the least (linear-programming duality). Where a
 * column is of negative reduced cost, so much is taken off for as many of its kind as there can be. Whole numbers.
 */
function boundBy(
  duals: number[],
  rows: Row[],
  columns: number[],
  { costs, target, kinds, most }: Omit<WholeProgramme, "rows">,
): { least: number; withOne: number[] } {
  const dual = duals.map((w) => BigInt(Math.max(0, Math.round(w * PARTS))));
  const held = rows.flatMap((r, i) => (dual[i]! > 0n ? [{ r, w: dual[i]! }] : []));
  const spare = columns.map(
    (j) =>
      BigInt(costs[j]!) * BigInt(PARTS) -
      held.reduce((n, { r, w }) => (r.of[j] === 0 ? n : n + w * BigInt(r.of[j]!)), 0n),
  );
  const over = most.map(() => 0n);
  spare.forEach((s, i) => {
    const kind = kinds[columns[i]!]!;
    if (-s > over[kind]!) over[kind] = -s;
  });
  const sum =
    held.reduce((n, { r, w }) => n + w * BigInt(r.least), 0n) - over.reduce((n, o, k) => n + o * BigInt(most[k]!), 0n);
  const whole = (n: bigint) => Number(upDivided(n, BigInt(PARTS)));
  return { least: Math.min(target + 1, whole(sum)), withOne: spare.map((s) => (s > 0n ? whole(sum + s) : 0)) };
}

/** Cuts that this basic answer breaks and every whole-number one keeps; those it breaks most. `rows` are those that are tight. */
function cutsFrom(rows: Row[], columns: number[], isBasic: boolean[], values: number[], n: number): Row[] {
  const basic = columns.flatMap((j, i) => (isBasic[i] ? [{ j, value: values[i]! }] : []));
  if (basic.length !== rows.length) return [];
  const inverse = inverseOf(rows.map((r) => basic.map(({ j }) => BigInt(r.of[j]!))));
  if (!inverse) return [];
  const { adjugate, determinant } = inverse;
  return basic
    .flatMap(({ value }, i) =>
      isWhole(value) ? [] : [1n, -1n].map((sign) => ({ shares: adjugate[i]!.map((v) => rest(sign * v, determinant)) })),
    )
    .flatMap(({ shares }) => cutOf(rows, shares, determinant, columns, n) ?? [])
    .map((cut) => ({
      cut,
      broken:
        (cut.least - columns.reduce((s, j, i) => s + cut.of[j]! * values[i]!, 0)) /
        Math.sqrt(columns.reduce((s, j) => s + cut.of[j]! ** 2, 0)),
    }))
    .filter(({ broken }) => broken > 1e-6)
    .sort((a, b) => b.broken - a.broken)
    .slice(0, PER_ROUND)
    .map(({ cut }) => cut);
}

/**
 * The rows added up in shares of `by`, rounded: with f what a whole number is short of a coefficient and f₀ of the sum,
 * 1/(k+1) ≤ f₀ < 1/k, coefficients and sum are rounded up and taken k + 1 times, and each coefficient gives up a step of
 * k for every (1 − f₀)/k by which its f is above f₀. What a row comes to above its least is a whole number too, and
 * gives up steps of its own. @returns undefined when nothing is cut off, or its numbers are too large
 */
function cutOf(rows: Row[], shares: bigint[], by: bigint, columns: number[], n: number): Row | undefined {
  const held = rows.flatMap((r, i) => (shares[i]! > 0n ? [{ r, share: shares[i]! }] : []));
  const sum = held.reduce((s, { r, share }) => s + share * BigInt(r.least), 0n);
  const short = rest(-sum, by);
  if (short === 0n) return undefined;
  const k = upDivided(by, short) - 1n;
  if (k > MOST_STEPS) return undefined;
  const steps = (f: bigint) => (f <= short ? 0n : upDivided((f - short) * k, by - short));
  const ofRows = held.map(({ r, share }) => ({ r, share, steps: Number(steps(share)) }));
  const of = Array.from({ length: n }, () => 0);
  for (const j of columns) {
    let added = 0n;
    let given = 0;
    for (const { r, share, steps: s } of ofRows) {
      if (r.of[j] === 0) continue;
      added += share * BigInt(r.of[j]!);
      given += s * r.of[j]!;
    }
    const up = upDivided(added, by);
    of[j] = Number((k + 1n) * up - steps(up * by - added)) - given;
    if (Math.abs(of[j]!) > MOST_OF) return undefined;
  }
  return {
    of,
    least: Number((k + 1n) * upDivided(sum, by)) - ofRows.reduce((s, { r, steps: t }) => s + t * r.least, 0),
  };
}

/** The inverse as whole numbers over the determinant (fraction-free elimination, Bareiss 1968). */
function inverseOf(square: bigint[][]): { adjugate: bigint[][]; determinant: bigint } | undefined {
  const n = square.length;
  const m = square.map((r, i) => [...r, ...r.map((_, j) => (i === j ? 1n : 0n))]);
  let before = 1n;
  for (let k = 0; k < n; k++) {
    const pivot = m.findIndex((r, i) => i >= k && r[k] !== 0n);
    if (pivot < 0) return undefined;
    [m[k], m[pivot]] = [m[pivot]!, m[k]!];
    const [row, p] = [m[k]!, m[k]![k]!];
    for (let i = 0; i < n; i++) {
      if (i === k) continue;
      const f = m[i]![k]!;
      m[i] = m[i]!.map((v, j) => (p * v - f * row[j]!) / before);
    }
    before = p;
  }
  const sign = before < 0n ? -1n : 1n;
  return { adjugate: m.map((r) => r.slice(n).map((v) => sign * v)), determinant: sign * before };
}
