import type { ComponentType } from "react";
import type { PageId } from "./pages";
import type { Desk, Laid } from "./useDesk";

/** One line on a station: what is done, what is wrong. */
export interface StationState {
  text: string;
  wrong?: boolean;
  /** How far it moved with the last change. */
  moved?: string;
  /** It is being worked out: how it stood before is still worth seeing. */
  waits?: boolean;
}

/** A page of the open job: what it is called, the key that turns to it, how things stand there, and what it shows. */
export interface Station {
  id: PageId;
  name: string;
  /** A page beside a station has none: it is reached from there. */
  key?: string;
  beside?: PageId;
  /** Asked only when the job has lines, and of those that wait for the layout only when there is one. */
  waits?: "lines" | "layout";
  state(desk: Desk, laid: Laid): StationState;
  /** Its script comes when it is turned to; `load` brings it beforehand. */
  Page: ComponentType;
  load(): Promise<unknown>;
}

/** What follows from the layout or the plan is on its way. */
export const WORKING: StationState = { text: "working …", waits: true };

/** How things stand at a station, or what it waits for. */
export function stationState(station: Station, desk: Desk, laid: Laid): StationState {
  const { layout } = laid;
  if (station.waits && desk.job.lines.length === 0) return { text: "waits for Ask" };
  if (station.waits === "layout") {
    if (layout.state === "failed") return { text: "could not lay out", wrong: true };
    if (!layout.fresh || !layout.result) return layout.state === "stopped" ? { text: "stopped" } : WORKING;
  }
  return station.state(desk, laid);
}
