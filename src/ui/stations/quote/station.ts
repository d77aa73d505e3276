import dynamic from "next/dynamic";
import type { Station } from "@/ui/desk/station";
import { count } from "@/ui/parts/words";

export const quote = {
  id: "quote",
  name: "Quote",
  beside: "buy",
  waits: "layout",
  state: ({ job }) => ({
    text: job.quote?.accepted !== undefined ? "accepted" : count(job.quote?.given.length ?? 0, "quote"),
  }),
  Page: dynamic(() => import("./Quote").then((m) => m.QuotePage)),
  load: () => import("./Quote"),
} as const satisfies Station;
