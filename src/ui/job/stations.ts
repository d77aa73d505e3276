import { worst } from "@/core/fit/finding";
import { aboveBound, isUnpriced, type LayoutResult } from "@/core/layout/layout";
import { clockDay, count, dayText, percent } from "@/ui/parts/words";
import type { Desk, Laid } from "./useDesk";

/** The six stations a job is worked through, left to right. */
export const STATIONS = [
  { id: "ask", key: "1", name: "Ask" },
  { id: "shape", key: "2", name: "Shape" },
  { id: "lay-out", key: "3", name: "Lay out" },
  { id: "buy", key: "4", name: "Buy" },
  { id: "run", key: "5", name: "Run" },
  { id: "prove", key: "6", name: "Prove" },
] as const;
/** What stands beside the stations: reached from the one it helps. */
export const BESIDE = { hive: "ask" } as const;
export type StationId = (typeof STATIONS)[number]["id"];
export type PageId = StationId | keyof typeof BESIDE;

export const pathOf = (job: number, page: PageId) => `/jobs/${job}/${page}`;
/** Turns to another page of the open job: nothing is loaded again, and what is being kept goes on. */
export const turnTo = (job: number, page: PageId) => window.history.pushState(null, "", pathOf(job, page));

export interface StationState {
  text: string;
  wrong?: boolean;
}

/** One line on each station: what is done, what is wrong. */
export function stationState(id: StationId, desk: Desk, laid: Laid): StationState {
  const { job, worked } = desk;
  const { layout, order, plan } = laid;
  if (id === "ask")
    return job.lines.length === 0
      ? { text: "nothing asked yet", wrong: true }
      : { text: `${count(job.lines.length, "line")}${job.due ? ` · due ${dayText(job.due).slice(4)}` : ""}` };
  if (job.lines.length === 0) return { text: "waits for Ask" };
  if (id === "shape") {
    const stop = worked.findings.filter((f) => f.state === "stop").length;
    // What a standard has by itself is nothing this job did.
    const own = worked.findings.filter((f) => !f.ofStandard);
    const care = own.filter((f) => f.state === "care").length;
    if (worst(own) === "ok") return { text: "everything fits" };
    return stop > 0 ? { text: `${count(stop, "thing")} will not fit`, wrong: true } : { text: `${care} to look at` };
  }
  if (layout.state === "failed") return { text: "could not lay out", wrong: true };
  if (!layout.fresh || !layout.result) return { text: layout.state === "stopped" ? "stopped" : "working …" };
  const { result } = layout;
  if (id === "lay-out" && layout.improving && result.missing.length === 0)
    return { text: `${count(result.count, "board")} so far` };
  if (id === "lay-out")
    return result.missing.length > 0
      ? { text: `${count(result.missing.length, "part")} without wood`, wrong: true }
      : { text: `${count(result.count, "board")} · ${quality(result)}` };
  if (id === "buy")
    return order && order.unpriced.length > 0
      ? { text: `${order.unpriced.length} without a price`, wrong: true }
      : { text: `${order?.lines.length ?? 0} to buy` };
  if (id === "run") {
    if (!plan) return { text: "no start day", wrong: true };
    return plan.late
      ? { text: `late: ready ${clockDay(plan.finish).slice(4)}`, wrong: true }
      : { text: `ready ${clockDay(plan.finish).slice(4)}` };
  }
  return { text: desk.measurements.length > 0 ? count(desk.measurements.length, "reading") : "nothing measured" };
}

/** How good a layout is known to be, in a few words. */
function quality(result: LayoutResult): string {
  if (result.proven)
    return result.boundCount === result.count ? "the least" : isUnpriced(result) ? "least wood" : "least cost";
  return `within ${percent(aboveBound(result))}`;
}
