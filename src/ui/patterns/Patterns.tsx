"use client";
import { useEffect, useMemo, useState } from "react";
import { STANDARDS } from "@/core/standards";
import { ownId, standardFromNothing } from "@/core/standards/own";
import type { Design } from "@/core/designs/design";
import type { Standard } from "@/core/standards/standard";
import { compareStandards, type ComparedValue, type Interchange } from "@/core/fit/compare";
import { markText } from "@/core/standards/words";
import type { Units } from "@/core/length/length";
import { moveText } from "@/ui/desk/moves";
import { Key } from "@/ui/parts/Key";
import { ShopTop } from "@/ui/top/ShopTop";
import { Measure } from "@/ui/parts/Measure";
import { ValueShown } from "@/ui/parts/WorkingText";
import { Designs } from "@/ui/designs/Designs";
import { OwnStandard, useStandardDrafts } from "./OwnStandard";

const ANSWER: Record<Interchange["answer"], string> = {
  fits: "goes in and hangs as it should",
  "with care": "goes in, with care",
  no: "does not fit",
  "nothing to try": "has nothing to try: one of them has no such box or hanging frame",
};

/** Two standards side by side: every number with its mark, and what interchanges and why not. */
export function Patterns({ kept, designs }: { kept: Standard[]; designs: Design[] }) {
  const [own, setOwn] = useState(kept);
  const [editing, setEditing] = useState<Standard | null>(null);
  const all = [...STANDARDS, ...own];
  const find = (id: string) => all.find((s) => s.id === id)!;
  const [a, setA] = useState({ id: "langstroth-10", size: "deep" });
  const [b, setB] = useState({ id: "commercial", size: "brood" });
  const [units, setUnits] = useState<Units>("in");
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== "u" || e.ctrlKey || e.metaKey || (e.target as HTMLElement).closest("select, input")) return;
      setUnits((now) => (now === "in" ? "mm" : "in"));
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const [left, right] = [find(a.id), find(b.id)];
  const compared = useMemo(
    () => compareStandards(left, a.size, right, b.size, units),
    [left, right, a.size, b.size, units],
  );
  return (
    <>
      <ShopTop here="/patterns">
        <button
          className="min-h-[44px] border-0 bg-transparent p-0"
          onClick={() => setUnits(units === "in" ? "mm" : "in")}
        >
          {units === "in" ? "inches" : "mm"} <Key k="u" />
        </button>
      </ShopTop>
      <main className="mx-auto max-w-[72rem] px-5 py-4">
        <h1 className="mb-3 text-[1.33rem] font-semibold">Patterns: two standards side by side</h1>
        {editing ? (
          <OwnStandard
            start={editing}
            units={units}
            onLeave={() => setEditing(null)}
            onKept={(list, id) => {
              setOwn(list);
              setA({ id, size: list.find((s) => s.id === id)!.defaultSize });
              setEditing(null);
            }}
          />
        ) : (
          <>
            <p className="mb-4 flex gap-3">
              <button className="act" onClick={() => setEditing(copyOf(left, own))}>
                Copy {left.short} and change it
              </button>
              <button
                className="quiet"
                onClick={() =>
                  setEditing(
                    standardFromNothing(
                      "My standard",
                      units,
                      own.map((s) => s.id),
                    ),
                  )
                }
              >
                start one from nothing
              </button>
              {own.some((s) => s.id === left.id) && (
                <button className="quiet" onClick={() => setEditing(left)}>
                  change {left.short}
                </button>
              )}
            </p>
            <Unkept onOpen={setEditing} />
            <Designs kept={designs} />
            <section aria-label="What interchanges" className="mb-5 grid grid-cols-1 gap-x-8 gap-y-3 md:grid-cols-2">
              {compared.interchange.map((i) => (
                <Answer key={`${i.frame.id} ${i.box.id}`} interchange={i} units={units} />
              ))}
            </section>
            <table className="cutting-list">
              <thead>
                <tr>
                  <th>
                    <span className="sr-only">value</span>
                  </th>
                  {[
                    { label: "First standard", at: a, set: setA },
                    { label: "Second standard", at: b, set: setB },
                  ].map((side) => (
                    <th key={side.label} className="text-right!">
                      <select
                        className="field text-[1rem] text-ink"
                        aria-label={side.label}
                        value={side.at.id}
                        onChange={(e) => side.set({ id: e.target.value, size: find(e.target.value).defaultSize })}
                      >
                        {all.map((s) => (
                          <option key={s.id} value={s.id}>
                            {s.name}
                          </option>
                        ))}
                      </select>{" "}
                      <select
                        className="field text-[1rem] text-ink"
                        aria-label={`${side.label}, size`}
                        value={side.at.size}
                        onChange={(e) => side.set({ ...side.at, size: e.target.value })}
                      >
                        {Object.entries(find(side.at.id).sizes).map(([id, s]) => (
                          <option key={id} value={id}>
                            {s.name}
                          </option>
                        ))}
                      </select>
                    </th>
                  ))}
                  <th className="text-right!">second less first</th>
                </tr>
              </thead>
              <tbody>
                {compared.values.map((v) => (
                  <Row key={v.name} v={v} units={units} />
                ))}
              </tbody>
            </table>
          </>
        )}
      </main>
    </>
  );
}

