import { readdirSync } from "node:fs";

/** What is sent to a route: as it should be, or bent. */
export interface Sent {
  route: string;
  method: string;
  path: Record<string, string>;
  query: string;
  type: string;
  body?: string;
}
export type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;

/** Every handler there is, by route file and method: a new route is found without being named anywhere. */
export async function handlers(): Promise<Map<string, Handler>> {
  const found = new Map<string, Handler>();
  for (const file of readdirSync("src/app/api", { recursive: true, encoding: "utf8" })) {
    if (!file.endsWith("route.ts")) continue;
    const all = (await import(`../api/${file.replace(/\.ts$/, "")}`)) as Record<string, Handler>;
    for (const [method, handle] of Object.entries(all))
      if (/^[A-Z]+$/.test(method)) found.set(`${method} ${file.replace(/\/?route\.ts$/, "")}`, handle);
  }
  return found;
}

/** What no field expects, and some that many do. */
const ODD: unknown[] = [
  null, true, "", " ", "0", "-1", "abc", "a\nb", "\u0000", "1e308", "__proto__", "constructor", "toString", "<script>",
  "3/0", "9'", "‮", "x".repeat(5000), 0, -1, -0, 1.5, 1e15, 1e308, -1e308, 2 ** 53, [], {}, [[[[[]]]]],
  { by: "joint", is: {} }, { measured: {} }, [null], { toString: 1 },
]; // prettier-ignore

type Random = () => number;
const pick = <T>(random: Random, of: readonly T[]): T => of[Math.floor(random() * of.length)]!;

/** A value with one thing in it bent: replaced, taken out, doubled, renamed, added, or swapped with another. */
export function bent(value: unknown, random: Random): unknown {
  const copy = structuredClone(value);
  const places: { of: Record<string, unknown>; key: string }[] = [];
  const look = (v: unknown): void => {
    if (!v || typeof v !== "object") return;
    for (const key of Object.keys(v)) {
      places.push({ of: v as Record<string, unknown>, key });
      look((v as Record<string, unknown>)[key]);
    }
  };
  look(copy);
  if (places.length === 0 || random() < 0.03) return pick(random, ODD);
  const { of, key } = pick(random, places);
  const other = pick(random, places);
  const how = Math.floor(random() * 7);
  if (how === 0) delete of[key];
  else if (how === 1) of[pick(random, ["constructor", "x", "id", "at", "extra"])] = pick(random, ODD);
  else if (how === 2 && Array.isArray(of)) of.splice(Number(key), 0, structuredClone(of[key as never]));
  else if (how === 3) of[key] = structuredClone(other.of[other.key]);
  else if (how === 4 && typeof of[key] === "number") of[key] = (of[key] as number) * pick(random, [-1, 0, 1e-9, 2, 1000, 1e9]);
  else of[key] = pick(random, ODD); // prettier-ignore
  return copy;
}

const PATHS = ["abc", "0", "-1", "1e3", "01", " 1", "9999999999999999999", "constructor", "%zz", "..", "item.exe", "1"];

/** A request with one to three things bent: its body as a whole, as text, its path, its query, its type. */
export function bentRequest(good: Sent, random: Random): Sent {
  const sent = { ...good, path: { ...good.path } };
  for (let n = 1 + Math.floor(random() * 3); n > 0; n--) {
    const how = random();
    if (sent.body !== undefined && how < 0.75) {
      try {
        sent.body = JSON.stringify(bent(JSON.parse(sent.body), random)) ?? "";
      } catch {
        sent.body = sent.body.slice(1);
      }
    } else if (sent.body !== undefined && how < 0.8) sent.body = sent.body.slice(0, Math.floor(random() * sent.body.length));
    else if (how < 0.9 && Object.keys(sent.path).length > 0) sent.path[pick(random, Object.keys(sent.path))] = pick(random, PATHS);
    else if (how < 0.97) sent.query += pick(random, ["&id=x&id=y", "&paper=Letter", "&paper=", "&mark=-1", "&ask=%00", "&constructor=1", "&ask="]);
    else sent.type = pick(random, ["text/plain", "", "application/jsonx", "multipart/form-data"]);
  } // prettier-ignore
  return sent;
}
