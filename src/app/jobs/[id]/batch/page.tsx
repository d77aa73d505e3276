import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { fromKept } from "@/app/kept";
import { idParam } from "@/app/http";
import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { planOf } from "@/core/plan/plan";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { Batch } from "@/ui/sheets/Batch";
import { askLayoutBy } from "@/workers/pool";

export const metadata: Metadata = { title: "The batch on paper" };

/** All papers of a job, one print. */
const BatchPage = ({ params }: { params: Promise<{ id: string }> }) =>
  fromKept(async () => {
    const read = idParam.safeParse((await params).id);
    if (!read.success) notFound();
    const worked = workJob(jobStore(database()).inShop(read.data));
    const result = await askLayoutBy(layoutRequest(worked));
    return <Batch worked={worked} jobId={read.data} result={result} plan={worked.job.start ? planOf(worked, result) : null} />; // prettier-ignore
  });
export default BatchPage;
