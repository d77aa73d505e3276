import { createStore, entries, del, set, type UseStore } from "idb-keyval";

/** Something done on a page that is not known to be kept: what, to which thing as it was seen at a revision, by its key. */
export interface Waiting<A = unknown> {
  key: string;
  /** Where the thing is kept: `/api/jobs/12`. */
  at: string;
  seen: number;
  what: Sent<A>;
}
export type Sent<A> = { act: A } | { undo: true };

let store: UseStore | undefined;
const kept = () => (store ??= createStore("rundik", "waiting"));
/** Without a database in the browser what waits is only in the page, and the browser asks before it is left. */
const has = () => typeof indexedDB !== "undefined";

/** Keeps what waits in the browser's database, over a reload and a closed tab. */
export const remember = async (w: Waiting): Promise<void> => {
  if (has()) await set(w.key, w, kept()).catch(() => undefined);
};

export const forget = async (key: string): Promise<void> => {
  if (has()) await del(key, kept()).catch(() => undefined);
};

/** What waits for a thing, in the order it was done. */
export async function waitingFor<A>(at: string): Promise<Waiting<A>[]> {
  if (!has()) return [];
  const all = await entries<string, Waiting<A>>(kept()).catch(() => []);
  return (
    all
      // What was left waiting by an older page named its job by number.
      .map(([, w]): Waiting<A> & { job?: number } => w)
      .filter((w) => (w.at ?? `/api/jobs/${w.job}`) === at)
      .sort((a, b) => numberOf(a.key) - numberOf(b.key))
  );
}

const numberOf = (key: string) => Number(key.slice(key.lastIndexOf(".") + 1));

/** What this screen is called in the keys of what is done on it: the same over a reload, another in another tab. */
export function screenName(): string {
  try {
    const known = sessionStorage.getItem("rundik-screen");
    if (known) return known;
    const name = [...crypto.getRandomValues(new Uint8Array(9))].map((b) => b.toString(36)).join("");
    sessionStorage.setItem("rundik-screen", name);
    return name;
  } catch {
    return "screen";
  }
}

let last = 0;
/** A key for what is done: of this screen, and counting up, over a reload too. */
export function nextKey(): string {
  last = Math.max(last + 1, Date.now() * 1000);
  return `${screenName()}.${last}`;
}

/** What another page left waiting for so long is taken up here: that page is closed. */
const LEFT_BEHIND = 15_000;

/** What was left waiting for a thing by this page before it was loaded again, or by one that is closed. */
export async function leftBehind<A>(at: string): Promise<Waiting<A>[]> {
  const mine = screenName();
  return (await waitingFor<A>(at)).filter(
    ({ key }) => key.slice(0, key.lastIndexOf(".")) === mine || Date.now() - numberOf(key) / 1000 > LEFT_BEHIND,
  );
}
