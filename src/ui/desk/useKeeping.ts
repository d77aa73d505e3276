"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Act } from "@/core/job/acts";
import type { Job } from "@/core/job/job";
import type { StoredJob } from "@/core/job/stored";
import { askServer, Refused } from "@/ui/parts/askServer";

type Sent = { act: Act } | { undo: true };

export interface Keeping {
  /** Acts not yet kept. */
  waiting: number;
  /** The server does not answer: what waits is sent again every few seconds. */
  held: boolean;
  /** Why something was not kept. */
  trouble: string | null;
  /** What `undo` would take back. */
  undoes: string | null;
  send(what: Sent): void;
  again(): void;
  say(trouble: string | null): void;
}

const RETRY = 4000;

/**
 * Sends what was done to the server, one after another, in the order it was done. While the server does not answer it
 * waits and tries again; when something is refused, what was done after it is dropped too, because it stood on it, and
 * `adopt` is given the job as it is kept.
 */
export function useKeeping(stored: StoredJob, adopt: (job: Job) => void): Keeping {
  const [state, setState] = useState({ waiting: 0, held: false });
  const [trouble, say] = useState<string | null>(null);
  const [undoes, setUndoes] = useState(stored.undo);
  const pending = useRef<Sent[]>([]);
  const revision = useRef(stored.revision);
  const busy = useRef(false);
  const retry = useRef<ReturnType<typeof setTimeout>>(undefined);
  const onward = useRef<() => void>(() => undefined);
  /** The job shown may be another than the one kept. */
  const differs = useRef(false);

  const again = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    const show = (held: boolean) => setState({ waiting: pending.current.length, held });
    try {
      while (pending.current.length > 0) {
        const next = pending.current[0]!;
        const reply = await ask(stored.id, "/act", { revision: revision.current, ...next });
        const kept = "error" in reply ? await ask(stored.id) : reply;
        if ("error" in reply) {
          pending.current = [];
          say(reply.error);
        } else pending.current.shift();
        if (!("error" in kept)) {
          revision.current = kept.revision;
          setUndoes(kept.undo);
          differs.current ||= "error" in reply || "undo" in next;
          if (differs.current && pending.current.length === 0) {
            differs.current = false;
            adopt(kept.job);
          }
        }
        show(false);
      }
    } catch {
      show(true);
      // Whether or not the page is still open.
      clearTimeout(retry.current);
      retry.current = setTimeout(() => onward.current(), RETRY);
    } finally {
      busy.current = false;
    }
  }, [stored.id, adopt]);
  useEffect(() => {
    onward.current = () => void again();
  }, [again]);

  const send = useCallback(
    (what: Sent) => {
      pending.current.push(what);
      setState((s) => ({ ...s, waiting: pending.current.length }));
      void again();
    },
    [again],
  );

  useEffect(() => {
    if (!state.held) return;
    // Leaving now would lose it: the browser asks first.
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [state.held]);

  return useMemo(
    () => ({ ...state, trouble, undoes, send, again: () => void again(), say }),
    [state, trouble, undoes, send, again],
  );
}

/** The job as it is kept after what was asked, or why it was refused. @throws NoAnswer */
async function ask(id: number, what = "", body?: object): Promise<StoredJob | { error: string }> {
  try {
    return await askServer<StoredJob>(`/api/jobs/${id}${what}`, body && { method: "POST", body });
  } catch (e) {
    if (e instanceof Refused) return { error: e.message };
    throw e;
  }
}
