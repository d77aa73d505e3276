"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { type Kept, MOST_AT_ONCE } from "@/core/keeping/kept";
import { askServer, NoAnswer, Refused, RETRY } from "@/ui/parts/askServer";
import { useFollow } from "./useFollow";
import { forget, leftBehind, nextKey, remember, screenName, type Sent, type Waiting } from "./waiting";

/** Something that was done here and is not kept, because it does not hold any more: why, and what it was. */
export interface Dropped<A> {
  what: Sent<A>;
  why: string;
}

export interface Keeping<A> {
  /** Acts not yet kept. */
  waiting: number;
  /** Why the server takes nothing just now: what waits is sent again every few seconds. */
  held: string | null;
  /** What was not kept, and why. */
  dropped: Dropped<A>[];
  /** What `undo` would take back. */
  undoes: string | null;
  send(what: Sent<A>): void;
  again(): void;
  /** What was dropped has been seen, or is done again. */
  seen(): void;
}

/** So many characters of acts go in one request, but for an act that is longer by itself. */
const LARGEST_TOGETHER = 500_000;
/**
 * Sends what was done to the server in the order it was done: what waits meanwhile together. Each has a key, so that a reply that was lost
 * does no harm: asked again, the server answers and does nothing twice. While the server does not answer it waits, over a
 * reload and a closed tab too, and is tried again. What is refused is dropped by name, with what stood on it; `adopt` is given the
 * thing as it is kept when that is another than the one shown.
 */
export function useKeeping<S extends Kept, A>(
  /** Where it is kept: `/api/jobs/12`. */
  at: string,
  stored: S,
  adopt: (stored: S) => void,
  /** An act done after another may mean something else without it. */
  dependsOn: (later: A, earlier: A) => boolean,
  /** What is done shows here as the server will have it; otherwise its answer is always taken. */
  foresees = true,
): Keeping<A> {
  const [state, setState] = useState<Pick<Keeping<A>, "waiting" | "held">>({ waiting: 0, held: null });
  const [dropped, setDropped] = useState<Dropped<A>[]>([]);
  const [undoes, setUndoes] = useState(stored.undo);
  const pending = useRef<Waiting<A>[]>([]);
  /** The thing as it was last taken from the server, which all that waits was done on; and the newest version it is known to have. */
  const base = useRef(stored.revision);
  const newest = useRef(stored.version);
  const busy = useRef(false);
  const retry = useRef<ReturnType<typeof setTimeout>>(undefined);
  const onward = useRef<() => void>(() => undefined);
  /** What is shown may be another than what is kept. */
  const differs = useRef(false);
  /** The newest version there is said to be. */
  const said = useRef(stored.version);

  const done = useCallback((w: Waiting<A>) => {
    pending.current = pending.current.filter((p) => p.key !== w.key);
    void forget(w.key);
  }, []);

  const again = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    const asker = () => `?screen=${screenName()}&loaded=${stored.revision}&since=${base.current}`;
    const show = (held: string | null) => setState({ waiting: pending.current.length, held });
    /** Shows what somebody else did; what is done here meanwhile goes first. */
    const follow = async () => {
      const kept = await ask<S>(`${at}${asker()}`);
      if ("error" in kept) said.current = newest.current;
      else if (pending.current.length === 0) {
        said.current = newest.current = kept.version;
        base.current = kept.revision;
        setUndoes(kept.undo);
        adopt(kept);
      }
    };
    try {
      while (pending.current.length > 0 || said.current > newest.current) {
        const next = pending.current[0];
        if (!next) {
          await follow();
          continue;
        }
        const asked = together(pending.current);
        const reply = await ask<S & { did: number }>(`${at}/act`, {
          loaded: stored.revision,
          acts: asked.map(({ key, seen, what }) => ({ key, revision: seen, ...what })),
        });
        const refused = "error" in reply;
        const kept = refused ? await ask<S>(`${at}${asker()}`) : reply;
        const gone = asked.slice(0, refused ? 1 : reply.did);
        gone.forEach(done);
        if (refused) {
          const lost = [next, ...pending.current.filter((p) => standsOn(p.what, next.what, dependsOn))];
          lost.forEach(done);
          setDropped((all) => [...all, ...lost.map((l) => ({ what: l.what, why: reply.error }))]);
        }
        if (!("error" in kept)) {
          // Further than what was sent: somebody else did something too.
          differs.current ||=
            !foresees || refused || gone.some((g) => "undo" in g.what) || kept.version !== newest.current + gone.length;
          newest.current = kept.version;
          setUndoes(kept.undo);
          if (pending.current.length === 0) {
            base.current = kept.revision;
            if (differs.current) adopt(kept);
            differs.current = false;
          }
        }
        show(null);
      }
    } catch (e) {
      show(e instanceof NoAnswer ? e.message : "the server does not answer");
      // Whether or not the page is still open.
      clearTimeout(retry.current);
      retry.current = setTimeout(() => onward.current(), RETRY);
    } finally {
      busy.current = false;
    }
  }, [at, stored.revision, adopt, done, dependsOn, foresees]);
  useEffect(() => {
    onward.current = () => void again();
  }, [again]);

  // Somebody else did something: what is shown follows, between what is done here.
  useFollow(
    at,
    useCallback(
      (version: number) => {
        said.current = Math.max(said.current, version);
        if (said.current > newest.current && pending.current.length === 0) void again();
      },
      [again],
    ),
  );

  const send = useCallback(
    (what: Sent<A>) => {
      const w: Waiting<A> = { key: nextKey(), at, seen: base.current, what };
      pending.current.push(w);
      void remember(w);
      setState((s) => ({ ...s, waiting: pending.current.length }));
      void again();
    },
    [at, again],
  );

  useEffect(() => {
    void leftBehind<A>(at).then((left) => {
      const old = left.filter((w) => !pending.current.some((p) => p.key === w.key));
      if (old.length === 0) return;
      pending.current = [...old, ...pending.current];
      differs.current = true;
      setState((s) => ({ ...s, waiting: pending.current.length }));
      void again();
    });
  }, [at, again]);

  useEffect(() => {
    if (state.held === null) return;
    // Leaving now is not losing it, but it is not kept yet either: the browser asks first.
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [state.held]);

  return useMemo(
    () => ({ ...state, dropped, undoes, send, again: () => void again(), seen: () => setDropped([]) }),
    [state, dropped, undoes, send, again],
  );
}

/** Something done after what was refused, which may mean another line now. What is taken back was done last. */
const standsOn = <A>(later: Sent<A>, refused: Sent<A>, dependsOn: (later: A, earlier: A) => boolean): boolean =>
  "undo" in later || "undo" in refused || dependsOn(later.act, refused.act);

/** What of all that waits goes in one request: few enough, and small enough, to be answered soon. */
function together<A>(waiting: Waiting<A>[]): Waiting<A>[] {
  let size = 0;
  const some = waiting.slice(0, MOST_AT_ONCE).filter((w) => (size += JSON.stringify(w.what).length) < LARGEST_TOGETHER);
  return some.length > 0 ? some : waiting.slice(0, 1);
}

/** The thing as it is kept after what was asked, or why it was refused. @throws NoAnswer */
async function ask<T extends Kept>(path: string, body?: object): Promise<T | { error: string }> {
  try {
    return await askServer<T>(path, body && { method: "POST", body });
  } catch (e) {
    if (e instanceof Refused) return { error: e.message };
    throw e;
  }
}
