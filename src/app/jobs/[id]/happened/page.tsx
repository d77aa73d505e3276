import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { fromKept } from "@/app/kept";
import { idParam } from "@/app/http";
import { clockNow } from "@/app/today";
import { againstOf } from "@/core/plan/against";
import { benchStore } from "@/store/bench";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { planStore } from "@/store/plans";
import { Happened } from "@/ui/bench/Happened";

export const metadata: Metadata = { title: "Plan and what happened" };

/** A job as it was planned against what happened at the bench. */
const HappenedPage = ({ params }: { params: Promise<{ id: string }> }) =>
  fromKept(async () => {
    const read = idParam.safeParse((await params).id);
    if (!read.success) notFound();
    const db = database();
    const { job } = jobStore(db).load(read.data);
    const tallies = [...benchStore(db).tallies(Date.now()).values()].filter((t) => t.job === read.data);
    const planned = planStore(db)
      .standing()
      ?.plan.jobs.find((j) => j.job === read.data);
    return <Happened id={read.data} name={job.name} all={againstOf(jobStore(db).workOf(read.data), tallies)} ready={planned?.ready ?? null} now={clockNow()} />; // prettier-ignore
  });
export default HappenedPage;
