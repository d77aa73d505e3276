import loadHighs from "highs";
import type { LpModel, LpSolver } from "@/core/layout/lp";

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
  return (model) => {
    const solver = highs.createModel(dataOf(model, highs.infinity));
    try {
      solver.options.set({
        output_flag: false,
        // Small programmes are sooner solved than made smaller.
        ...(model.whole ? { mip_rel_gap: 0, mip_max_nodes: model.nodes ?? 10_000 } : { presolve: "off" }),
        ...(model.whole && model.target !== undefined ? { objective_target: model.target } : {}),
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
      const bounded = () => (model.whole ? { bound: Number(solver.info.get("mip_dual_bound")) } : {});
      const optimal = modelStatus === ended.optimal;
      if (!optimal && !(model.whole && early.includes(modelStatus))) return undefined;
      if (!optimal && solver.info.get("primal_solution_status") !== solutionStatus.feasible)
        return { values: [], duals: [], objective: Infinity, optimal: false, ...bounded() };
      const { colValue, rowDual } = solver.getSolution();
      const answer = { values: [...colValue], objective: solver.getObjectiveValue(), optimal };
      if (model.whole) return { ...answer, duals: [], ...bounded() };
      const { colStatus, rowStatus } = solver.getBasis();
      const basic = (statuses: Int32Array) => Array.from(statuses, (s) => s === basisStatus.basic);
      return { ...answer, duals: [...rowDual], basic: { columns: basic(colStatus), rows: basic(rowStatus) } };
    } finally {
      solver.dispose();
    }
  };
}

/** The model as arrays, column by column. Nodes, not seconds, end a search, so the same model always gives the same answer. */
function dataOf({ columns, rows, whole }: LpModel, infinity: number) {
  const starts = [0];
  for (const { entries } of columns) starts.push(starts.at(-1)! + entries.length);
  const entries = columns.flatMap((c) => c.entries);
  return {
    numCols: columns.length,
    numRows: rows.length,
    colCost: columns.map((c) => c.cost),
    colLower: columns.map(() => 0),
    colUpper: columns.map(() => infinity),
    rowLower: rows.map((r) => (r.sense === ">=" ? r.rhs : -infinity)),
    rowUpper: rows.map((r) => (r.sense === "<=" ? r.rhs : infinity)),
    matrix: {
      format: "csc" as const,
      numRows: rows.length,
      numCols: columns.length,
      starts,
      indices: entries.map(([row]) => row),
      values: entries.map(([, value]) => value),
    },
    ...(whole ? { integrality: columns.map(() => 1 as const) } : {}),
  };
}
