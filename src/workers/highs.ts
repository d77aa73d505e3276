import loadHighs from "highs";
import type { LpModel, LpSolver } from "@/core/layout/lp";

/** HiGHS as the layout's solver; loads its WebAssembly once. */
export async function highsSolver(): Promise<LpSolver> {
  const highs = await loadHighs();
  return (model) => {
    const solved = highs.solve(lpText(model), {
      output_flag: false,
      ...(model.whole ? { mip_rel_gap: 0, time_limit: model.seconds ?? 10 } : {}),
    } as never) as unknown as Solved;
    if (!(solved.Status === "Optimal" || (model.whole && solved.Status === "Time limit reached"))) return undefined;
    const column = (i: number) => solved.Columns[`x${i}`]?.Primal;
    return {
      values: model.columns.map((_, i) => column(i) ?? 0),
      duals: model.whole ? [] : model.rows.map((_, i) => solved.Rows.find((r) => r.Name === `r${i}`)?.Dual ?? 0),
      objective: solved.ObjectiveValue,
      optimal: solved.Status === "Optimal",
    };
  };
}

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
