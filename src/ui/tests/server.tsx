import { type Act, carryOut } from "@/core/job/acts";
import { type Change, changesBetween, takenBack } from "@/core/keeping/change";
import { collides } from "@/core/job/collide";
import { screenOf } from "@/core/keeping/kept";
import { ReadableStream, TextDecoderStream } from "node:stream/web";
import { TextEncoder } from "node:util";
import type { ComponentType } from "react";
import type { Job } from "@/core/job/job";
import { NOTHING_AROUND } from "@/core/job/inshop";
import type { StoredJob } from "@/core/job/stored";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { layOut } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import { workJob } from "@/core/job/worked";
import { planOf } from "@/core/plan/plan";
import type { PlanAnswer, PlanAsked } from "@/ui/desk/planner";
import { DeskProvider, LaidProvider, useOpenJob } from "@/ui/desk/useDesk";

type Asked = { key: string; revision: number } & ({ act: Act } | { undo: true });
type Init = { method?: string; body: string };

/** A web worker in miniature: it plans where it stands, a moment later. */
class Planner extends EventTarget {
  postMessage({ ask, job, result }: PlanAsked) {
    const data: PlanAnswer = { ask, plan: planOf(workJob(job), result) };
    setTimeout(() => this.dispatchEvent(new MessageEvent("message", { data })));
  }
}

/** A server in miniature: keeps one job as the real one does, answers when it is let, and can be out. */
export class Server {
  kept: StoredJob;
  out = false;
  seen: Asked[] = [];
  /** How often something was asked to be done. */
  requests = 0;
  private let: (() => void)[] = [];
  private holding = false;
  private changes: Change[][] = [];
  private done: { key: string; revision: number; act: Act | null }[] = [];
  /** So many replies get lost: what was asked is done, and nobody hears of it. */
  lose = 0;

  constructor(job: Job) {
    this.kept = { id: 1, revision: 5, version: 5, job, undo: null, shop: USUAL_WORKSHOP, around: NOTHING_AROUND };
    globalThis.TextDecoderStream = TextDecoderStream as typeof globalThis.TextDecoderStream;
    globalThis.fetch = this.fetch as unknown as typeof fetch;
    globalThis.Worker = Planner as unknown as typeof Worker;
  }
  hold() {
    this.holding = true;
  }
  /** Lets everything that waits, and all that comes after, go through. */
  release() {
    this.holding = false;
    this.let.splice(0).forEach((go) => go());
  }
  /** Somebody else does something. */
  elsewhere(act: Act) {
    this.kept = next(this.kept, { job: carryOut(this.kept.job, act) });
    this.done.push({ key: "other.1", revision: this.kept.revision, act });
  }
  private fetch = async (url: string, init?: Init) => {
    if (this.holding) await new Promise<void>((go) => this.let.push(go));
    if (this.out) throw new TypeError("fetch failed");
    if (url.startsWith("/api/layout")) return init?.method === "DELETE" ? {} : this.layout(init!);
    // Nobody sells anything, and nothing is on order.
    if (url.startsWith("/api/orders")) return says(200, { proposal: { orders: [], short: [], total: 0, bound: 0, proven: true }, buyers: [], jobs: [1], today: "2027-02-01", coming: [], spent: 0, old: [] }); // prettier-ignore
    // What is around the job is kept elsewhere.
    if (!url.startsWith("/api/jobs/")) return says(200, { revision: 1 });
    if (!url.endsWith("/act")) return says(200, this.kept);
    this.requests++;
    let did = 0;
    for (const asked of (JSON.parse(init!.body) as { acts: Asked[] }).acts) {
      const refused = this.one(asked);
      if (refused && did === 0) return says(409, { error: refused });
      if (refused) break;
      did++;
    }
    if (this.lose > 0 && this.lose--) throw new TypeError("the line went dead");
    return says(200, { ...this.kept, did });
  };
  /** Does one thing; why not, where it does not hold. */
  private one(asked: Asked): string | undefined {
    this.seen.push(asked);
    const { kept } = this;
    if (this.done.some((d) => d.key === asked.key)) return;
    if ("undo" in asked) {
      const job = takenBack(kept.job, this.changes.pop() ?? []);
      if (!job) return "the job was changed elsewhere";
      this.kept = next(kept, { job, undo: null });
    } else if (
      this.done.some(
        (d) =>
          d.revision > asked.revision && screenOf(d.key) !== screenOf(asked.key) && d.act && collides(d.act, asked.act),
      )
    )
      return "the job was changed elsewhere";
    else
      try {
        this.kept = next(kept, { job: carryOut(kept.job, asked.act), undo: asked.act.do });
        this.changes.push(changesBetween(kept.job, this.kept.job));
      } catch (e) {
        return (e as Error).message;
      }
    this.done.push({ key: asked.key, revision: this.kept.revision, act: "act" in asked ? asked.act : null });
    return;
  }
  /** Built board by board: which layout it is does not matter here. */
  private layout = ({ body }: Init) => {
    const result = layOut(JSON.parse(body) as LayoutRequest, () => 0);
    const bytes = new TextEncoder().encode(`${JSON.stringify({ result })}\n`);
    return {
      ok: true,
      body: new ReadableStream<Uint8Array>({
        start: (to) => {
          to.enqueue(bytes);
          to.close();
        },
      }),
    };
  };
}
/** One thing further on. */
const next = (kept: StoredJob, to: Partial<StoredJob>): StoredJob => ({
  ...kept,
  revision: kept.revision + 1,
  version: kept.version + 1,
  ...to,
});
const says = (status: number, json: unknown) => ({ ok: status < 400, status, json: async () => json });

/** A station with the job open around it. */
export function Open({ server, station: Station }: { server: Server; station: ComponentType }) {
  const { desk, laid } = useOpenJob(server.kept, { standards: [], designs: [] });
  return (
    <DeskProvider value={desk}>
      <LaidProvider value={laid}>
        {desk.keeping.dropped.map(({ why }) => (
          <p role="alert" key={why}>
            {why}
          </p>
        ))}
        <Station />
      </LaidProvider>
    </DeskProvider>
  );
}
