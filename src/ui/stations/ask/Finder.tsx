"use client";
import { useMemo, useRef, useState } from "react";
import { findMakeable, madeElsewhere, makeables, type Makeable } from "@/core/job/find";
import { useDesk } from "@/ui/desk/useDesk";
import { Browse } from "./Browse";
import { Key } from "@/ui/parts/Key";

const SHOWN = 8;

/** Says what to make in a few letters: a number first is how many. Arrows choose, Enter adds. */
export function Finder({ big }: { big: boolean }) {
  const desk = useDesk();
  const all = useMemo(() => makeables(desk.standards, desk.designs), [desk.standards, desk.designs]);
  const [typed, setTyped] = useState("");
  const [at, setAt] = useState(0);
  const [browsing, setBrowsing] = useState(false);
  const box = useRef<HTMLInputElement>(null);
  const used = [...new Set(desk.job.lines.map((l) => l.standard))].join(" ");
  const { quantity, found } = useMemo(
    () => (typed.trim() === "" ? { quantity: undefined, found: [] } : findMakeable(typed, all, used.split(" "))),
    [typed, all, used],
  );
  const shown = found.slice(0, SHOWN);
  const elsewhere = typed.trim() === "" || shown.length > 0 ? undefined : madeElsewhere(typed, all);
  const add = (m: Makeable) => {
    desk.act({
      do: "add line",
      line: { item: m.item, standard: m.standard, size: m.size, quantity: quantity ?? 10, options: {} },
    });
    setTyped("");
    setAt(0);
    box.current?.focus();
  };
  return (
    <div className={big ? "mx-auto max-w-[60rem] py-8 text-center" : "pt-3"}>
      <div className={big ? "mx-auto max-w-[34rem]" : "max-w-[34rem]"}>
        {big && <p className="mb-3 text-[1.3rem]">What are you making?</p>}
        <input
          ref={box}
          id="finder"
          role="combobox"
          aria-label="What to make"
          aria-expanded={shown.length > 0}
          aria-controls="finder-list"
          aria-activedescendant={shown.length > 0 ? `found-${at}` : undefined}
          autoComplete="off"
          className={`w-full border-2 border-ink bg-white px-3 py-2 ${big ? "text-[1.3rem]" : "text-[1.07rem]"}`}
          placeholder="40 lang deep body, nat br 14, half frame …"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setAt(0);
          }}
          onKeyDown={(e) => {
            if (e.key === "ArrowDown") setAt((n) => Math.min(shown.length - 1, n + 1));
            else if (e.key === "ArrowUp") setAt((n) => Math.max(0, n - 1));
            else if (e.key === "Enter" && shown[at]) add(shown[at]);
            else if (e.key === "Escape") setTyped("");
            else return;
            e.preventDefault();
          }}
        />
        <div id="finder-list" role="listbox" aria-label="What can be made" className="text-left">
          {shown.map((m, i) => (
            <div
              key={`${m.item} ${m.standard} ${m.size}`}
              id={`found-${i}`}
              role="option"
              aria-selected={i === at}
              tabIndex={-1}
              className={`grid cursor-pointer grid-cols-[3.2rem_1fr_auto] gap-2 border-b border-rule px-3 py-1.5 ${i === at ? "bg-spruce text-white" : "bg-white"}`}
              onMouseEnter={() => setAt(i)}
              onClick={() => add(m)}
              onKeyDown={(e) => e.key === "Enter" && add(m)}
            >
              <span className="text-right font-mono">{quantity ?? 10}</span>
              <span className="font-semibold">{m.name}</span>
              <span>
                {m.standardName} {i === at && <Key k="enter" />}
              </span>
            </div>
          ))}
        </div>
        {typed.trim() !== "" && shown.length === 0 && (
          <p role="status" className="px-3 py-2">
            Nothing is called that{elsewhere === undefined ? "" : `: ${elsewhere}`}. Try a standard and an item: nat
            body, zander frame, long body; or look through everything.
          </p>
        )}
        {typed.trim() === "" && (
          <p className="mt-2">
            <button className="quiet" aria-expanded={browsing} onClick={() => setBrowsing(!browsing)}>
              {browsing ? "close the list" : "look through everything"}
            </button>
          </p>
        )}
      </div>
      {browsing && typed.trim() === "" && <Browse all={all} add={add} />}
    </div>
  );
}
