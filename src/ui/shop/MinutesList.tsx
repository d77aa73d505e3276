"use client";
import { useState } from "react";
import type { BenchEvent } from "@/core/bench/events";
import type { Learned, Timed } from "@/core/bench/times";
import type { Workshop } from "@/core/shop/shop";
import { SAW_KINDS } from "@/core/work/sawing";
import { nextKey } from "@/ui/desk/waiting";
import { askServer } from "@/ui/parts/askServer";
import { NumberField } from "@/ui/parts/NumberField";

/** What the saw's operations take, and whatever else somebody has said: a guess until then. */
export function MinutesList({
  minutes,
  learned,
  onSettle,
}: {
  /** What the bench has measured. */
  learned: Learned[];

  minutes: Workshop["minutes"];
  onSettle(minutes: Workshop["minutes"]): void;
}) {
  const guesses = new Map(SAW_KINDS.map((k) => [k.kind, k]));
  const known = new Map(learned.map((l) => [l.kind, l]));
  const kinds = [...new Set([...guesses.keys(), ...Object.keys(minutes), ...known.keys()])];
  return (
    <>
      <table className="cutting-list">
        <thead>
          <tr>
            <th>operation</th>
            <th className="text-right!">set-up, min</th>
            <th className="text-right!">each, min</th>
            <th>
              <span className="sr-only">where it comes from</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {kinds.map((kind) => {
            const said = Object.hasOwn(minutes, kind) ? minutes[kind] : undefined;
            const told = known.get(kind);
            const { setup, each } = said ?? guesses.get(kind) ?? { setup: told!.setup, each: told!.guess };
            const put = (to: object) => onSettle({ ...minutes, [kind]: { setup, each, ...to } });
            return (
              <tr key={kind}>
                <td>{kind}</td>
                <td className="text-right">
                  <NumberField
                    label={`Set-up of ${kind}`}
                    value={setup}
                    onSettle={(n) => put({ setup: n })}
                    className={`w-16 ${said ? "font-semibold" : ""}`}
                  />{" "}
                  {/* prettier-ignore */}
                </td>
                <td className="text-right">
                  <NumberField
                    label={`Each of ${kind}`}
                    value={each}
                    onSettle={(n) => put({ each: n })}
                    className={`w-16 ${said ? "font-semibold" : ""}`}
                  />{" "}
                  {/* prettier-ignore */}
                </td>
                <td className="text-right text-[.87rem] whitespace-nowrap">
                  {said ? (
                    <button
                      className="quiet"
                      aria-label={`${kind}: the guess again`}
                      onClick={() => onSettle(Object.fromEntries(Object.entries(minutes).filter(([k]) => k !== kind)))}
                    >
                      said here · back to the guess
                    </button>
                  ) : (
                    <span className="text-soft">a guess</span>
                  )}
                  {told && <Measured told={told} each={each} take={(n) => put({ each: n })} />}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="pt-1 text-[.87rem] text-soft">
        What other operations take is said on a job’s Run, beside the operation; it holds for all jobs and stands here
        then.
      </p>
    </>
  );
}

const twoPlaces = (n: number) => Number(n.toFixed(2));

/** What the bench has measured, how many runs stand behind it and how far apart they are; what is odd is asked about. */
function Measured({ told, each, take }: { told: Learned; each: number; take(each: number): void }) {
  /** Those of which somebody has said just now whether they count. */
  const [said, setSaid] = useState<string[]>([]);
  const key = (o: Timed) => `${o.job} ${o.name}`;
  const say = async (o: Timed, counts: boolean) => {
    const event: BenchEvent = { id: nextKey(), job: o.job, name: o.name, at: Date.now(), what: { do: "time", counts } }; // prettier-ignore
    await askServer("/api/bench", { method: "POST", body: { events: [event] } }).then(() => setSaid((all) => [...all, key(o)]), () => undefined); // prettier-ignore
  };
  const now = twoPlaces(told.each);
  return (
    <span className="block whitespace-normal">
      at the bench {told.runs} {told.runs === 1 ? "run" : "runs"}: <b className="font-mono">{now}</b>
      {told.spread !== null && <span className="font-mono"> ± {twoPlaces(told.spread)}</span>}
      {now !== each && (
        <button className="quiet" aria-label={`${told.kind}: take ${now} minutes`} onClick={() => take(now)}>
          take it
        </button>
      )}
      {told.odd
        .filter((o) => !said.includes(key(o)))
        .map((o) => (
          <span key={key(o)} className="block text-madder">
            {twoPlaces(o.each)} in job {o.job} is odd.
            <button className="quiet" onClick={() => void say(o, true)}>
              it counts
            </button>
            <button className="quiet" onClick={() => void say(o, false)}>
              leave it out
            </button>
          </span>
        ))}
    </span>
  );
}
