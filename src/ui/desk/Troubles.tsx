"use client";
import { capital, count } from "@/ui/parts/words";
import type { Keeping } from "./useKeeping";

/** What was not kept, and what still waits to be. */
export function Troubles<A>({
  keeping: { held, waiting, dropped, again, seen },
  text,
  act,
  mayAgain,
}: {
  keeping: Keeping<A>;
  text(act: A): string;
  act(act: A): void;
  /** It means the same when it is done again now. */
  mayAgain(act: A): boolean;
}) {
  const alert = "no-print mx-5 mt-2 flex flex-wrap items-baseline gap-x-4 border-l-8 border-madder bg-white px-3 py-2";
  const acts = dropped.flatMap((d) => ("act" in d.what && mayAgain(d.what.act) ? [d.what.act] : []));
  return (
    <>
      {held !== null && (
        <p role="alert" className={alert}>
          <span className="flex-1">
            {capital(held)}; {count(waiting, "change")} {waiting === 1 ? "is" : "are"} not kept yet. It is tried again
            every few seconds, and after the page is opened again.
          </span>
          <button className="quiet" onClick={again}>
            try now
          </button>
        </p>
      )}
      {dropped.length > 0 && (
        <div role="alert" className={alert}>
          <span className="flex-1">
            <b>Not kept: {dropped.map((d) => ("act" in d.what ? text(d.what.act) : "undo")).join("; ")}.</b>{" "}
            {capital(dropped[0]!.why)}.
          </span>
          {acts.length > 0 && (
            <button
              className="quiet"
              onClick={() => {
                seen();
                acts.forEach(act);
              }}
            >
              do it again all the same
            </button>
          )}
          <button className="quiet" onClick={seen}>
            leave it
          </button>
        </div>
      )}
    </>
  );
}
