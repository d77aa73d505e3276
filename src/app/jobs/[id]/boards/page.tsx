import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { fromKept } from "@/app/kept";
import { idParam } from "@/app/http";
import { workJob } from "@/core/job/worked";
import { layoutRequest } from "@/core/job/ask";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { BoardSheets } from "@/ui/sheets/BoardSheets";
import { askLayoutBy } from "@/workers/pool";

export const metadata: Metadata = { title: "Boards, a sheet a pattern" };

const BoardsPage = ({ params }: { params: Promise<{ id: string }> }) =>
  fromKept(async () => {
    const read = idParam.safeParse((await params).id);
    if (!read.success) notFound();
    const job = jobStore(database()).inShop(read.data);
    return <BoardSheets job={job} jobId={read.data} result={await askLayoutBy(layoutRequest(workJob(job)))} />;
  });
export default BoardsPage;
