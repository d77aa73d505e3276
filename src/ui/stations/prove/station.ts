import dynamic from "next/dynamic";
import type { Station } from "@/ui/desk/station";
import { count } from "@/ui/parts/words";

export const prove = {
  id: "prove",
  key: "6",
  name: "Prove",
  waits: "layout",
  state: ({ job }) => ({ text: job.readings.length > 0 ? count(job.readings.length, "reading") : "nothing measured" }),
  Page: dynamic(() => import("./Prove").then((m) => m.Prove)),
  load: () => import("./Prove"),
} as const satisfies Station;
