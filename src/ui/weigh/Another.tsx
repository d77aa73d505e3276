"use client";
import { useMemo, useState } from "react";
import { type MakersOwn, markName } from "@/core/designs/design";
import { findMakeable, makeables } from "@/core/job/find";
import { STANDARDS } from "@/core/standards";
import type { Hive } from "@/core/hive/hive";
import { STARTERS } from "@/core/hive/starters";
import { hiveThing, type WeighThing } from "@/core/weigh/sets";

/** Finds what to put beside the others, as it is asked for anywhere; a design of the maker's own at each of its marks. */
export function Another({ own, hives, add }: { own: MakersOwn; hives: Hive[]; add(thing: WeighThing): void }) {
  const [text, setText] = useState("");
  const newest = useMemo(() => own.designs.toSorted((a, b) => b.mark - a.mark), [own]);
  const all = useMemo(() => makeables([...STANDARDS, ...own.standards], newest.filter((d, i) => newest.findIndex((o) => o.recipe.id === d.recipe.id) === i)), [own, newest]);
  const found = useMemo(() => (text.trim() === "" ? [] : findMakeable(text, all).found.slice(0, 6)), [text, all]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const whole = words.length === 0 ? [] : [...hives, ...STARTERS].filter((h) => words.every((w) => `${h.name} whole hive`.toLowerCase().includes(w)));
  const marked = found.flatMap((m): ((typeof m) & { mark?: number })[] => {
    const marks = newest.filter((d) => d.recipe.id === m.item).map((d) => d.mark);
    return marks.length > 0 ? marks.map((mark) => ({ ...m, mark, name: `${m.name}, mark ${markName(mark)}` })) : [m];
  });
  return (
    <span className="no-print relative">
      <input className="field w-60" placeholder="put another beside them" aria-label="Put another beside them" value={text} onChange={(e) => setText(e.target.value)} />
      {marked.length + whole.length > 0 && (
        <ul className="absolute z-10 border-2 border-ink bg-white">
          {whole.map((h, i) => (
            <li key={`${i} ${h.name}`}>
              <button className="min-h-[44px] w-full px-3 text-left hover:bg-bench" onClick={() => { add(hiveThing(h, own)); setText(""); }}>
                {h.name} · whole hive
              </button>
            </li>
          ))}
          {marked.map(({ item, standard, size, name, standardName, mark }) => (
            <li key={`${item} ${standard} ${size} ${mark}`}>
              <button className="min-h-[44px] w-full px-3 text-left hover:bg-bench" onClick={() => { add({ name: `${name}, ${standardName}`.slice(0, 120), item, standard, size, options: {}, ...(mark === undefined ? {} : { mark }) }); setText(""); }}>
                {name} · {standardName}
              </button>
            </li>
          ))}
        </ul>
      )}
    </span>
  );
} // prettier-ignore
