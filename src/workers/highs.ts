import loadHighs from "highs";
import type { LpModel, LpSolver } from "@/core/layout/lp";

/** HiGHS as the layout's solver; loads its WebAssembly once. */
export async function highsSolver(): Promise<LpSolver> {
  const highs = await loadHighs();
  return (model) => {
    const solved = highs.solve(lpText(model), {
      output_flag: false,
      // Nodes, not seconds, end a search over whole numbers, so that the same model always gives the same answer.
      ...(model.whole ? { mip_rel_gap: 0, mip_max_nodes: model.nodes ?? 10_000 } : {}),
      ...(model.whole && model.target !== undefined ? { objective_target: model.target } : {}),
    } as never) as unknown as Solved;
    const optimal = solved.Status === "Optimal";
    const column = (i: number) => solved.Columns[`x${i}`]?.Primal;
    if (!optimal && (!model.whole || /infeasible/i.test(solved.Status))) return undefined;
    if (!optimal && !(ENDED.test(solved.Status) && Number.isFinite(solved.ObjectiveValue)))
      return { values: [], duals: [], objective: Infinity, optimal: false };
    const duals = new Map(solved.Rows.map((r) => [r.Name, r.Dual ?? 0]));
    return {
      values: model.columns.map((_, i) => column(i) ?? 0),
      duals: model.whole ? [] : model.rows.map((_, i) => duals.get(`r${i}`) ?? 0),
      objective: solved.ObjectiveValue,
      optimal,
    };
  };
}

/** Ended by a limit or the target, with what it had. */
const ENDED = /limit|target|unknown/i;

interface Solved {
  Status: string;
  ObjectiveValue: number;
  Columns: Record<string, { Primal?: number }>;
  Rows: { Name: string; Dual?: number }[];
}

/** The model in CPLEX LP format. */
function lpText({ columns, rows, whole }: LpModel): string {
  const terms = rows.map((): string[] => []);
  columns.forEach((c, j) => c.entries.forEach(([row, value]) => terms[row]!.push(`${value} x${j}`)));
  const lines = rows.flatMap((r, i) =>
    terms[i]!.length > 0
      ? [` r${i}: ${terms[i]!.join(" + ")} ${r.sense} ${r.rhs}`]
      : r.sense === ">=" && r.rhs > 0
        ? [` r${i}: 0 x0 >= ${r.rhs}`]
        : [],
  );
  const objective = columns.map((c, j) => `${c.cost} x${j}`).join(" + ");
  const wholes = whole ? `\nGeneral\n ${columns.map((_, j) => `x${j}`).join(" ")}` : "";
  return `Minimize\n obj: ${objective}\nSubject To\n${lines.join("\n")}${wholes}\nEnd\n`;
}
