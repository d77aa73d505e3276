import { lineAt } from "@/core/line/shapes";
import { z } from "zod";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idParam, placeParam } from "@/app/http";
import { fromKept } from "@/app/kept";
import { workJob } from "@/core/job/worked";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { AssemblySheet } from "@/ui/sheets/AssemblySheet";

type Props = { params: Promise<{ id: string; line: string }> };

export const metadata: Metadata = { title: "Assembly sheet" };

const path = z.object({ id: idParam, line: placeParam });

const SheetPage = ({ params }: Props) =>
  fromKept(async () => {
    const read = path.safeParse(await params);
    if (!read.success) notFound();
    const { id, line } = read.data;
    const worked = workJob(jobStore(database()).load(id).job);
    if (!lineAt(worked.lines, line)) notFound();
    return <AssemblySheet worked={worked} at={line} jobId={id} />;
  });
export default SheetPage;
