import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { fromKept } from "@/app/kept";
import { idParam } from "@/app/http";
import { papersOf } from "@/app/papers";
import { Batch } from "@/ui/sheets/Batch";

export const metadata: Metadata = { title: "The batch on paper" };

/** All papers of a job, one print. */
const BatchPage = ({ params }: { params: Promise<{ id: string }> }) =>
  fromKept(async () => {
    const read = idParam.safeParse((await params).id);
    if (!read.success) notFound();
    const { worked, result, plan } = await papersOf(read.data);
    return <Batch worked={worked} jobId={read.data} result={result} plan={plan} />;
  });
export default BatchPage;
