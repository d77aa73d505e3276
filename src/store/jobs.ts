import { type Act, actText, carryOut } from "@/core/job/acts";
import { type JobLine, readPieceKey } from "@/core/line/line";
import type { StockEntry } from "@/core/boards/stock";
import { type Job, USUAL_WORKSHOP } from "@/core/job/job";
import type { StoredJob } from "@/core/job/stored";
import { admit } from "@/core/trial/trial";
import { type Change, changesBetween, takenBack } from "@/core/job/change";
import { jobProblems } from "@/core/job/file";
import { JobFileError } from "@/core/problem/problem";
import { collides, screenOf } from "@/core/job/collide";
import { randomUUID } from "node:crypto";
import type { Db } from "./database";

export interface JobSummary {
  id: number;
  name: string;
  due: string | null;
  start: string | null;
  lines: number;
  pieces: number;
  changedAt: string;
}

/** The job changed since the page was loaded. */
export class StaleError extends Error {
  override name = "StaleError";
}

/** There is no such job. */
export class NoJobError extends Error {
  override name = "NoJobError";
}

/** A laid piece as it was kept when it named its part by a text, as one is kept now; all else as it is. */
function asNow(_key: string, value: unknown): unknown {
  if (!value || typeof value !== "object" || !("blank" in value) || typeof value.blank !== "string") return value;
  const { blank, ...box } = value;
  return { of: readPieceKey(blank), ...box };
}

/** How many things done to a job are known by their keys. */
const KEPT_DONE = 5000;
/** Something asked for by its key: done to the job as it was seen at a revision, or the last thing taken back. */
export type Asked = { key?: string | undefined } & ({ revision: number; act: Act } | { undo: true });
/** So far back acts of a job can be taken back. */
const KEPT_CHANGES = 500;

/** Who asks: the screen, and what was there when it came; without one whoever comes first to hand, who has seen all of it. */
export interface Screen {
  name: string;
  loaded: number;
}
const ANYBODY: Screen = { name: "", loaded: Number.MAX_SAFE_INTEGER };

interface JobRow {
  id: number;
  name: string;
  units: "in" | "mm";
  start: string | null;
  due: string | null;
  /** The rest of the job, without its lines and stock. */
  data: string;
  revision: number;
}

