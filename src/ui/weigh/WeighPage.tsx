"use client";
import { useEffect, useMemo, useRef, useState } from "react";
import { findMakeable, makeables } from "@/core/job/find";
import type { Units } from "@/core/length/length";
import { FIGURES, judge, QUESTIONS, type Weights } from "@/core/weigh/compare";
import type { Row } from "@/core/weigh/rows";
import { SETS, type WeighThing } from "@/core/weigh/sets";
import { askServer } from "@/ui/parts/askServer";
import { Key } from "@/ui/parts/Key";
import { ShopTop } from "@/ui/top/ShopTop";
import { Drawings } from "./Drawings";
import { Feeding } from "./Feeding";
import { Mark } from "./Mark";
import { Scale } from "./Scale";
import { Schools } from "./Schools";

/** So many stand side by side. */
const MOST = 8;

/** Which to make: things side by side by every figure a practitioner asks for, and which is best by what counts. */
export function WeighPage({ first }: { first: Row[] }) {
  const [things, setThings] = useState<WeighThing[]>(SETS[0]!.things);
  const [fill, setFill] = useState(100);
  const [rows, setRows] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const [units, setUnits] = useState<Units>("in");
  const [weights, setWeights] = useState<Weights>(QUESTIONS[0]!.weights);
  const begun = useRef(false);
  const asked = useRef(0);
  useEffect(() => {
    // What the page came with is weighed up already.
    if (!begun.current) {
      begun.current = true;
      return;
    }
    const mine = ++asked.current;
    void askServer<{ rows: Row[] }>("/api/weigh", { method: "POST", body: { format: "rundik-weigh", version: 1, units: "in", things, assume: { honeyFill: fill / 100 } } })
      .then(({ rows: now }) => {
        if (mine !== asked.current) return;
        setRows(now);
        setProblem(null);
      })
      .catch((e: Error) => mine === asked.current && setProblem(e.message));
  }, [things, fill]); // prettier-ignore
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).closest("input, select")) return;
      if (e.key === "u") setUnits((u) => (u === "in" ? "mm" : "in"));
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
  const verdict = useMemo(() => judge(rows, weights), [rows, weights]);
  const known = FIGURES.filter((f) => rows.some((r) => f.of(r) !== null));
  const question = QUESTIONS.find((q) => JSON.stringify(q.weights) === JSON.stringify(weights))?.id;
  return (
    <>
      <ShopTop here="/weigh">
        <button className="min-h-[44px] border-0 bg-transparent p-0" onClick={() => setUnits(units === "in" ? "mm" : "in")}>
          {units === "in" ? "inches" : "mm"} <Key k="u" />
        </button>
      </ShopTop>
      <main className="px-5 pt-3 pb-10">
        <h1 className="text-[1.33rem] font-semibold">Which to make?</h1>
        <div className="flex flex-wrap items-center gap-x-3">
          {SETS.map((s) => (
            <button key={s.id} className="quiet min-h-[44px]" onClick={() => setThings(s.things)}>
              {s.label}
            </button>
          ))}
          {things.length < MOST && <Another add={(t) => setThings([...things, t])} />}
          <label className="ml-auto">
            combs{" "}
            <input type="number" className="field w-16" min={0} max={100} value={fill} aria-label="Combs full of honey, percent" onChange={(e) => setFill(Math.max(0, Math.min(100, Number(e.target.value))))} /> % full
          </label>
        </div>
        {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
        <ul className="mt-1 mb-3 flex flex-wrap gap-x-5">
          {rows.map((r, k) => (
            <li key={`${r.name} ${k}`} className="flex items-center gap-1.5">
              <Mark k={k} /> <b className="font-semibold">{r.name}</b>
              {rows.length > 1 && things.length === rows.length && (
                <button className="quiet min-h-[44px] min-w-[44px]" aria-label={`take ${r.name} away`} onClick={() => setThings(things.filter((_, i) => i !== k))}>
                  ×
                </button>
              )}
            </li>
          ))}
        </ul>
        <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_280px]">
          <div>
            <Drawings rows={rows} units={units} />
            {known.map((f) => (
              <Scale key={f.id} figure={f} rows={rows} units={units} counts={weights[f.id] ?? 0} count={(n) => setWeights({ ...weights, [f.id]: n })} />
            ))}
          </div>
          <aside aria-label="So">
            <p className="flex flex-wrap gap-x-3">
              {QUESTIONS.map((q) => (
                <button key={q.id} aria-pressed={q.id === question} onClick={() => setWeights(q.weights)} className={`min-h-[44px] border-0 border-b-2 bg-transparent px-0 ${q.id === question ? "border-spruce font-semibold" : "border-transparent"}`}>
                  {q.label}
                </button>
              ))}
            </p>
            <So rows={rows} verdict={verdict} units={units} />
          </aside>
        </div>
        <Feeding />
        <Schools />
      </main>
    </>
  );
} // prettier-ignore

const figureOf = (id: string) => FIGURES.find((f) => f.id === id)!;

/** The one that is best by what counts, why, what speaks against it, and what would change that. */
function So({ rows, verdict, units }: { rows: Row[]; verdict: ReturnType<typeof judge>; units: Units }) {
  const said = (id: string, k: number) => {
    const f = figureOf(id);
    const n = f.of(rows[k]!);
    return n === null ? "" : `${f.text(n, units)} ${f.unit(units)}`.trim();
  };
  if (verdict.best === undefined || !rows[verdict.best])
    return <p className="mt-2 border-l-8 border-rule pl-4">Nothing decides: say at a row how much it counts.</p>;
  const { best } = verdict;
  return (
    <>
      <div className="mt-2 border-l-8 border-spruce bg-white p-4">
        <p className="text-[1.2rem] font-bold">{rows[best]!.name}</p>
        {verdict.because.slice(0, 4).map((id) => (
          <p key={id}>
            {figureOf(id).label}: <b className="font-mono">{said(id, best)}</b>
          </p>
        ))}
        {rows[best]!.notes.map((n) => (
          <p key={n} className="text-[.87rem] text-soft">
            {n}
          </p>
        ))}
      </div>
      {verdict.against.length > 0 && (
        <>
          <h2 className="small-head mt-4 border-b border-rule">What speaks against it</h2>
          {verdict.against.map((id) => (
            <p key={id} className="border-b border-rule py-1.5">
              {figureOf(id).label}: none does worse, <span className="font-mono">{said(id, best)}</span>
            </p>
          ))}
        </>
      )}
      {verdict.change.length > 0 && (
        <>
          <h2 className="small-head mt-4 border-b border-rule">What would change it</h2>
          {verdict.change.map(({ figure, thing }) => (
            <p key={figure} className="border-b border-rule py-1.5">
              If {figureOf(figure).label.toLowerCase()} decides: <b>{rows[thing]!.name}</b>, <span className="font-mono">{said(figure, thing)}</span>
            </p>
          ))}
        </>
      )}
      <p className="mt-4 text-[.84rem] text-soft">
        Lifts by the revised NIOSH equation for one person, from where a box stands in its stack; it judges no lift of yours. Follow local guidance on
        lifting. Combs as full of honey as is said, 1.42 kg/l.
      </p>
    </>
  );
} // prettier-ignore

const ALL = makeables();

/** Finds what to put beside the others, as it is asked for anywhere. */
function Another({ add }: { add(thing: WeighThing): void }) {
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
