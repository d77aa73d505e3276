import { existsSync } from "node:fs";
import { Worker } from "node:worker_threads";
import { dailyCopy } from "./copies";
import { database, databaseFile } from "./database";
import { damaged, storageFault } from "./fault";
import { jobStore } from "./jobs";

const HOUR = 3_600_000;

/** Reads every page of a database on a thread of its own. @returns what is wrong with it, nothing when it is whole */
export function troubleIn(file: string): Promise<string | undefined> {
  const look = `
    const { parentPort, workerData } = require("node:worker_threads");
    const Database = require("better-sqlite3");
    const db = new Database(workerData, { readonly: true });
    parentPort.postMessage(db.pragma("quick_check(1)", { simple: true }));
    db.close();`;
  return new Promise((resolve) => {
    const worker = new Worker(look, { eval: true, workerData: file });
    worker.once("message", (said: unknown) => resolve(said === "ok" ? undefined : String(said)));
    worker.once("error", (e) => resolve((e as Error).message));
  });
}

/** The job that was begun last. */
export const newestJob = (): number | undefined => jobStore(database()).ids().at(-1)?.id;

/** Looks over the database as the program starts, and keeps a copy of it each day. What is wrong is said in the terminal; then false. */
export async function watchDatabase(): Promise<boolean> {
  const file = databaseFile();
  const say = (words: string) => process.stderr.write(`Rundik: ${words}\n`);
  const trouble = existsSync(file) ? await troubleIn(file) : undefined;
  if (trouble) say(`${damaged(file)} (${trouble})`);
  const copy = async () => {
    try {
      await dailyCopy(database(), new Date().toISOString().slice(0, 10));
      jobStore(database()).purge(Date.now());
    } catch (e) {
      say(`today's copy was not made: ${storageFault(e)?.said ?? (e as Error).message}`);
    }
  };
  // A damaged file is not copied over good ones.
  if (trouble) return false;
  await copy();
  setInterval(() => void copy(), HOUR).unref();
  return true;
}