/** Jobs: one transaction an act, so that a job is never half-written. */
export function jobStore(db: Db) {
  const sql = {
    list: db.prepare<[], JobSummary>(
      `SELECT job.id, name, due, start, changed_at AS changedAt, count(l.place) AS lines, coalesce(sum(l.quantity), 0) AS pieces
       FROM job LEFT JOIN job_line l ON l.job_id = job.id GROUP BY job.id ORDER BY due IS NULL, due, job.id`,
    ),
    revision: db.prepare<[number], { revision: number }>("SELECT revision FROM job WHERE id = ?"),
    job: db.prepare<[number], JobRow>("SELECT * FROM job WHERE id = ?"),
    lines: db.prepare<[number], { item: string; standard: string; size: string; quantity: number; options: string }>(
      "SELECT item, standard, size, quantity, options FROM job_line WHERE job_id = ? ORDER BY place",
    ),
    stock: db.prepare<[number], { entry: string }>("SELECT entry FROM job_stock WHERE job_id = ? ORDER BY place"),
    /** The newest that can be taken back by a screen: of its own, and of what was there when it came. */
    last: db.prepare<[number, string, string, number], { key: string; what: string; act: string; change: string }>(
      `SELECT key, what, act, change FROM job_done
       WHERE job_id = ? AND change IS NOT NULL AND (substr(key, 1, length(?)) = ? OR revision <= ?) ORDER BY revision DESC LIMIT 1`,
    ),
    insertJob: db.prepare(
      "INSERT INTO job (name, units, start, due, data, changed_at) VALUES (@name, @units, @start, @due, @data, @at)",
    ),
    updateJob: db.prepare(
      "UPDATE job SET name = @name, units = @units, start = @start, due = @due, data = @data, changed_at = @at, revision = revision + 1 WHERE id = @id",
    ),
    clearLines: db.prepare("DELETE FROM job_line WHERE job_id = ?"),
    clearStock: db.prepare("DELETE FROM job_stock WHERE job_id = ?"),
    insertLine: db.prepare(
      "INSERT INTO job_line (job_id, place, item, standard, size, quantity, options) VALUES (?, ?, ?, ?, ?, ?, ?)",
    ),
    insertStock: db.prepare("INSERT INTO job_stock (job_id, place, entry) VALUES (?, ?, ?)"),
    remove: db.prepare("DELETE FROM job WHERE id = ?"),
    done: db.prepare<[number, string], { revision: number }>(
      "SELECT revision FROM job_done WHERE job_id = ? AND key = ?",
    ),
    doneSince: db.prepare<[number, number], { key: string; act: string | null }>(
      "SELECT key, act FROM job_done WHERE job_id = ? AND revision > ? ORDER BY revision",
    ),
    insertDone: db.prepare(
      "INSERT INTO job_done (job_id, key, revision, act, what, change) VALUES (@id, @key, @revision, @act, @what, @change)",
    ),
    pruneDone: db.prepare("DELETE FROM job_done WHERE job_id = ? AND revision <= ?"),
    pruneChanges: db.prepare(
      "UPDATE job_done SET change = NULL WHERE job_id = ? AND revision <= ? AND change IS NOT NULL",
    ),
    takeBack: db.prepare("UPDATE job_done SET change = NULL WHERE job_id = ? AND key = ?"),
  };
  /** A transaction that is a writer from its beginning: it waits its turn instead of failing when it comes to write. */
  const writing = <A extends unknown[], R>(run: (...args: A) => R) => {
    const made = db.transaction(run);
    return (...args: A): R => made.immediate(...args);
  };
  const now = () => new Date(Date.now()).toISOString();
  const head = ({ name, units, start, due, lines: _lines, stock: _stock, ...rest }: Job) => ({
    name,
    units,
    start: start ?? null,
    due: due ?? null,
    data: JSON.stringify(rest),
    at: now(),
  });

  function writeParts(id: number, job: Job): void {
    sql.clearLines.run(id);
    sql.clearStock.run(id);
    job.lines.forEach((l, i) =>
      sql.insertLine.run(id, i, l.item, l.standard, l.size, l.quantity, JSON.stringify(l.options)),
    );
    job.stock.forEach((s, i) => sql.insertStock.run(id, i, JSON.stringify(s)));
  }

  const lastOf = (id: number, { name, loaded }: Screen) => {
    const own = `${name}.`;
    return sql.last.get(id, own, own, loaded);
  };

  function load(id: number, screen: Screen = ANYBODY): StoredJob {
    const row = sql.job.get(id);
    if (!row) throw new NoJobError(`there is no job ${id}`);
    const lines = sql.lines
      .all(id)
      .map((l): JobLine => ({ ...l, options: JSON.parse(l.options) as JobLine["options"] }));
    const stock = sql.stock.all(id).map((s) => JSON.parse(s.entry) as StockEntry);
    const rest = JSON.parse(row.data, asNow) as Omit<Job, "name" | "units" | "start" | "due" | "lines" | "stock">;
    const job: Job = {
      ...rest,
      name: row.name,
      units: row.units,
      ...(row.start === null ? {} : { start: row.start }),
      ...(row.due === null ? {} : { due: row.due }),
      lines,
      stock,
      readings: rest.readings ?? [],
      workshop: { ...USUAL_WORKSHOP, ...rest.workshop },
    };
    return { id, revision: row.revision, job, undo: lastOf(id, screen)?.what ?? null };
  }

  /** What other screens did since a page was drawn up, an undo as what it undid; undefined when that is no longer known. */
  function elsewhere(id: number, now: number, seen: number, key: string): Act[] | undefined {
    const since = sql.doneSince.all(id, seen);
    const others = since.filter((d) => screenOf(d.key) !== screenOf(key));
    // An undo of before it kept what it undid, or one of so long ago that it is not known.
    if (since.length !== now - seen || others.some((d) => d.act === null)) return undefined;
    return others.map((d) => JSON.parse(d.act!) as Act);
  }

  /** An act on a page that shows an older job is done to the newer when nobody else touched the same. */
  function stands(stored: StoredJob, seen: number, act: Act, key: string): void {
    const others = stored.revision === seen ? [] : elsewhere(stored.id, stored.revision, seen, key);
    const other = others?.find((o) => collides(o, act));
    if (others && !other) return;
    const what = other ? `${actText(other, stored.job)} was changed` : "the job was changed";
    throw new StaleError(`${what} elsewhere meanwhile; what is kept there stands`);
  }

  /** Writes the next state of a job, and what was done by its key. An undo keeps what it undid: it touches the same. */
  function keep(
    stored: StoredJob,
    next: Job,
    key: string,
    act: string,
    what: string | null,
    change: Change[] | null,
  ): void {
    const [id, revision] = [stored.id, stored.revision + 1];
    sql.updateJob.run({ ...head(next), id });
    writeParts(id, next);
    sql.insertDone.run({ id, key, revision, act, what, change: change && JSON.stringify(change) });
    sql.pruneDone.run(id, revision - KEPT_DONE);
    sql.pruneChanges.run(id, revision - KEPT_CHANGES);
  }
  const seenBy = (key: string, loaded: number | undefined): Screen =>
    loaded === undefined ? ANYBODY : { name: screenOf(key), loaded };

  /**
   * Does one thing to a job, as it was seen at a revision. Asked again with the same key it is not done again. `loaded` is the
   * revision the screen came with: what it may take back besides its own.
   * @throws StaleError, NoJobError, JobFileError; then nothing is changed.
   */
  const act = writing(
    (id: number, seen: number, act: Act, key: string = `${randomUUID()}.0`, loaded?: number): StoredJob => {
      const screen = seenBy(key, loaded);
      const stored = load(id, screen);
      if (sql.done.get(id, key)) return stored;
      stands(stored, seen, act, key);
      const next = admit(carryOut(stored.job, act));
      keep(stored, next, key, JSON.stringify(act), actText(act, stored.job), changesBetween(stored.job, next));
      return load(id, screen);
    },
  );

  /**
   * Takes back what the screen did last, whatever others did to other things since; with nothing to take back the job stays as it is.
   * @throws StaleError when what it did is not there any more.
   */
  const undo = writing((id: number, key: string = `${randomUUID()}.0`, loaded?: number): StoredJob => {
    const screen = seenBy(key, loaded);
    const stored = load(id, screen);
    if (sql.done.get(id, key)) return stored;
    const last = lastOf(id, screen);
    if (!last) return stored;
    const before = takenBack(stored.job, JSON.parse(last.change) as Change[]);
    if (!before || jobProblems(before).length > 0)
      throw new StaleError(`${last.what} was changed elsewhere meanwhile; it cannot be taken back`);
    sql.takeBack.run(id, last.key);
    keep(stored, before, key, last.act, null, null);
    return load(id, screen);
  });

  return {
    list: () => sql.list.all(),
    load,
    /** How often the job has changed. @throws NoJobError */
    revision: (id: number): number => {
      const row = sql.revision.get(id);
      if (!row) throw new NoJobError(`there is no job ${id}`);
      return row.revision;
    },
    /** Keeps a new job. */
    create: writing((job: Job): StoredJob => {
      const id = Number(sql.insertJob.run(head(job)).lastInsertRowid);
      writeParts(id, job);
      return load(id);
    }),
    act,
    undo,
    /**
     * Does several things in their order, as far as they hold; `did` is how many. What does not hold ends it, and is thrown
     * where it is the first.
     * @throws as `act` and `undo`; then nothing is changed.
     */
    all: writing((id: number, asked: Asked[], loaded?: number): StoredJob & { did: number } => {
      let stored: StoredJob | undefined;
      let did = 0;
      for (const a of asked)
        try {
          stored = "undo" in a ? undo(id, a.key, loaded) : act(id, a.revision, a.act, a.key, loaded);
          did++;
        } catch (e) {
          if (!stored || !(e instanceof StaleError || e instanceof JobFileError)) throw e;
          break;
        }
      return { ...(stored ?? load(id)), did };
    }),
    remove: (id: number) => {
      const { changes } = sql.remove.run(id);
      db.pragma("incremental_vacuum");
      return changes > 0;
    },
  };
}
