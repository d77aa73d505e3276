"use client";
import { lineAt } from "@/core/line/shapes";
import { useState } from "react";
import { cheapestByArea } from "@/core/boards/stock";
import { compareJoints } from "@/core/judge/joints";
import { forceIn, forceUnit } from "@/core/judge/strength";
import { useDesk } from "@/ui/desk/useDesk";
import { Measure } from "@/ui/parts/Measure";
import { OpensDrawer } from "@/ui/parts/OpensDrawer";

/** The corner joints of this box side by side; the maker chooses. */
export function CompareJoints() {
  const [open, setOpen] = useState(false);
  return (
    <OpensDrawer
      open={open}
      setOpen={setOpen}
      label="compare corners"
      buttonClass="no-print text-[.84rem]"
      title="Corners of this box, side by side"
      className="left-0 max-h-[90dvh] border-t-4"
    >
      <Joints onChosen={() => setOpen(false)} />
      <p className="mt-2 text-[.84rem] text-soft">
        Held outwards: withdrawal of the screws that go in that way, 108.25 · G² · D · L and three quarters of it in end
        grain, and shear of those that cross it, K · D² (Wood Handbook, fastenings, from memory). Fingers and dovetails
        hold by glue and wood, not by their few screws. Glue counts face grain fully and end grain a quarter (from
        memory). Minutes are starting guesses; wood at the cheapest board of the job.
      </p>
    </OpensDrawer>
  );
}

/** The table, worked out only when it is looked at. */
function Joints({ onChosen }: { onChosen(): void }) {
  const desk = useDesk();
  const { job, line } = desk;
  const { quantity } = job.lines[line]!;
  const whole = (n: number) => Math.round(n).toLocaleString("en-GB");
  const unit = forceUnit(job.units);
  const force = (n: number | null) => (n === null ? "by the joint" : whole(forceIn(n, job.units)));
  const chosen = lineAt(desk.worked.lines, line)!.shape.scope.working("joint").value;
  return (
    <table className="cutting-list">
      <thead>
        <tr>
          <th>corner</th>
          <th className="text-right!">side</th>
          <th className="text-right!">end</th>
          <th>screws, one box</th>
          <th className="text-right!">glue, cm²</th>
          <th className="text-right!">holds a side, {unit}</th>
          <th className="text-right!">holds an end, {unit}</th>
          <th className="text-right!">set-up + each, min</th>
          <th className="text-right!">all {quantity}, h</th>
          <th className="text-right!">wood for all, m²</th>
          <th className="text-right!">money</th>
          <th>for and against</th>
          <th>
            <span className="sr-only">choose</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {compareJoints(lineAt(desk.worked.lines, line)!.shape, quantity, job.units, cheapestByArea(job.stock)).map(
          (j) => {
            const on = chosen.kind === "word" && chosen.of === j.id;
            return (
              <tr key={j.id} data-lit={on}>
                <td className="font-semibold">{j.label}</td>
                <td className="text-right">
                  <Measure value={j.side} units={job.units} />
                </td>
                <td className="text-right">
                  <Measure value={j.end} units={job.units} />
                </td>
                <td className="text-[.87rem]">
                  {j.screws.map((s) => (
                    <span key={s.what} className="block whitespace-nowrap">
                      <span className="font-mono">{s.count}</span> {s.what.replace("exterior screw, ", "")}
                    </span>
                  ))}
                </td>
                <td className="text-right font-mono">{whole(j.glue)}</td>
                <td className="text-right font-mono">{force(j.holdsSide)}</td>
                <td className="text-right font-mono">{force(j.holdsEnd)}</td>
                <td className="text-right font-mono">
                  {whole(j.setup)} + {j.each.toFixed(1)}
                </td>
                <td className="text-right font-mono">{(j.minutes / 60).toFixed(1)}</td>
                <td className="text-right font-mono">{j.wood.toFixed(2)}</td>
                <td className="text-right font-mono">{j.money === null ? "no price" : j.money.toFixed(2)}</td>
                <td className="text-[.87rem] text-soft">{j.note}</td>
                <td>
                  {on ? (
                    "chosen"
                  ) : (
                    <button
                      className="quiet"
                      aria-label={`Choose ${j.label}`}
                      onClick={() => {
                        desk.act({ do: "option", at: line, name: "joint", value: j.id });
                        onChosen();
                      }}
                    >
                      choose
                    </button>
                  )}
                </td>
              </tr>
            );
          },
        )}
      </tbody>
    </table>
  );
}
