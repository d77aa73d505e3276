"use client";
import { cutList } from "@/core/line/cutlist";
import { lengthWithUnit } from "@/core/length/format";
import type { Desk } from "@/ui/desk/useDesk";
import { Dries } from "@/ui/parts/Dries";
import { Measure } from "@/ui/parts/Measure";
import { Cuts } from "@/ui/parts/PartCells";
import { Moved } from "./Moved";

/** The open line's parts: how many, what they are cut to, and every cut into them; each number shows its working. */
export function CutTable({ desk, onPart }: { desk: Desk; onPart(id: string): void }) {
  const { worked, line, job, lit } = desk;
  const parts = cutList(worked.lines).filter((c) => c.line.at === line);
  const dims = [
    ["length", "l"],
    ["width", "w"],
    ["thickness", "t"],
  ] as const;
  return (
    <table className="cutting-list mt-1">
      <caption className="sr-only">Cut list</caption>
      <thead className="sr-only">
        <tr>
          <th>Quantity</th>
          <th>Part</th>
          <th>Length</th>
          <th>Width</th>
          <th>Thickness</th>
          <th>Cuts</th>
        </tr>
      </thead>
      <tbody>
        {parts.map(({ part, quantity }) => (
          <tr key={part.id} data-lit={lit?.key === `part ${part.id}`} onMouseEnter={() => onPart(part.id)}>
            <td className="w-14 text-right font-mono text-[1.13rem] font-semibold">{quantity}</td>
            <td className="whitespace-nowrap">{part.name}</td>
            {dims.map(([word, axis], i) => (
              <td key={word} className="text-right whitespace-nowrap">
                {i > 0 && <span className="mr-2 text-[#8a8f88]">×</span>}
                <button
                  className="border-0 bg-transparent p-0"
                  aria-label={`${part.name}, ${word}: ${lengthWithUnit(part.cut[axis], job.units)}`}
                  onMouseEnter={() => desk.light({ key: `part ${part.id}`, working: part.working[word] })}
                  onFocus={() => desk.light({ key: `part ${part.id}`, working: part.working[word] })}
                >
                  <Measure value={part.cut[axis]} units={job.units} className="text-[1.05rem]" />
                </button>
                <Moved by={desk.moves.get(`part ${part.id}.${word}`)} units={job.units} />
                {axis === "w" && <Dries {...part} units={job.units} />}
              </td>
            ))}
            <td className="pl-4 text-[.87rem]">
              <Cuts part={part} units={job.units} />
              {part.outside && <span className="only-print">{part.outside}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
