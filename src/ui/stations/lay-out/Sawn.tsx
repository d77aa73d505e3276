"use client";
import { useState } from "react";
import { sawnAct, takesOf, unsawn } from "@/core/job/sawn";
import type { LayoutResult } from "@/core/layout/layout";
import { useDesk } from "@/ui/desk/useDesk";
import { Measure } from "@/ui/parts/Measure";
import { count } from "@/ui/parts/words";

/** Boards of the yard are kept for this job, and go when they are sawn; what is left of them comes back with its place. */
export function Sawn({ result }: { result: LayoutResult }) {
  const desk = useDesk();
  const [open, setOpen] = useState(false);
  const [places, setPlaces] = useState<ReadonlyMap<number, string>>(new Map());
  const [scrap, setScrap] = useState<ReadonlySet<number>>(new Set());
  const left = unsawn(result);
  const boards = left.reduce((s, l) => s + l.repeat, 0);
  const done = result.count - boards;
  const needs = takesOf(left, result);
  const kept = new Map(
    desk.around.lots.flatMap((l) => l.reserved.filter((r) => r.job === desk.id).map((r) => [l.id, r.count] as const)),
  );
  const held = [...kept.values()].reduce((s, n) => s + n, 0);
  const same = needs.size === kept.size && [...needs].every(([lot, n]) => kept.get(lot) === n);
  const wanted = [...needs.values()].reduce((s, n) => s + n, 0);
  const act = sawnAct(left, result);
  const say = () => {
    const of = (i: number) => {
      const place = (places.get(i) ?? places.get(-1) ?? "").trim();
      return place === "" ? {} : { place };
    };
    const kept = act.kept.flatMap((k, i) => (scrap.has(i) ? [] : [{ ...k, lot: { ...k.lot, ...of(i) } }]));
    desk.act({ ...act, kept }, "sawn");
    setOpen(false);
  };
  if (left.length === 0)
    return <p className="no-print mb-2 text-[1.07rem] font-semibold">All {count(done, "board")} are sawn.</p>;
  return (
    <div className="no-print mb-3">
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {wanted > 0 && !same && (
          <button
            className="act"
            onClick={() => desk.act({ do: "reserve", lots: [...needs].map(([id, n]) => ({ id, count: n })) }, "sawn")}
          >
            Keep {held > 0 ? "these" : count(wanted, "board")} of the yard for this job
          </button>
        )}
        {held > 0 && (
          <span>
            {count(held, "board")} of the yard {held === 1 ? "is" : "are"} kept for this job{" "}
            <button className="quiet" onClick={() => desk.act({ do: "reserve", lots: [] }, "sawn")}>
              let them go
            </button>
          </span>
        )}
        <button className={wanted > 0 && same ? "act" : "quiet"} aria-expanded={open} onClick={() => setOpen(!open)}>
          {done > 0 ? `${count(done, "board")} sawn; the other ${boards} too` : "They are sawn"}
        </button>
      </p>
      {desk.problem?.field === "sawn" && (
        <p role="alert" className="text-madder">
          {desk.problem.message}
        </p>
      )}
      {open && (
        <div className="mt-2 border-2 border-ink bg-white px-4 py-3" role="group" aria-label="Sawn">
          <p className="mb-2">
            {wanted > 0 && `${count(wanted, "board")} go out of the yard. `}
            {act.kept.length > 0
              ? `${count(
                  act.kept.reduce((s, k) => s + k.count, 0),
                  "offcut",
                )} go in; say where they lie:`
              : "No offcut is long enough to keep."}
          </p>
          {act.kept.length > 0 && (
            <table className="cutting-list mb-2 max-w-[44rem]">
              <tbody>
                {act.kept.map(({ lot, count: n }, i) => (
                  <tr key={i}>
                    <td className="w-14 text-right font-mono font-semibold">{n}</td>
                    <td>{lot.material}</td>
                    <td className="text-right whitespace-nowrap">
                      {lot.form !== "pack" &&
                        [lot.thickness, lot.width, lot.length].map((l, k) => (
                          <span key={k}>
                            {k > 0 && <span className="mx-1 text-[#8a8f88]">×</span>}
                            <Measure value={l} units={desk.job.units} />
                          </span>
                        ))}
                    </td>
                    <td>
                      <label className="whitespace-nowrap">
                        <input
                          type="checkbox"
                          checked={!scrap.has(i)}
                          aria-label={`Keep offcut ${i + 1}`}
                          onChange={(e) => {
                            const next = new Set(scrap);
                            if (e.target.checked) next.delete(i);
                            else next.add(i);
                            setScrap(next);
                          }}
                        />{" "}
                        keep
                      </label>
                    </td>
                    <td>
                      <input
                        className="field w-40"
                        maxLength={60}
                        aria-label={`Where offcut ${i + 1} lies`}
                        placeholder={i === 0 ? "rack 2" : "the same"}
                        value={places.get(i) ?? ""}
                        onChange={(e) => {
                          const next = new Map(places).set(i, e.target.value);
                          // The first holds for all that say nothing else.
                          if (i === 0) next.set(-1, e.target.value);
                          setPlaces(next);
                        }}
                      />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <p className="flex items-center gap-4">
            <button className="act" onClick={say}>
              {count(boards, "board")} {boards === 1 ? "is" : "are"} sawn
            </button>
            <button className="quiet" onClick={() => setOpen(false)}>
              not yet
            </button>
          </p>
        </div>
      )}
    </div>
  );
}
