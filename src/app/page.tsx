import { randomUUID } from "node:crypto";
import { z } from "zod";
import { isOpen } from "@/app/gate";
import { fromKept } from "@/app/kept";
import { clockNow, today } from "@/app/today";
import { type Listed, nexts } from "@/core/today/todo";
import { DAYS_KEPT } from "@/store/copies";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { jobStore, type Which } from "@/store/jobs";
import { shopStore } from "@/store/shop";
import { standardStore } from "@/store/standards";
import { yardStore } from "@/store/yard";
import { TodayPage } from "@/ui/today/TodayPage";
import { wantedBy } from "@/core/purchase/wants";
import { stillWanted } from "@/workers/buying";
import { readyByPlan, sawNow } from "@/workers/planning";
import { freshen } from "@/workers/standings";

/** So many jobs are listed at once; a search finds the rest. */
const LISTED = 60;
/** So many of the soonest due are asked what to do next. */
const ASKED = 60;

/** What a job has to have bought is not shown here, and would be most of what goes to the page. */
const withoutWants = (job: Listed): Listed => ({ ...job, standing: job.standing && { ...job.standing, wants: [] } });

const query = z.object({ q: z.string().max(200).catch(""), of: z.enum(["archive", "open"]).catch("open") });

/** The shop's day: what to do next and why, then all jobs. */
const Page = ({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) =>
  fromKept(async () => {
    const { q, of } = query.parse({ q: "", of: "open", ...(await searchParams) });
    const db = database();
    const store = jobStore(db);
    const day = today();
    const archived = of === "archive";
    const words = q.split(/\s+/).filter(Boolean);
    // The shop's plan knows what a job on its own does not: the others.
    const planned = readyByPlan(db);
    const list = (which: Which) => store.list(which).map((j): Listed => ({ ...j, standing: j.standing && { ...j.standing, ...planned.get(j.id) } })); // prettier-ignore
    const jobs = list({ words, archived, most: LISTED + 1, day });
    const soonest = archived || words.length > 0 ? list({ most: ASKED, day }) : jobs.slice(0, ASKED);
    // Worked out behind the page, which follows.
    const stale = [...soonest, ...(archived ? [] : jobs)].filter((j) => !j.fresh).map((j) => j.id);
    freshen(db, [...new Set(stale)], day);
    const still = stillWanted(db, soonest);
    const ordered = ({ id, standing }: Listed) =>
      (standing?.wants.length ?? 0) > 0 && wantedBy(still, [id]).length === 0;
    const { shop } = shopStore(db).load();
    const usual = store.usualStandard();
    return (
      <TodayPage
        visit={randomUUID()}
        day={day}
        jobs={jobs.slice(0, LISTED).map(withoutWants)}
        more={jobs.length > LISTED}
        counts={store.counts()}
        nexts={nexts(soonest.map((j) => ({ ...j, ordered: ordered(j) }))).slice(0, 7)}
        working={stale.length}
        q={q}
        archived={archived}
        shop={{ units: shop.units, people: shop.workshop.people, days: shop.workshop.days }}
        saw={sawNow(db, clockNow())}
        now={clockNow()}
        yard={{ empty: yardStore(db).lots().length === 0, counted: yardStore(db).lastCount() }}
        own={{ standards: standardStore(db).list(), designs: designStore(db).newest() }}
        usual={usual ? [usual] : ["langstroth-10"]}
        copies={DAYS_KEPT}
        open={isOpen()}
      />
    );
  });
export default Page;
