import { randomUUID } from "node:crypto";
import { type Change, changesBetween, takenBack } from "@/core/keeping/change";
import { type Kept, screenOf } from "@/core/keeping/kept";
import { JobFileError } from "@/core/problem/problem";
import type { Db } from "./database";

/** A thing changed since the page was loaded. */
export class StaleError extends Error {
  override name = "StaleError";
}

/** How many things done to one thing are known by their keys. */
const KEPT_DONE = 5000;
/** So far back acts can be taken back. */
const KEPT_CHANGES = 500;

/** Who asks: the screen, and what was there when it came; without one whoever comes first to hand, who has seen all of it. */
export interface Screen {
  name: string;
  loaded: number;
}
export const ANYBODY: Screen = { name: "", loaded: Number.MAX_SAFE_INTEGER };

/** Something asked for by its key: done to the thing as it was seen at a revision, or the last thing taken back. */
export type Asked<A> = { key?: string | undefined } & ({ revision: number; act: A } | { undo: true });

/** What a keeper knows of the things it keeps: `V` the thing itself, `A` what can be done to it, `C` what takes that back. */
export interface Kind<V, A, C> {
  /** What its acts are kept under: `job 12`, `shop`. */
  name(id: number): string;
  /** @throws when there is no such thing */
  read(id: number): { revision: number; value: V };
  /**
   * Does it, writes it, and counts the revision on; given back is what takes it back, null where nothing does.
   * @throws JobFileError when it does not hold
   */
  carryOut(id: number, value: V, act: A): C | null;
  /** Takes it back, writes that, and counts the revision on; false where what it made is not there any more. */
  takeBack(id: number, value: V, change: C): boolean;
  /** What an act is called where it is taken back; of the thing before it. */
  text(act: A, value: V): string;
  /** True when the later can not stand on the other. */
  collides(done: A, later: A): boolean;
  /** What the thing is called in words. */
  called: string;
}

/** How a thing is kept that is written as a whole: what changed of it takes an act back. */
export const written = <V extends object, A>(how: {
  /** Writes the thing and counts its revision on. */
  write(id: number, next: V): void;
  carryOut(value: V, act: A): V;
  /** What was put together again by taking something back is a whole thing. */
  holds(value: V): boolean;
}): Pick<Kind<V, A, Change[]>, "takeBack"> & { carryOut(id: number, value: V, act: A): Change[] } => ({
  carryOut(id, value, act) {
    const next = how.carryOut(value, act);
    how.write(id, next);
    return changesBetween(value, next);
  },
  takeBack(id, value, change) {
    const before = takenBack(value, change);
    if (!before || !how.holds(before)) return false;
    how.write(id, before);
    return true;
  },
});

/** A transaction that is a writer from its beginning: it waits its turn instead of failing when it comes to write. */
export const writing =
  (db: Db) =>
  <P extends unknown[], R>(run: (...args: P) => R) => {
    const made = db.transaction(run);
    return (...args: P): R => made.immediate(...args);
  };

