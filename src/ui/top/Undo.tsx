"use client";
import type { Keeping } from "@/ui/desk/useKeeping";

/** Whether all is kept, and what was done last, to be taken back. */
export function Undo<A>({ keeping }: { keeping: Keeping<A> }) {
  return (
    <>
      <span aria-live="polite" className="text-[.85rem] text-soft">
        {keeping.waiting > 0 && keeping.held === null ? "keeping …" : ""}
      </span>
      <button
        className="min-h-[44px] border-0 bg-transparent p-0 disabled:opacity-50"
        disabled={!keeping.undoes}
        title={keeping.undoes ? `take back: ${keeping.undoes}` : "nothing to take back"}
        onClick={() => keeping.send({ undo: true })}
      >
        undo
        {keeping.undoes && (
          <span className="ml-1 inline-block max-w-60 truncate align-bottom text-[.85rem] text-soft">
            {keeping.undoes}
          </span>
        )}
      </button>
    </>
  );
}
