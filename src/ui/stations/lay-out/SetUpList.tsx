import { cutList, nameIn } from "@/core/line/cutlist";
import { isHeldLong, type SawStep, setUps, settingsApart } from "@/core/layout/setups";
import type { Blank as SetUpBlank } from "@/core/layout/request";
import { partKey } from "@/core/line/line";
import type { LayoutResult } from "@/core/layout/layout";
import { useDesk } from "@/ui/desk/useDesk";
import { Measure } from "@/ui/parts/Measure";
import { count } from "@/ui/parts/words";

const STEP: Record<SawStep, (n: number) => string> = {
  joint: (n) => `joint one edge, ${count(n, "board")}`,
  resaw: (n) => `resaw, ${count(n, "board")}`,
  plane: (n) => `plane off, ${count(n, "piece")}`,
  section: (n) => `crosscut, ${count(n, "section")}`,
  block: (n) => `crosscut, ${count(n, "block")}`,
  rip: (n) => `rip, ${count(n, "strip")}`,
  slice: (n) => `slice, ${count(n, "piece")}`,
  crosscut: (n) => `crosscut, ${count(n, "piece")}`,
  trim: (n) => `trim, ${count(n, "piece")}`,
};

/** Every fence and stop setting of the job, in sawing order. */
export function SetUpList({ result }: { result: LayoutResult }) {
  const { job, worked } = useDesk();
  const ups = setUps(result);
  const apart = settingsApart(worked.lines);
  const name = nameIn(worked.lines);
  const parts = new Map(cutList(worked.lines).map((p) => [partKey(p.of), p]));
  const names = (blanks: SetUpBlank[]) =>
    [...new Set(blanks.map((b) => `${name(parts.get(partKey(b.of))!)}${b.staves ? ", staves" : ""}`))].join(", ");
  return (
    <>
      <h2 className="small-head">
        Set-ups, in sawing order: {ups.length}
        {ups.length < apart && ` instead of ${apart} line by line`}
      </h2>
      <table className="cutting-list">
        <tbody>
          {ups.map((s, i) => (
            <tr key={i}>
              <td className="w-20 text-right text-[1.2rem]">
                {s.step === "joint" ? "straight" : <Measure value={s.setting} units={job.units} />}
              </td>
              <td>
                <span className="block">{STEP[s.step](s.count)}</span>
                <span className="text-[.84rem] text-soft">
                  {s.kind === "rip" ? "fence; " : s.kind === "crosscut" ? "stop; " : ""}
                  {names(s.blanks)}
                  {isHeldLong(s, job.workshop.minHold) ? "; longer than it will be, to be held while it is ripped" : ""}
                  {s.kind === "crosscut" && s.setting < job.workshop.minHold ? "; short: cut from a longer piece" : ""}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
