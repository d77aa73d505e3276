import { lineAt } from "@/core/line/shapes";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { idParam } from "@/app/http";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { database } from "@/store/database";
import { NoJobError, jobStore } from "@/store/jobs";
import { AssemblySheet } from "@/ui/sheets/AssemblySheet";

type Props = { params: Promise<{ id: string; line: string }> };

export const metadata: Metadata = { title: "Assembly sheet" };

export default async function SheetPage({ params }: Props) {
  await connection();
  const { id, line } = await params;
  const read = idParam.safeParse(id);
  if (!read.success) notFound();
  const worked = load(read.data);
  if (!worked || !lineAt(worked.lines, Number(line))) notFound();
  return <AssemblySheet worked={worked} at={Number(line)} jobId={read.data} />;
}

function load(id: number): WorkedJob | undefined {
  try {
    return workJob(jobStore(database()).load(id).job);
  } catch (e) {
    if (e instanceof NoJobError) return undefined;
    throw e;
  }
}
