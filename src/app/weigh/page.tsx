import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { weighed } from "@/app/weighed";
import { STARTERS } from "@/core/hive/starters";
import { feederKinds } from "@/core/weigh/feeders";
import { SETS } from "@/core/weigh/sets";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";
import { WeighPage } from "@/ui/weigh/WeighPage";

export const metadata: Metadata = { title: "Weigh up" };

/** Which to make: things side by side. It begins with frames. */
const Page = () =>
  fromKept(() => {
    const { rows } = weighed({ format: "rundik-weigh", version: 1, units: "in", things: SETS[0]!.things });
    return <WeighPage first={rows} stacks={STARTERS.map((s) => s.name)}
        feeders={feederKinds()} own={{ standards: standardStore(database()).list(), designs: designStore(database()).list().map(({ recipe, mark, why }) => ({ recipe, mark, why })) }} />; // prettier-ignore
  });
export default Page;
