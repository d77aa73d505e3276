import type { Step } from "@/core/layout/cuts";
import { setUps, settingsApart } from "@/core/layout/setups";
import type { LayoutResult } from "@/core/layout/layout";
import { useDesk } from "@/ui/job/useDesk";
import { Measure } from "@/ui/parts/Measure";
import { count } from "@/ui/parts/words";

const STEP: Record<Step, (n: number) => string> = {
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
                <Measure value={s.setting} units={job.units} />
              </td>
              <td>
                <span className="block">
                  {STEP[s.step](s.count)}
                  {s.planed > 0 && (
                    <>
                      , plane off <Measure value={s.planed} units={job.units} />
                    </>
                  )}
                </span>
                <span className="text-[.84rem] text-soft">
                  {s.kind === "rip" ? "fence" : "stop"}; {s.parts.join(", ").toLowerCase()}
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
