import type { Units } from "@/core/length/length";
import { FIGURES, WORDS } from "./compare";
import type { Row } from "./rows";

/** Things side by side as a table: a line a figure, a column a thing; what no thing has is left out. */
export function weighTable(rows: Row[], many: number, units: Units): string[][] {
  const figures = FIGURES.map((f) => [
    `${f.label}${f.unit(units, rows) ? `, ${f.unit(units, rows)}` : ""}`,
    ...rows.map((r) => {
      const n = f.of(r, many);
      return n === null ? "" : f.text(n, units);
    }),
  ]);
  const words = WORDS.map((w) => [w.label, ...rows.map((r) => w.of(r, many) ?? "")]);
  const said = [...figures, ...words].filter((line) => line.slice(1).some((cell) => cell !== ""));
  return [["", ...rows.map((r) => r.name)], ...said, ["", ...rows.map((r) => r.notes.join("; "))]];
}
