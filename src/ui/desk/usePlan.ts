"use client";
import { useEffect, useState } from "react";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import type { Plan } from "@/core/plan/plan";
import type { PlanAnswer, PlanAsked } from "./planner";

/** So long after the last change the batch is planned, ms. */
const AFTER = 100;

/** One for the page, from the first plan on. */
let planner: Worker | undefined;
let asks = 0;

function started(): Worker {
  const worker = new Worker(new URL("./planner.ts", import.meta.url), { type: "module" });
  // What goes wrong there is told as if it had gone wrong here, and the next plan begins with another.
  worker.addEventListener("error", (e) => {
    planner = undefined;
    worker.terminate();
    reportError(e.error ?? new Error(e.message));
  });
  return worker;
}

/** The plan of the batch, worked out beside the page when typing pauses; undefined until then, and without a start day. */
export function usePlan(worked: WorkedJob, result: LayoutResult | undefined): Plan | undefined {
  const [known, setKnown] = useState<{ worked: WorkedJob; result: LayoutResult; plan: Plan }>();
  useEffect(() => {
    if (!result || !worked.job.start) return;
    const ask = ++asks;
    const heard = ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.ask === ask) setKnown({ worked, result, plan: data.plan });
    };
    const timer = setTimeout(() => {
      planner ??= started();
      planner.addEventListener("message", heard);
      const asked: PlanAsked = { ask, job: worked.job, result };
      // oxlint-disable-next-line unicorn/require-post-message-target-origin -- a worker has no origin to name
      planner.postMessage(asked);
    }, AFTER);
    return () => {
      clearTimeout(timer);
      planner?.removeEventListener("message", heard);
    };
  }, [worked, result]);
  return known?.worked === worked && known.result === result ? known.plan : undefined;
}
