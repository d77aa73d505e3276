"use client";
import type { Act } from "@/core/job/acts";
import { useDesk } from "@/ui/desk/useDesk";

/** What was refused at a field. */
export function Said({ field }: { field: string }) {
  const { problem } = useDesk();
  return problem?.field === field ? (
    <p role="alert" className="text-[.87rem] text-madder">
      {problem.message}
    </p>
  ) : null;
}

/** The last cell of a row: takes it out, and says what was refused about it. */
export function TakeOut({ what, act, field }: { what: string; act: Act; field: string }) {
  const desk = useDesk();
  return (
    <td className="text-right">
      <button className="quiet whitespace-nowrap" aria-label={`Take out ${what}`} onClick={() => desk.act(act)}>
        take out
      </button>
      <Said field={field} />
    </td>
  );
}
