"use client";
import { useEffect, useRef, useState } from "react";
import { lengthText } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import type { YardAct } from "@/core/yard/acts";
import { type Lot, lotText } from "@/core/yard/lot";
import { readSaid } from "@/core/yard/said";
import { lotsOf, readTable } from "@/core/yard/table";
import { count } from "@/ui/parts/words";
import { tableInFile, tableInText } from "./tables";

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
  const file = useRef<HTMLInputElement>(null);
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => box.current?.focus(), []);
  const said = typed.trim() === "" ? undefined : readSaid(typed, units);
  const open = (rows: string[][]) => {
    setWrong(rows.length === 0 ? "nothing is in it" : null);
    setTable(rows.length > 0 ? rows : null);
    setPut(null);
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
        <button className="quiet min-h-[44px]" onClick={() => file.current?.click()}>
          open a spreadsheet
        </button>
        <input
          ref={file}
          type="file"
          accept=".csv,.tsv,.txt,.xlsx"
          aria-label="Spreadsheet of stock"
          className="sr-only"
          tabIndex={-1}
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            e.target.value = "";
            if (chosen)
              tableInFile(chosen).then(open, (why: Error) => setWrong(`${chosen.name} cannot be read: ${why.message}`));
          }}
        />
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
          known={known}
          leave={() => setTable(null)}
          take={(lots, why) => {
            if (!act({ do: "put in", why, lots })) return;
            setTable(null);
            setPut(`${lots.length} rows put in`);
          }}
        />
      )}
    </section>
  );
}

/** So many rows are drawn; the troubled ones first. */
const DRAWN = 200;

/** What was read of a table, row by row, before any of it is put in. */
function Preview({
  table,
  units,
  known,
  take,
  leave,
}: {
  table: string[][];
  units: Units;
  known(lot: Lot): boolean;
  take(lots: ReturnType<typeof lotsOf>, why: Why): void;
  leave(): void;
}) {
  const [tapes, setTapes] = useState(units);
  const [read, setRead] = useState<ReturnType<typeof readTable> | null>(null);
  const [why, setWhy] = useState<Why>("counted");
  useEffect(() => {
    setRead(null);
    // Drawn first: a table of tens of thousands of rows takes a moment to read.
    const later = setTimeout(() => setRead(readTable(table, tapes)));
    return () => clearTimeout(later);
  }, [table, tapes]);
  // What was read is there: Enter puts it in.
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), [read]);
  if (!read) return <p aria-live="polite">Reading {count(table.length, "row")} …</p>;
  const lots = lotsOf(read);
  const troubled = read.rows.filter((r) => "problem" in r);
  const boards = lots.reduce((s, l) => s + (l.lot.form === "pack" ? 0 : l.count), 0);
  const packs = lots.filter((l) => l.lot.form === "pack").length;
  const what = [...(boards > 0 ? [count(boards, "board")] : []), ...(packs > 0 ? [`${packs} kinds of hardware`] : [])].join(" and "); // prettier-ignore
  const shown = [...troubled, ...read.rows.filter((r) => !("problem" in r))].slice(0, DRAWN);
  const again = lots.filter((l) => known(l.lot)).length;
  return (
    <div className="mb-5 border-2 border-ink bg-white px-4 py-3" role="group" aria-label="What was read">
      <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        {lots.length > 0 ? (
          <button ref={first} className="act text-[1.13rem]" onClick={() => take(lots, why)}>
            Put in {what}
          </button>
        ) : (
          <b className="text-[1.13rem] text-madder">No row can be read.</b>
        )}
        <label className="flex min-h-[44px] items-center gap-2">
          <input type="radio" name="why" checked={why === "counted"} onChange={() => setWhy("counted")} />
          they are what there is
        </label>
        <label className="flex min-h-[44px] items-center gap-2">
          <input type="radio" name="why" checked={why === "received"} onChange={() => setWhy("received")} />
          they came in beside what there is
        </label>
        <label className="flex min-h-[44px] items-center gap-2">
          bare numbers are
          <select className="field" value={tapes} onChange={(e) => setTapes(e.target.value as Units)}>
            <option value="in">inches</option>
            <option value="mm">mm</option>
          </select>
        </label>
        <button className="quiet ml-auto min-h-[44px]" onClick={leave}>
          leave it
        </button>
      </div>
      <p className="mb-1 text-[.93rem]">
        {count(read.rows.length, "row")} read
        {troubled.length > 0 && (
          <b className="text-madder">
            , {troubled.length} in trouble; {lots.length > 0 ? "the rest is put in" : "see why below"}
          </b>
        )}
        {again > 0 &&
          `, ${again} of things the yard has already${why === "counted" ? ": their number is set to this" : ": added to them"}`}
      </p>
      <div className="max-h-[26rem] overflow-auto">
        <table className="cutting-list">
          <thead>
            <tr>
              <th>row</th>
              <th className="text-right!">how many</th>
              <th>what</th>
              <th className="text-right!">thick × wide × long</th>
              <th>bad, place</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((r) => (
              <tr key={r.at}>
                <td className="w-14 font-mono text-soft">{r.at}</td>
                {"problem" in r ? (
                  <td colSpan={4}>
                    <span className="font-semibold text-madder">{r.problem}</span>
                    <span className="block max-w-[46rem] truncate font-mono text-[.84rem] text-soft">
                      {r.cells.join(" | ")}
                    </span>
                  </td>
                ) : (
                  <>
                    <td className="text-right font-mono font-semibold">{r.count}</td>
                    <td>
                      {r.lot.material}
                      {r.lot.form !== "pack" && r.lot.form !== "board" && ` ${r.lot.form}`}
                      {r.lot.form !== "pack" && r.lot.rough && ", rough"}
                    </td>
                    <td className="text-right font-mono whitespace-nowrap">
                      {r.lot.form === "pack"
                        ? ""
                        : [r.lot.thickness, r.lot.width, r.lot.length].map((l) => lengthText(l, units)).join(" × ")}
                    </td>
                    <td>
                      {r.lot.form !== "pack" &&
                        (r.lot.bad ?? []).map(([a, b]) => `${lengthText(a, units)}–${lengthText(b, units)}`).join(", ")}
                      {r.lot.place && ` ${r.lot.place}`}
                    </td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {read.rows.length > shown.length && (
        <p className="text-[.87rem] text-soft">
          and {count(read.rows.length - shown.length, "row")} more that can be read
        </p>
      )}
    </div>
  );
}
