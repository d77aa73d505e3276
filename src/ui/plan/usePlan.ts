"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Put } from "@/core/plan/replan";
import type { PutForward, RunPlan } from "@/core/plan/shown";
import type { Gain } from "@/core/plan/whatif";
import { useFollow } from "@/ui/desk/useFollow";
import { askServer } from "@/ui/parts/askServer";
import { linesOf } from "@/ui/parts/linesOf";

interface Working {
  what: "plan" | "gains";
  late?: number;
  finish?: number;
}

/** What can be done with the plan of the shop. `changed` is told when another one stands. */
export function usePlan(stands: RunPlan | null, stale: boolean, changed: () => void) {
  const [forward, setForward] = useState<PutForward | null>(null);
  /** Let stand just now: the page is still to be told by the server. */
  const [stood, setStood] = useState<RunPlan | null>(null);
  const [puts, setPuts] = useState<Put[]>([]);
  const [gains, setGains] = useState<Gain[] | null>(null);
  const [working, setWorking] = useState<Working | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const asked = useRef<{ name: string; at: string } | null>(null);
  const said = useRef<number | null>(null);
  useFollow("/api/plan", useCallback((version: number) => {
    if (said.current !== null && version !== said.current) changed();
    said.current = version;
  }, [changed])); // prettier-ignore

  /** Asks for long work, told as it goes on. */
  const long = async <T, P>(at: string, hear: (p: P) => void): Promise<T | undefined> => {
    const name = `${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;
    asked.current = { name, at };
    setProblem(null);
    try {
      const reply = await fetch(`${at}?ask=${name}`, { method: "POST" });
      if (!reply.ok || !reply.body) throw new Error(((await reply.json()) as { error?: string }).error ?? `the server answered ${reply.status}`); // prettier-ignore
      for await (const line of linesOf(reply.body)) {
        const { progress, result, error } = JSON.parse(line) as { progress?: P; result?: T; error?: string };
        if (error) throw new Error(error);
        if (progress) hear(progress);
        if (result) return result;
      }
      throw new Error("the server stopped before it was done");
    } catch (e) {
      setProblem((e as Error).message);
      return undefined;
    } finally {
      setWorking(null);
    }
  };
  const anew = async () => {
    setWorking({ what: "plan" });
    const made = await long<PutForward, { late: number; finish: number }>("/api/plan", (p) => setWorking({ what: "plan", ...p })); // prettier-ignore
    if (made) {
      setForward(made);
      setPuts([]);
    }
  };
  const weigh = async () => {
    setWorking({ what: "gains" });
    const told = await long<Gain[], Gain[]>("/api/plan/gains", setGains);
    if (told) setGains(told);
  };
  const enough = () => {
    if (asked.current) void fetch(`${asked.current.at}?ask=${asked.current.name}`, { method: "DELETE" });
  };
  const stand = async (id: number, what: "stand" | "back") => {
    try {
      await askServer("/api/plan/stand", { method: "POST", body: { id, do: what } });
      setStood(what === "stand" ? (forward?.plan ?? null) : null);
      setForward(null);
      setPuts([]);
      setGains(null);
      setProblem(null);
    } catch (e) {
      setProblem((e as Error).message);
      setForward(null);
    }
    changed();
  };
  const mend = useCallback(async (next: Put[]) => {
    try {
      const told = await askServer<PutForward>("/api/plan/mend", { method: "POST", body: { puts: next }, patience: 30_000 }); // prettier-ignore
      setProblem(null);
      setPuts(next);
      return told;
    } catch (e) {
      setProblem((e as Error).message);
      return undefined;
    }
  }, []);
  const put = async (p: Put) => {
    const told = await mend([...puts.filter((o) => o.job !== p.job || o.name !== p.name || o.lot !== p.lot), p]);
    if (told) setForward(told);
  };
  // Something it was made from has changed: what that moves is asked about; what moves nothing stands at once.
  const mended = useRef<number | null>(null);
  const id = stands?.id;
  useEffect(() => {
    if (id === undefined || !stale || mended.current === id) return;
    mended.current = id;
    void (async () => {
      const told = await mend([]);
      if (!told) return;
      if (told.mended!.moved.length === 0 && told.mended!.added === 0 && told.mended!.hands === 0) {
        await askServer("/api/plan/stand", { method: "POST", body: { id: told.plan.id, do: "stand" } }).catch(() => {});
        changed();
      } else setForward(told);
    })();
  }, [id, stale, mend, changed]);
  useEffect(() => {
    if (!stale) mended.current = null;
  }, [stale]);
  return {
    forward,
    stands: stood && stood.id > (stands?.id ?? 0) ? stood : stands,
    gains,
    working,
    problem,
    anew,
    weigh,
    enough,
    put,
    letStand: () => forward && stand(forward.plan.id, "stand"),
    putBack: () => {
      setForward(null);
      setPuts([]);
      mended.current = id ?? null;
    },
    goBack: () => stands && stand(stands.id, "back"),
  };
} // prettier-ignore
