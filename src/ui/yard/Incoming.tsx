"use client";
import { useEffect, useRef, useState } from "react";
import type { Units } from "@/core/length/length";
import type { YardAct } from "@/core/yard/acts";
import { type Lot, lotText } from "@/core/yard/lot";
import { readSaid } from "@/core/yard/said";
import { lotsOf } from "@/core/yard/table";
import { OpenTable, Preview } from "./Preview";
import { tableInText } from "./tables";

type Why = Extract<YardAct, { do: "put in" }>["why"];

/** A line typed is put in; what is pasted or opened is shown first. */
export function Incoming({
  units,
  act,
  known,
}: {
  units: Units;
  act(act: YardAct): boolean;
  /** True where the yard has it already. */
  known(lot: Lot): boolean;
}) {
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [table, setTable] = useState<string[][] | null>(null);
  const [put, setPut] = useState<string | null>(null);
  const [why, setWhy] = useState<Why>("counted");
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => box.current?.focus(), []);
  const said = typed.trim() === "" ? undefined : readSaid(typed, units);
  const open = (rows: string[][]) => {
    setWrong(rows.length === 0 ? "nothing is in it" : null);
    setTable(rows.length > 0 ? rows : null);
    setPut(null);
    setWhy("counted");
  };
  const add = () => {
    if (!said) return;
    if ("problem" in said) return setWrong(said.problem);
    if (!act({ do: "put in", why: "received", lots: [said] })) return;
    setPut(`${said.count} ${lotText(said.lot, units)} put in`);
    setTyped("");
    setWrong(null);
  };
  return (
    <section aria-label="Put in">
      <div className="flex flex-wrap items-stretch gap-3">
        <input
          ref={box}
          className="min-h-[44px] min-w-72 flex-1 border-2 border-ink bg-white px-3 py-2 text-[1.2rem]"
          aria-label="What came in: a line, or a whole list pasted"
          autoComplete="off"
          placeholder={
            units === "in" ? "6 pine 1 x 8 1/4 x 110 rough, bad 30-42" : "6 pine 24 x 210 x 2800 rough, bad 760-1070"
          }
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setWrong(null);
            setPut(null);
          }}
          onPaste={(e) => {
            const text = e.clipboardData.getData("text");
            if (!/[\n\t]/.test(text.trim())) return;
            e.preventDefault();
            open(tableInText(text));
          }}
          onKeyDown={(e) => {
            if (e.key === "Enter") add();
            if (e.key === "Escape") setTyped("");
          }}
        />
        <button className="act text-[1.07rem]" onClick={add} disabled={!said}>
          Put in
        </button>
        <OpenTable label="Spreadsheet of stock" onTable={open} onWrong={setWrong} />
      </div>
      <p className="min-h-6 py-1 text-[.93rem] text-soft" aria-live="polite">
        {wrong ? (
          <span role="alert" className="font-semibold text-madder">
            {wrong}
          </span>
        ) : said && "lot" in said ? (
          `${said.count} ${lotText(said.lot, units)}${said.lot.place ? `, ${said.lot.place}` : ""} · Enter puts it in`
        ) : (
          (put ?? "Type a line a board, or paste a whole list from a spreadsheet: how many, what, thick × wide × long.")
        )}
      </p>
      {table && (
        <Preview
          table={table}
          units={units}
          leave={() => setTable(null)}
          verb="Put in"
          again={(read) => {
            const there = lotsOf(read).filter((l) => known(l.lot)).length;
            return there === 0 ? "" : `, ${there} of things the yard has already${why === "counted" ? ": their number is set to this" : ": added to them"}`; // prettier-ignore
          }}
          take={(read) => {
            const lots = lotsOf(read);
            if (!act({ do: "put in", why, lots })) return;
            setTable(null);
            setPut(`${lots.length} rows put in`);
          }}
        >
          <label className="flex min-h-[44px] items-center gap-2">
            <input type="radio" name="why" checked={why === "counted"} onChange={() => setWhy("counted")} />
            they are what there is
          </label>
          <label className="flex min-h-[44px] items-center gap-2">
            <input type="radio" name="why" checked={why === "received"} onChange={() => setWhy("received")} />
            they came in beside what there is
          </label>
        </Preview>
      )}
    </section>
  );
}
