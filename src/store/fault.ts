/** What keeps the database from taking or giving something, in words; undefined where it is no fault of storage. */
export function storageFault(e: unknown): { status: 503 | 507; said: string } | undefined {
  const code = e instanceof Error && "code" in e ? String(e.code) : "";
  if (!code.startsWith("SQLITE_")) return undefined;
  const full = { status: 507 as const, said: "the disk is full: nothing was kept. Make room, then try again" };
  if (code.startsWith("SQLITE_FULL")) return full;
  const away = (said: string) => ({ status: 503 as const, said });
  if (code.startsWith("SQLITE_BUSY") || code.startsWith("SQLITE_LOCKED"))
    return away("the database is in use by another program; what you did waits and is tried again");
  if (code.startsWith("SQLITE_READONLY"))
    return away("the database may only be read: give the program leave to write its file and folder");
  if (code.startsWith("SQLITE_CORRUPT") || code.startsWith("SQLITE_NOTADB"))
    return away("the database file is damaged: stop the program and put back the last copy of it");
  if (code.startsWith("SQLITE_IOERR") || code.startsWith("SQLITE_CANTOPEN"))
    return away("the disk does not answer: nothing was kept; it is tried again");
  return undefined;
}
