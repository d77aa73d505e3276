import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { cache } from "react";
import { idParam } from "@/app/http";
import { fromKept } from "@/app/kept";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { jobStore } from "@/store/jobs";
import { standardStore } from "@/store/standards";
import { JobDesk } from "@/ui/job/JobDesk";
import { Fresh } from "@/ui/parts/Fresh";
import { PAGE_IDS } from "@/ui/desk/pages";

type Props = { params: Promise<{ id: string; station: string }> };

/** Read once for a page and its title. */
const read = cache((id: number) => jobStore(database()).load(id));

async function open({ params }: Props) {
  const { id, station } = await params;
  const asked = idParam.safeParse(id);
  if (!asked.success || !(PAGE_IDS as readonly string[]).includes(station)) notFound();
  return read(asked.data);
}

export async function generateMetadata(props: Props): Promise<Metadata> {
  await connection();
  // What keeps the job from being read is said by the page.
  return open(props).then(
    ({ job }) => ({ title: job.name }),
    () => ({}),
  );
}

const JobPage = (props: Props) =>
  fromKept(async () => {
    const stored = await open(props);
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <JobDesk
          key={visit}
          stored={stored}
          own={{ standards: standardStore(database()).list(), designs: designStore(database()).newest() }}
        />
      </>
    );
  });
export default JobPage;
