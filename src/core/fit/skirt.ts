import { inch, type Length } from "@/core/length/length";
import { low, type Standing } from "@/core/line/standing";
import type { Finding, State } from "./finding";
import type { Ruler } from "./ruler";

/** A skirt against everything it reaches down over, and entrances it would shut. */
export function skirted(all: Standing[], cover: Standing, r: Ruler): Finding[] {
  const skirt = cover.skirt!;
  const edge = cover.foot - skirt.deep;
  const reached = all.filter((s) => s !== cover && s.as !== "stand" && s.foot < cover.foot && s.foot + s.height > edge);
  if (reached.length === 0) return [];
  const clear = (s: Standing) => Math.min(skirt.inside.length - s.outside.length, skirt.inside.width - s.outside.width);
  const worst = reached.reduce((a, b) => (clear(b) < clear(a) ? b : a));
  const along = skirt.inside.length - worst.outside.length <= skirt.inside.width - worst.outside.width;
  const word = along ? "length" : "width";
  const pick = (z: { length: Length; width: Length }) => (along ? z.length : z.width);
  const label = `${cover.title} over ${low(worst)}`;
  const w = r.work(
    label,
    [
      ["skirt", `inside the skirt, ${word}`, pick(skirt.inside)],
      ["outside", `${low(worst)}, outside ${word}`, pick(worst.outside)],
    ],
    "skirt - outside",
  );
  const [least, most] = [inch(0, 1, 4), inch(0, 1, 2)];
  const state: State = w.value <= 0 ? "stop" : w.value < least || w.value > most ? "care" : "ok";
  const found = [
    r.finding(
      {
        rule: "telescoping-clearance",
        label,
        at: cover.at,
        state,
        allowed: [least, most],
        text:
          state === "stop"
            ? `does not go over: ${low(worst)} is ${r.say(-w.value)} too ${along ? "long" : "wide"}`
            : state === "ok"
              ? "goes over, and is loose enough to come off"
              : w.value < least
                ? "tight: it jams when the wood swells"
                : "loose: wind gets under it",
        advice: "make the cover to the largest box beneath it",
      },
      w,
    ),
  ];
  for (const s of reached) {
    if (s.entrance === undefined) continue;
    const shut = r.work(
      `${s.title}'s entrance below the skirt`,
      [
        ["top", "top of the cover's seat to the entrance", cover.foot - (s.foot + s.height) + s.entrance],
        ["deep", "skirt reaches down", skirt.deep],
      ],
      "top - deep",
    );
    const want = inch(0, 1, 4);
    const clearOf: State = shut.value >= want ? "ok" : "stop";
    found.push(
      r.finding(
        {
          rule: "skirt-clear",
          label: `${s.title}'s entrance below the skirt`,
          at: s.at,
          state: clearOf,
          allowed: [want, null],
          text:
            clearOf === "ok" ? "stays open" : `the cover shuts it: ${r.say(shut.value)} clear, wants ${r.say(want)}`,
          advice: "a shorter skirt, a deeper rim, or the hole lower",
        },
        shut,
      ),
    );
  }
  return found;
}
