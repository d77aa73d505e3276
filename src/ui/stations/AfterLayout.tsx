"use client";
import { useLaid } from "@/ui/desk/useDesk";
import { count } from "@/ui/parts/words";
import type { LayoutState } from "@/ui/desk/useLayout";

/** Where a layout stands that is not there yet, in a sentence. */
export const standsAt = ({ state, before, error }: LayoutState): string =>
  state === "failed"
    ? `The layout could not be worked out: ${error}`
    : state === "stopped"
      ? "The layout was stopped."
      : before
        ? `${count(before, "layout")} before this one …`
        : state === "done"
          ? "They are; the plan is being worked out …"
          : "The layout is being worked out …";

/** Stands where something follows from the layout, until there is one; the next act where it needs somebody. */
export function AfterLayout({ what }: { what: string }) {
  const { layout } = useLaid();
  const stuck = layout.state === "failed" || layout.state === "stopped";
  return (
    <p role={layout.state === "failed" ? "alert" : undefined} aria-live="polite" className="mb-3 text-[1.13rem]">
      {what} here when the boards are laid out. {standsAt(layout)}{" "}
      {stuck && (
        <button className="act" onClick={layout.again}>
          {layout.state === "failed" ? "Try again" : "Lay out"}
        </button>
      )}
    </p>
  );
}
