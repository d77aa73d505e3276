import dynamic from "next/dynamic";
import type { Station } from "@/ui/desk/station";
import { count, dayText } from "@/ui/parts/words";

export const ask = {
  id: "ask",
  key: "1",
  name: "Ask",
  state: ({ job }) =>
    job.lines.length === 0
      ? { text: "nothing asked yet", wrong: true }
      : { text: `${count(job.lines.length, "line")}${job.due ? ` · due ${dayText(job.due).slice(4)}` : ""}` },
  Page: dynamic(() => import("./Ask").then((m) => m.Ask)),
  load: () => import("./Ask"),
} as const satisfies Station;
