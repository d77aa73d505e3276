"use client";
import Link from "next/link";
import { useCallback, useState } from "react";
import type { Units } from "@/core/length/length";
import {
  costOfPurchase,
  dueOf,
  missingOf,
  notesOf,
  priceText,
  type Purchase,
  type PurchaseAct,
  purchaseActText,
  stateOf,
  type StoredPurchase,
} from "@/core/purchase/purchase";
import { Troubles } from "@/ui/desk/Troubles";
import { useKeeping } from "@/ui/desk/useKeeping";
import { askServer } from "@/ui/parts/askServer";
import { Fresh } from "@/ui/parts/Fresh";
import { NumberField } from "@/ui/parts/NumberField";
import { count, dayText } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { Undo } from "@/ui/top/Undo";
import { ThingName } from "./Thing";
import { standsSo } from "./words";

type OverLine = "send" | "ask" | "cancel";
const always = () => true;

/** One order: how it stands, the next thing to do about it, and its lines. */
export function PurchasePage({
  visit,
  stored,
  jobs,
  units,
  today,
}: {
  visit: string;
  stored: StoredPurchase;
  /** What jobs are called, by their numbers. */
  jobs: Record<number, string>;
  units: Units;
  today: string;
}) {
  const { id } = stored;
  const [p, setPurchase] = useState(stored.purchase);
  const adopt = useCallback((kept: StoredPurchase) => setPurchase(kept.purchase), []);
  const keeping = useKeeping<StoredPurchase, PurchaseAct>(`/api/orders/${id}`, stored, adopt, always, false);
  const act = (what: PurchaseAct) => keeping.send({ act: what });
  const [busy, setBusy] = useState<OverLine | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const over = async (what: OverLine) => {
    setBusy(what);
    setWrong(null);
    try {
      setPurchase(
        (await askServer<StoredPurchase>(`/api/orders/${id}/line`, { method: "POST", body: { do: what } })).purchase,
      );
    } catch (e) {
      setWrong((e as Error).message);
    }
    setBusy(null);
  };
  const stands = standsSo(p, today);
  const state = stateOf(p);
  return (
    <>
      <Fresh visit={visit} />
      <ShopTop here="/orders">
        <Undo keeping={keeping} />
        {["pdf", "csv", "xlsx", "txt"].map((kind) => (
          <a
            key={kind}
            className="quiet inline-flex min-h-[44px] items-center"
            href={`/api/orders/${id}/file/order.${kind}`}
            download={kind !== "pdf" && kind !== "txt"}
          >
            {kind === "txt" ? "as text" : kind.toUpperCase()}
          </a>
        ))}
      </ShopTop>
      <Troubles keeping={keeping} text={purchaseActText} act={act} mayAgain={() => false} />
      <main className="max-w-[72rem] px-5 pt-3 pb-10">
        <p className="no-print">
          <Link prefetch={false} href="/orders" className="quiet inline-flex min-h-[44px] items-center">
            all orders
          </Link>
        </p>
        <h1 className="text-[1.47rem] leading-tight font-semibold">
          Order {id} {p.seller === null ? "by hand" : `to ${p.name}`}
        </h1>
        <Stages p={p} />
        <p className={`text-[1.2rem] ${stands.wrong ? "font-semibold text-madder" : ""}`} role="status">
          {stands.text}
        </p>
        {wrong && (
          <p role="alert" className="border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
            {wrong}
          </p>
        )}
        <Next {...{ p, state, busy, today, act }} over={(what) => void over(what)} />
        <Lines {...{ p, units, jobs, act }} />
        {p.receipts.length > 0 && (
          <section aria-label="What came" className="mt-4">
            <h2 className="small-head">What came, as it was booked in</h2>
            <ul>
              {p.receipts.map((r) => (
                <li key={r.note}>
                  <b className="font-semibold">{r.note}</b>, {dayText(r.at.slice(0, 10))}:{" "}
                  {r.lines.map((l) => `${l.packs} × ${p.lines[l.line]!.thing.material}`).join(", ")}
                </li>
              ))}
            </ul>
          </section>
        )}
        <p className="mt-4 text-[.87rem] text-soft">
          Drawn up {dayText(p.drawnUp.slice(0, 10))}; the prices are of that day and stay. Our number: {p.key}
          {p.answer && p.answer.reference !== "none" && `; the supplier's: ${p.answer.reference}`}.
        </p>
      </main>
    </>
  );
}

const STAGES = ["drafted", "sent", "acknowledged", "part received", "received"];

