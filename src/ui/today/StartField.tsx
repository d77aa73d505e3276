"use client";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import type { MakersOwn } from "@/core/designs/design";
import { linesOf, readAsked } from "@/core/job/asked";
import { madeElsewhere, makeables } from "@/core/job/find";
import { TEMPLATES } from "@/core/job/templates";
import { STANDARDS } from "@/core/standards";
import { askServer, NoAnswer } from "@/ui/parts/askServer";
import { Key } from "@/ui/parts/Key";
import { dayText } from "@/ui/parts/words";

/** What is wanted in one line, and the job is there: what is read of it stands below while it is typed. */
export function StartField({ day, own, usual, big }: { day: string; own: MakersOwn; usual: string[]; big: boolean }) {
  const router = useRouter();
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const box = useRef<HTMLInputElement>(null);
  const file = useRef<HTMLInputElement>(null);
  const all = useMemo(() => makeables([...STANDARDS, ...own.standards], own.designs), [own]);
  const asked = useMemo(() => (typed.trim() ? readAsked(typed, all, day, usual) : null), [typed, all, day, usual]);
  const start = async (body: object | Blob, path = "/api/jobs/start", station = "shape") => {
    if (busy) return;
    setBusy(true);
    setWrong(null);
    try {
      const { id } = await askServer<{ id: number }>(path, { method: "POST", body });
      router.push(`/jobs/${id}/${station}`);
    } catch (e) {
      const isFile = path === "/api/jobs";
      setWrong(
        `${isFile ? "This is not a job file that can be opened. Nothing was kept. " : ""}${
          e instanceof NoAnswer && isFile ? "It is too large, or the server does not answer." : (e as Error).message
        }`,
      );
      setBusy(false);
    }
  };
  const go = () => {
    if (!asked || asked.lines.length === 0) return;
    const { due, customer, wood } = asked;
    void start({ lines: linesOf(asked), ...(due ? { due } : {}), ...(customer ? { customer } : {}), ...(wood ? { wood } : {}) }); // prettier-ignore
  };
  useEffect(() => box.current?.focus(), []);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== "n" || e.metaKey || e.ctrlKey || e.altKey) return;
      if ((e.target as HTMLElement).closest("input, select, textarea")) return;
      box.current?.focus();
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <section aria-label="Start a job" className={big ? "mx-auto max-w-[52rem] pt-10" : ""}>
      {big && <h1 className="mb-3 text-center text-[1.5rem] font-semibold">What do you want to make?</h1>}
      <div className="flex flex-wrap items-stretch gap-3">
        <input
          ref={box}
          className={`min-w-72 flex-1 border-2 border-ink bg-white px-3 py-2 ${big ? "text-[1.4rem]" : "text-[1.13rem]"}`}
          aria-label="What do you want to make"
          aria-describedby="start-read"
          autoComplete="off"
          placeholder="10 deep bodies, 100 frames for the school garden by 12 March"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setWrong(null);
          }}
          onKeyDown={(e) => {
            if (e.key === "Enter") go();
            if (e.key === "Escape") setTyped("");
          }}
        />
        <button className="act text-[1.07rem]" disabled={!asked || asked.lines.length === 0 || busy} onClick={go}>
          {asked && asked.lines.length > 0 && asked.unknown.length > 0 ? "Start without it" : "Start the job"}
        </button>
      </div>
      <p id="start-read" className="min-h-7 py-1 text-[.93rem]" aria-live="polite">
        {wrong ? (
          <span role="alert" className="font-semibold whitespace-pre-wrap text-madder">
            {wrong}
          </span>
        ) : asked ? (
          <>
            {asked.lines.map((l, i) => (
              <span key={i}>
                {i > 0 && ", "}
                <b className="font-semibold">{l.quantity}</b> {l.of.name}
                {l.of.standard !== asked.lines[i - 1]?.of.standard && (
                  <span className="text-soft"> {l.of.standardName}</span>
                )}
                {l.frames && " with frames"}
              </span>
            ))}
            {asked.wood && <span className="text-soft"> · in {asked.wood}</span>}
            {asked.customer && <span className="text-soft"> · for {asked.customer}</span>}
            {asked.due && (
              <span className={asked.due < day ? "font-semibold text-madder" : "text-soft"}>
                {" "}
                · due {dayText(asked.due)} {asked.due.slice(0, 4)}
                {asked.due < day && ", which is past"}
              </span>
            )}
            {asked.unknown.length > 0 && (
              <span className="font-semibold text-madder">
                {asked.lines.length > 0 && " · "}nothing is called “{asked.unknown.join("”, “")}”
                {asked.unknown.flatMap((u) => madeElsewhere(u, all) ?? []).map((why) => `: ${why}`)}
              </span>
            )}
          </>
        ) : (
          <span className="text-soft">
            Things parted by commas, for whom, by when; press <Key k="n" /> to come here. Or{" "}
            <button className="quiet" onClick={() => void start({ lines: [] }, undefined, "ask")}>
              start an empty job
            </button>
            ,{" "}
            <button className="quiet" onClick={() => file.current?.click()}>
              open a job file
            </button>
            .
          </span>
        )}
      </p>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        aria-label="Job file"
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = "";
          if (chosen) void start(chosen, "/api/jobs");
        }}
      />
      <details open={big} className="mb-1">
        <summary className="small-head cursor-pointer py-1">or something that is made often</summary>
        <ul className="flex flex-wrap gap-x-2 gap-y-1 pt-1">
          {TEMPLATES.map((t) => (
            <li key={t.id}>
              <button
                className="min-h-[44px] border border-rule bg-white px-3"
                onClick={() => void start({ template: t.id })}
                disabled={busy}
              >
                {t.name}
              </button>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
