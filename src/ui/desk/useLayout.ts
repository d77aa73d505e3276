"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { LayoutResult, Progress } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import { linesOf } from "@/ui/parts/linesOf";

export interface LayoutState {
  state: "waiting" | "working" | "done" | "stopped" | "failed";
  /** The newest finished layout; while working, of the question before. */
  result?: LayoutResult;
  /** The result is of the present question. */
  fresh: boolean;
  /** It is the best so far; a better one is still looked for: cheaper, or with fewer set-ups. */
  improving?: boolean;
  progress?: Progress;
  /** So many layouts are worked out before this one. */
  before?: number;
  error?: string;
  /** It was stopped: the result is the best that was known then. */
  early?: boolean;
  stop(): void;
  again(): void;
}

/** Asked, and nothing heard yet. */
const BEGUN = { state: "working", fresh: false, improving: false, progress: undefined, before: undefined } as const;
const isBegun = (s: object) => Object.entries(BEGUN).every(([k, v]) => (s as Record<string, unknown>)[k] === v);

/** Keeps the layout of a job up to date, worked out on the server's workers; a newer question drops the older one. */
export function useLayout(request: LayoutRequest): LayoutState {
  const [state, setState] = useState<Omit<LayoutState, "stop" | "again">>({ state: "waiting", fresh: false });
  const [round, setRound] = useState(0);
  const asked = useRef("");
  const key = useMemo(() => JSON.stringify(request), [request]);

  useEffect(() => {
    const call = new AbortController();
    const name = `${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;
    asked.current = name;
    setState((s) => (isBegun(s) ? s : { ...s, ...BEGUN }));
    const timer = setTimeout(() => {
      void (async () => {
        try {
          const reply = await fetch(`/api/layout?ask=${name}`, {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: key,
            signal: call.signal,
          });
          if (!reply.ok || !reply.body)
            throw new Error(
              ((await reply.json()) as { error?: string }).error ?? `the server answered ${reply.status}`,
            );
          for await (const line of linesOf(reply.body)) {
            const said = JSON.parse(line) as {
              progress?: Progress;
              before?: number;
              soFar?: LayoutResult;
              result?: LayoutResult;
              error?: string;
            };
            if (call.signal.aborted) return;
            if (said.progress) setState((s) => ({ ...s, progress: said.progress, before: undefined }));
            if (said.before !== undefined) setState((s) => ({ ...s, before: said.before }));
            const { result, soFar } = said;
            if (soFar) setState((s) => ({ ...s, fresh: true, improving: true, early: false, result: soFar }));
            if (result) setState((s) => ({ state: "done", fresh: true, result, early: s.state === "stopped" }));
            if (said.error) throw new Error(said.error);
          }
        } catch (e) {
          if (!call.signal.aborted) setState((s) => ({ ...s, state: "failed", error: (e as Error).message }));
        }
      })();
    }, 120);
    return () => {
      clearTimeout(timer);
      call.abort();
    };
  }, [key, round]);

  const stop = useCallback(() => {
    setState((s) => ({ ...s, state: "stopped" }));
    void fetch(`/api/layout?ask=${asked.current}`, { method: "DELETE" });
  }, []);
  const again = useCallback(() => setRound((r) => r + 1), []);
  return useMemo(() => ({ ...state, stop, again }), [state, stop, again]);
}
