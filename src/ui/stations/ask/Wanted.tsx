"use client";
import type { Design } from "@/core/designs/design";
import { suits } from "@/core/job/find";
import { RECIPES } from "@/core/recipes";
import type { Standard } from "@/core/standards/standard";
import { useDesk } from "@/ui/desk/useDesk";
import { NumberField } from "@/ui/parts/NumberField";
import { Pick } from "@/ui/parts/Pick";
import { TakeOut } from "./Said";

/** What is wanted, line by line. */
export function Wanted() {
  const desk = useDesk();
  const { job, worked } = desk;
  const of = (id: string) => desk.standards.find((s) => s.id === id)!;
  return (
    <>
      <h2 className="small-head">Wanted</h2>
      <table className="cutting-list table-fixed">
        <colgroup>
          <col className="w-20" />
          <col />
          <col />
          <col className="w-28" />
          <col className="w-20" />
        </colgroup>
        <tbody>
          {job.lines.map((l, at) => (
            <tr key={at}>
              <td className="w-20">
                <NumberField
                  label={`Quantity of line ${at + 1}`}
                  value={l.quantity}
                  onSettle={(quantity) => desk.act({ do: "change line", at, to: { quantity } }, `line ${at}`)}
                  className="w-16 text-[1.13rem] font-semibold"
                />
              </td>
              <td>
                <Pick
                  label={`Item of line ${at + 1}`}
                  value={l.item}
                  options={itemsOf(of(l.standard), l.size, desk.designs)}
                  onPick={(item) => desk.act({ do: "change line", at, to: { item } }, `line ${at}`)}
                />
                {worked.faults
                  .filter((f) => f.at === at)
                  .map((f) => (
                    <p key={at} role="alert" className="text-[.87rem] text-madder">
                      cannot be made: {f.message}
                    </p>
                  ))}
              </td>
              <td>
                <Pick
                  label={`Standard of line ${at + 1}`}
                  value={l.standard}
                  options={desk.standards.map((s) => [s.id, s.name])}
                  onPick={(standard) =>
                    desk.act({ do: "change line", at, to: { standard, size: of(standard).defaultSize } }, `line ${at}`)
                  }
                />
              </td>
              <td>
                <Pick
                  label={`Size of line ${at + 1}`}
                  value={l.size}
                  options={Object.entries(of(l.standard).sizes).map(([id, s]) => [id, s.name])}
                  onPick={(size) => desk.act({ do: "change line", at, to: { size } }, `line ${at}`)}
                />
              </td>
              <TakeOut what={`line ${at + 1}`} act={{ do: "remove line", at }} field={`line ${at}`} />
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** The items a standard can have, for a line's choice. */
function itemsOf(standard: Standard, size: string, designs: Design[]): [string, string][] {
  return [...RECIPES, ...designs.map((d) => d.recipe)]
    .filter((r) => suits(r, standard, size))
    .map((r) => [r.id, r.name]);
}
