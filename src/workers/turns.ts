import PQueue from "p-queue";

/** What is told to one who waits. */
interface Waiting {
  /** How many layouts are before this one. */
  hear(before: number): void;
  better: boolean;
}

/** The row one waits in: for a first answer, for a better one, or, behind both, for what nobody looks at yet. */
export type Row = "first" | "better" | "behind";
/** Behind as many groups as any layout has. */
const BEHIND = 1e6;

/**
 * Who is let to a thread next: everybody's first answer before anybody's better one, and those before what nobody looks at yet. These
 * never take every thread, so that whoever asks now need not wait until others have theirs. Of one layout's groups each waits behind
 * as many of another's.
 */
export class Turns {
  private readonly first: PQueue;
  private readonly better: PQueue;
  private readonly waiting = new Set<Waiting>();
  /** Groups that wait for a better answer. */
  private wished = 0;

  constructor(
    threads: number,
    private readonly most: number,
  ) {
    this.first = new PQueue({ concurrency: threads });
    this.better = new PQueue({ concurrency: Math.max(1, threads - 1) });
    this.first.on("idle", () => this.better.start());
  }

  /**
   * A place in the row for one layout, given up by `leave`; `run` starts one of its groups when it is its turn.
   * @throws FullError when the row is full
   */
  enter(hear: (before: number) => void, row: Row) {
    const better = row !== "first";
    if (!better && this.waiting.size >= this.most) throw new FullError(this.most);
    const place: Waiting = { hear, better };
    this.waiting.add(place);
    this.tell();
    // A better one that runs already goes on; no other is begun while somebody has nothing yet.
    if (!better) this.better.pause();
    const leave = () => {
      if (!this.waiting.delete(place)) return;
      this.tell();
      // Who left without asking anything leaves the others as they were.
      if (this.first.size + this.first.pending === 0) this.better.start();
    };
    const run = <T>(group: number, signal: AbortSignal | undefined, work: () => Promise<T>): Promise<T> => {
      let wishes = row === "better" ? 1 : 0;
      this.wished += wishes;
      // Or given up before it is begun.
      const begun = () => {
        signal?.removeEventListener("abort", begun);
        this.wished -= wishes;
        wishes = 0;
      };
      signal?.addEventListener("abort", begun);
      return (better ? this.better : this.first).add(
        () => {
          begun();
          leave();
          return work();
        },
        { priority: -group - (row === "behind" ? BEHIND : 0), signal },
      ) as Promise<T>;
    };
    return { run, leave };
  }

  /** Some layout of which nothing is begun waits for a first answer; what more groups one has that is begun wait for its own. */
  get crowded(): boolean {
    return this.first.size > 0 && [...this.waiting].some((w) => !w.better);
  }

  /** Somebody waits for a better answer. */
  get awaited(): boolean {
    return this.wished > 0;
  }

  private tell(): void {
    const row = [...this.waiting].sort((a, b) => Number(a.better) - Number(b.better));
    row.forEach((w, before) => w.hear(before));
  }
}

/** So many wait for a layout that another is not taken on. */
export class FullError extends Error {
  override name = "FullError";
  constructor(most: number) {
    super(`${most} layouts are waiting already; ask again in a minute`);
  }
}
