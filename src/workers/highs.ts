import loadHighs from "highs";
import type { LpModel, LpSolution, LpSolver, OpenProgramme } from "@/core/layout/lp";

/** HiGHS as the layout's solver; loads its WebAssembly once. */
export async function highsSolver(): Promise<LpSolver> {
  const highs = await loadHighs();
  const { modelStatus: ended, basisStatus, callbackType, solutionStatus } = highs.constants;
  /** Ended by a limit, the target or being told to, with what it had. */
  const early: number[] = [
    ended.objectiveBound,
    ended.objectiveTarget,
    ended.timeLimit,
    ended.iterationLimit,
    ended.solutionLimit,
    ended.interrupted,
    ended.unknown,
  ];
  type Solver = ReturnType<typeof highs.createModel>;
  /** Small programmes are sooner solved than made smaller. */
  const RELAXED = { output_flag: false, presolve: "off" } as const;
  /** The last solution of a programme without whole numbers. */
  const relaxed = (solver: Solver): LpSolution | undefined => {
    if (solver.run().modelStatus !== ended.optimal) return undefined;
    const { colValue, rowDual } = solver.getSolution();
    const { colStatus, rowStatus } = solver.getBasis();
    const basic = (statuses: Int32Array) => Array.from(statuses, (s) => s === basisStatus.basic);
    return {
      values: [...colValue],
      duals: [...rowDual],
      objective: solver.getObjectiveValue(),
      optimal: true,
      basic: { columns: basic(colStatus), rows: basic(rowStatus) },
    };
  };
  const open = (model: LpModel): OpenProgramme => {
    const solver = highs.createModel(dataOf(model, highs.infinity));
    solver.options.set(RELAXED);
    return {
      solve: () => relaxed(solver),
      add: (columns) => {
        const {
          colCost: cost,
          colLower: lower,
          colUpper: upper,
          matrix,
        } = dataOf({ rows: model.rows, columns }, highs.infinity);
        solver.addCols({ cost, lower, upper, matrix });
      },
      within: (lower, upper) => {
        solver.changeColsBounds({ kind: "range", from: 0, to: lower.length - 1 }, lower, upper);
      },
      close: () => solver.dispose(),
    };
  };
  const whole = (solver: Solver, model: LpModel): LpSolution | undefined => {
    solver.options.set({
      output_flag: false,
      mip_rel_gap: 0,
      mip_max_nodes: model.nodes ?? 10_000,
      // It takes most of the time of a small programme, and finds nothing there that others do not.
      mip_heuristic_run_feasibility_jump: false,
      // So do searches in programmes made smaller, where only what is soon found is wanted.
      mip_heuristic_run_root_reduced_cost: !model.brief,
      ...(model.target === undefined ? {} : { objective_target: model.target }),
    });
    const { going } = model;
    const { modelStatus } = solver.run(
      going && {
        [callbackType.mipInterrupt]: (event) => {
          if (!going()) event.interrupt();
          return undefined;
        },
      },
    );
    const bound = () => Number(solver.info.get("mip_dual_bound"));
    const optimal = modelStatus === ended.optimal;
    if (!optimal && !early.includes(modelStatus)) return undefined;
    if (!optimal && solver.info.get("primal_solution_status") !== solutionStatus.feasible)
      return { values: [], duals: [], objective: Infinity, optimal: false, bound: bound() };
    const { colValue } = solver.getSolution();
    return { values: [...colValue], duals: [], objective: solver.getObjectiveValue(), optimal, bound: bound() };
  };
  const solve = (model: LpModel): LpSolution | undefined => {
    const solver = highs.createModel(dataOf(model, highs.infinity));
    try {
      if (model.whole) return whole(solver, model);
      solver.options.set(RELAXED);
      return relaxed(solver);
    } finally {
      solver.dispose();
    }
  };
  return Object.assign(solve, { open });
}

/** The model as arrays, column by column. Nodes, not seconds, end a search, so the same model always gives the same answer. */
function dataOf({ columns, rows, whole }: Pick<LpModel, "columns" | "rows" | "whole">, infinity: number) {
  const starts = [0];
  for (const { entries } of columns) starts.push(starts.at(-1)! + entries.length);
  const indices: number[] = [];
  const values: number[] = [];
  for (const { entries } of columns)
    for (const [row, value] of entries) {
      indices.push(row);
      values.push(value);
    }
  return {
    numCols: columns.length,
    numRows: rows.length,
    colCost: Float64Array.from(columns, (c) => c.cost),
    colLower: new Float64Array(columns.length),
    colUpper: new Float64Array(columns.length).fill(infinity),
    rowLower: rows.map((r) => (r.sense === ">=" ? r.rhs : -infinity)),
    rowUpper: rows.map((r) => (r.sense === "<=" ? r.rhs : infinity)),
    matrix: {
      format: "csc" as const,
      numRows: rows.length,
      numCols: columns.length,
      starts: Int32Array.from(starts),
      indices: Int32Array.from(indices),
      values: Float64Array.from(values),
    },
    ...(whole ? { integrality: columns.map(() => 1 as const) } : {}),
  };
}
