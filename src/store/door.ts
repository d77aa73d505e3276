import { createHash, randomBytes, scrypt, timingSafeEqual } from "node:crypto";
import { promisify } from "node:util";
import type { Db } from "./database";

/** Not let in, and why. */
export class NotLetIn extends Error {
  override name = "NotLetIn";
}

export const SHORTEST = 12;
/** Sessions not used for so long are over; ms. */
const IDLE = 30 * 24 * 3_600_000;
/** When a session was last used is written down no more often than this; ms. */
const NOTED = 60_000;
/** So many wrong ones are free; after that each waits twice as long as the one before, up to the longest; ms. */
const FREE = 3;
const LONGEST_WAIT = 60_000;

/** A tenth of a second and 32 MB for each try: scrypt with N 2^15, r 8, p 1. */
const hashed = (passphrase: string, salt: Buffer): Promise<Buffer> =>
  (promisify(scrypt) as (p: string, s: Buffer, n: number, o: object) => Promise<Buffer>)(
    passphrase.normalize("NFC"),
    salt,
    32,
    { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 },
  );
const tokenHash = (token: string): Buffer => createHash("sha256").update(token).digest();

export interface Session {
  id: number;
  what: string;
  entered: number;
  seen: number;
  /** It is the one that asks. */
  here: boolean;
}

/** The door of a shop that others can reach: its passphrase, who is in, and how often it was tried. */
export function doorStore(db: Db, now: () => number = Date.now) {
  const sql = {
    door: db.prepare<[], { salt: Buffer; hash: Buffer; failures: number; opens_at: number }>("SELECT * FROM door"),
    set: db.prepare(
      "INSERT INTO door (one, salt, hash) VALUES (1, ?, ?) ON CONFLICT (one) DO UPDATE SET salt = excluded.salt, hash = excluded.hash, failures = 0, opens_at = 0",
    ),
    tried: db.prepare("UPDATE door SET failures = failures + 1, opens_at = ?"),
    passed: db.prepare("UPDATE door SET failures = 0, opens_at = 0"),
    enter: db.prepare("INSERT INTO session (hash, what, entered, seen) VALUES (?, ?, ?, ?)"),
    session: db.prepare<[Buffer], { id: number; seen: number }>("SELECT id, seen FROM session WHERE hash = ?"),
    seen: db.prepare("UPDATE session SET seen = ? WHERE id = ?"),
    list: db.prepare<[], Omit<Session, "here">>("SELECT id, what, entered, seen FROM session ORDER BY seen DESC"),
    end: db.prepare("DELETE FROM session WHERE id = ?"),
    endAll: db.prepare("DELETE FROM session"),
    prune: db.prepare("DELETE FROM session WHERE seen < ?"),
  };
  const find = (token: string | undefined) => (token ? sql.session.get(tokenHash(token)) : undefined);

  return {
    isSet: (): boolean => sql.door.get() !== undefined,
    /** Sets the passphrase, and ends every session. @throws NotLetIn when it is too short */
    set: async (passphrase: string): Promise<void> => {
      if (passphrase.length < SHORTEST)
        throw new NotLetIn(`a passphrase of ${passphrase.length} characters; at least ${SHORTEST}`);
      const salt = randomBytes(16);
      const hash = await hashed(passphrase, salt);
      db.transaction(() => {
        sql.set.run(salt, hash);
        sql.endAll.run();
      }).immediate();
    },
    /**
     * Lets in who knows the passphrase. @returns the token of a new session, known to nobody else
     * @throws NotLetIn when it is wrong, or asked again too soon
     */
    enter: async (passphrase: string, what: string): Promise<string> => {
      // Counted as wrong before it is looked at: many at once are no faster than one after another.
      const door = db
        .transaction(() => {
          const found = sql.door.get();
          if (!found)
            throw new NotLetIn(
              "no passphrase is set yet: `npm run --silent rundik -- passphrase`, where the program runs",
            );
          const wait = found.opens_at - now();
          if (wait > 0) throw new NotLetIn(`tried too often; again in ${Math.ceil(wait / 1000)} s`);
          const next = found.failures < FREE ? 0 : Math.min(LONGEST_WAIT, 1000 * 2 ** (found.failures - FREE));
          sql.tried.run(now() + next);
          return found;
        })
        .immediate();
      if (!timingSafeEqual(await hashed(passphrase, door.salt), door.hash))
        throw new NotLetIn("that is not the passphrase");
      const token = randomBytes(32).toString("base64url");
      db.transaction(() => {
        sql.passed.run();
        sql.prune.run(now() - IDLE);
        sql.enter.run(tokenHash(token), what.slice(0, 200), now(), now());
      }).immediate();
      return token;
    },
    /** True when the token is that of a session. */
    holds: (token: string | undefined): boolean => {
      const found = find(token);
      if (!found || found.seen < now() - IDLE) return false;
      if (found.seen < now() - NOTED) sql.seen.run(now(), found.id);
      return true;
    },
    sessions: (token: string | undefined): Session[] => {
      const here = find(token)?.id;
      return sql.list.all().map((s) => ({ ...s, here: s.id === here }));
    },
    /** Ends a session; the one that asks when none is named. */
    end: (token: string | undefined, id = find(token)?.id): void => {
      if (id !== undefined) sql.end.run(id);
    },
  };
}
