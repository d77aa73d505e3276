import dynamic from "next/dynamic";
import type { Station } from "@/ui/desk/station";
import { clockDay } from "@/ui/parts/words";

export const run = {
  id: "run",
  key: "5",
  name: "Run",
  waits: "layout",
  state: ({ job }, { plan }) => {
    if (!job.start) return { text: "no start day", wrong: true };
    if (!plan) return { text: "working …" };
    const ready = clockDay(plan.finish).slice(4);
    return plan.late ? { text: `late: ready ${ready}`, wrong: true } : { text: `ready ${ready}` };
  },
  Page: dynamic(() => import("./Run").then((m) => m.Run)),
  load: () => import("./Run"),
} as const satisfies Station;
