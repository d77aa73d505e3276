import dynamic from "next/dynamic";
import { stoodText } from "@/ui/desk/moves";
import { type Station, WORKING } from "@/ui/desk/station";
import { clockDay } from "@/ui/parts/words";

export const run = {
  id: "run",
  key: "5",
  name: "Run",
  waits: "layout",
  state: ({ job }, { layout, plan, was }) => {
    if (!job.start) return { text: "no start day", wrong: true };
    if (layout.result!.missing.length > 0) return { text: "waits for wood", wrong: true };
    if (!plan) return WORKING;
    const ready = clockDay(plan.finish).slice(4);
    const moved = stoodText.finish(was, plan.finish);
    return plan.late ? { text: `late: ready ${ready}`, wrong: true, moved } : { text: `ready ${ready}`, moved };
  },
  Page: dynamic(() => import("./Run").then((m) => m.Run)),
  load: () => import("./Run"),
} as const satisfies Station;
