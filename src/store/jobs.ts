import { type Act, actText, carryOut, yardActsOf } from "@/core/job/acts";
import { type Around, inShop } from "@/core/job/inshop";
import type { Change } from "@/core/keeping/change";
import { type JobLine, readPieceKey } from "@/core/line/line";
import type { StockEntry } from "@/core/boards/stock";
import { type Job, LIMITS } from "@/core/job/job";
import { contentOf } from "@/core/job/name";
import type { StoredJob } from "@/core/job/stored";
import { admit } from "@/core/trial/trial";
import { jobProblems } from "@/core/job/file";
import { collides } from "@/core/job/collide";
import { otherwise, type Workshop } from "@/core/shop/shop";
import type { Standing } from "@/core/today/standing";
import type { Listed } from "@/core/today/todo";
import type { Work } from "@/core/plan/tasks";
import { ofDatabase } from "./database";
import { catalogueStore } from "./catalogue";
import { type Asked, keeper, type Screen, writing, written } from "./keeper";
import { shopStore } from "./shop";
import { type Moved, yardStore } from "./yard";

/** Which jobs are asked for. */
export interface Which {
  /** Words that are all in what it is called, what it is, or whom it is for. */
  words?: string[];
  archived?: boolean;
  most?: number;
  /** The day it is, `YYYY-MM-DD`: where a job stood on another is not fresh. */
  day?: string;
}
/** So many words of a search count. */
const MOST_WORDS = 6;
/** A job that was taken away can be brought back for so many days. */
export const DAYS_AWAY = 30;

