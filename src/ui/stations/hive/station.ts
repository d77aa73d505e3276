import dynamic from "next/dynamic";
import type { Station } from "@/ui/desk/station";
import { count } from "@/ui/parts/words";

export const hive = {
  id: "hive",
  name: "Whole hives",
  beside: "ask",
  state: ({ job }) => ({ text: count(job.hives.length, "hive") }),
  Page: dynamic(() => import("./Hive").then((m) => m.Hive)),
  load: () => import("./Hive"),
} as const satisfies Station;
