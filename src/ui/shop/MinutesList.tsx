"use client";
import type { Workshop } from "@/core/shop/shop";
import { SAW_KINDS } from "@/core/work/sawing";
import { NumberField } from "@/ui/parts/NumberField";

/** What the saw's operations take, and whatever else somebody has said: a guess until then. */
export function MinutesList({
  minutes,
  onSettle,
}: {
  minutes: Workshop["minutes"];
  onSettle(minutes: Workshop["minutes"]): void;
}) {
  const guesses = new Map(SAW_KINDS.map((k) => [k.kind, k]));
  const kinds = [...guesses.keys(), ...Object.keys(minutes).filter((k) => !guesses.has(k))];
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
            const { setup, each } = said ?? guesses.get(kind)!;
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
