"use client";
import { useEffect, useState } from "react";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import type { Plan } from "@/core/plan/plan";

/** So long after the last change the batch is planned, ms: it takes as long as a few keypresses may. */
const AFTER = 250;

/** The plan of the batch, worked out when typing pauses; undefined until then, and without a start day. Its script comes with the first. */
export function usePlan(worked: WorkedJob, result: LayoutResult | undefined): Plan | undefined {
  const [known, setKnown] = useState<{ worked: WorkedJob; result: LayoutResult; plan: Plan }>();
  useEffect(() => {
    if (!result || !worked.job.start) return;
    let isLast = true;
    const timer = setTimeout(() => {
      void import("@/core/plan/plan").then(({ planOf }) => {
        if (isLast) setKnown({ worked, result, plan: planOf(worked, result) });
      });
    }, AFTER);
    return () => {
      isLast = false;
      clearTimeout(timer);
    };
  }, [worked, result]);
  return known?.worked === worked && known.result === result ? known.plan : undefined;
}
