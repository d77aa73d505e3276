"use client";
import dynamic from "next/dynamic";
import { useEffect, useMemo, useRef, useState } from "react";
import type { MakersOwn } from "@/core/designs/design";
import type { Hive } from "@/core/hive/hive";
import type { Units } from "@/core/length/length";
import { FIGURES, judge, QUESTIONS, type Weights, weightsOf } from "@/core/weigh/compare";
import type { FeederKind } from "@/core/weigh/feeders";
import type { Row } from "@/core/weigh/rows";
import { SETS, type WeighThing } from "@/core/weigh/sets";
import { askServer } from "@/ui/parts/askServer";
import { Key } from "@/ui/parts/Key";
import { ShopTop } from "@/ui/top/ShopTop";
import { NumberField } from "@/ui/parts/NumberField";
import { Another } from "./Another";
import { Drawings } from "./Drawings";
import { Feeding } from "./Feeding";
import { InUse } from "./InUse";
import { Mark } from "./Mark";
import { Scale } from "./Scale";
import { Schools, Sides } from "./Schools";
import { So } from "./So";
import { differ, Same, Words } from "./Words";
import { Year } from "./Year";

const Against = dynamic(() => import("./Against"), { ssr: false });

/** So many stand side by side. */
const MOST = 8;

const fileOf = (things: WeighThing[], fill: number, units: Units) => ({
  format: "rundik-weigh",
  version: 1,
  units,
  things,
  assume: { honeyFill: fill / 100 },
});

/** Which to make: things side by side by every figure a practitioner asks for, and which is best by what counts. */
export function WeighPage({ first, stacks, own: makers, feeders, hives }: { first: Row[]; stacks: string[]; own: MakersOwn; feeders: FeederKind[]; hives: Hive[] }) {
  const [things, setThings] = useState<WeighThing[]>(SETS[0]!.things);
  const [fill, setFill] = useState(100);
  const [rows, setRows] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const [units, setUnits] = useState<Units>("in");
  const [asking, setAsking] = useState(["back", "cold"]);
  const [own, setOwn] = useState<Weights | null>(null);
  const weights = useMemo(() => own ?? weightsOf(asking), [own, asking]);
  const [school, setSchool] = useState<string>();
  const [many, setMany] = useState(1);
  const [open, setOpen] = useState<string[]>([]);
  const [pinned, setPinned] = useState<string[]>([]);
  const [charts, setCharts] = useState(false);
  const begun = useRef(false);
  const asked = useRef(0);
  useEffect(() => {
    // What the page came with is weighed up already.
    if (!begun.current) {
      begun.current = true;
      return;
    }
    const mine = ++asked.current;
    void askServer<{ rows: Row[] }>("/api/weigh", { method: "POST", body: fileOf(things, fill, units) })
      .then(({ rows: now }) => {
        if (mine !== asked.current) return;
        setRows(now);
        setProblem(null);
      })
      .catch((e: Error) => mine === asked.current && setProblem(e.message));
  }, [things, fill, units]); // prettier-ignore
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).closest("input, select")) return;
      if (e.key === "u") setUnits((u) => (u === "in" ? "mm" : "in"));
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
  const verdict = useMemo(() => judge(rows, weights, many), [rows, weights, many]);
  const said = (f: (typeof FIGURES)[number]) => rows.map((r) => f.of(r, many)).map((n) => (n === null ? null : f.text(n, units)));
  // What differs is what is seen; one thing alone shows all it has.
  const known = FIGURES.filter((f) => (rows.length > 1 ? differ(said(f)) : said(f)[0] !== null));
  const begin = (s: (typeof SETS)[number]) => {
    setThings(s.things);
    setMany(s.many ?? 1);
    setSchool(s.school);
    setOwn(null);
    setAsking(s.many ? ["make"] : ["back", "cold"]);
  };
  const toggle = (list: string[], id: string) => (list.includes(id) ? list.filter((x) => x !== id) : [...list, id]);
  const file = (kind: string) => `/api/weigh/file/weighed-up.${kind}?${new URLSearchParams({ of: JSON.stringify(fileOf(things, fill, units)), many: String(many), units })}`; // prettier-ignore
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
            <button key={s.id} className="quiet no-print min-h-[44px]" onClick={() => begin(s)}>
              {s.label}
            </button>
          ))}
          {things.length < MOST && <Another own={makers} hives={hives} add={(t) => setThings([...things, t])} />}
          <span className="ml-auto whitespace-nowrap">
            to make <NumberField label="How many of each" value={many} onSettle={(n) => setMany(Math.max(1, Math.min(100_000, Math.round(n))))} className="w-16" /> of each
          </span>
          <label>
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
                <button className="quiet no-print min-h-[44px] min-w-[44px]" aria-label={`take ${r.name} away`} onClick={() => setThings(things.filter((_, i) => i !== k))}>
                  ×
                </button>
              )}
            </li>
          ))}
        </ul>
        <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_280px]">
          <div>
            <Drawings rows={rows} units={units} pinned={FIGURES.filter((f) => pinned.includes(f.id)).map((f) => rows.map((r) => { const n = f.of(r, many); return n === null ? "" : `${f.text(n, units)} ${f.unit(units, rows)}`; }))} />
            {known.map((f) => (
              <Scale key={f.id} figure={f} rows={rows} units={units} many={many} counts={weights[f.id] ?? 0} count={(n) => setOwn({ ...weights, [f.id]: n })} open={open.includes(f.id)} toggle={() => setOpen(toggle(open, f.id))} pinned={pinned.includes(f.id)} pin={() => setPinned(toggle(pinned, f.id))} />
            ))}
            {school && <Sides of={school} />}
            <Words rows={rows} many={many} />
            <Same rows={rows} units={units} many={many} />
            <p className="no-print flex flex-wrap gap-x-4 border-t border-rule">
              <button className="quiet min-h-[44px]" aria-expanded={charts} onClick={() => setCharts(!charts)}>
                one against another
              </button>
              <a className="quiet inline-flex min-h-[44px] items-center" href={file("pdf")}>PDF</a>
              <a className="quiet inline-flex min-h-[44px] items-center" href={file("xlsx")}>workbook</a>
            </p>
            {charts && <Against rows={rows} units={units} many={many} />}
          </div>
          <aside aria-label="So">
            <p className="flex flex-wrap gap-x-3">
              {QUESTIONS.map((q) => (
                <button key={q.id} aria-pressed={!own && asking.includes(q.id)} onClick={() => { setOwn(null); setAsking(toggle(own ? [] : asking, q.id)); }} className={`min-h-[44px] border-0 border-b-2 bg-transparent px-0 ${!own && asking.includes(q.id) ? "border-spruce font-semibold" : "no-print border-transparent"}`}>
                  {q.label}
                </button>
              ))}
            </p>
            <So rows={rows} verdict={verdict} units={units} many={many} />
          </aside>
        </div>
        <Year stacks={stacks} fill={fill} units={units} />
        <Feeding feeders={feeders} />
        <InUse rows={rows} units={units} />
        <Schools />
      </main>
    </>
  );
} // prettier-ignore
