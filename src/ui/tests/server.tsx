import { type Act, carryOut } from "@/core/job/acts";
import { collides, screenOf } from "@/core/job/collide";
import { ReadableStream, TextDecoderStream } from "node:stream/web";
import { TextEncoder } from "node:util";
import type { ComponentType } from "react";
import type { Job } from "@/core/job/job";
import type { StoredJob } from "@/core/job/stored";
import { layOut } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import { DeskProvider, LaidProvider, useOpenJob } from "@/ui/desk/useDesk";

type Asked = { key: string; revision: number } & ({ act: Act } | { undo: true });
type Init = { method?: string; body: string };

/** A server in miniature: keeps one job as the real one does, answers when it is let, and can be out. */
export class Server {
  kept: StoredJob;
  out = false;
  seen: Asked[] = [];
  readings: object[] = [];
  private let: (() => void)[] = [];
  private holding = false;
  private before: Job[] = [];
  private done: { key: string; revision: number; act: Act | null }[] = [];
  /** So many replies get lost: what was asked is done, and nobody hears of it. */
  lose = 0;

  constructor(job: Job) {
    this.kept = { id: 1, revision: 5, job, undo: null };
    globalThis.TextDecoderStream = TextDecoderStream as typeof globalThis.TextDecoderStream;
    globalThis.fetch = this.fetch as unknown as typeof fetch;
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
    this.kept = { ...this.kept, revision: this.kept.revision + 1, job: carryOut(this.kept.job, act) };
    this.done.push({ key: "other.1", revision: this.kept.revision, act });
  }
  private fetch = async (url: string, init?: Init) => {
    if (this.holding) await new Promise<void>((go) => this.let.push(go));
    if (this.out) throw new TypeError("fetch failed");
    if (url.startsWith("/api/layout")) return init?.method === "DELETE" ? {} : this.layout(init!);
    if (url.endsWith("/measurements")) {
      this.readings.unshift({ ...(JSON.parse(init!.body) as object), at: `${this.readings.length}` });
      return says(200, this.readings);
    }
    if (!url.endsWith("/act")) return says(200, this.kept);
    const asked = JSON.parse(init!.body) as Asked;
    this.seen.push(asked);
    const { kept } = this;
    if (this.done.some((d) => d.key === asked.key)) return says(200, kept);
    const others = this.done.filter((d) => d.revision > asked.revision && screenOf(d.key) !== screenOf(asked.key));
    if ("undo" in asked ? others.length > 0 : others.some((d) => d.act && collides(d.act, asked.act)))
      return says(409, { error: "the job was changed elsewhere" });
    if ("undo" in asked)
      this.kept = { ...kept, revision: kept.revision + 1, job: this.before.pop() ?? kept.job, undo: null };
    else
      try {
        this.kept = { ...kept, revision: kept.revision + 1, job: carryOut(kept.job, asked.act), undo: asked.act.do };
        this.before.push(kept.job);
      } catch (e) {
        return says(422, { error: (e as Error).message });
      }
    this.done.push({ key: asked.key, revision: this.kept.revision, act: "act" in asked ? asked.act : null });
    if (this.lose > 0 && this.lose--) throw new TypeError("the line went dead");
    return says(200, this.kept);
  };
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
const says = (status: number, json: unknown) => ({ ok: status < 400, status, json: async () => json });

/** A station with the job open around it. */
export function Open({ server, station: Station }: { server: Server; station: ComponentType }) {
  const { desk, laid } = useOpenJob(server.kept, [], { standards: [], designs: [] });
  return (
    <DeskProvider value={desk}>
      <LaidProvider value={laid}>
        {[desk.keeping.trouble, ...desk.keeping.dropped.map((d) => d.why)].map(
          (said) =>
            said && (
              <p role="alert" key={said}>
                {said}
              </p>
            ),
        )}
        <Station />
      </LaidProvider>
    </DeskProvider>
  );
}
