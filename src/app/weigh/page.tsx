import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { weighed } from "@/app/weighed";
import { STARTERS } from "@/core/hive/starters";
import { feederKinds } from "@/core/weigh/feeders";
import { SETS } from "@/core/weigh/sets";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";
import { WeighPage } from "@/ui/weigh/WeighPage";

export const metadata: Metadata = { title: "Weigh up" };

/** So many of the jobs last touched are looked through for hives. */
const JOBS = 30;

/** Hives as they were built in jobs, named with their job. */
const hivesOfJobs = () => {
  const store = jobStore(database());
  return store.list({ most: JOBS }).flatMap(({ id, name }) => store.load(id).job.hives.map((h) => ({ ...h, name: `${h.name}, ${name}`.slice(0, 120) }))); // prettier-ignore
};

/** Which to make: things side by side. It begins with frames. */
const Page = () =>
  fromKept(() => {
    const { rows } = weighed({ format: "rundik-weigh", version: 1, units: "in", things: SETS[0]!.things });
    return <WeighPage first={rows} stacks={STARTERS.map((s) => s.name)}
        feeders={feederKinds()}
        hives={hivesOfJobs()} own={{ standards: standardStore(database()).list(), designs: designStore(database()).list().map(({ recipe, mark, why }) => ({ recipe, mark, why })) }} />; // prettier-ignore
  });
export default Page;
