"use client";
import { createContext, useCallback, useContext, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { type Act, preview } from "@/core/job/acts";
import { JobFileError } from "@/core/job/problem";
import type { Job } from "@/core/job/job";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { FormulaError } from "@/core/shape/formula";
import { ShapeError } from "@/core/shape/shape";
import type { Working } from "@/core/shape/scope";
import { STANDARDS } from "@/core/standards";
import type { Design, MakersOwn } from "@/core/designs/design";
import type { Standard } from "@/core/standards/standard";
import { layoutRequest } from "@/core/layout/ask";
import { type Order, orderOf } from "@/core/order/order";
import { type Plan, planOf } from "@/core/plan/plan";
import type { Measurement } from "@/core/judge/reading";
import type { StoredJob } from "@/core/job/stored";
import { type Moves, movesBetween } from "./moves";
import { type LayoutState, useLayout } from "./useLayout";

/** What is lit: the same key lights the drawing, the part, the stick's mark and the finding; the working shows below. */
export interface Lit {
  key: string;
  working: Working;
}

/** Everything the stations need of the open job. */
export interface Desk {
  id: number;
  job: Job;
  worked: WorkedJob;
  undoes: string | null;
  /** Where a refused value belongs, and why it was refused. */
  problem: { field: string; message: string } | null;
  trouble: string | null;
  saving: boolean;
  line: number;
  setLine(line: number): void;
  lit: Lit | null;
  light(lit: Lit | null): void;
  moves: Moves;
  /** Does it, here at once and on the server. */
  act(act: Act, field?: string): void;
  /** Shows what it would do, without doing it. */
  try(act: Act, field?: string): void;
  undo(): void;
  clearTrouble(): void;
  /** Standards a line can have: those that ship, the job's own copies, and the maker's. */
  standards: Standard[];
  /** Designs a line can have: the job's own copies at their marks, and the maker's newest. */
  designs: Design[];
  /** The maker's newest marks. */
  newest: Design[];
  measurements: Measurement[];
  measure(m: Omit<Measurement, "at">): Promise<void>;
}

/** What hangs on the layout. Apart from the desk, so that its coming and going does not redraw what does not show it. */
export interface Laid {
  layout: LayoutState;
  order?: Order;
  plan?: Plan;
}

const LaidContext = createContext<Laid | null>(null);
export const LaidProvider = LaidContext.Provider;

export function useLaid(): Laid {
  const laid = useContext(LaidContext);
  if (!laid) throw new Error("useLaid outside a job");
  return laid;
}

const DeskContext = createContext<Desk | null>(null);
export const DeskProvider = DeskContext.Provider;

export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (!desk) throw new Error("useDesk outside a job");
  return desk;
}

const json = { "content-type": "application/json" };

/** What of the maker's own an act names and the job does not have yet, to be taken up before it. */
function takenUp(act: Act, job: Job, standards: Standard[], designs: Design[]): Act[] {
  const named: { item?: string; standard?: string }[] =
    act.do === "add line"
      ? [act.line]
      : act.do === "change line"
        ? [act.to]
        : act.do === "add lines"
          ? act.lines
          : act.do === "hives"
            ? act.hives.flatMap((h) => h.levels.flatMap((l) => ("measured" in l ? [] : [l])))
            : [];
  const wanted = (id: string) => named.some((n) => n.item === id || n.standard === id);
  return [
    ...standards
      .filter((s) => wanted(s.id) && !job.standards.some((x) => x.id === s.id))
      .map((standard): Act => ({ do: "use standard", standard })),
    ...designs
      .filter((d) => wanted(d.recipe.id) && !job.designs.some((x) => x.recipe.id === d.recipe.id))
      .map((design): Act => ({ do: "use design", design })),
  ];
}