/** A standard of the maker's own to start from: everything as it was, under another name. */
function copyOf(standard: Standard, own: Standard[]): Standard {
  const name = `My ${standard.short}`;
  return {
    ...standard,
    id: ownId(
      name,
      own.map((s) => s.id),
    ),
    name,
    short: name,
    basedOn: standard.basedOn ?? standard.id,
  };
}

/** Standards that were being drawn up and are not kept yet. */
function Unkept({ onOpen }: { onOpen(s: Standard): void }) {
  return useStandardDrafts().map(({ start, value }) => (
    <p
      key={value.id}
      className="mb-3 flex flex-wrap items-baseline gap-3 border-l-8 border-straw-line bg-white px-3 py-1.5"
    >
      <span>
        <strong className="font-semibold">{value.name}</strong> was changed here and is not kept yet.
      </span>
      <button className="quiet" onClick={() => onOpen(start)}>
        go on with it
      </button>
    </p>
  ));
}

function Row({ v, units }: { v: ComparedValue; units: Units }) {
  const cell = (x: ComparedValue["a"]) => (
    <td className="text-right">
      {x ? (
        <>
          <ValueShown value={x.value} units={units} />
          <span className="ml-2 text-[.8rem] text-soft">{markText(x.mark).split(":")[0]}</span>
        </>
      ) : (
        <span className="text-soft">not given</span>
      )}
    </td>
  );
  return (
    <tr>
      <td>{v.label}</td>
      {cell(v.a)}
      {cell(v.b)}
      <td className="text-right font-mono text-blue">{v.by ? moveText(v.by, units) : v.by === 0 ? "same" : ""}</td>
    </tr>
  );
}

function Answer({ interchange: { frame, box, answer, findings }, units }: { interchange: Interchange; units: Units }) {
  const wrong = findings.filter((f) => f.state !== "ok");
  return (
    <article
      className={`border-l-8 bg-white px-3 py-2 ${answer === "no" ? "border-madder" : answer === "fits" ? "border-spruce" : "border-straw-line"}`}
    >
      <h2 className="font-semibold">
        A {frame.short} frame in a {box.short} box {ANSWER[answer]}
      </h2>
      <ul className="text-[.93rem]">
        {(wrong.length > 0 ? wrong : findings).map((f) => (
          <li key={f.rule}>
            {f.label}, <Measure value={f.value} units={units} />:{" "}
            <span className={f.state === "ok" ? "text-soft" : "text-madder"}>{f.text}</span>
          </li>
        ))}
      </ul>
    </article>
  );
}
