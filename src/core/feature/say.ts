import { lengthText } from "@/core/length/format";
import { type Length, nm, type Units } from "@/core/length/length";
import { extent } from "@/core/solid/solid";
import type { Feature } from "./feature";
import type { Edge, End, Face } from "./kind";
import { MACHINES, type Setting, settingWord } from "./machine";

/** What a person calls the faces, edges and ends of a part, as the made thing has it: "inside face", "upper edge". */
export type Sides = Record<Exclude<Face, "through">, string>;

/** Where nothing is known of how a part stands. */
export const PLAIN_SIDES: Sides = {
  reference: "reference face",
  far: "far face",
  "left end": "left end",
  "right end": "right end",
  "reference edge": "reference edge",
  "other edge": "other edge",
};

/** `fence 9 5/8`, `angle 30°`. */
export const settingText = (s: Setting, units: Units): string =>
  s.kind === "angle" ? `angle ${s.degrees}°` : `${settingWord(s.kind)} ${lengthText(s.value, units)}`;

/** `corner rabbet 3/4 wide × 3/8 deep` */
function sizes(f: Feature, units: Units): string {
  const own = Object.entries(f.measures).filter(() => f.kind !== "fold");
  const say = own.map(([what, v]) =>
    what === "diameter" ? `${lengthText(v, units)} across` : `${lengthText(v, units)} ${what}`,
  );
  return [f.name, say.join(" × ")].filter(Boolean).join(" ");
}

const faceText = (f: Feature, sides: Sides) => (f.face === "through" ? "right through" : `in the ${sides[f.face]}`);

/** Where one cut lies: `1 from the left end and 2 from the lower edge`. */
function place(f: Feature, units: Units, sides: Sides): string {
  const { along, across, from } = f.at;
  const to = f.kind === "hole" ? "middle " : "";
  const one = (d: Length, side: End | Edge) =>
    d === 0 ? `at the ${sides[side]}` : `${to}${lengthText(d, units)} from the ${sides[side]}`;
  if (f.marks && f.marks.at.length > 0) {
    const list = f.marks.at.map((m) => lengthText(m, units)).join(", ");
    const [own, other] = f.marks.along === "end" ? [from[0], from[1]] : [from[1], from[0]];
    const rest = f.marks.along === "end" ? across : along;
    const second = rest === null ? "" : f.kind === "fingers" ? `, ${one(rest, other)}` : ` and ${one(rest, other)}`;
    const what = f.kind === "fingers" ? "saw out between " : `${to}`;
    return `${what}${list} from the ${sides[own]}${second}`;
  }
  const words = [...(along === null ? [] : [one(along, from[0])]), ...(across === null ? [] : [one(across, from[1])])];
  return words.length === 0 ? "all over" : words.join(" and ");
}

/** `housing 19 wide × 7 deep, 25 from the left end, in the inside face`: a cut as a cutting list says it. */
export function featureText(f: Feature, units: Units, sides: Sides = PLAIN_SIDES): string {
  return [sizes(f, units), place(f, units, sides), faceText(f, sides), ...(f.note ? [f.note] : [])].join(", ");
}

/** Cuts that differ only in where they lie, said once: what they are, and how and where each is made. */
export function featureCuts(
  features: Feature[],
  units: Units,
  sides: Sides = PLAIN_SIDES,
): { what: string; how: string }[] {
  const groups = new Map<string, Feature[]>();
  for (const f of features) {
    const key = [f.name, f.face, f.note, ...Object.values(f.measures)].join(" ");
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  return [...groups.values()].map((all) => ({
    what: `${sizes(all[0]!, units)}${all[0]!.note ? `, ${all[0]!.note}` : ""}`,
    how: `${places(all, units, sides)}, ${faceText(all[0]!, sides)}, ${MACHINES[all[0]!.machine].said}`,
  }));
}

/** Two that mirror each other as one: `1 from each end`. */
function places(all: Feature[], units: Units, sides: Sides): string {
  const [a, b] = all;
  if (
    all.length === 2 &&
    a!.at.along !== null &&
    a!.at.along === b!.at.along &&
    a!.at.across === b!.at.across &&
    a!.at.from[0] !== b!.at.from[0]
  ) {
    const each = a!.at.along === 0 ? "at both ends" : `${lengthText(a!.at.along, units)} from each end`;
    const edge =
      a!.at.across === null ? "" : place({ ...a!, at: { ...a!.at, along: null }, marks: undefined }, units, sides);
    return [each, edge].filter(Boolean).join(" and ");
  }
  return [...new Set(all.map((f) => place(f, units, sides)))].join("; ");
}

/** Stretches along a part, from its left end, where no nail or staple may go: a cut runs behind them from the far side. */
export function noNailZones(features: Feature[]): [Length, Length][] {
  return features
    .filter((f) => f.kind === "groove" && f.at.across === null && f.name.startsWith("dado"))
    .flatMap((f) => f.bites.map((b): [Length, Length] => [nm(extent(b).l[0]), nm(extent(b).l[1])]));
}
