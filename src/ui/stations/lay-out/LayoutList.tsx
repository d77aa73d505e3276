"use client";
import { pieceKey } from "@/core/line/line";
import { type BoardStock, kindOf } from "@/core/boards/stock";
import { Fragment, useEffect, useMemo, useState } from "react";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { type ByHand, moveTo, pin, pinOf, placesText, type Spot, swap, unpin } from "@/core/layout/byhand";
import { givesOf, type Layout, type Offcut, type Pinned, piecesOf } from "@/core/boards/laid";
import { keepTo, type Since, since } from "@/core/layout/since";
import { lengthText } from "@/core/length/format";
import { type Length, nm, type Units } from "@/core/length/length";
import { useDesk } from "@/ui/desk/useDesk";
import { Key } from "@/ui/parts/Key";
import { LengthField } from "@/ui/parts/LengthField";
import { count } from "@/ui/parts/words";
import { BoardDrawing, pieceNames } from "@/ui/drawing/BoardDrawing";
import { CutOrder } from "./CutOrder";

/** What lies where on which board, however often and pinned or not. */
const whatIs = (l: Layout): string => `${l.stock} ${placesText(l)}`;

/**
 * Every layout, with what can be done to it by hand: pin it, strike a board out, mark a bad stretch, move pieces. What the last change
 * made of it is told where there is something to hold it against (`was`).
 */
