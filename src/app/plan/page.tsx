import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { clockNow, today } from "@/app/today";
import { database } from "@/store/database";
import { PlanPage } from "@/ui/plan/PlanPage";
import { shownPlan } from "@/workers/planning";
import { freshen } from "@/workers/standings";

export const metadata: Metadata = { title: "Plan" };

/** All jobs on the shop's people and stations. */
const Page = () =>
  fromKept(() => {
    const shown = shownPlan(database(), clockNow(), today());
    // Worked out behind the page, which follows.
    freshen(database(), shown.old, today());
    return <PlanPage visit={randomUUID()} shown={shown} />;
  });
export default Page;
