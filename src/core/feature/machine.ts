import { z } from "zod";
import type { Length } from "@/core/length/length";

/** Where work is done. */
export const STATIONS = [
  "table saw",
  "planer",
  "jointer",
  "band saw",
  "drill",
  "bench",
  "clamps",
  "frame jig",
  "finish",
  "tank",
] as const;
export const stationSchema = z.enum(STATIONS);
export type Station = (typeof STATIONS)[number];

/** Stations where every operation can hurt and so carries a caution. */
export const HAZARDOUS_STATIONS: readonly Station[] = ["table saw", "planer", "jointer", "band saw", "drill", "tank"];

/** What makes a cut, and the station it stands at. */
export const MACHINES = {
  dado: { station: "table saw", said: "dado set" },
  saw: { station: "table saw", said: "saw" },
  drill: { station: "drill", said: "drill" },
  "hand tools": { station: "bench", said: "hand tools" },
} as const satisfies Record<string, { station: Station; said: string }>;
export type Machine = keyof typeof MACHINES;

/**
 * What is set before a cut, in the trade's words. `fence` and `stop` set a blank's width and length; `width` is what the
 * cut takes on the face (along the grain where the cut runs across it), `depth` what a through cut takes across the face, `height`
 * how far the cutter stands into the wood; `from end` and `from edge` go to the near side of the cut, to the `centre` of a handhold,
 * to the middle of a hole.
 */
export const SETTING_KINDS = [
  "fence",
  "stop",
  "height",
  "width",
  "angle",
  "from edge",
  "from end",
  "centre",
  "diameter",
  "depth",
  "take off",
] as const;
export type SettingKind = (typeof SETTING_KINDS)[number];

/** As it is said at the machine: there, depth is how deep a cutter goes, and that is its height over the table. */
export const settingWord = (kind: SettingKind): string => (kind === "depth" ? "across" : kind);

export type Setting = { kind: Exclude<SettingKind, "angle">; value: Length } | { kind: "angle"; degrees: number };

/** Settings that are the same have the same key. */
export const settingsKey = (settings: Setting[]): string => settings.map((s) => `${s.kind} ${s.kind === "angle" ? s.degrees : s.value}`).join(", "); // prettier-ignore
