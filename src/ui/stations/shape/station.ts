import dynamic from "next/dynamic";
import { worst } from "@/core/fit/finding";
import type { Station } from "@/ui/desk/station";
import { count } from "@/ui/parts/words";

export const shape = {
  id: "shape",
  key: "2",
  name: "Shape",
  waits: "lines",
  state: ({ worked }) => {
    const { faults, findings } = worked;
    if (faults.length > 0) return { text: `${count(faults.length, "line")} cannot be made`, wrong: true };
    // What a standard has by itself is nothing this job did.
    const own = findings.filter((f) => !f.ofStandard);
    if (worst(own) === "ok") return { text: "everything fits" };
    const stop = findings.filter((f) => f.state === "stop").length;
    const care = own.filter((f) => f.state === "care").length;
    return stop > 0 ? { text: `${count(stop, "thing")} will not fit`, wrong: true } : { text: `${care} to look at` };
  },
  Page: dynamic(() => import("./Shape").then((m) => m.Shape)),
  load: () => import("./Shape"),
} as const satisfies Station;
