"use client";
import { isUnmakeable } from "@/core/shape/shape";
import { type Order, orderOf } from "@/core/order/order";
import { createContext, useCallback, useContext, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { type Act, apply, carryOut, preview } from "@/core/job/acts";
import { JobFileError } from "@/core/problem/problem";
import { moneyText } from "@/core/money/money";
import type { Job } from "@/core/job/job";
import { type WorkedJob, workJob } from "@/core/job/worked";
import type { Working } from "@/core/formula/scope";
import { STANDARDS } from "@/core/standards";
import type { Design, MakersOwn } from "@/core/designs/design";
import type { Standard } from "@/core/standards/standard";
import { layoutRequest } from "@/core/job/ask";
import type { Plan } from "@/core/plan/plan";
import type { Reading } from "@/core/judge/reading";
import type { StoredJob } from "@/core/job/stored";
import { dependsOn } from "@/core/job/collide";
import { type Around, inShop } from "@/core/job/inshop";
import { takingUp } from "@/core/job/takeup";
import { type CatalogueAct, changeCatalogue } from "@/core/catalogue/catalogue";
import type { Minutes, Workshop } from "@/core/shop/shop";
import { mayMove, type Moves, movesBetween, type Stood } from "./moves";
import { type Keeping, useKeeping } from "./useKeeping";
import { type LayoutState, useLayout } from "./useLayout";
import { useKeys } from "@/ui/parts/useKeys";
import { usePlan } from "./usePlan";
import { useStood } from "./useStood";
import { useTelling } from "./useTelling";

/** What is lit: the same key lights the drawing, the part, the stick's mark and the finding; the working shows below. */
export interface Lit {
  key: string;
  working: Working;
}

/** Everything the stations need of the open job. */
export interface Desk {
  id: number;
  /** As it stands in its shop, with all it can be made from. */
  job: Job;
  worked: WorkedJob;
  undoes: string | null;
  /** Where a refused value belongs, and why it was refused. */
  problem: { field: string; message: string } | null;
  keeping: Keeping<Act>;
  /** What the shop has: where the job's workshop differs, it does so otherwise. */
  shop: Workshop;
  /** So many of the job's stock, the first of it, are its own; the rest is the yard's and the catalogue's. */
  own: number;
  around: Around;
  /** Says what a kind of operation takes in the shop; null is the guess again. */
  shopMinutes(kind: string, to: Minutes | null): void;
  /** Does something to the shop's catalogue. */
  catalogue(act: CatalogueAct): void;
  line: number;
  setLine(line: number): void;
  /** Which line and which of its own stock is which, by place, whatever others take out meanwhile. */
  keys: { lines: readonly number[]; stock: readonly number[] };
  lit: Lit | null;
  light(lit: Lit | null): void;
  moves: Moves;
  /** Does it, here at once and on the server. */
  act(act: Act, field?: string): void;
  /** Shows what it would do, without doing it. */
  try(act: Act, field?: string): void;
  /** Goes back to what is, after `try`. */
  untry(): void;
  undo(): void;
  /** Standards a line can have: those that ship, the job's own copies, and the maker's. */
  standards: Standard[];
  /** Designs a line can have: the job's own copies at their marks, and the maker's newest. */
  designs: Design[];
  /** The maker's newest marks. */
  newest: Design[];
  /** Keeps what a gauge or tape reads. */
  measure(m: Omit<Reading, "at">): void;
}

/** What hangs on the layout. Apart from the desk, so that its coming and going does not redraw what does not show it. */
export interface Laid {
  layout: LayoutState;
  order?: Order;
  plan?: Plan;
  /** How things stood before the last change. */
  was?: Stood;
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

/** How the job writes an amount. */
export function useMoney(): (amount: number) => string {
  const { currency } = useDesk().job.workshop.money;
  return (amount) => moneyText(amount, currency);
}

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

/** Acts on a line name it by its place. */
const isOnLine = (act: Act): act is Extract<Act, { do: "change line" | "option" }> =>
  act.do === "change line" || act.do === "option";

/** What is tried where its line stands by now; null where that is gone. */
function movedTo({ act, line }: { act: Act; line: number | undefined }, lines: readonly number[]): Act | null {
  if (!isOnLine(act) || line === undefined) return act;
  const at = lines.indexOf(line);
  return at === -1 ? null : { ...act, at };
}

/** A job with what is tried; without it where that no longer can be: its line may be gone. */
function withTried(job: Job, tried: Act, shop: Workshop): Job {
  try {
    return apply(job, tried, shop);
  } catch (e) {
    if (!(e instanceof JobFileError)) throw e;
    return job;
  }
}

/** Opens a job: local state that answers at once, acts sent to the server one after another. */
export function useOpenJob(
  stored: StoredJob,
  { standards: ownStandards, designs: newest }: MakersOwn,
): { desk: Desk; laid: Laid } {
  const [job, setJob] = useState(stored.job);
  /** What is tried, and on which line: shown on the job as it is by then, whoever else changes it meanwhile. */
  const [trying, setTrying] = useState<{ act: Act; line: number | undefined } | null>(null);
  const [problem, setProblem] = useState<Desk["problem"]>(null);
  const lines = useKeys(job.lines);
  const stock = useKeys(job.stock);
  const keys = useMemo(() => ({ lines, stock }), [lines, stock]);
  const keysNow = useRef(lines);
  /** The line that is open, and the place it had: what stands there is open when it is gone. */
  const [opened, open] = useState({ key: 0, at: 0 });
  const stands = lines.indexOf(opened.key);
  const line = stands === -1 ? Math.min(opened.at, Math.max(0, lines.length - 1)) : stands;
  const [lit, light] = useState<Lit | null>(null);
  const [moves, setMoves] = useState<Moves>(new Map());
  /** So often something was done. */
  const [change, setChange] = useState(0);
  const latest = useRef(job);
  useEffect(() => {
    latest.current = job;
    keysNow.current = lines;
  }, [job, lines]);
  const [shop, setShop] = useState(stored.shop);
  const shopNow = useRef(shop);
  const [around, setAround] = useState(stored.around);
  const aroundNow = useRef(around);

  const adopt = useCallback((kept: StoredJob) => {
    setJob(kept.job);
    setShop(kept.shop);
    shopNow.current = kept.shop;
    setAround(kept.around);
    aroundNow.current = kept.around;
  }, []);
  const keeping = useKeeping<StoredJob, Act>(`/api/jobs/${stored.id}`, stored, adopt, dependsOn);
  const { send } = keeping;

  const tried = useMemo(() => trying && movedTo(trying, lines), [trying, lines]);
  const drafted = useMemo(() => (tried ? withTried(job, tried, shop) : job), [job, tried, shop]);
  const shown = useMemo(() => inShop(drafted, stored.id, around), [drafted, stored.id, around]);
  const own = drafted.stock.length;
  const worked = useMemo(() => workJob(shown), [shown]);
  /** What is done is checked in full, as the server will; what is tried while typing only where it changes a line. */
  const carry = useCallback((out: typeof preview, act: Act, field: string | undefined, then: (next: Job) => void) => {
    try {
      const next = out(latest.current, act, shopNow.current);
      setProblem(null);
      if (mayMove(act)) setMoves(movesBetween(workJob(latest.current), workJob(next), act.at));
      then(next);
    } catch (e) {
      if (!(e instanceof JobFileError || isUnmakeable(e))) throw e;
      // At its field a fault needs no path, only what was read and what would be right.
      const message = e instanceof JobFileError ? e.problems.map((p) => p.message).join("; ") : e.message;
      setProblem({ field: field ?? ("name" in act ? act.name : ""), message });
    }
  }, []);

  const act = useCallback(
    (act: Act, field?: string) => {
      setTrying(null);
      const here = inShop(latest.current, stored.id, aroundNow.current);
      const { before, act: onOwn } = takingUp(act, latest.current, here);
      for (const take of [...before, ...takenUp(act, latest.current, ownStandards, newest)]) {
        latest.current = preview(latest.current, take);
        send({ act: take });
      }
      carry(carryOut, onOwn, field, (next) => {
        setJob(next);
        setChange((n) => n + 1);
        latest.current = next;
        send({ act: onOwn });
      });
    },
    [stored.id, ownStandards, newest, carry, send],
  );

  const tell = useTelling(setProblem);
  const shopMinutes = useCallback(
    (kind: string, to: Minutes | null) => {
      const { [kind]: _old, ...others } = shopNow.current.minutes;
      const minutes = to ? { ...others, [kind]: to } : others;
      tell("minutes", { do: "workshop", to: { minutes } }, aroundNow.current.shop);
    },
    [tell],
  );

  const catalogue = useCallback(
    (what: CatalogueAct) => {
      try {
        const { offers } = changeCatalogue(aroundNow.current, what);
        setProblem(null);
        aroundNow.current = { ...aroundNow.current, offers };
        setAround(aroundNow.current);
      } catch (e) {
        if (!(e instanceof JobFileError)) throw e;
        return setProblem({ field: "catalogue", message: e.problems.map((p) => p.message).join("; ") });
      }
      tell("catalogue", what, aroundNow.current.revision);
    },
    [tell],
  );

  const tryOut = useCallback(
    (act: Act, field?: string) =>
      carry(preview, act, field, () => setTrying({ act, line: isOnLine(act) ? keysNow.current[act.at] : undefined })),
    [carry],
  );
  const untry = useCallback(() => {
    setTrying(null);
    setProblem(null);
    setMoves(new Map());
  }, []);

  // The same as long as nothing of the maker's own changes: rows of lines are not drawn again for another line's sake.
  const standards = useMemo(
    () => [
      ...STANDARDS,
      ...shown.standards,
      ...ownStandards.filter((s) => !shown.standards.some((x) => x.id === s.id)),
    ],
    [shown.standards, ownStandards],
  );
  const designs = useMemo(
    () => [...shown.designs, ...newest.filter((d) => !shown.designs.some((x) => x.recipe.id === d.recipe.id))],
    [shown.designs, newest],
  );

  const desk = useMemo(
    (): Desk => ({
      id: stored.id,
      job: shown,
      worked,
      undoes: keeping.undoes,
      problem,
      keeping,
      shop,
      own,
      around,
      catalogue,
      shopMinutes,
      line,
      setLine: (n) => {
        open({ key: lines[n]!, at: n });
        light(null);
        setMoves(new Map());
      },
      lit,
      light,
      moves,
      keys,
      act,
      try: tryOut,
      untry,
      undo: () => {
        setTrying(null);
        setProblem(null);
        setMoves(new Map());
        setChange((n) => n + 1);
        send({ undo: true });
      },
      standards,
      designs,
      newest,
      measure: (m) => act({ do: "read", reading: { ...m, at: new Date().toISOString() } }, "reading"),
    }),
    [
      stored.id,
      own,
      shown,
      worked,
      problem,
      keeping,
      shop,
      around,
      catalogue,
      shopMinutes,
      line,
      lines,
      keys,
      lit,
      moves,
      standards,
      designs,
      newest,
      tryOut,
      untry,
      send,
      act,
    ],
  );

  // What hangs on the layout follows when the page has been drawn, so that typing is never held up by it.
  const settled = useDeferredValue(worked);
  const layout = useLayout(useMemo(() => layoutRequest(settled), [settled]));
  const result = useDeferredValue(layout.fresh ? layout.result : undefined);
  const order = useMemo(() => result && orderOf(settled, result), [settled, result]);
  const plan = usePlan(settled, result);

  const now = useMemo(
    (): Stood | undefined =>
      result && order && { result, total: order.total, ...(plan ? { finish: plan.finish } : {}) },
    [result, order, plan],
  );
  // What is still looked for is nothing to hold a change against.
  const was = useStood(change, tried !== null, layout.improving ? undefined : now);

  const laid = useMemo(() => ({ layout, order, plan, was }), [layout, order, plan, was]);
  return { desk, laid };
}
