"use client";
import { Dialog } from "radix-ui";
import { compareJoints } from "@/core/judge/joints";
import { useDesk } from "@/ui/job/useDesk";
import { Key } from "@/ui/parts/Key";
import { Measure } from "@/ui/parts/Measure";

/** The corner joints of this box side by side; the maker chooses. */
export function CompareJoints() {
  return (
    <Dialog.Root>
      <Dialog.Trigger className="quiet no-print text-[.84rem]">compare corners</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed right-0 bottom-0 left-0 max-h-[90dvh] overflow-auto border-t-4 border-ink bg-white p-5"
        >
          <Dialog.Title className="mb-2 text-[1.2rem] font-semibold">Corners of this box, side by side</Dialog.Title>
          <Joints />
          <p className="mt-2 text-[.84rem] text-soft">
            Withdrawal of No. 8 × 1 5/8 screws into end grain, two corners, by the Wood Handbook’s formula (from
            memory); glue counts face grain fully and end grain a quarter (from memory). Minutes are starting guesses.
          </p>
          <Dialog.Close className="act mt-3">
            close <Key k="esc" />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The table, worked out only when it is looked at. */
function Joints() {
  const desk = useDesk();
  const { job, line } = desk;
  const chosen = desk.worked.lines[line]!.shape.scope.working("joint").value;
  return (
    <table className="cutting-list">
      <thead>
        <tr>
          <th>corner</th>
          <th className="text-right!">side</th>
          <th className="text-right!">end</th>
          <th className="text-right!">screws</th>
          <th className="text-right!">glue, cm²</th>
          <th className="text-right!">holds a side, N</th>
          <th className="text-right!">holds an end, N</th>
          <th className="text-right!">minutes a box</th>
          <th className="text-right!">wood, dm²</th>
          <th>for and against</th>
          <th>
            <span className="sr-only">choose</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {compareJoints(job.lines[line]!, job).map((j) => {
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
              {[j.fasteners, j.glue, j.holdsSide, j.holdsEnd, j.minutes].map((n, i) => (
                <td key={i} className="text-right font-mono">
                  {Math.round(n).toLocaleString("en-GB")}
                </td>
              ))}
              <td className="text-right font-mono">{j.wood.toFixed(1)}</td>
              <td className="text-[.87rem] text-soft">{j.note}</td>
              <td>
                {on ? (
                  "chosen"
                ) : (
                  <Dialog.Close
                    className="quiet"
                    aria-label={`Choose ${j.label}`}
                    onClick={() => desk.act({ do: "option", at: line, name: "joint", value: j.id })}
                  >
                    choose
                  </Dialog.Close>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
