import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { idParam } from "@/app/http";
import type { Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { layoutRequest } from "@/core/job/ask";
import { database } from "@/store/database";
import { NoJobError, jobStore } from "@/store/jobs";
import { BoardSheets } from "@/ui/sheets/BoardSheets";
import { askLayoutBy } from "@/workers/pool";

export const metadata: Metadata = { title: "Boards, a sheet a pattern" };

export default async function BoardsPage({ params }: { params: Promise<{ id: string }> }) {
  await connection();
  const read = idParam.safeParse((await params).id);
  if (!read.success) notFound();
  const job = load(read.data);
  if (!job) notFound();
  return <BoardSheets job={job} jobId={read.data} result={await askLayoutBy(layoutRequest(workJob(job)))} />;
}

function load(id: number): Job | undefined {
  try {
    return jobStore(database()).load(id).job;
  } catch (e) {
    if (e instanceof NoJobError) return undefined;
    throw e;
  }
}
