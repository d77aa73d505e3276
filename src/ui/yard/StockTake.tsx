"use client";
import Link from "next/link";
import { useEffect, useMemo, useState } from "react";
import type { Units } from "@/core/length/length";
import { yardActText } from "@/core/yard/acts";
import { type LotThere, lotText, type StoredYard, madeOf } from "@/core/yard/lot";
import { Troubles } from "@/ui/desk/Troubles";
import { Measure } from "@/ui/parts/Measure";
import { ShopTop } from "@/ui/top/ShopTop";
import { Undo } from "@/ui/top/Undo";
import { useYard } from "./useYard";
import { asWalked, isBoard } from "./words";

/** For a cold shed: one lot a screen, as one walks past them; big figures, by keys or by touch. */
export function StockTake({ stored, units }: { stored: StoredYard; units: Units }) {
  const { lots, keeping, problem, act } = useYard(stored, units);
  // The way is walked as it was when it began: what is found to be gone keeps its place.
  const [way] = useState<LotThere[]>(() => asWalked(stored.lots));
  const [at, setAt] = useState(0);
  const [counted, setCounted] = useState<ReadonlyMap<number, number>>(new Map());
  const byId = useMemo(() => new Map(lots.map((l) => [l.id, l])), [lots]);
  const here = way[at];
  const says = here ? (byId.get(here.id)?.there ?? 0) : 0;
  const [found, setFound] = useState<string>("");
  const shown = found === "" ? ((here && counted.get(here.id)) ?? says) : Number(found);
  const go = (to: number) => {
    setFound("");
    setAt(Math.max(0, Math.min(way.length, to)));
  };
  const keep = (n: number) => {
    if (!here || !Number.isFinite(n) || n < 0) return;
    if (!act({ do: "count", id: here.id, found: n })) return;
    setCounted(new Map([...counted, [here.id, n]]));
    go(at + 1);
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.metaKey || e.ctrlKey || e.altKey || (e.target as HTMLElement).closest("a")) return;
      if (/^\d$/.test(e.key)) setFound((f) => `${f}${e.key}`.slice(0, 6));
      else if (e.key === "Backspace") setFound((f) => f.slice(0, -1));
      else if (e.key === "Escape") setFound("");
      else if (e.key === "Enter" && here) keep(shown);
      else if (e.key === "ArrowUp") setFound(String(shown + 1));
      else if (e.key === "ArrowDown") setFound(String(Math.max(0, shown - 1)));
      else if (e.key === "ArrowRight") go(at + 1);
      else if (e.key === "ArrowLeft") go(at - 1);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  const off = way.filter((l) => counted.has(l.id) && counted.get(l.id) !== l.there).length;
  return (
    <>
      <ShopTop here="/yard">
        <Undo keeping={keeping} />
      </ShopTop>
      <Troubles
        keeping={keeping}
        text={(a) => yardActText(a, (of) => (typeof of === "number" ? byId.get(of) : undefined), units)}
        act={(a) => void act(a)}
        mayAgain={() => true}
      />
      <main className="mx-auto flex max-w-[52rem] flex-col px-5 py-4">
        <h1 className="mb-1 flex flex-wrap items-baseline gap-x-4 text-[1.2rem] font-semibold">
          Stock-take
          <span className="font-normal text-soft" aria-live="polite">
            {here ? `${at + 1} of ${way.length}` : `${way.length} of ${way.length}`}, {counted.size} counted
            {off > 0 && `, ${off} otherwise than the book`}
          </span>
        </h1>
        {problem && (
          <p role="alert" className="border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
            {problem}
          </p>
        )}
        {here ? (
          <>
            <section aria-label="What to count" className="border-y-2 border-ink py-5">
              <p className="text-[1.6rem]">
                {madeOf(here.lot)}
                {isBoard(here.lot) && here.lot.rough && ", rough"}
                {isBoard(here.lot) && here.lot.offcut && ", offcut"}
                <span className="float-right font-mono text-soft">no. {here.id}</span>
              </p>
              {isBoard(here.lot) && (
                <p className="text-[2.6rem] leading-tight font-semibold">
                  {[here.lot.thickness, here.lot.width, here.lot.length].map((l, i) => (
                    <span key={i} className="whitespace-nowrap">
                      {i > 0 && <span className="mx-2 font-normal text-[#8a8f88]">×</span>}
                      <Measure value={l} units={units} />
                    </span>
                  ))}
                </p>
              )}
              {isBoard(here.lot) && here.lot.bad && (
                <p className="text-[1.2rem] text-madder">
                  bad{" "}
                  {here.lot.bad.map(([a, b], i) => (
                    <span key={i}>
                      {i > 0 && ", "}
                      <Measure value={a} units={units} />–<Measure value={b} units={units} />
                    </span>
                  ))}
                </p>
              )}
              <p className="text-[1.3rem] text-soft">{here.lot.place ?? "no place said"}</p>
            </section>
            <section aria-label="How many" className="grid grid-cols-[1fr_auto_1fr] items-center gap-4 py-5">
              <button
                className="h-24 border-2 border-ink bg-white text-[2.6rem]"
                aria-label="one fewer"
                onClick={() => setFound(String(Math.max(0, shown - 1)))}
              >
                −1
              </button>
              <output className="min-w-48 text-center" aria-label="found">
                <b className="block font-mono text-[6rem] leading-none font-semibold">{shown}</b>
                <span className="text-soft">the book says {says}</span>
              </output>
              <button
                className="h-24 border-2 border-ink bg-white text-[2.6rem]"
                aria-label="one more"
                onClick={() => setFound(String(shown + 1))}
              >
                +1
              </button>
            </section>
            <button className="act min-h-24 text-[1.7rem]" onClick={() => keep(shown)}>
              {shown === 0 ? "There is none" : `There ${shown === 1 ? "is 1" : `are ${shown}`}`}
            </button>
            <div className="mt-4 grid grid-cols-5 gap-2" role="group" aria-label="Figures">
              {["1", "2", "3", "4", "5", "6", "7", "8", "9", "0"].map((n) => (
                <button
                  key={n}
                  className="h-16 border border-rule bg-white font-mono text-[1.6rem]"
                  onClick={() => setFound((f) => `${f}${n}`.slice(0, 6))}
                >
                  {n}
                </button>
              ))}
            </div>
            <p className="mt-4 flex flex-wrap gap-x-6">
              <button className="quiet min-h-14 min-w-28 text-[1.2rem]" onClick={() => go(at - 1)} disabled={at === 0}>
                the one before
              </button>
              <button className="quiet min-h-14 min-w-28 text-[1.2rem]" onClick={() => go(at + 1)}>
                leave it, the next
              </button>
              <span className="self-center text-[.93rem] text-soft">figures, arrows and Enter do the same</span>
            </p>
          </>
        ) : (
          <section aria-label="Done" className="border-y-2 border-ink py-8 text-[1.3rem]">
            <p>
              {counted.size === way.length ? "Everything is counted" : `${counted.size} of ${way.length} are counted`}
              {off > 0 ? `; ${off} were otherwise than the book, and are as you found them now.` : "."}
            </p>
            {way
              .filter((l) => counted.has(l.id) && counted.get(l.id) !== l.there)
              .map((l) => (
                <p key={l.id} className="text-[1.07rem]">
                  {lotText(l.lot, units)}: the book said {l.there}, there are <b>{counted.get(l.id)}</b>
                </p>
              ))}
            <p className="mt-4 flex flex-wrap gap-6">
              <Link prefetch={false} href="/yard" className="act inline-flex min-h-14 items-center no-underline">
                Back to the yard, to put in what was not on the list
              </Link>
              {counted.size < way.length && (
                <button className="quiet min-h-14" onClick={() => go(way.findIndex((l) => !counted.has(l.id)))}>
                  what is not counted yet
                </button>
              )}
            </p>
          </section>
        )}
      </main>
    </>
  );
}
