"use client";
import { memo, useDeferredValue, useMemo, useState } from "react";
import type { Units } from "@/core/length/length";
import type { YardAct } from "@/core/yard/acts";
import { type LotThere, lotText, madeOf } from "@/core/yard/lot";
import { readSaid } from "@/core/yard/said";
import { Measure } from "@/ui/parts/Measure";
import { NumberField } from "@/ui/parts/NumberField";
import { TextField } from "@/ui/parts/TextField";
import { count } from "@/ui/parts/words";
import { Ledger } from "./Ledger";
import { heapOf, HEAPS, isBoard, searched } from "./words";

/** So many of a heap are drawn at once; the search finds the rest. */
const DRAWN = 200;

/** All there is, heap by heap; each lot is counted, taken from and put right where it stands. */
export function Lots({ lots, units, act }: { lots: LotThere[]; units: Units; act(act: YardAct): boolean }) {
  const [typed, setTyped] = useState("");
  const [open, setOpen] = useState<number | null>(null);
  const sought = useDeferredValue(typed).trim().toLowerCase();
  const texts = useMemo(() => new Map(lots.map((l) => [l.id, searched(l, lotText(l.lot, units))])), [lots, units]);
  const found = sought === "" ? lots : lots.filter((l) => sought.split(/\s+/).every((word) => texts.get(l.id)!.includes(word))); // prettier-ignore
  return (
    <>
      <label className="flex max-w-[34rem] items-baseline gap-3">
        <span className="text-soft">Find</span>
        <input
          className="field min-h-[44px] w-full"
          type="search"
          placeholder="rough pine, rack 2, no. 14"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      </label>
      {found.length === 0 && <p className="py-6 text-soft">Nothing in the yard is called that.</p>}
      {HEAPS.map(({ id, name }) => {
        const heap = found.filter((l) => heapOf(l.lot) === id);
        if (heap.length === 0) return null;
        const all = heap.reduce((s, l) => s + l.there, 0);
        return (
          <section key={id} aria-label={name} className="mt-4">
            <h2 className="small-head">
              {name} · {id === "packs" ? count(heap.length, "kind") : count(all, "piece")}
            </h2>
            <table className="cutting-list">
              <thead>
                <tr>
                  <th className="text-right!">there are</th>
                  <th>what</th>
                  <th className="text-right!">{id === "packs" ? "" : "thick × wide × long"}</th>
                  <th>lies</th>
                  <th className="w-16">no.</th>
                  <th>
                    <span className="sr-only">what can be done</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {heap.slice(0, DRAWN).map((l) => (
                  <Row key={l.id} of={l} units={units} act={act} open={open === l.id} setOpen={setOpen} />
                ))}
              </tbody>
            </table>
            {heap.length > DRAWN && (
              <p className="text-[.87rem] text-soft">and {heap.length - DRAWN} more: say above which</p>
            )}
          </section>
        );
      })}
    </>
  );
}