export function LayoutList({ result, was, units }: { result: LayoutResult; was?: LayoutResult; units: Units }) {
  const desk = useDesk();
  const { stock } = result.request;
  // The request's boards are the job's stock without its packs.
  const places = desk.job.stock.flatMap((s, i) => (s.form === "pack" ? [] : [i]));
  /** What is pinned now: the layouts on the page may be from before the last pin. */
  const jobPins = JSON.stringify(desk.job.pinned.map((p) => ({ ...p, stock: places.indexOf(p.stock) })));
  const { all, request } = useMemo(() => {
    const pinned = JSON.parse(jobPins) as Pinned[];
    return {
      all: allLayouts(result).map(({ layout: l, group }) => ({ group, layout: { ...l, pin: pinOf(l, pinned) } })),
      request: { ...result.request, pinned },
    };
  }, [result, jobPins]);
  /** Where it stood, and what it is: worked out anew, the same layout may stand elsewhere. */
  const [chosen, choose] = useState<{ at: number; is?: string }>({ at: 0 });
  const setChosen = (i: number) => choose({ at: i, is: all[i] && whatIs(all[i].layout) });
  const [picked, setPicked] = useState<Spot | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const same = useMemo(() => (chosen.is === undefined ? -1 : all.findIndex((a) => whatIs(a.layout) === chosen.is)), [all, chosen]); // prettier-ignore
  const at = same >= 0 ? same : Math.min(chosen.at, all.length - 1);
  const layout = all[at]?.layout;
  const keep = (pinned: Pinned[]) =>
    desk.act({ do: "pin", pinned: pinned.map((p) => ({ ...p, stock: places[p.stock]! })) });
  const settle = (done: ByHand) => {
    setPicked(null);
    if ("trouble" in done) setTrouble(done.trouble);
    else {
      setTrouble(null);
      keep(done.pinned);
    }
  };
  const onPiece = (l: Layout, piece: number) => {
    setTrouble(null);
    setChosen(all.findIndex((x) => x.layout === l));
    if (!picked) setPicked({ layout: l, piece });
    else if (picked.layout === l && picked.piece === piece) setPicked(null);
    else settle(swap(picked, { layout: l, piece }, request));
  };
  const onOffcut = (l: Layout, offcut: Offcut) => {
    if (picked) settle(moveTo(picked, l, offcut, request));
  };
  const togglePin = () => {
    if (!layout) return;
    setPicked(null);
    keep(layout.pin === undefined ? pin(layout, request) : unpin(layout, request));
  };
  const strike = () => {
    if (!layout) return;
    setPicked(null);
    desk.act({ do: "strike out", at: places[layout.stock]! });
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, select, textarea, [role=dialog]");
      if (typing || e.metaKey || e.ctrlKey || e.altKey) return;
      if (e.key === "k") togglePin();
      else if (e.key === "x") strike();
      else if (e.key === "Escape") setPicked(null);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  useEffect(() => setPicked(null), [result]);
  const names = pieceNames(result.request.blanks);
  // What is sawn stays.
  const loose = request.pinned.filter((p) => !stock[p.stock]?.sawn);
  // Who has just pinned something knows what stays.
  const isPinning = was !== undefined && result.request.pinned.length > was.request.pinned.length;
  const moved = useMemo(() => (was && !isPinning ? since(was, result) : undefined), [was, result, isPinning]);
  /** What of the ways of before still can be pinned; undefined for nothing more. */
  const before = useMemo(() => {
    const kept = was && keepTo(was, request);
    return kept && kept.length > request.pinned.length ? kept : undefined;
  }, [was, request]);
  /** Boards are drawn to one scale, and so are sheets of a kind; a roll of mesh does not make boards small. */
  const longestLike = (board: BoardStock) =>
    Math.max(...stock.filter((s) => kindOf(s) === kindOf(board)).map((s) => s.length));
  return (
    <>
      {result.troubles.map((t) => (
        <p key={t.pin} role="alert" className="mb-2 flex gap-3 border-l-8 border-madder bg-white px-3 py-2">
          A pinned layout is left out: {t.why}.
          <button className="quiet" onClick={() => keep(request.pinned.filter((_, i) => i !== t.pin))}>
            let it go
          </button>
        </p>
      ))}
      {moved && <SinceText {...moved} onKeep={before && (() => keep(before))} />}
      {loose.length > 1 && (
        <p className="no-print mb-1 text-[.93rem]">
          {count(loose.length, "way")} to cut {loose.length === 1 ? "is" : "are"} pinned.{" "}
          <button className="quiet" onClick={() => keep(request.pinned.filter((p) => !loose.includes(p)))}>
            let all of them go
          </button>
        </p>
      )}
      <ol>
        {all.map(({ layout: l }, i) => {
          const board = stock[l.stock]!;
          const on = i === at;
          return (
            <li
              key={i}
              className={`keep-together grid grid-cols-[84px_minmax(0,1fr)] gap-x-4 border-b border-rule py-3 pl-2 ${on ? "border-l-4 border-l-blue bg-white" : "border-l-4 border-l-transparent"}`}
            >
              <div className="text-right">
                <button
                  className="border-0 bg-transparent p-0 text-right"
                  aria-pressed={on}
                  aria-label={`choose layout ${i + 1}`}
                  onClick={() => setChosen(i)}
                >
                  <b className="block font-mono text-[2.2rem] leading-none font-semibold">{l.repeat}</b>
                  <span className="text-[.84rem] text-soft">
                    {l.repeat === 1 ? board.form : `${board.form}s`} like this
                    {board.source === "yard" && ", from the yard"}
                    {board.lot !== undefined && `, no. ${board.lot}`}
                  </span>
                </button>
                {moved?.were[i] !== undefined && (
                  <b className="no-print block text-[.84rem] font-semibold text-blue">
                    {moved.were[i] === 0 ? "new" : `were ${moved.were[i]}`}
                  </b>
                )}
                {l.pin !== undefined && (
                  <b className="block text-[.84rem] text-blue">{board.sawn ? "sawn" : "pinned"}</b>
                )}
              </div>
              <div>
                <BoardDrawing
                  layout={l}
                  board={board}
                  longest={longestLike(board)}
                  names={names}
                  units={units}
                  picked={picked?.layout === l ? picked.piece : undefined}
                  reachable={on || picked !== null}
                  onPiece={(piece) => onPiece(l, piece)}
                  onOffcut={picked ? (o) => onOffcut(l, o) : undefined}
                />
                <p className="mt-1 text-[.87rem] text-soft">
                  {board.material}{" "}
                  {[board.thickness, board.width, board.length].map((x) => lengthText(x, units)).join(" × ")}
                  {l.strips[0]?.order === "crosscut" ? ", crosscut first" : ", ripped first"}
                  {"; gives "}
                  {givesOf(l).map(({ piece, quantity }, k) => (
                    <Fragment key={k}>
                      {k > 0 && ", "}
                      <span className="whitespace-nowrap">
                        <b className="font-semibold text-ink">{quantity}</b>{" "}
                        <b>{names.get(pieceKey(piece.of))?.letter}</b> {names.get(pieceKey(piece.of))?.name}
                      </span>
                    </Fragment>
                  ))}
                </p>
                {on && <CutOrder layout={l} board={board} saw={result.request.saw} units={units} />}
              </div>
            </li>
          );
        })}
      </ol>
      {layout && (
        <div
          className="no-print sticky -bottom-4 flex flex-wrap items-center gap-x-5 gap-y-1 border-t-2 border-ink bg-white px-3 py-2"
          aria-label="By hand"
          role="toolbar"
        >
          {picked ? (
            <span>
              <b>{names.get(pieceKey(piecesOf(picked.layout)[picked.piece]!.of))?.name}</b> is picked up: choose a piece
              to change places with, or an offcut to put it in.{" "}
              <button className="quiet" onClick={() => setPicked(null)}>
                put it back <Key k="esc" />
              </button>
            </span>
          ) : (
            <>
              <button className="border-0 bg-transparent p-0 font-semibold" onClick={togglePin}>
                {layout.pin === undefined ? "Pin this layout" : "Let this layout go"} <Key k="k" />
              </button>
              <button className="border-0 bg-transparent p-0" onClick={strike}>
                Strike out a board <Key k="x" />
              </button>
              {stock[layout.stock]!.form === "board" && (
                <BadStretch
                  key={layout.stock}
                  at={places[layout.stock]!}
                  bad={stock[layout.stock]!.bad ?? []}
                  units={units}
                />
              )}
              <span className="text-[.87rem] text-soft">choose a piece to move it</span>
            </>
          )}
          {trouble && (
            <span role="alert" className="w-full font-semibold text-madder">
              It cannot be cut so: {trouble}.
            </span>
          )}
        </div>
      )}
    </>
  );
}

/** What the last change made of the ways to cut, for whoever has them on paper already. */
function SinceText({ were, gone, onKeep }: Since & { onKeep: (() => void) | undefined }) {
  const stand = were.filter((n) => n === undefined).length;
  const fresh = were.filter((n) => n === 0).length;
  const others = were.length - stand - fresh;
  if (stand === were.length && gone === 0) return null;
  const parts = [
    `${stand} of ${count(were.length, "way")} to cut as before the last change`,
    ...(others > 0 ? [`${others} for another number of boards`] : []),
    ...(fresh > 0 ? [`${fresh} new`] : []),
    ...(gone > 0 ? [`${gone} gone`] : []),
  ];
  return (
    <p className="no-print mb-1 flex flex-wrap items-baseline gap-x-4 text-[.93rem]">
      <span className="font-semibold text-blue">{parts.join(", ")}.</span>
      {gone > 0 && onKeep && (
        <button className="quiet" title="They are pinned, and only the rest is laid out anew" onClick={onKeep}>
          keep to the ways of before
        </button>
      )}
    </p>
  );
}

/** Marks what is bad on one board of a stock, from its left end. */
function BadStretch({ at, bad, units }: { at: number; bad: [Length, Length][]; units: Units }) {
  const { act, job } = useDesk();
  const [from, setFrom] = useState<Length>(nm(0));
  const [to, setTo] = useState<Length>(nm(0));
  const board = job.stock[at];
  const ready = board && board.form === "board" && to > from && to <= board.length;
  return (
    <span className="flex flex-wrap items-baseline gap-1.5">
      Bad stretch from
      <LengthField label="Bad stretch from" className="w-16" value={from} units={units} onSettle={setFrom} />
      to
      <LengthField label="Bad stretch to" className="w-16" value={to} units={units} onSettle={setTo} />
      <button
        className="quiet"
        disabled={!ready}
        onClick={() => act({ do: "bad stretches", at, bad: [...bad, [from, to]] })}
      >
        mark it
      </button>
      {bad.length > 0 && (
        <button className="quiet" onClick={() => act({ do: "bad stretches", at, bad: [] })}>
          clear {bad.length}
        </button>
      )}
    </span>
  );
}
