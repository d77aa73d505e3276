import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { z } from "zod";
import { pieceNow } from "@/app/asNew";
import { fromKept } from "@/app/kept";
import { today } from "@/app/today";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";
import { PiecePage } from "@/ui/book/PiecePage";
import { Fresh } from "@/ui/parts/Fresh";

export const metadata: Metadata = { title: "A piece of the Book" };
const id = z.coerce.number().int().min(1);

/** One piece: what it is, how it stands, all that happened to it. */
const Page = (props: { params: Promise<{ id: string }> }) =>
  fromKept(async () => {
    const read = id.safeParse((await props.params).id);
    const db = database();
    const found = read.success ? pieceNow(read.data) : undefined;
    if (!found) notFound();
    const jobs = jobStore(db).list().map(({ id, name }) => ({ id, name })); // prettier-ignore
    const job = jobs.find((j) => j.id === found.piece.job);
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <PiecePage
          key={visit}
          found={found}
          jobName={job?.name ?? null}
          jobs={jobs}
          units={shopStore(db).load().shop.units}
          today={today()}
        />{" "}
        {/* prettier-ignore */}
      </>
    );
  });
export default Page;
