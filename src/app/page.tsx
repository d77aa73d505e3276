import { randomUUID } from "node:crypto";
import Link from "next/link";
import { isOpen } from "@/app/gate";
import { fromKept } from "@/app/kept";
import { DAYS_KEPT } from "@/store/copies";
import { database } from "@/store/database";
import { type JobSummary, jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";
import type { Units } from "@/core/length/length";
import { StartJob } from "@/ui/job/StartJob";
import { Fresh } from "@/ui/parts/Fresh";
import { dayText } from "@/ui/parts/words";

/** All jobs, the soonest due first, and what starts a new one. */
const JobsPage = () =>
  fromKept(() => <Jobs jobs={jobStore(database()).list()} units={shopStore(database()).load().shop.units} />);
export default JobsPage;

function Jobs({ jobs, units }: { jobs: JobSummary[]; units: Units }) {
  return (
    <main className="mx-auto max-w-[64rem] px-5 py-6">
      <Fresh visit={randomUUID()} />
      <header className="mb-6 flex flex-wrap items-baseline gap-4">
        <h1 className="text-[1.9rem] font-bold tracking-tight">Rundik</h1>
        <p className="text-soft">from a standard to the bench</p>
        <Link prefetch={false} href="/patterns" className="underline decoration-[#9aa39d] underline-offset-4">
          patterns
        </Link>
        <Link prefetch={false} href="/shop" className="underline decoration-[#9aa39d] underline-offset-4">
          shop
        </Link>
        <span className="ml-auto">
          <StartJob first={jobs.length === 0} units={units} />
        </span>
      </header>
      {jobs.length === 0 ? (
        <p className="py-16 text-center text-[1.3rem]">No jobs yet. Start one, or open a job file.</p>
      ) : (
        <table className="cutting-list text-[1.07rem]">
          <thead>
            <tr>
              <th>due</th>
              <th>job</th>
              <th className="text-right!">lines</th>
              <th className="text-right!">pieces</th>
            </tr>
          </thead>
          <tbody>
            {jobs.map((j) => (
              <tr key={j.id}>
                <td className="w-36 whitespace-nowrap">
                  {j.due ? dayText(j.due) : <span className="text-soft">no day</span>}
                </td>
                <td>
                  <Link
                    prefetch={false}
                    className="font-semibold underline decoration-[#9aa39d] underline-offset-4"
                    href={`/jobs/${j.id}/${j.lines === 0 ? "ask" : "shape"}`}
                  >
                    {j.name}
                  </Link>
                </td>
                <td className="text-right font-mono">{j.lines}</td>
                <td className="text-right font-mono">{j.pieces}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {jobs.length > 0 && (
        <p className="mt-10 text-[.87rem] text-soft">
          A copy of everything is kept each day beside the database, the last {DAYS_KEPT}.{" "}
          <a className="quiet" href="/api/copy" download>
            carry a copy off
          </a>
          {isOpen() && (
            <Link prefetch={false} className="quiet ml-4" href="/door">
              who is in
            </Link>
          )}
        </p>
      )}
    </main>
  );
}
