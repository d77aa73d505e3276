import Link from "next/link";
import { type Against, inAll } from "@/core/plan/against";
import { PrintButton } from "@/ui/parts/PrintButton";
import { clockDay, clockTime, count, duration } from "@/ui/parts/words";

/** A difference smaller than a tenth of what was planned is as planned. */
const NEAR = 0.1;

/** `12 % more than planned`, of minutes that were taken for what was planned to take others. */
export function more(took: number, planned: number): string {
  if (planned <= 0) return "not planned";
  const share = took / planned - 1;
  if (Math.abs(share) < NEAR) return "as planned";
  return share > 1 ? `${(took / planned).toFixed(1)} times as long` : `${Math.round(Math.abs(share) * 100)} % ${share > 0 ? "longer" : "shorter"}`; // prettier-ignore
}

/** Less than so many planned minutes says nothing of the pace. */
const FEW = 30;

/** What took a smaller part of what was planned was counted when it was long made. */
const TOGETHER = 0.1;

const minutes = (n: number) => duration(Math.round(n));

/** A job as it was planned against what happened at the bench, the whole and an operation at a time. */
export function Happened({ id, name, all, ready, now }: { id: number; name: string; all: Against[]; ready: number | null; now: number }) {
  const begun = all.filter((a) => a.begun);
  const sum = inAll(begun);
  const rest = all.reduce((n, a) => n + a.planned, 0) - sum.forMade;
  const isTogether = sum.took < sum.forMade * TOGETHER;
  const rate = sum.forMade >= FEW && !isTogether ? sum.took / sum.forMade : 1;
  return (
    <main className="mx-auto max-w-[64rem] px-5 py-4">
      <p className="no-print mb-2 flex gap-4">
        <Link prefetch={false} href={`/jobs/${id}/run`} className="underline underline-offset-2">
          back to the job
        </Link>
        <PrintButton />
      </p>
      <h1 className="text-[1.7rem] font-bold">
        Plan and what happened <span className="font-normal">· {name}</span>
      </h1>
      {begun.length === 0 ? (
        <p className="mt-3 text-[1.2rem]">
          Nothing of it is counted at the bench yet.{" "}
          <Link prefetch={false} className="act ml-2 inline-block no-underline" href="/bench">
            To the bench
          </Link>
        </p>
      ) : (
        <>
          <p className="mt-2 text-[1.2rem]">
            What is made took <b className="font-mono">{minutes(sum.took)}</b>, planned <b className="font-mono">{minutes(sum.forMade)}</b>: <b>{isTogether ? "counted all at once, which tells no pace" : more(sum.took, sum.forMade)}</b>.
            {sum.spoiled > 0 && <span className="text-madder"> {count(sum.spoiled, "piece was", "pieces were")} spoiled.</span>}
          </p>
          <p className="text-soft">
            {rest > 0.5
              ? `Left to do is ${minutes(rest)} by the plan${Math.abs(rate - 1) < NEAR ? "" : `, ${minutes(rest * rate)} at the pace so far`}.`
              : "All of it is made."}
            {ready !== null && ` By the plan it is ${ready < now ? "to have been ready" : "ready"} ${clockDay(ready)}, ${clockTime(ready)}.`}
          </p>
          <table className="cutting-list mt-3">
            <thead>
              <tr className="text-left text-[.87rem] text-soft">
                <th>Operation</th>
                <th className="text-right">Made</th>
                <th className="text-right">Spoiled</th>
                <th className="text-right">Planned for these</th>
                <th className="text-right">Took</th>
                <th>So</th>
              </tr>
            </thead>
            <tbody>
              {all.map((a) => (
                <tr key={a.name} className={a.begun ? "" : "text-soft"}>
                  <td>
                    <b className="font-semibold">{a.title}</b>, {a.of}
                  </td>
                  <td className="text-right font-mono whitespace-nowrap">
                    {a.made} of {a.pieces}
                  </td>
                  <td className="text-right font-mono">{a.spoiled > 0 ? a.spoiled : ""}</td>
                  <td className="text-right font-mono whitespace-nowrap">{a.begun ? minutes(a.forMade) : `${minutes(a.planned)} for all`}</td>
                  <td className="text-right font-mono whitespace-nowrap">{a.begun ? minutes(a.took) : ""}</td>
                  <td className="whitespace-nowrap">{a.begun ? more(a.took, a.forMade) : "to do"}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-2 text-[.87rem] text-soft">Worked minutes, without what stood still; pieces that were spoiled took theirs too.</p>
        </>
      )}
    </main>
  );
} // prettier-ignore
