"use client";
import Link from "next/link";
import { useMemo } from "react";
import type { Units } from "@/core/length/length";
import { lotKey, type StoredYard } from "@/core/yard/lot";
import { yardActText } from "@/core/yard/acts";
import { Troubles } from "@/ui/desk/Troubles";
import { count } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { Undo } from "@/ui/top/Undo";
import { Incoming } from "./Incoming";
import { Lots } from "./Lots";
import { useYard } from "./useYard";

/** What the shop has: boards, sheets, offcuts, hardware; what comes in is typed, pasted or opened. */
export function YardPage({ stored, units }: { stored: StoredYard; units: Units }) {
  const { lots, keeping, problem, act } = useYard(stored, units);
  const byKey = useMemo(() => new Map(lots.map((l) => [lotKey(l.lot), l])), [lots]);
  const byId = useMemo(() => new Map(lots.map((l) => [l.id, l])), [lots]);
  return (
    <>
      <ShopTop here="/yard">
        <Undo keeping={keeping} />
        {["csv", "xlsx"].map((kind) => (
          <a
            key={kind}
            className="quiet inline-flex min-h-[44px] items-center"
            href={`/api/yard/file/yard.${kind}`}
            download
          >
            {kind.toUpperCase()}
          </a>
        ))}
      </ShopTop>
      <Troubles
        keeping={keeping}
        text={(a) => yardActText(a, (of) => (typeof of === "number" ? byId.get(of) : byKey.get(lotKey(of))), units)}
        act={(a) => void act(a)}
        mayAgain={(a) => a.do !== "reserve"}
      />
      <main className="px-5 pt-3 pb-10">
        <div className="mb-2 flex flex-wrap items-baseline gap-x-6 gap-y-2">
          <h1 className="text-[1.33rem] font-semibold">The yard</h1>
          <span className="text-soft">
            {lots.length === 0
              ? "nothing in it yet"
              : `${count(
                  lots.filter((l) => l.lot.form !== "pack").reduce((s, l) => s + l.there, 0),
                  "board and sheet",
                  "boards and sheets",
                )}, ${count(lots.length, "kind")}`}
          </span>
          {lots.length > 0 && (
            <Link
              prefetch={false}
              href="/yard/count"
              className="act ml-auto inline-flex min-h-[44px] items-center no-underline"
            >
              Stock-take
            </Link>
          )}
        </div>
        <Incoming units={units} act={act} known={(lot) => byKey.has(lotKey(lot))} />
        {problem && (
          <p role="alert" className="mb-2 border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
            {problem}
          </p>
        )}
        {lots.length > 0 && <Lots lots={lots} units={units} act={act} />}
      </main>
    </>
  );
}
