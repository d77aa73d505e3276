"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { type BenchEvent, type Tally, tallyKey } from "@/core/bench/events";
import type { Length } from "@/core/length/length";
import { useFollow } from "@/ui/desk/useFollow";
import { forget, nextKey, remember, waitingFor } from "@/ui/desk/waiting";
import { askServer, NoAnswer } from "@/ui/parts/askServer";

const AT = "/api/bench";
/** So many go in one request; and so long between one try and the next, ms. */
const [TOGETHER, AGAIN] = [200, 2000];

/** What became of an operation with what happened here since, which the server does not know yet. */
export function withHere(
  told: Tally | undefined,
  here: BenchEvent[],
): Pick<Tally, "made" | "measured"> & { spoiled: number; stopped: boolean } {
  let made = told?.made ?? 0;
  let stopped = told !== undefined && !told.running;
  let spoiled = (told?.spoiled ?? []).reduce((n, s) => n + s.n, 0);
  const measured = [...(told?.measured ?? [])];
  for (const { what } of here)
    if (what.do === "count") made = Math.max(0, made + what.n);
    else if (what.do === "spoil") spoiled += what.n;
    else if (what.do === "measure") measured.push(what);
    else stopped = what.do === "stop";
  return { made, spoiled, measured, stopped };
}

/**
 * What happens at this bench: on the screen at once, sent in the order it happened, kept in the browser until the server has it, over a
 * lost line and a reload. Each has an id, so that nothing counts twice.
 */
export function useBench(told: Tally[], version: number, changed: () => void) {
  /** What the server has said last: a page it made before that says nothing new. */
  const newest = useRef(version);
  const [tallies, setTallies] = useState(() => new Map(told.map((t) => [tallyKey(t), t])));
  const [pending, setPending] = useState<BenchEvent[]>([]);
  const [lost, setLost] = useState<string | null>(null);
  const row = useRef<BenchEvent[]>([]);
  const busy = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const onward = useRef<() => void>(() => undefined);
  useEffect(() => {
    if (version < newest.current) return;
    newest.current = version;
    setTallies(new Map(told.map((t) => [tallyKey(t), t])));
  }, [told, version]);
  useFollow(AT, changed);

  const send = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    clearTimeout(timer.current);
    try {
      while (row.current.length > 0) {
        const events = row.current.slice(0, TOGETHER);
        const { tallies: now, version: at } = await askServer<{ tallies: Tally[]; version: number }>(AT, { method: "POST", body: { events } });
        newest.current = Math.max(newest.current, at);
        setTallies((all) => new Map([...all, ...now.map((t): [string, Tally] => [tallyKey(t), t])]));
        row.current = row.current.slice(events.length);
        setPending(row.current);
        setLost(null);
        for (const e of events) void forget(e.id);
      }
    } catch (e) {
      setLost((e as Error).message);
      // What the server refuses it refuses again: it is kept, and said.
      if (e instanceof NoAnswer) timer.current = setTimeout(() => onward.current(), AGAIN);
    } finally {
      busy.current = false;
    }
  }, []);
  useEffect(() => {
    onward.current = () => void send();
  }, [send]);
  const happened = useCallback(
    (of: { job: number; name: string }, what: BenchEvent["what"]) => {
      const id = nextKey();
      const event: BenchEvent = { id, job: of.job, name: of.name, at: Date.now(), what };
      row.current = [...row.current, event];
      setPending(row.current);
      void remember({ key: id, at: AT, seen: 0, what: { act: event } });
      void send();
    },
    [send],
  );
  // What was left by this page before it was loaded again, or by one that is closed.
  useEffect(() => {
    void waitingFor<BenchEvent>(AT).then((left) => {
      const old = left.flatMap(({ what }) => ("act" in what && !row.current.some((e) => e.id === what.act.id) ? [what.act] : [])); // prettier-ignore
      if (old.length === 0) return;
      row.current = [...old, ...row.current];
      setPending(row.current);
      void send();
    });
    return () => clearTimeout(timer.current);
  }, [send]);
  const of = (run: { job: number; name: string }) =>
    withHere(tallies.get(tallyKey(run)), pending.filter((e) => e.job === run.job && e.name === run.name)); // prettier-ignore
  return { of, minutes: (run: { job: number; name: string }) => tallies.get(tallyKey(run))?.minutes ?? 0, happened, waiting: pending.length, lost };
} // prettier-ignore

/** What the calliper says while a field waits for it: each reading, and whether its line is open. */
export function useCalliper(waits: boolean, read: (value: Length) => void): "open" | "lost" | null {
  const [line, setLine] = useState<"open" | "lost" | null>(null);
  const told = useRef(read);
  useEffect(() => {
    told.current = read;
  });
  useEffect(() => {
    if (!waits || typeof EventSource === "undefined") return undefined;
    const source = new EventSource("/api/bench/calliper");
    source.addEventListener("message", (e: MessageEvent<string>) => {
      const heard = JSON.parse(e.data) as { value: Length } | { line: "open" | "lost" };
      if ("line" in heard) setLine(heard.line);
      else told.current(heard.value);
    });
    return () => {
      source.close();
      setLine(null);
    };
  }, [waits]);
  return line;
}