/** A job that is open, as the shop's plan wants to know it. */
export interface OpenWork {
  id: number;
  name: string;
  customer: string | null;
  units: "in" | "mm";
  start: string | null;
  due: string | null;
  standing: Standing | null;
  work: Work[] | null;
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
export const jobStore = ofDatabase((db) => {
  const sql = {
    ids: db.prepare<[], { id: number; name: string }>("SELECT id, name FROM job WHERE deleted_at IS NULL ORDER BY id"),
    counts: db.prepare<[], { open: number; archived: number }>(
      "SELECT count(*) FILTER (WHERE archived_at IS NULL) AS open, count(*) FILTER (WHERE archived_at IS NOT NULL) AS archived FROM job WHERE deleted_at IS NULL",
    ),
    otherwise: db.prepare<[], { id: number; name: string; workshop: string }>(
      "SELECT id, name, data -> '$.workshop' AS workshop FROM job WHERE data -> '$.workshop' <> '{}' AND deleted_at IS NULL ORDER BY due IS NULL, due, id",
    ),
    revision: db.prepare<[number], { revision: number }>("SELECT revision FROM job WHERE id = ? AND deleted_at IS NULL"), // prettier-ignore
    /** Counts on with anything that is done to any job, and with every standing that is worked out. */
    all: db.prepare<[], { n: number }>(
      "SELECT (SELECT coalesce(sum(revision) + count(*) + count(archived_at) + count(deleted_at), 0) FROM job) + (SELECT coalesce(sum(version * 10007 + CAST(julianday(day) AS INTEGER)), 0) FROM standing) AS n",
    ),
    job: db.prepare<[number], JobRow>("SELECT * FROM job WHERE id = ? AND deleted_at IS NULL"),
    archive: db.prepare("UPDATE job SET archived_at = ? WHERE id = ? AND deleted_at IS NULL"),
    takeAway: db.prepare("UPDATE job SET deleted_at = ? WHERE id = ?"),
    purge: db.prepare("DELETE FROM job WHERE deleted_at < ?"),
    standing: db.prepare("INSERT OR REPLACE INTO standing (job_id, version, day, data, work) VALUES (?, ?, ?, ?, ?)"),
    workOf: db.prepare<[number], { work: string | null }>("SELECT work FROM standing WHERE job_id = ?"),
    work: db.prepare<
      [],
      {
        id: number;
        name: string;
        customer: string | null;
        units: "in" | "mm";
        start: string | null;
        due: string | null;
        data: string;
        work: string | null;
      }
    >(
      "SELECT job.id, name, customer, units, start, due, standing.data, work FROM job LEFT JOIN standing ON standing.job_id = job.id WHERE deleted_at IS NULL AND archived_at IS NULL ORDER BY due IS NULL, due, job.id",
    ),
    usual: db.prepare<[], { standard: string }>(
      "SELECT standard FROM job_line GROUP BY standard ORDER BY count(*) DESC LIMIT 1",
    ),
    items: db.prepare<[], { job: number; item: string; size: string }>(
      "SELECT DISTINCT job_id AS job, item, size FROM job_line",
    ),
    lines: db.prepare<[number], { item: string; standard: string; size: string; quantity: number; options: string }>(
      "SELECT item, standard, size, quantity, options FROM job_line WHERE job_id = ? ORDER BY place",
    ),
    stock: db.prepare<[number], { entry: string }>("SELECT entry FROM job_stock WHERE job_id = ? ORDER BY place"),
    insertJob: db.prepare(
      "INSERT INTO job (name, what, customer, units, start, due, data, changed_at) VALUES (@name, @what, @customer, @units, @start, @due, @data, @at)",
    ),
    updateJob: db.prepare(
      "UPDATE job SET name = @name, what = @what, customer = @customer, units = @units, start = @start, due = @due, data = @data, changed_at = @at, revision = revision + 1 WHERE id = @id",
    ),
    dropLines: db.prepare("DELETE FROM job_line WHERE job_id = ? AND place >= ?"),
    dropStock: db.prepare("DELETE FROM job_stock WHERE job_id = ? AND place >= ?"),
    putLine: db.prepare(
      "INSERT OR REPLACE INTO job_line (job_id, place, item, standard, size, quantity, options) VALUES (?, ?, ?, ?, ?, ?, ?)",
    ),
    putStock: db.prepare("INSERT OR REPLACE INTO job_stock (job_id, place, entry) VALUES (?, ?, ?)"),
    remove: db.prepare("DELETE FROM job WHERE id = ?"),
  };
  const shop = shopStore(db);
  const yard = yardStore(db);
  const catalogue = catalogueStore(db);
  /** Counts on whenever what is around every job changes. */
  const aroundIt = () => shop.revision() + yard.revision() + catalogue.revision();
  const now = () => new Date(Date.now()).toISOString();
  /** Of the workshop only what the job does otherwise: the rest is the shop's, also when that changes. */
  const head = ({ name, units, start, due, lines, stock: _stock, workshop, ...rest }: Job) => ({
    name,
    what: contentOf({ lines, standards: rest.standards, designs: rest.designs }),
    customer: rest.customer ?? null,
    units,
    start: start ?? null,
    due: due ?? null,
    data: JSON.stringify({ ...rest, workshop: otherwise(workshop, shop.load().shop.workshop) }),
    at: now(),
  });

  /** Boards of the yard that are kept for a job are free again. */
  function letGo(id: number): void {
    yard.carryOut({ do: "reserve", job: id, lots: [] });
  }

  /** Writes the lines and boards that are not there yet as they are now. */
  function writeParts(id: number, job: Job): void {
    const lines = sql.lines.all(id);
    for (const [i, { item, standard, size, quantity, options }] of job.lines.entries()) {
      const [was, now] = [lines[i], JSON.stringify(options)];
      if (was?.options === now && was.item === item && was.standard === standard && was.size === size && was.quantity === quantity) continue; // prettier-ignore
      sql.putLine.run(id, i, item, standard, size, quantity, now);
    }
    if (lines.length > job.lines.length) sql.dropLines.run(id, job.lines.length);
    const stock = sql.stock.all(id);
    for (const [i, s] of job.stock.entries()) {
      const now = JSON.stringify(s);
      if (stock[i]?.entry !== now) sql.putStock.run(id, i, now);
    }
    if (stock.length > job.stock.length) sql.dropStock.run(id, job.stock.length);
  }

  function read(id: number): { revision: number; value: Job } {
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
      workshop: { ...shop.load().shop.workshop, ...rest.workshop },
    };
    return { revision: row.revision, value: job };
  }

  const whole = written<Job, Act>({
    write: (id, next) => {
      sql.updateJob.run({ ...head(next), id });
      writeParts(id, next);
    },
    carryOut: (job, act) => admit(carryOut(job, act, shop.load().shop.workshop)),
    holds: (job) => jobProblems(job).length === 0,
  });
  /** What was done to the job, and to the yard with it. */
  interface Done {
    changes: Change[];
    moved: Moved[];
  }
  const kept = keeper<Job, Act, Done | Change[]>(db, {
    called: "job",
    name: (id) => `job ${id}`,
    read,
    carryOut: (id, job, act) => ({
      moved: yardActsOf(act, job, id).map(yard.carryOut),
      changes: whole.carryOut(id, job, act),
    }),
    takeBack: (id, job, done) => {
      // Kept as a list of changes before the yard was kept.
      const { changes, moved } = Array.isArray(done) ? { changes: done, moved: [] } : done;
      return moved.toReversed().every(yard.takeBack) && whole.takeBack(id, job, changes);
    },
    text: actText,
    collides,
  });
  const stored = <N extends ReturnType<typeof kept.load>>(
    id: number,
    { value, ...rest }: N,
  ): Omit<N, "value"> & StoredJob => {
    const of = shop.load();
    const around: Around = {
      lots: yard.lots(),
      offers: catalogue.offers(),
      revision: catalogue.revision(),
      shop: of.revision,
    };
    return { ...rest, id, job: value, shop: of.shop.workshop, around, version: rest.revision + aroundIt() };
  };
  const load = (id: number, screen?: Screen): StoredJob => stored(id, kept.load(id, screen));

  return {
    /** Jobs, the soonest due first, and how many there are of them all. */
    list: ({ words = [], archived = false, most = Number.MAX_SAFE_INTEGER, day }: Which = {}): Listed[] => {
      const some = words.slice(0, MOST_WORDS);
      const now = aroundIt();
      return db
        .prepare<unknown[], Omit<Listed, "standing" | "fresh"> & { data: string | null; fresh: number }>(
          `SELECT job.id, name, what, customer, due, standing.data, standing.version = job.revision + ? AND coalesce(standing.day = ?, 1) AS fresh
           FROM job LEFT JOIN standing ON standing.job_id = job.id
           WHERE deleted_at IS NULL AND archived_at IS ${archived ? "NOT NULL" : "NULL"}
           ${some.map(() => "AND instr(lower(name || ' ' || what || ' ' || coalesce(customer, '')), ?) > 0").join(" ")}
           ORDER BY due IS NULL, due, job.id LIMIT ?`,
        )
        .all(now, day ?? null, ...some.map((w) => w.toLowerCase()), most)
        .map(({ data, fresh, ...rest }) => ({ ...rest, standing: data === null ? null : (JSON.parse(data) as Standing), fresh: fresh === 1 })); // prettier-ignore
    },
    /** Every job there is, those put by too. */
    ids: () => sql.ids.all(),
    counts: () => sql.counts.get()!,
    /** Counts on whenever the first page would say something else. */
    listVersion: () => sql.all.get()!.n + aroundIt(),
    /** The standard most things are made in. */
    usualStandard: () => sql.usual.get()?.standard,
    /** Keeps where a job stands, as it was worked out from a version of it on a day. */
    keepStanding: (id: number, version: number, day: string, standing: Standing) =>
      void sql.standing.run(id, version, day, JSON.stringify({ ...standing, work: [] }), JSON.stringify(standing.work)),
    /** What is made in each job. */
    items: () => sql.items.all(),
    /** The work in a job, as far as it is worked out. */
    workOf: (id: number): Work[] => JSON.parse(sql.workOf.get(id)?.work ?? "[]") as Work[],
    /** What is open, and the work in it as far as that is worked out. */
    work: (): OpenWork[] =>
      sql.work.all().map(({ data, work, ...rest }) => ({ ...rest, standing: JSON.parse(data ?? "null") as Standing | null, work: JSON.parse(work ?? "null") as Work[] | null })), // prettier-ignore
    load,
    /** A job with all it can be made from. @throws NoJobError */
    inShop: (id: number): Job => {
      const { job, around } = load(id);
      return inShop(job, id, around);
    },
    /** Jobs that do something otherwise than the shop, and what. */
    otherwise: () => {
      const usual = shop.load().shop.workshop;
      return sql.otherwise.all().flatMap(({ id, name, workshop }) => {
        const own = otherwise({ ...usual, ...(JSON.parse(workshop) as Partial<Workshop>) }, usual);
        return Object.keys(own).length > 0 ? [{ id, name, workshop: own }] : [];
      });
    },
    /** Counts on whenever the job would be shown otherwise. @throws NoJobError */
    version: (id: number): number => {
      const row = sql.revision.get(id);
      if (!row) throw new NoJobError(`there is no job ${id}`);
      return row.revision + aroundIt();
    },
    /** Keeps a new job. */
    create: writing(db)((job: Job): StoredJob => {
      const id = Number(sql.insertJob.run(head(job)).lastInsertRowid);
      writeParts(id, job);
      return load(id);
    }),
    /** Does one thing to a job. @throws NoJobError, and as a keeper does */
    act: (id: number, seen: number, act: Act, key?: string, loaded?: number): StoredJob =>
      stored(id, kept.act(id, seen, act, key, loaded)),
    undo: (id: number, key?: string, loaded?: number): StoredJob => stored(id, kept.undo(id, key, loaded)),
    all: (id: number, asked: Asked<Act>[], loaded?: number) => stored(id, kept.all(id, asked, loaded)),
    /** Puts a job by, or takes it up again; what was kept for it in the yard is free then. @throws NoJobError */
    archive: writing(db)((id: number, archived: boolean) => {
      if (sql.archive.run(archived ? now() : null, id).changes === 0) throw new NoJobError(`there is no job ${id}`);
      if (archived) letGo(id);
    }),
    /** Takes a job away for a while, or brings it back. @throws NoJobError */
    takeAway: writing(db)((id: number, away: boolean) => {
      if (sql.takeAway.run(away ? now() : null, id).changes === 0) throw new NoJobError(`there is no job ${id}`);
      if (away) letGo(id);
    }),
    /** Jobs that were taken away long ago are gone for good. */
    purge: (today: number) => {
      const { changes } = sql.purge.run(new Date(today - DAYS_AWAY * 86_400_000).toISOString());
      if (changes > 0) db.pragma("incremental_vacuum");
      return changes;
    },
    /** A new job like another, without what was kept, sawn or read for that one. @throws NoJobError */
    copy: writing(db)((id: number): number => {
      const { pinned: _pinned, readings: _readings, spoiled: _spoiled, stock, quote, ...rest } = read(id).value;
      const own = stock.filter((s) => s.lot === undefined && !("sawn" in s && s.sawn));
      const name = rest.unnamed ? rest.name : `${rest.name}, again`.slice(0, LIMITS.name);
      const asked = quote && { ...quote, given: [], accepted: undefined };
      const copy: Job = { ...rest, name, stock: own, pinned: [], readings: [], ...(asked ? { quote: asked } : {}) };
      const made = Number(sql.insertJob.run(head(copy)).lastInsertRowid);
      writeParts(made, copy);
      return made;
    }),
    remove: (id: number) => {
      const { changes } = sql.remove.run(id);
      db.pragma("incremental_vacuum");
      return changes > 0;
    },
  };
});
