import type { Saw } from "@/core/boards/saw";
import type { BoardStock } from "@/core/boards/stock";
import { AGAINST, cutsOf } from "@/core/layout/cuts";
import type { Layout } from "@/core/boards/laid";
import type { Units } from "@/core/length/length";
import { Measure } from "@/ui/parts/Measure";

/** The cuts of one board, numbered in the order they are made. */
export function CutOrder({ layout, board, saw, units }: { layout: Layout; board: BoardStock; saw: Saw; units: Units }) {
  return (
    <ol className="grid grid-cols-1 gap-x-6 text-[.93rem] sm:grid-cols-2">
      {cutsOf(layout, board, saw).map((c, i) => (
        <li key={i} className="flex gap-2">
          <b className="w-5 text-right font-mono">{i + 1}</b>
          <span>
            {c.level === 3 ? "trim to size: " : ""}
            {AGAINST[c.kind]} <Measure value={c.setting} units={units} />
            {c.count > 1 && `, ${c.count} times`}
          </span>
        </li>
      ))}
    </ol>
  );
}
