"use client";
import { useMemo, useState } from "react";
import { findMakeable, makeables } from "@/core/job/find";
import type { WeighThing } from "@/core/weigh/sets";

const ALL = makeables();

/** Finds what to put beside the others, as it is asked for anywhere. */
export function Another({ add }: { add(thing: WeighThing): void }) {
  const [text, setText] = useState("");
  const found = useMemo(() => (text.trim() === "" ? [] : findMakeable(text, ALL).found.slice(0, 6)), [text]);
  return (
    <span className="relative">
      <input className="field w-60" placeholder="put another beside them" aria-label="Put another beside them" value={text} onChange={(e) => setText(e.target.value)} />
      {found.length > 0 && (
        <ul className="absolute z-10 border-2 border-ink bg-white">
          {found.map((m) => (
            <li key={`${m.item} ${m.standard} ${m.size}`}>
              <button className="min-h-[44px] w-full px-3 text-left hover:bg-bench" onClick={() => { add({ name: `${m.name}, ${m.standardName}`.slice(0, 120), item: m.item, standard: m.standard, size: m.size, options: {} }); setText(""); }}>
                {m.name} · {m.standardName}
              </button>
            </li>
          ))}
        </ul>
      )}
    </span>
  );
} // prettier-ignore
