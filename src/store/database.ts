import { mkdirSync, readFileSync, readdirSync } from "node:fs";
import { dirname, join } from "node:path";
import Database from "better-sqlite3";

export type Db = Database.Database;

/** The migrations' folder, from the project's root, where every command of the project runs. */
const MIGRATIONS = join(process.cwd(), "src/store/migrations");

const INCREMENTAL = 2;

/**
 * Opens the database and brings it up to date: numbered .sql files, each in one transaction, each once. WAL with full
 * synchronising, so that what was acknowledged survives a kill or a power cut.
 */
export function openDatabase(file: string): Db {
  if (file !== ":memory:") mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma("journal_mode = WAL");
  db.pragma("synchronous = FULL");
  db.pragma("foreign_keys = ON");
  db.pragma("busy_timeout = 5000");
  // Room that is given up goes back to the disk; what exists already is set in order once.
  if (db.pragma("auto_vacuum", { simple: true }) !== INCREMENTAL) {
    db.pragma(`auto_vacuum = ${INCREMENTAL}`);
    db.exec("VACUUM");
  }
  migrate(db);
  return db;
}

function migrate(db: Db): void {
  const files = readdirSync(MIGRATIONS)
    .filter((f) => /^\d{3}-.+\.sql$/.test(f))
    .sort();
  const number = (f: string) => Number(f.slice(0, 3));
  const version = db.pragma("user_version", { simple: true }) as number;
  if (version > number(files.at(-1)!))
    throw new NewerError(
      `the database was made by a newer version of the program (${version}); bring the program up to date`,
    );
  db.transaction(() => {
    const at = db.pragma("user_version", { simple: true }) as number;
    for (const f of files.filter((x) => number(x) > at)) {
      db.exec(readFileSync(join(MIGRATIONS, f), "utf8"));
      db.pragma(`user_version = ${number(f)}`);
    }
  }).immediate();
}

/** The database knows things this program does not. */
export class NewerError extends Error {
  override name = "NewerError";
}

/** What is made once for a database: its statements are prepared when it is first asked for, not for every request. */
export function ofDatabase<T>(make: (db: Db) => T): (db: Db) => T {
  const known = new WeakMap<Db, T>();
  return (db) => {
    const found = known.get(db) ?? make(db);
    known.set(db, found);
    return found;
  };
}

const held = globalThis as { rundikDb?: Db };

/** Where the database lies: at RUNDIK_DB, or data/rundik.db. */
export const databaseFile = (): string => process.env.RUNDIK_DB ?? "data/rundik.db";

/** The one database of this process. */
export function database(): Db {
  held.rundikDb ??= openDatabase(databaseFile());
  return held.rundikDb;
}
