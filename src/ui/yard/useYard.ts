"use client";
import { useCallback, useMemo, useState } from "react";
import type { Units } from "@/core/length/length";
import { problemsOf } from "@/core/problem/explain";
import { JobFileError } from "@/core/problem/problem";
import { foreseen, type YardAct, yardActSchema, yardCollides } from "@/core/yard/acts";
import type { LotThere, StoredYard } from "@/core/yard/lot";
import { type Keeping, useKeeping } from "@/ui/desk/useKeeping";

export interface YardDesk {
  /** What there is something of, by its number. */
  lots: LotThere[];
  keeping: Keeping<YardAct>;
  /** Why the last was refused. */
  problem: string | null;
  /** False where it was refused. */
  act(act: YardAct): boolean;
}

const dependsOn = (later: YardAct, earlier: YardAct) => yardCollides(earlier, later);

/** The yard on a page: what is done shows at once and is kept as on a job; what others do comes lot by lot. */
export function useYard(stored: StoredYard, units: Units): YardDesk {
  const [lots, setLots] = useState(stored.lots);
  const [problem, setProblem] = useState<string | null>(null);
  const adopt = useCallback(
    (kept: StoredYard) => setLots((now) => (kept.since === 0 ? kept.lots : merged(now, kept.lots))),
    [],
  );
  const keeping = useKeeping<StoredYard, YardAct>("/api/yard", stored, adopt, dependsOn, false);
  const { send } = keeping;
  const act = useCallback(
    (what: YardAct) => {
      const read = yardActSchema.safeParse(what, { reportInput: true });
      const refused = (message: string) => {
        setProblem(message);
        return false;
      };
      if (!read.success) return refused(problemsOf(read.error).map((p) => p.message).join("; ")); // prettier-ignore
      try {
        setLots(foreseen(lots, read.data, units));
      } catch (e) {
        if (!(e instanceof JobFileError)) throw e;
        return refused(e.problems.map((p) => p.message).join("; "));
      }
      setProblem(null);
      send({ act: read.data });
      return true;
    },
    [lots, units, send],
  );
  const there = useMemo(() => lots.filter((l) => l.there > 0), [lots]);
  return useMemo(() => ({ lots: there, keeping, problem, act }), [there, keeping, problem, act]);
}

/** The lots with those that changed in their places. */
function merged(now: LotThere[], changed: LotThere[]): LotThere[] {
  const byId = new Map([...now, ...changed].map((l) => [l.id, l]));
  return [...byId.values()].sort((a, b) => a.id - b.id);
}
