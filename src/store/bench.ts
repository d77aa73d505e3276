import { type BenchEvent, type Tally, talliesOf, tallyKey } from "@/core/bench/events";
import { type Learned, learnedOf } from "@/core/bench/times";
import { ofDatabase } from "./database";
import { writing } from "./keeper";

type Row = Omit<BenchEvent, "what"> & { what: string };

/** What happened at the bench: nothing is ever changed, and each event happened once, however often it is sent. */
export const benchStore = ofDatabase((db) => {
  const sql = {
    add: db.prepare("INSERT OR IGNORE INTO bench (id, job, name, at, what) VALUES (@id, @job, @name, @at, @what)"),
    one: db.prepare<[number, string], Row>("SELECT id, job, name, at, what FROM bench WHERE job = ? AND name = ?"),
    open: db.prepare<[], Row>("SELECT bench.* FROM bench JOIN job ON job.id = bench.job WHERE deleted_at IS NULL AND archived_at IS NULL"), // prettier-ignore
    of: db.prepare<[number], Row>("SELECT id, job, name, at, what FROM bench WHERE job = ? ORDER BY at"),
    all: db.prepare<[], Row>("SELECT id, job, name, at, what FROM bench"),
    version: db.prepare<[], { n: number }>("SELECT count(*) AS n FROM bench"),
  };
  const read = (rows: Row[]): BenchEvent[] => rows.map(({ what, ...r }) => ({ ...r, what: JSON.parse(what) as BenchEvent["what"] })); // prettier-ignore
  return {
    /** Keeps what happened, all of it or nothing; answers with what became of the operations it was done to. */
    add: writing(db)((events: BenchEvent[], now: number): Tally[] => {
      for (const e of events) sql.add.run({ ...e, what: JSON.stringify(e.what) });
      const of = new Map(events.map((e) => [tallyKey(e), e]));
      return [...of.values()].flatMap(({ job, name }) => [...talliesOf(read(sql.one.all(job, name)), now).values()]);
    }),
    /** All that happened with a job. */
    of: (job: number): BenchEvent[] => read(sql.of.all(job)),
    /** What became of every operation of open jobs. */
    tallies: (now: number): Map<string, Tally> => talliesOf(read(sql.open.all()), now),
    /** What was learned of how long each kind of operation takes, from every job there was. */
    learned: (): Learned[] => learnedOf(talliesOf(read(sql.all.all()), 0).values()),
    /** Counts on with each event. */
    version: () => sql.version.get()!.n,
  };
});
