import { existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync, copyFileSync } from "node:fs";
import { dirname, join } from "node:path";
import Database from "better-sqlite3";
import { JobFileError } from "@/core/problem/problem";
import { workJob } from "@/core/job/worked";
import { type Db, openDatabase } from "./database";
import { designStore } from "./designs";
import { jobStore } from "./jobs";
import { standardStore } from "./standards";

/** A copy that cannot be made, or that is none. */
export class CopyError extends Error {
  override name = "CopyError";
}

/** What a copy holds. */
export interface Contents {
  jobs: number;
  designs: number;
  standards: number;
}

/** Daily copies that are kept beside the database, the newest. */
export const DAYS_KEPT = 14;
const NAME = /^rundik-\d{4}-\d{2}-\d{2}\.db$/;

/** Where the daily copies of a database lie. */
export const copiesOf = (file: string): string => join(dirname(file), "copies");

/**
 * Writes all of a database to one new file, as it is at one moment, while it is worked with: beside its name first, so that a file
 * that is there is a whole one. @throws CopyError when there is such a file
 */
export async function copyTo(db: Db, file: string): Promise<void> {
  if (existsSync(file)) throw new CopyError(`${file} is there already; name a new file`);
  mkdirSync(dirname(file), { recursive: true });
  const part = `${file}.part`;
  try {
    await db.backup(part);
    // One file, and nothing beside it.
    const copy = new Database(part);
    copy.pragma("journal_mode = DELETE");
    copy.close();
    renameSync(part, file);
  } finally {
    for (const left of [part, `${part}-wal`, `${part}-shm`]) rmSync(left, { force: true });
  }
}

/** The copy of a day, made when there is none of it; those of long ago are let go. */
export async function dailyCopy(db: Db, day: string): Promise<void> {
  if (db.name === ":memory:") return;
  const folder = copiesOf(db.name);
  const file = join(folder, `rundik-${day}.db`);
  if (!existsSync(file)) await copyTo(db, file);
  const kept = readdirSync(folder).filter((f) => NAME.test(f)).sort(); // prettier-ignore
  for (const old of kept.slice(0, -DAYS_KEPT)) rmSync(join(folder, old), { force: true });
}

/** The newest daily copy, by its path; undefined when there is none. */
export function newestCopy(file: string): string | undefined {
  const folder = copiesOf(file);
  const newest = existsSync(folder) ? readdirSync(folder).filter((f) => NAME.test(f)).sort().at(-1) : undefined; // prettier-ignore
  return newest && join(folder, newest);
}

/**
 * Takes a copy in the place of a database, which may be in use: checked first as a whole, brought up to date, and every job of it
 * opened. What was there before is kept beside the daily copies. @throws CopyError, and then nothing is changed
 */
export async function restore(copy: string, file: string, now: string): Promise<Contents & { before?: string }> {
  if (!existsSync(copy)) throw new CopyError(`${copy}: there is no such file`);
  mkdirSync(dirname(file), { recursive: true });
  const desk = mkdtempSync(join(dirname(file), "restore-"));
  try {
    const checked = join(desk, "checked.db");
    copyFileSync(copy, checked);
    const db = opened(checked, copy);
    try {
      const contents = contentsOf(db, copy);
      const before = existsSync(file) ? await setAside(file, now) : undefined;
      // In one step: who works with it meanwhile sees all of the one or all of the other.
      await db.backup(file, { progress: () => 2 ** 31 - 1 });
      return { ...contents, ...(before ? { before } : {}) };
    } finally {
      db.close();
    }
  } finally {
    rmSync(desk, { recursive: true, force: true });
  }
}

/** Keeps what is there before another takes its place; as it lies, where it is damaged. */
async function setAside(file: string, now: string): Promise<string> {
  const before = join(copiesOf(file), `before-restore-${now.replace(/[^0-9T]/g, "").slice(0, 15)}.db`);
  mkdirSync(dirname(before), { recursive: true });
  try {
    const db = new Database(file);
    try {
      await copyTo(db, before);
    } finally {
      db.close();
    }
  } catch (e) {
    if (!String((e as { code?: string }).code).startsWith("SQLITE_")) throw e;
    copyFileSync(file, before);
    for (const ended of [file, `${file}-wal`, `${file}-shm`]) rmSync(ended, { force: true });
  }
  return before;
}

function opened(checked: string, name: string): Db {
  try {
    return openDatabase(checked);
  } catch (e) {
    throw new CopyError(`${name} is no copy of a shop: ${(e as Error).message}`);
  }
}

/** @throws CopyError naming what does not hold */
function contentsOf(db: Db, name: string): Contents {
  const whole = db.pragma("integrity_check", { simple: true });
  if (whole !== "ok") throw new CopyError(`${name} is damaged: ${String(whole)}`);
  const store = jobStore(db);
  const jobs = store.ids();
  for (const { id, name: job } of jobs)
    try {
      const { faults } = workJob(store.load(id).job);
      if (faults[0]) throw new JobFileError([{ path: `lines[${faults[0].at}]`, message: faults[0].message }]);
    } catch (e) {
      throw new CopyError(`${name}: its job "${job}" does not open: ${(e as Error).message}`);
    }
  return { jobs: jobs.length, designs: new Set(designStore(db).list().map((d) => d.recipe.id)).size, standards: standardStore(db).list().length }; // prettier-ignore
}
