"use client";
import { createStore, del, entries, get, set, type UseStore } from "idb-keyval";
import { useEffect, useRef, useState } from "react";

let store: UseStore | undefined;
const kept = () => (store ??= createStore("rundik-drafts", "drafts"));
/** Without a database in the browser a draft is only in its page. */
const has = () => typeof indexedDB !== "undefined";

/** A draft as it lies in the browser, and what it was begun from. */
interface Lying<T> {
  start: T;
  value: T;
}

export interface Draft<T> {
  value: T;
  set(change: (now: T) => T): void;
  /** It was begun earlier and is taken up again. */
  found: boolean;
  /** What is kept on the server now: as long as it is the same there is nothing to lose. */
  keptAs(value: T): void;
  /** Gives it up, for what it was begun from or for what is kept. */
  giveUp(): void;
}

/**
 * Work that is not kept yet, such as a design that is being drawn up: over a reload and a closed tab it stays in the browser's own
 * database, under `key`, and is taken up again. `start` is what it begins from.
 */
export function useDraft<T>(key: string, start: T): Draft<T> {
  const [value, setValue] = useState(start);
  const [base, setBase] = useState(start);
  const [found, setFound] = useState(false);
  /** Nothing is put away before it is known what lies there. */
  const [looked, setLooked] = useState(false);
  const typed = useRef(false);

  useEffect(() => {
    if (!has()) return;
    let gone = false;
    void get<Lying<T>>(key, kept())
      .catch(() => undefined)
      .then((there) => {
        if (gone) return;
        setLooked(true);
        if (there === undefined || typed.current) return;
        setValue(there.value);
        setFound(true);
      });
    return () => {
      gone = true;
    };
  }, [key]);

  const same = JSON.stringify(value) === JSON.stringify(base);
  useEffect(() => {
    if (!has() || !looked) return;
    void (same ? del(key, kept()) : set(key, { start: base, value }, kept())).catch(() => undefined);
  }, [key, base, value, same, looked]);

  // At once: the page may be left in the same moment.
  const drop = () => void (has() && del(key, kept()).catch(() => undefined));
  return {
    value,
    found: found && !same,
    set: (change) => {
      typed.current = true;
      setValue(change);
    },
    keptAs: (now) => {
      setBase(now);
      drop();
    },
    giveUp: () => {
      setValue(base);
      setFound(false);
      drop();
    },
  };
}

/** Drafts that lie in this browser, by key: those whose key begins so. None before it has been looked. */
export function useDrafts<T>(begins: string): [string, Lying<T>][] {
  const [found, setFound] = useState<[string, Lying<T>][]>([]);
  useEffect(() => {
    if (!has()) return;
    void entries<string, Lying<T>>(kept())
      .catch(() => [])
      .then((all) => setFound(all.filter(([key]) => key.startsWith(begins))));
  }, [begins]);
  return found;
}
