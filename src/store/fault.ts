import { newestCopy } from "./copies";
import { databaseFile, NewerError } from "./database";

/** What keeps the database from taking or giving something, in words; undefined where it is no fault of storage. */
export function storageFault(e: unknown): { status: 503 | 507; said: string } | undefined {
  if (e instanceof NewerError) return { status: 503, said: e.message };
  const code = String((e as { code?: unknown } | null | undefined)?.code ?? "");
  if (!code.startsWith("SQLITE_")) return undefined;
  const full = { status: 507 as const, said: "the disk is full: nothing was kept. Make room, then try again" };
  if (code.startsWith("SQLITE_FULL")) return full;
  const away = (said: string) => ({ status: 503 as const, said });
  if (code.startsWith("SQLITE_BUSY") || code.startsWith("SQLITE_LOCKED"))
    return away("the database is in use by another program; what you did waits and is tried again");
  if (code.startsWith("SQLITE_READONLY"))
    return away("the database may only be read: give the program leave to write its file and folder");
  if (code.startsWith("SQLITE_CORRUPT") || code.startsWith("SQLITE_NOTADB")) return away(damaged(databaseFile()));
  if (code.startsWith("SQLITE_IOERR") || code.startsWith("SQLITE_CANTOPEN"))
    return away("the disk does not answer: nothing was kept; it is tried again");
  return undefined;
}

/** What to do about a damaged database, in words. */
export function damaged(file: string): string {
  const copy = newestCopy(file);
  const how = copy
    ? `\`npm run --silent rundik -- restore ${copy}\` puts the newest copy back`
    : "there is no copy of it here";
  return `the database file ${file} is damaged. ${how}`;
}
