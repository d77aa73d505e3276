/** An id from a name: small letters, digits and dashes, at most thirty of them, with a number after it when it is taken. */
export function freeId(name: string, otherwise: string, taken: Iterable<string>): string {
  const plain = name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 30);
  const base = plain === "" ? otherwise : plain.length < 2 ? `${plain}-own` : plain;
  const all = new Set(taken);
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!all.has(id)) return id;
  }
}