/** Keeps what is done to things, each act in one transaction and once, so that it can be taken back and no screen undoes another's. */
export function keeper<V, A, C>(db: Db, kind: Kind<V, A, C>) {
  const sql = {
    /** The newest that can be taken back by a screen: of its own, and of what was there when it came. */
    last: db.prepare<[string, string, string, number], { key: string; what: string; act: string; change: string }>(
      `SELECT key, what, act, change FROM done
       WHERE thing = ? AND change IS NOT NULL AND (substr(key, 1, length(?)) = ? OR revision <= ?) ORDER BY revision DESC LIMIT 1`,
    ),
    done: db.prepare<[string, string], { revision: number }>("SELECT revision FROM done WHERE thing = ? AND key = ?"),
    doneSince: db.prepare<[string, number], { key: string; act: string | null }>(
      "SELECT key, act FROM done WHERE thing = ? AND revision > ? ORDER BY revision",
    ),
    insertDone: db.prepare(
      "INSERT INTO done (thing, key, revision, act, what, change) VALUES (@thing, @key, @revision, @act, @what, @change)",
    ),
    pruneDone: db.prepare("DELETE FROM done WHERE thing = ? AND revision <= ?"),
    pruneChanges: db.prepare("UPDATE done SET change = NULL WHERE thing = ? AND revision <= ? AND change IS NOT NULL"),
    takeBack: db.prepare("UPDATE done SET change = NULL WHERE thing = ? AND key = ?"),
  };

  const lastOf = (id: number, { name, loaded }: Screen) => {
    const own = `${name}.`;
    return sql.last.get(kind.name(id), own, own, loaded);
  };

  interface Now extends Omit<Kept, "version"> {
    value: V;
  }
  const load = (id: number, screen: Screen = ANYBODY): Now => ({
    ...kind.read(id),
    undo: lastOf(id, screen)?.what ?? null,
  });

  /** What other screens did since a page was drawn up, an undo as what it undid; undefined when that is no longer known. */
  function elsewhere(id: number, now: number, seen: number, key: string): A[] | undefined {
    const since = sql.doneSince.all(kind.name(id), seen);
    const others = since.filter((d) => screenOf(d.key) !== screenOf(key));
    // An undo of before it kept what it undid, or one of so long ago that it is not known.
    if (since.length !== now - seen || others.some((d) => d.act === null)) return undefined;
    return others.map((d) => JSON.parse(d.act!) as A);
  }

  /** An act on a page that shows an older state is done to the newer when nobody else touched the same. */
  function stands(id: number, now: Now, seen: number, act: A, key: string): void {
    const others = now.revision === seen ? [] : elsewhere(id, now.revision, seen, key);
    const other = others?.find((o) => kind.collides(o, act));
    if (others && !other) return;
    const what = other ? `${kind.text(other, now.value)} was changed` : `the ${kind.called} was changed`;
    throw new StaleError(`${what} elsewhere meanwhile; what is kept there stands`);
  }

  /** Keeps what was done by its key. An undo keeps what it undid: it touches the same. */
  function keep(id: number, now: Now, done: { key: string; act: string; what: string | null; change: C | null }): void {
    const [thing, revision] = [kind.name(id), now.revision + 1];
    sql.insertDone.run({ ...done, thing, revision, change: done.change && JSON.stringify(done.change) });
    sql.pruneDone.run(thing, revision - KEPT_DONE);
    sql.pruneChanges.run(thing, revision - KEPT_CHANGES);
  }

  const seenBy = (key: string, loaded: number | undefined): Screen =>
    loaded === undefined ? ANYBODY : { name: screenOf(key), loaded };
  const freshKey = () => `${randomUUID()}.0`;

  /**
   * Does one thing, to what was seen at a revision. Asked again with the same key it is not done again. `loaded` is the revision
   * the screen came with: what it may take back besides its own.
   * @throws StaleError, JobFileError, and what `read` throws; then nothing is changed.
   */
  const act = writing(db)((id: number, seen: number, what: A, key: string = freshKey(), loaded?: number): Now => {
    const screen = seenBy(key, loaded);
    const now = load(id, screen);
    if (sql.done.get(kind.name(id), key)) return now;
    stands(id, now, seen, what, key);
    const called = kind.text(what, now.value);
    const change = kind.carryOut(id, now.value, what);
    keep(id, now, { key, act: JSON.stringify(what), what: called, change });
    return load(id, screen);
  });

  /**
   * Takes back what the screen did last, whatever others did to other things since; with nothing to take back all stays as it is.
   * @throws StaleError when what it did is not there any more.
   */
  const undo = writing(db)((id: number, key: string = freshKey(), loaded?: number): Now => {
    const screen = seenBy(key, loaded);
    const now = load(id, screen);
    if (sql.done.get(kind.name(id), key)) return now;
    const last = lastOf(id, screen);
    if (!last) return now;
    if (!kind.takeBack(id, now.value, JSON.parse(last.change) as C))
      throw new StaleError(`${last.what} was changed elsewhere meanwhile; it cannot be taken back`);
    sql.takeBack.run(kind.name(id), last.key);
    keep(id, now, { key, act: last.act, what: null, change: null });
    return load(id, screen);
  });

  /**
   * Does several things in their order, as far as they hold; `did` is how many. What does not hold ends it, and is thrown
   * where it is the first.
   * @throws as `act` and `undo`; then nothing is changed.
   */
  const all = writing(db)((id: number, asked: Asked<A>[], loaded?: number): Now & { did: number } => {
    let now: Now | undefined;
    let did = 0;
    for (const a of asked)
      try {
        now = "undo" in a ? undo(id, a.key, loaded) : act(id, a.revision, a.act, a.key, loaded);
        did++;
      } catch (e) {
        if (!now || !(e instanceof StaleError || e instanceof JobFileError)) throw e;
        break;
      }
    return { ...(now ?? load(id)), did };
  });

  /** Knows of something that was done to it as part of what was done to another thing, so that no screen undoes it unseen. */
  const note = (id: number, done: A): void => {
    const { revision } = kind.read(id);
    sql.insertDone.run({ thing: kind.name(id), key: freshKey(), revision, act: JSON.stringify(done), what: null, change: null }); // prettier-ignore
  };

  return { load, act, undo, all, note };
}
