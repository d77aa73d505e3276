"use client";
import { useState } from "react";
import { changesBetween, type PartChange } from "@/core/designs/compare";
import { type KeptMark, markName } from "@/core/designs/design";
import type { Units } from "@/core/length/length";
import type { Recipe } from "@/core/recipes/recipe";
import { Measure } from "@/ui/parts/Measure";
import { dayText } from "@/ui/parts/words";

const SHOWN = 24;

/** Every mark of a design: why it was made, what it changed, what was noticed in use. */
export function Marks({
  marks,
  against,
  setAgainst,
  onOpen,
  onNote,
}: {
  marks: KeptMark[];
  against: number | null;
  setAgainst(mark: number | null): void;
  onOpen(m: KeptMark): void;
  onNote(mark: number, text: string): void;
}) {
  const [note, setNote] = useState("");
  const newest = marks.at(-1);
  if (!newest) return null;
  return (
    <section aria-label="Marks" className="mt-4">
      <h2 className="small-head">Marks</h2>
      <ol>
        {marks.toReversed().map((m) => (
          <li key={m.mark} className="border-t border-rule py-1.5">
            <div className="flex flex-wrap items-baseline gap-x-3">
              <b className="font-mono">{markName(m.mark)}</b>
              <span>{m.why || "no reason given"}</span>
              <span className="text-[.84rem] text-soft">{dayText(m.madeAt.slice(0, 10))}</span>
              <span className="ml-auto flex gap-2 text-[.84rem]">
                <button
                  className="quiet"
                  aria-pressed={against === m.mark}
                  onClick={() => setAgainst(against === m.mark ? null : m.mark)}
                >
                  {against === m.mark ? "stop comparing" : "compare with it"}
                </button>
                <button className="quiet" onClick={() => onOpen(m)}>
                  open mark {markName(m.mark)}
                </button>
                <a className="quiet" href={`/api/designs/file?id=${m.recipe.id}&mark=${m.mark}`}>
                  file
                </a>
              </span>
            </div>
            {m.notes.map((n, i) => (
              <p key={i} className="ml-8 text-[.9rem]">
                <span className="text-soft">in use, {dayText(n.at.slice(0, 10))}: </span>
                {n.text}
              </p>
            ))}
          </li>
        ))}
      </ol>
      <form
        className="mt-1 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (note.trim()) onNote(newest.mark, note.trim());
          setNote("");
        }}
      >
        <input
          className="field flex-1"
          aria-label="Noticed in use"
          placeholder={`noticed of mark ${markName(newest.mark)} in use …`}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
        <button className="quiet">note it</button>
      </form>
    </section>
  );
}

/** What differs between a kept mark and the draft: in the cut list, then field by field. */
export function Differences({
  was,
  now,
  parts,
  mark,
  units,
}: {
  was: Recipe;
  now: Recipe;
  parts: PartChange[];
  mark: number;
  units: Units;
}) {
  const changes = changesBetween(was, now);
  const size = (s: PartChange["was"]) =>
    s ? (
      <>
        {s.count} of <Measure value={s.size.l} units={units} /> × <Measure value={s.size.w} units={units} /> ×{" "}
        <Measure value={s.size.t} units={units} />
      </>
    ) : (
      "not there"
    );
  return (
    <section aria-label={`What differs from mark ${markName(mark)}`} className="mt-4">
      <h2 className="small-head">Against mark {markName(mark)}: what differs is outlined in the drawing</h2>
      {changes.length === 0 && <p>Nothing differs.</p>}
      <ul>
        {parts.map((p) => (
          <li key={p.id} className="border-t border-rule py-1">
            <strong className="font-semibold">{p.name}</strong>:{" "}
            {p.cuts ? (
              "the same blank, cut otherwise"
            ) : (
              <>
                {size(p.was)} → {size(p.now)}
              </>
            )}
          </li>
        ))}
        {changes.slice(0, SHOWN).map((c) => (
          <li key={c.where} className="border-t border-rule py-1 text-[.87rem]">
            <span className="text-soft">{c.where}</span>
            <span className="block font-mono">
              {c.was === undefined ? "new" : <del>{clip(c.was)}</del>}{" "}
              {c.now === undefined ? "taken out" : <ins className="font-semibold no-underline">{clip(c.now)}</ins>}
            </span>
          </li>
        ))}
      </ul>
      {changes.length > SHOWN && <p className="text-soft">and {changes.length - SHOWN} more</p>}
    </section>
  );
}

const clip = (t: string) => (t.length > 90 ? `${t.slice(0, 87)}…` : t);
