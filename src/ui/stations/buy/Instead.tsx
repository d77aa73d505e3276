"use client";
import { useState } from "react";
import type { Act } from "@/core/job/acts";
import type { Length } from "@/core/length/length";
import type { Weighed } from "@/core/order/instead";
import { useDesk, useMoney } from "@/ui/desk/useDesk";
import { fromMinor } from "@/core/money/money";
import { askServer } from "@/ui/parts/askServer";
import { Measure } from "@/ui/parts/Measure";
import { count, duration } from "@/ui/parts/words";

interface Row extends Weighed {
  wood?: string;
  thickness?: Length;
  sheet?: { material: string; instead: Length };
  acts: Act[];
}
/** Every wood and thickness is laid out: that takes so long at most, ms. */
const PATIENCE = 60_000;

/** The job with other wood and other boards, side by side: does it fit, what does it cost and weigh, how much is set up. */
export function Instead() {
  const desk = useDesk();
  const { currency } = desk.job.workshop.money;
  const money = useMoney();
  const [rows, setRows] = useState<Row[] | null>(null);
  const [state, setState] = useState<"" | "asking" | { wrong: string }>("");
  const [of, setOf] = useState(desk.job);
  const compare = async () => {
    setState("asking");
    try {
      setRows(await askServer<Row[]>(`/api/jobs/${desk.id}/instead`, { patience: PATIENCE }));
      setOf(desk.job);
      setState("");
    } catch (e) {
      setState({ wrong: (e as Error).message });
    }
  };
  const say = (minor: number) => money(fromMinor(minor, currency));
  const now = rows?.[0];
  return (
    <section aria-label="Something else instead" className="no-print mt-6">
      <h2 className="small-head">Something else instead</h2>
      <button
        className={`${rows ? "quiet" : "act"} mt-1 min-h-[44px]`}
        disabled={state === "asking"}
        onClick={() => void compare()}
      >
        {state === "asking" ? "laying out each of them …" : "Set other woods and boards side by side"}
      </button>
      {typeof state === "object" && (
        <p role="alert" className="font-semibold text-madder">
          {state.wrong}
        </p>
      )}
      {rows?.length === 1 && (
        <p className="text-soft">
          Yard and catalogue have no other wood, and no boards of another thickness, for this.
        </p>
      )}
      {now && rows.length > 1 && (
        <table className="cutting-list mt-1">
          <thead>
            <tr>
              <th>with</th>
              <th>does it fit</th>
              <th className="text-right!">costs</th>
              <th className="text-right!">boards</th>
              <th className="text-right!">weighs</th>
              <th className="text-right!">set-ups</th>
              <th className="text-right!">hands</th>
              <th>
                <span className="sr-only">use it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r, i) => {
              const bad = r.stops > 0 || r.missing > 0;
              const more = r.cost - now.cost;
              return (
                <tr key={i}>
                  <td className="font-semibold">
                    {r.acts.length === 0
                      ? "as it is"
                      : (r.wood ?? <Measure value={r.thickness!} units={desk.job.units} />)}
                    {r.sheet && (
                      <span className="block text-[.84rem] font-normal">
                        {r.sheet.material} for <Measure value={r.sheet.instead} units={desk.job.units} />
                      </span>
                    )}
                  </td>
                  <td className={`text-[.87rem] ${bad ? "font-semibold text-madder" : ""}`}>
                    {r.stops > 0
                      ? `will not: ${r.stop}`
                      : r.missing > 0
                        ? `no board gives ${count(r.missing, "part")}`
                        : r.looks > 0
                          ? `fits; ${r.looks} to look at`
                          : "fits"}
                  </td>
                  <td className="text-right font-mono">
                    {bad ? "" : say(r.cost)}
                    {!bad && i > 0 && (
                      <span className="block text-[.84rem] text-soft">
                        {more === 0 ? "the same" : `${more > 0 ? "+" : "−"}${say(Math.abs(more))}`}
                      </span>
                    )}
                    {!bad && r.unpriced > now.unpriced && (
                      <span className="block font-sans text-[.84rem] text-madder">
                        {count(r.unpriced, "thing")} without a price
                      </span>
                    )}
                  </td>
                  <td className="text-right font-mono">{bad ? "" : r.boards}</td>
                  <td className="text-right font-mono whitespace-nowrap">
                    {bad ? "" : r.kg === null ? "not known" : `${Math.round(r.kg)} kg`}
                  </td>
                  <td className="text-right font-mono">{bad ? "" : r.setUps}</td>
                  <td className="text-right font-mono whitespace-nowrap">{bad ? "" : duration(r.minutes)}</td>
                  <td className="text-right">
                    {r.acts.length > 0 && !bad && of === desk.job && (
                      <button
                        className="quiet min-h-[44px]"
                        aria-label={`Use ${r.wood ?? (r.sheet ? `${r.sheet.material} of this thickness` : "boards of this thickness")}`}
                        onClick={() => r.acts.forEach((act) => desk.act(act, "instead"))}
                      >
                        use it
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {now && rows.length > 1 && (
        <p className="text-[.87rem] text-soft">
          {of === desk.job
            ? "Each is laid out for a moment; a longer search may find a little less. Weights are of wood and ply at 12 % moisture."
            : "The job has changed since: set them side by side again."}
        </p>
      )}
    </section>
  );
}
