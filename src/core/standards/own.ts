import { LengthError, parseLength } from "@/core/length/parse";
import { STANDARDS } from "./index";
import type { Standard } from "./standard";

/** A standard by id: one of the maker's own, or one that ships. */
export function standardOf(id: string, own: Standard[]): Standard | undefined {
  return STANDARDS.find((s) => s.id === id) ?? own.find((s) => s.id === id);
}

const MOST_VALUES = 120;

/**
 * What is wrong with a standard of the maker's own, by field: lengths that do not read, counts that are no counts, an
 * id that ships already, a size that is not there. Nothing when it can be used.
 */
export function standardProblems(s: Standard): { field: string; message: string }[] {
  const problems: { field: string; message: string }[] = [];
  const say = (field: string, message: string) => problems.push({ field, message });
  if (STANDARDS.some((x) => x.id === s.id)) say("id", `read "${s.id}", which ships already; choose another`);
  if (!/^[a-z0-9][a-z0-9-]{1,39}$/.test(s.id)) say("id", `read "${s.id}"; small letters, digits and dashes`);
  if (s.name.trim() === "" || s.name.length > 60) say("name", "between one and sixty letters");
  if (!Object.hasOwn(s.sizes, s.defaultSize)) say("defaultSize", `read "${s.defaultSize}", which is none of its sizes`);
  const groups: [string, Standard["values"]][] = [["values", s.values], ...Object.entries(s.sizes).map(([id, z]): [string, Standard["values"]] => [`sizes.${id}.values`, z.values])];
  if (groups.length > 20 || groups.some(([, v]) => Object.keys(v).length > MOST_VALUES)) say("values", "more values or sizes than a standard has");
  else
    for (const [where, values] of groups)
      for (const [name, v] of Object.entries(values)) {
        const field = `${where}.${name}`;
        if (!/^[a-z][a-zA-Z0-9]{0,39}$/.test(name)) say(field, "a name is letters and digits, the first a small letter");
        else if (typeof v.value === "number") {
          if (!Number.isInteger(v.value) || v.value < 1 || v.value > 200) say(field, `read ${v.value}, wanted a count from 1 to 200`);
        } else
          try {
            if (parseLength(v.value, s.units) === 0 && name !== "boxSpare") say(field, `read "${v.value}", wanted more than nothing`);
          } catch (e) {
            if (!(e instanceof LengthError)) throw e;
            say(field, e.message);
          }
      }
  return problems;
}

/** An id from a name: small letters, digits, dashes; never one that is taken. */
export function ownId(name: string, taken: string[]): string {
  const plain =
    name
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 30) || "own";
  const base = plain.length < 2 ? `${plain}-own` : plain;
  const all = new Set([...taken, ...STANDARDS.map((s) => s.id)]);
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!all.has(id)) return id;
  }
}