/** How far it is, as marks along a stick. */
function Stages({ p }: { p: Purchase }) {
  const state = stateOf(p);
  if (state === "cancelled") return null;
  const at = { drafted: 0, "put off": 0, sent: 1, acknowledged: 2, "part received": 3, received: 4 }[state];
  return (
    <ol aria-label="How far it is" className="mt-5 mb-3 grid max-w-[46rem] grid-cols-5 border-t-4 border-straw-line">
      {STAGES.map((name, i) => (
        <li
          key={name}
          aria-current={i === at ? "step" : undefined}
          className={`relative border-l-2 pt-1 pl-2 text-[.87rem] ${i <= at ? "border-ink" : "border-rule text-soft"} ${i === at ? "font-semibold" : ""}`}
        >
          {i === at && (
            <svg aria-hidden width="16" height="12" className="absolute -top-4 -left-[9px]">
              <path d="M0 0 L16 0 L8 12 Z" fill="var(--color-spruce)" />
            </svg>
          )}
          {name}
        </li>
      ))}
    </ol>
  );
}

interface Doing {
  p: Purchase;
  state: ReturnType<typeof stateOf>;
  busy: OverLine | null;
  today: string;
  act(act: PurchaseAct): void;
  over(what: OverLine): void;
}

/** What can be done at a stage: the one thing to do next, large, and what else there is. */
function Next(doing: Doing) {
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

/** What was ordered, confirmed, came and is to come. */
function Lines({
  p,
  units,
  jobs,
  act,
}: {
  p: Purchase;
  units: Units;
  jobs: Record<number, string>;
  act(act: PurchaseAct): void;
}) {
  const [due, missing] = [dueOf(p), missingOf(p)];
  const say = (minor: number) => priceText(minor, p.currency);
  const isDraft = !p.sent && !p.cancelled;
  const cost = costOfPurchase(p);
  return (
    <table className="cutting-list mt-2">
      <thead>
        <tr>
          <th className="text-right!">packs</th>
          <th>what</th>
          <th>for</th>
          {!isDraft && <th>how it stands</th>}
          <th className="text-right!">each</th>
          <th className="text-right!">price</th>
        </tr>
      </thead>
      <tbody>
        {p.lines.map((l, i) => (
          <tr key={i}>
            <td className="w-24 text-right font-mono text-[1.13rem] font-semibold">
              {isDraft ? (
                <NumberField
                  label={`Packs of ${l.thing.material}, line ${i + 1}`}
                  value={l.packs}
                  onSettle={(packs) => act({ do: "line", line: i, packs })}
                  className="min-h-[44px] w-20"
                />
              ) : (
                l.packs.toLocaleString("en-GB")
              )}
            </td>
            <td>
              <ThingName thing={l.thing} pack={l.pack} units={units} />
            </td>
            <td className="text-[.87rem]">
              {l.for.map((f) => (
                <span key={f.job} className="block">
                  <span className="font-mono">{f.quantity.toLocaleString("en-GB")}</span> ·{" "}
                  {jobs[f.job] ?? `job ${f.job}`}
                </span>
              ))}
            </td>
            {!isDraft && (
              <td className="text-[.93rem]">
                {missing[i]! > 0 && (
                  <span className="block font-semibold text-madder">
                    {missing[i]} not to be had: it is to be ordered again
                  </span>
                )}
                {l.packs - missing[i]! - due[i]! > 0 && !p.cancelled && (
                  <span className="block">{l.packs - missing[i]! - due[i]!} here</span>
                )}
                {due[i]! > 0 && (
                  <span className="block">
                    {due[i]} to come
                    {p.answer?.lines[i]?.comes
                      ? `, ${dayText(p.answer.lines[i].comes)}`
                      : p.answer
                        ? ""
                        : ", not acknowledged"}
                  </span>
                )}
              </td>
            )}
            <td className="text-right font-mono">{say(l.price)}</td>
            <td className="text-right font-mono">{say(l.price * (l.packs - missing[i]!))}</td>
          </tr>
        ))}
        <tr>
          <td colSpan={isDraft ? 4 : 5} className="text-right text-soft">
            delivery
          </td>
          <td className="text-right font-mono">{say(cost.delivery)}</td>
        </tr>
        <tr>
          <td colSpan={isDraft ? 4 : 5} className="text-right font-semibold">
            together
          </td>
          <td className="text-right font-mono font-semibold">{say(cost.total)}</td>
        </tr>
      </tbody>
    </table>
  );
}