/** Opens a job: local state that answers at once, acts sent to the server one after another. */
export function useOpenJob(
  stored: StoredJob,
  readings: Measurement[],
  { standards: own, designs: newest }: MakersOwn,
): { desk: Desk; laid: Laid } {
  const [job, setJob] = useState(stored.job);
  const [draft, setDraft] = useState<Job | null>(null);
  const [undoes, setUndoes] = useState(stored.undo);
  const [problem, setProblem] = useState<Desk["problem"]>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [waiting, setWaiting] = useState(0);
  const [line, setLine] = useState(0);
  const [lit, light] = useState<Lit | null>(null);
  const [moves, setMoves] = useState<Moves>(new Map());
  const [measurements, setMeasurements] = useState(readings);
  const revision = useRef(stored.revision);
  const queue = useRef<Promise<void>>(Promise.resolve());
  const latest = useRef(job);
  useEffect(() => {
    latest.current = job;
  }, [job]);

  const shown = draft ?? job;
  const worked = useMemo(() => workJob(shown), [shown]);
  /** One request after another; what the server kept is what the page then holds. */
  const send = useCallback(
    (body: (revision: number) => object, adopt: boolean) => {
      setWaiting((n) => n + 1);
      queue.current = queue.current.then(async () => {
        try {
          const reply = await fetch(`/api/jobs/${stored.id}/act`, {
            method: "POST",
            headers: json,
            body: JSON.stringify(body(revision.current)),
          });
          const said = (await reply.json()) as StoredJob & { error?: string };
          const kept = reply.ok ? said : ((await (await fetch(`/api/jobs/${stored.id}`)).json()) as StoredJob);
          if (!reply.ok) setTrouble(said.error ?? `the server answered ${reply.status}`);
          revision.current = kept.revision;
          setUndoes(kept.undo);
          if (adopt || !reply.ok) setJob(kept.job);
        } catch {
          setTrouble("the server does not answer; the last change is not kept. Try again when it is back");
        } finally {
          setWaiting((n) => n - 1);
        }
      });
    },
    [stored.id],
  );

  const carry = useCallback((act: Act, field: string | undefined, then: (next: Job) => void) => {
    try {
      const next = preview(latest.current, act);
      setProblem(null);
      if ("at" in act) setMoves(movesBetween(workJob(latest.current), workJob(next), act.at));
      then(next);
    } catch (e) {
      if (!(e instanceof JobFileError || e instanceof ShapeError || e instanceof FormulaError)) throw e;
      setProblem({ field: field ?? ("name" in act ? act.name : ""), message: e.message });
    }
  }, []);

  const desk = useMemo(
    (): Desk => ({
      id: stored.id,
      job: shown,
      worked,
      undoes,
      problem,
      trouble,
      saving: waiting > 0,
      line: Math.min(line, Math.max(0, shown.lines.length - 1)),
      setLine: (n) => {
        setLine(n);
        light(null);
        setMoves(new Map());
      },
      lit,
      light,
      moves,
      act: (act, field) => {
        for (const take of takenUp(act, latest.current, own, newest)) {
          latest.current = preview(latest.current, take);
          send((r) => ({ revision: r, act: take }), false);
        }
        carry(act, field, (next) => {
          setDraft(null);
          setJob(next);
          latest.current = next;
          send((r) => ({ revision: r, act }), false);
        });
      },
      try: (act, field) => carry(act, field, setDraft),
      undo: () => {
        setDraft(null);
        setMoves(new Map());
        send(() => ({ undo: true }), true);
      },
      clearTrouble: () => setTrouble(null),
      standards: [...STANDARDS, ...shown.standards, ...own.filter((s) => !shown.standards.some((x) => x.id === s.id))],
      designs: [...shown.designs, ...newest.filter((d) => !shown.designs.some((x) => x.recipe.id === d.recipe.id))],
      newest,
      measurements,
      measure: async (m) => {
        const reply = await fetch(`/api/jobs/${stored.id}/measurements`, {
          method: "POST",
          headers: json,
          body: JSON.stringify(m),
        });
        const said = (await reply.json()) as Measurement[] & { error?: string };
        if (reply.ok) setMeasurements(said);
        else setTrouble(said.error ?? "the reading was not kept");
      },
    }),
    [
      stored.id,
      shown,
      worked,
      undoes,
      problem,
      trouble,
      waiting,
      line,
      lit,
      moves,
      measurements,
      own,
      newest,
      carry,
      send,
    ],
  );

  // What hangs on the layout follows when the page has been drawn, so that typing is never held up by it.
  const settled = useDeferredValue(worked);
  const layout = useLayout(useMemo(() => layoutRequest(settled), [settled]));
  const result = useDeferredValue(layout.fresh ? layout.result : undefined);
  const order = useMemo(() => result && orderOf(settled, result), [settled, result]);
  const plan = useMemo(() => (result && settled.job.start ? planOf(settled, result) : undefined), [settled, result]);

  const laid = useMemo(() => ({ layout, order, plan }), [layout, order, plan]);
  return { desk, laid };
}
