/**
 * What the layout asks of a solver of linear and whole-number programmes; the workers and the command bring one. All
 * variables are at least 0, the objective is least.
 */
export interface LpModel {
  /** For each column its cost, and its entries as [row, coefficient]. */
  columns: { cost: number; entries: [row: number, value: number][] }[];
  rows: { sense: ">=" | "<="; rhs: number }[];
  whole?: boolean;
  /** Branch-and-bound nodes after which a search over whole numbers ends with what it has. */
  nodes?: number;
  /** Of a search over whole numbers only what is soon found is wanted. */
  brief?: boolean;
  /** A search over whole numbers ends with the first solution that costs no more. */
  target?: number;
  /** Asked now and then whether to go on with a search over whole numbers. */
  going?(): boolean;
}

export interface LpSolution {
  /** Best found; proven best only when `optimal`. */
  values: number[];
  duals: number[];
  objective: number;
  optimal: boolean;
  /** Of a search over whole numbers: nothing costs less. */
  bound?: number;
  /** Of a programme without whole numbers: which columns are basic, and which rows' slacks. */
  basic?: { columns: boolean[]; rows: boolean[] };
}

/**
 * Solves a model; undefined when it has no solution. A search over whole numbers that ended before it found one answers
 * with no values, and is not optimal.
 */
export interface LpSolver {
  (model: LpModel): LpSolution | undefined;
  /** Keeps a programme without whole numbers at hand, so that the next solution starts from the last; one that cannot is asked anew. */
  open?(model: LpModel): OpenProgramme;
}

export interface OpenProgramme {
  solve(): LpSolution | undefined;
  /** Adds columns after those there are. */
  add(columns: LpModel["columns"]): void;
  /** How much of each column there may be, least and most; a solver without it cannot be dived in. */
  within?(lower: number[], upper: number[]): void;
  close(): void;
}

/** A programme that columns can be added to, of any solver. */
export function openWith(lp: LpSolver, model: LpModel): OpenProgramme {
  if (lp.open) return lp.open(model);
  const columns = [...model.columns];
  return { solve: () => lp({ ...model, columns }), add: (more) => void columns.push(...more), close: () => undefined };
}
