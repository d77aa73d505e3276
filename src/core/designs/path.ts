/** Fields of a recipe by the path they are named by: `parts.0.features.2.l.1`. */

/** What stands at `l.0` of a row. */
export function at(row: unknown, key: string): unknown {
  return key
    .split(".")
    .reduce<unknown>((v, k) => (v === null || v === undefined ? undefined : (v as Record<string, unknown>)[k]), row);
}

/** The same data with a value put at a path, or taken away; what is on the way is made when it is not there. */
export function put<T>(data: T, path: string, value: unknown): T {
  const [head, ...rest] = path.split(".");
  const copy = (Array.isArray(data) ? [...(data as unknown[])] : { ...(data as object) }) as Record<string, unknown>;
  if (rest.length === 0) {
    if (value === undefined) {
      if (Array.isArray(copy)) (copy as unknown[])[Number(head)] = "";
      else delete copy[head!];
    } else copy[head!] = value;
  } else {
    const next = put(copy[head!] ?? (/^\d+$/.test(rest[0]!) ? [] : {}), rest.join("."), value);
    // A pair or triple with nothing left in it is not there.
    if (Array.isArray(next) && next.every((v) => v === "" || v === undefined) && value === undefined)
      delete copy[head!];
    else copy[head!] = Array.isArray(next) ? Array.from(next, (v: unknown) => v ?? "0*inch") : next;
  }
  return copy as T;
}
