"use client";
import { useState } from "react";
import { dueOf, notesOf, type Purchase, type PurchaseAct, type stateOf } from "@/core/purchase/purchase";
import { NumberField } from "@/ui/parts/NumberField";
import { count, dayText } from "@/ui/parts/words";

/** What is asked of the supplier. */
export type OverLine = "send" | "ask" | "cancel";

interface Doing {
  p: Purchase;
  state: ReturnType<typeof stateOf>;
  busy: OverLine | null;
  today: string;
  act(act: PurchaseAct): void;
  over(what: OverLine): void;
}

/** What can be done at a stage: the one thing to do next, large, and what else there is. */
export function NextAct(doing: Doing) {
  const { p, state } = doing;
  if (state === "cancelled" || state === "received") return null;
  if (state === "drafted" || state === "put off") return <ToSend {...doing} />;
  return state === "sent" && p.sent!.by === "line" ? <InDoubt {...doing} /> : <ToReceive {...doing} />;
}

const ROW = "no-print my-3 flex flex-wrap items-center gap-x-6 gap-y-2";

/** Something that is asked of the supplier. */
function Ask({
  what,
  text,
  big,
  busy,
  over,
}: Pick<Doing, "busy" | "over"> & { what: OverLine; text: string; big?: boolean }) {
  return (
    <button
      className={big ? "act min-h-[52px] text-[1.2rem]" : "quiet min-h-[44px]"}
      disabled={busy !== null}
      onClick={() => over(what)}
    >
      {busy === what ? "asking the supplier …" : text}
    </button>
  );
}

/** A draft: to be sent, or put off. */
function ToSend({ p, state, busy, today, act, over }: Doing) {
  const byHand = () => act({ do: "sent by hand" });
  return (
    <div className={ROW}>
      {p.seller === null ? (
        <button className="act min-h-[52px] text-[1.2rem]" onClick={byHand}>
          I have sent it
        </button>
      ) : (
        <Ask what="send" text={`Send it to ${p.name}`} big {...{ busy, over }} />
      )}
      {state === "put off" ? (
        <button className="quiet min-h-[44px]" onClick={() => act({ do: "take up" })}>
          take it up again
        </button>
      ) : (
        <label className="inline-flex min-h-[44px] items-center gap-2">
          put it off until
          <input
            type="date"
            className="field"
            min={today}
            onChange={(e) => e.target.value && act({ do: "put off", until: e.target.value })}
          />
        </label>
      )}
      {p.seller !== null && (
        <button className="quiet min-h-[44px]" onClick={byHand}>
          I sent it another way
        </button>
      )}
      <Ask what="cancel" text="cancel it" {...{ busy, over }} />
      {p.refused && (
        <p className="basis-full text-[.93rem]">
          Not taken {dayText(p.refused.at.slice(0, 10))}. If a price has changed: cancel this, ask for prices at Orders,
          and draw it up anew.
        </p>
      )}
    </div>
  );
}

/** It was sent, and nobody knows whether it came. */
function InDoubt({ p, busy, over }: Doing) {
  return (
    <div className={ROW}>
      <Ask what="send" text="Send it again" big {...{ busy, over }} />
      <Ask what="ask" text="ask whether it is there" {...{ busy, over }} />
      <Ask what="cancel" text="cancel it" {...{ busy, over }} />
      <p className="basis-full text-[.93rem]">
        It goes under the same number, {p.key}: if it is there already, it is not done twice.
      </p>
    </div>
  );
}

/** It is ordered: what comes is booked in by the supplier's delivery note, or line by line. */
function ToReceive({ p, state, busy, today, act, over }: Doing) {
  const [booking, setBooking] = useState(false);
  const [notes, byLine] = [notesOf(p), p.sent!.by === "line"];
  return (
    <>
      <div className={ROW}>
        {notes.map((n, i) => (
          <button
            key={n.note}
            className={i === 0 ? "act min-h-[52px] text-[1.2rem]" : "act min-h-[44px]"}
            onClick={() => act({ do: "receive", note: n.note, lines: n.lines })}
          >
            Book in {n.note}:{" "}
            {count(
              n.lines.reduce((s, l) => s + l.packs, 0),
              "pack",
            )}
          </button>
        ))}
        {byLine && <Ask what="ask" text="Ask how it stands" big={notes.length === 0} {...{ busy, over }} />}
        <button
          className={byLine ? "quiet min-h-[44px]" : "act min-h-[52px] text-[1.2rem]"}
          aria-expanded={booking}
          onClick={() => setBooking(!booking)}
        >
          {byLine ? "something came: book it in line by line" : "It came: book it in"}
        </button>
        <Ask
          what="cancel"
          text={state === "part received" ? "the rest does not come: cancel it" : "cancel it"}
          {...{ busy, over }}
        />
      </div>
      {booking && <BookIn p={p} today={today} act={(a) => (act(a), setBooking(false))} />}
    </>
  );
}

/** What came, line by line: filled in with all that is still to come. */
function BookIn({ p, today, act }: Pick<Doing, "p" | "today" | "act">) {
  const due = dueOf(p);
  const [packs, setPacks] = useState(due);
  const lines = packs.flatMap((n, line) => (n > 0 ? [{ line, packs: n }] : []));
  return (
    <section aria-label="Book in" className="mb-3 max-w-[46rem] border-2 border-ink bg-white px-3 py-2">
      <h2 className="small-head">How many packs of each are here?</h2>
      <table className="cutting-list">
        <tbody>
          {p.lines.map(
            (l, i) =>
              due[i]! > 0 && (
                <tr key={i}>
                  <td className="w-28 text-right">
                    <NumberField
                      label={`Packs of ${l.thing.material} that came, line ${i + 1}`}
                      value={packs[i]!}
                      onSettle={(n) => setPacks(packs.map((was, k) => (k === i ? Math.max(0, Math.floor(n)) : was)))}
                      className="min-h-[44px] w-20 text-[1.13rem]"
                    />
                  </td>
                  <td>{l.thing.material}</td>
                  <td className="text-right text-soft">of {due[i]}</td>
                </tr>
              ),
          )}
        </tbody>
      </table>
      <button
        className="act mt-2 min-h-[44px]"
        disabled={lines.length === 0}
        onClick={() => act({ do: "receive", note: `by hand, ${today}, ${p.receipts.length + 1}`, lines })}
      >
        Book in{" "}
        {count(
          lines.reduce((s, l) => s + l.packs, 0),
          "pack",
        )}
      </button>
      <span className="ml-3 text-[.87rem] text-soft">
        It goes into the yard, and is kept for the jobs it was bought for.
      </span>
    </section>
  );
}
