import { freeId } from "./naming";
import { LengthError, parseLength } from "@/core/length/parse";
import { STANDARDS } from "./index";
import type { Standard } from "./standard";

/** A standard by id: one of the maker's own, or one that ships. */
export function standardOf(id: string, own: Standard[]): Standard | undefined {
  return STANDARDS.find((s) => s.id === id) ?? own.find((s) => s.id === id);
}

const MOST_VALUES = 120;

/** Values that are counts; all others are lengths. */
export const COUNTS = ["frames", "wireHoles"];

/** What a body and a frame with ears want of a standard, for every size and for each. */
const WANTED = {
  all: [
    "boxInsideLength",
    "boxInsideWidth",
    "nominalThickness",
    "restWidth",
    "restDepth",
    "frames",
    "pitch",
    "frameLength",
    "topBarLength",
    "topBarWidth",
    "topBarThickness",
    "earThickness",
    "endBarThickness",
    "shoulderWidth",
    "shoulderLength",
    "endBarWidth",
    "bottomBarWidth",
    "bottomBarThickness",
    "combThickness",
  ],
  size: ["bodyDepth", "frameHeight", "foundationLength", "foundationHeight", "wireHoles"],
};
const blank = (names: string[]): Standard["values"] => Object.fromEntries(names.map((n) => [n, { value: "", mark: "mem" as const }]));

/** A standard with nothing given yet: every value a body and a frame want, empty, and one size. */
export function standardFromNothing(name: string, units: Standard["units"], taken: string[]): Standard {
  const size = { name: "deep", values: blank(WANTED.size) };
  return { id: ownId(name, taken), name, short: name.slice(0, 24), units, beeSpace: "top", defaultSize: "deep", values: blank(WANTED.all), sizes: { deep: size } };
}

/** With one more size, its values empty. */
export function withSize(s: Standard, name: string): Standard {
  const id = ownId(name, [...Object.keys(s.sizes), ...STANDARDS.map((x) => x.id)]);
  return { ...s, sizes: { ...s.sizes, [id]: { name, values: blank(WANTED.size) } } };
}

/** Without a size; the last one stays. */
export function withoutSize(s: Standard, id: string): Standard {
  const { [id]: _gone, ...sizes } = s.sizes;
  const [first] = Object.keys(sizes);
  return first === undefined ? s : { ...s, sizes, defaultSize: s.defaultSize === id ? first : s.defaultSize };
}

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
        else if (v.value === "") say(field, "not given yet");
        else if (COUNTS.includes(name) && typeof v.value !== "number") say(field, `read "${v.value}", wanted a count from 1 to 200`);
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

/** An id for a standard: never one that ships or is taken. */
export const ownId = (name: string, taken: string[]): string => freeId(name, "own", [...taken, ...STANDARDS.map((s) => s.id)]);
