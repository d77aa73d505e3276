"use client";
import { useEffect, useRef, useState } from "react";
import { lengthText } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import { madeOf } from "@/core/yard/lot";
import { readPriced } from "@/core/yard/priced";
import { lotsOf, type Read, readTable } from "@/core/yard/table";
import { count } from "@/ui/parts/words";
import { tableInFile } from "./tables";

/** Opens a table from a file: CSV, or a workbook. */
export function OpenTable({
  label,
  onTable,
  onWrong,
}: {
  label: string;
  onTable(table: string[][]): void;
  onWrong(why: string): void;
}) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <button className="quiet min-h-[44px]" onClick={() => file.current?.click()}>
        open a spreadsheet
      </button>
      <input
        ref={file}
        type="file"
        accept=".csv,.tsv,.txt,.xlsx"
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = "";
          if (chosen)
            tableInFile(chosen).then(onTable, (why: Error) => onWrong(`${chosen.name} cannot be read: ${why.message}`));
        }}
      />
    </>
  );
}

/** So many rows are drawn; the troubled ones first. */
const DRAWN = 200;

/** What was read of a table, row by row, before any of it is taken; with what it costs, where that is asked for. */
export function Preview({
  table,
  units,
  verb,
  priced = false,
  again = () => "",
  take,
  leave,
  children,
}: {
  table: string[][];
  units: Units;
  /** What taking it is called: `Put in`. */
  verb: string;
  priced?: boolean;
  /** What is said of rows that are there already. */
  again?(read: Read): string;
  take(read: Read): void;
  leave(): void;
  children?: React.ReactNode;
}) {
  const [tapes, setTapes] = useState(units);
  const [read, setRead] = useState<Read | null>(null);
  useEffect(() => {
    setRead(null);
    // Drawn first: a table of tens of thousands of rows takes a moment to read.
    const later = setTimeout(() => setRead(readTable(table, tapes, priced ? readPriced : undefined)));
    return () => clearTimeout(later);
  }, [table, tapes, priced]);
  // What was read is there: Enter puts it in.
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), [read]);
  if (!read) return <p aria-live="polite">Reading {count(table.length, "row")} …</p>;
  const lots = lotsOf(read);
  const troubled = read.rows.filter((r) => "problem" in r);
  const boards = lots.reduce((s, l) => s + (l.lot.form === "pack" ? 0 : priced ? 1 : l.count), 0);
  const packs = lots.filter((l) => l.lot.form === "pack").length;
  const what = [...(boards > 0 ? [count(boards, "board")] : []), ...(packs > 0 ? [`${packs} kinds of hardware`] : [])].join(" and "); // prettier-ignore
  const shown = [...troubled, ...read.rows.filter((r) => !("problem" in r))].slice(0, DRAWN);
  return (
    <div className="mb-5 border-2 border-ink bg-white px-4 py-3" role="group" aria-label="What was read">
      <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        {lots.length > 0 ? (
          <button ref={first} className="act text-[1.13rem]" onClick={() => take(read)}>
            {verb} {what}
          </button>
        ) : (
          <b className="text-[1.13rem] text-madder">No row can be read.</b>
        )}
        {children}
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
            , {troubled.length} in trouble; {lots.length > 0 ? "the rest can be taken" : "see why below"}
          </b>
        )}
        {again(read)}
      </p>
      <div className="max-h-[26rem] overflow-auto">
        <table className="cutting-list">
          <thead>
            <tr>
              <th>row</th>
              <th className="text-right!">{priced ? "in a pack" : "how many"}</th>
              <th>what</th>
              <th className="text-right!">thick × wide × long</th>
              <th className={priced ? "text-right!" : ""}>{priced ? "price" : "bad, place"}</th>
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
                    <td className="text-right font-mono font-semibold">
                      {priced && r.lot.form !== "pack" ? "" : r.count}
                    </td>
                    <td>
                      {madeOf(r.lot)}
                      {r.lot.form !== "pack" && r.lot.rough && ", rough"}
                    </td>
                    <td className="text-right font-mono whitespace-nowrap">
                      {r.lot.form === "pack"
                        ? ""
                        : [r.lot.thickness, r.lot.width, r.lot.length].map((l) => lengthText(l, units)).join(" × ")}
                    </td>
                    <td className={priced ? "text-right font-mono" : ""}>
                      {priced && (r.price ?? "unknown")}
                      {!priced &&
                        r.lot.form !== "pack" &&
                        (r.lot.bad ?? []).map(([a, b]) => `${lengthText(a, units)}–${lengthText(b, units)}`).join(", ")}
                      {!priced && r.lot.place && ` ${r.lot.place}`}
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