const Row = memo(function Row({
  of,
  units,
  act,
  open,
  setOpen,
}: {
  of: LotThere;
  units: Units;
  act(act: YardAct): boolean;
  open: boolean;
  setOpen(id: number | null): void;
}) {
  const { id, lot, there, reserved } = of;
  const kept = reserved.reduce((s, r) => s + r.count, 0);
  return (
    <>
      <tr>
        <td className="w-28 text-right">
          <NumberField
            label={`How many there are of no. ${id}`}
            value={there}
            onSettle={(found) => act({ do: "count", id, found })}
            className="min-h-[44px] w-20 text-[1.2rem] font-semibold"
          />
          {kept > 0 && (
            <span className={`block text-[.84rem] ${kept > there ? "font-semibold text-madder" : "text-soft"}`}>
              {kept} kept for {count(reserved.length, "job")}
            </span>
          )}
        </td>
        <td>
          {madeOf(lot)}
          {isBoard(lot) && lot.bad && (
            <span className="block text-[.87rem] text-madder">
              bad{" "}
              {lot.bad.map(([a, b], i) => (
                <span key={i}>
                  {i > 0 && ", "}
                  <Measure value={a} units={units} />–<Measure value={b} units={units} />
                </span>
              ))}
            </span>
          )}
        </td>
        <td className="text-right whitespace-nowrap">
          {isBoard(lot) &&
            [lot.thickness, lot.width, lot.length].map((l, i) => (
              <span key={i}>
                {i > 0 && <span className="mx-1 text-[#8a8f88]">×</span>}
                <Measure value={l} units={units} />
              </span>
            ))}
        </td>
        <td>
          <TextField
            label={`Where no. ${id} lies`}
            value={lot.place ?? ""}
            onSettle={(said) => {
              const { place: _old, ...rest } = lot;
              const place = said.trim().slice(0, 60);
              act({ do: "put right", id, count: there, lot: place ? { ...rest, place } : rest });
            }}
            className="min-h-[44px] w-32"
          />
        </td>
        <td className="font-mono text-soft">{id}</td>
        <td className="text-right whitespace-nowrap">
          <button
            className="quiet min-h-[44px]"
            aria-label={`One of no. ${id} used`}
            onClick={() => act({ do: "take out", why: "used", lots: [{ id, count: Math.min(1, there) }] })}
          >
            used 1
          </button>
          <button
            className="quiet min-h-[44px]"
            aria-label={`One of no. ${id} spoiled`}
            onClick={() => act({ do: "take out", why: "spoiled", lots: [{ id, count: Math.min(1, there) }] })}
          >
            spoiled 1
          </button>
          <button
            className="quiet min-h-[44px]"
            aria-expanded={open}
            aria-label={`More of no. ${id}`}
            onClick={() => setOpen(open ? null : id)}
          >
            {open ? "less" : "more"}
          </button>
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={6} className="border-t-0! pl-32!">
            <PutRight of={of} units={units} act={act} />
            <Ledger lot={id} there={there} />
          </td>
        </tr>
      )}
    </>
  );
});

/** Says anew what some of a lot are: another size, a bad stretch. */
function PutRight({ of, units, act }: { of: LotThere; units: Units; act(act: YardAct): boolean }) {
  const asText = lotText(of.lot, units).replaceAll("×", "x").replace(/, (?=\d)/, " ").replace(/, rough/, ""); // prettier-ignore
  const rough = isBoard(of.lot) && of.lot.rough ? " rough" : "";
  const bad = / ?, bad .*/.exec(asText)?.[0] ?? "";
  const [line, setLine] = useState(`${of.there} ${asText.replace(bad, "")}${rough}${bad}${of.lot.place ? ` at ${of.lot.place}` : ""}`); // prettier-ignore
  const [wrong, setWrong] = useState<string | null>(null);
  if (!isBoard(of.lot)) return null;
  const settle = () => {
    const said = readSaid(line, units);
    if ("problem" in said) return setWrong(said.problem);
    if (said.count > of.there) return setWrong(`there are ${of.there} of it; ${said.count} cannot be put right`);
    setWrong(null);
    const offcut = isBoard(of.lot) && of.lot.offcut && isBoard(said.lot) ? { offcut: true as const } : {};
    act({ do: "put right", id: of.id, count: said.count, lot: { ...said.lot, ...offcut } as typeof said.lot });
  };
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 pb-2">
      <label className="flex flex-1 items-baseline gap-2">
        <span className="whitespace-nowrap text-soft">Put right</span>
        <input
          className="field min-h-[44px] w-full min-w-72"
          aria-label={`What no. ${of.id} really is`}
          value={line}
          onChange={(e) => setLine(e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && settle()}
        />
      </label>
      <button className="quiet min-h-[44px]" onClick={settle}>
        that is what they are
      </button>
      {wrong && (
        <span role="alert" className="w-full text-[.87rem] text-madder">
          {wrong}
        </span>
      )}
    </div>
  );
}
