import { inch } from "@/core/length/length";
import { low, type Standing } from "@/core/line/standing";
import { gapState } from "./bands";
import type { Finding, State } from "./finding";
import type { Ruler } from "./ruler";

/** The gap over a body's frames and, under the lowest of a run, what is below them. */
export function spaces(chain: Standing[], i: number, r: Ruler): Finding[] {
  const body = chain[i]!;
  const found: Finding[] = [];
  if (body.judged.over) {
    const met = upward(chain, i);
    // Under combs that hang free the bees keep their own space, however the boxes are made.
    if (met && !(met.end.as === "body" && !met.end.judged.under)) found.push(between(body, met, r));
  }
  const below = chain[i - 1];
  if (body.judged.under && below && below.as !== "body") {
    const rims = below.as === "rim";
    if (!rims) found.push(under(body, below, r));
  }
  return found;
}

/** The first thing over a body's frames that stops bees, and what stands open between. */
function upward(chain: Standing[], i: number): { end: Standing; rims: Standing[] } | undefined {
  const rims: Standing[] = [];
  for (const s of chain.slice(i + 1)) {
    if (s.as !== "rim") return { end: s, rims };
    rims.push(s);
  }
  return undefined;
}

function between(body: Standing, { end, rims }: { end: Standing; rims: Standing[] }, r: Ruler): Finding {
  const label = end.as === "body" ? `Between ${low(body)} and ${low(end)}` : `Under ${low(end)}`;
  const w = r.work(
    label,
    [
      ["over", `over the frames of ${low(body)}`, body.over],
      ...rims.map((s, k): [string, string, number] => [`rim${k + 1}`, low(s), s.height]),
      ["under", end.as === "body" ? `below the frames of ${low(end)}` : `below ${low(end)}'s sheet`, end.under],
    ],
    ["over", ...rims.map((_, k) => `rim${k + 1}`), "under"].join(" + "),
  );
  const rule = end.as === "body" || end.as === "sheet" ? "between-boxes" : "flat-cover";
  const { state, gapState: gap } = gapState(w.value, r.bands);
  if (rims.length > 0)
    return r.finding(
      {
        rule,
        label,
        at: body.at,
        state: "care",
        allowed: r.bands.open,
        text: `${r.say(w.value)} of open room: bees build in it when the feed is gone`,
        advice: `take ${rims.map(low).join(" and ")} off as soon as the feed is`,
      },
      w,
    );
  const both = end.as === "body" ? "mixed top and bottom bee space? keep to one school in a hive" : undefined;
  const small =
    both ??
    (end.as === "cover" ? "put an inner cover with its rim down between" : "turn the rim down, or use a deeper one");
  const large = both ?? "turn the flat face down, or use a shallower rim";
  return r.finding(
    {
      rule,
      label,
      at: end.as === "body" ? end.at : body.at,
      state,
      allowed: r.bands.open,
      gap: true,
      text:
        gap === "glues"
          ? w.value <= 0
            ? `no gap: ${r.say(w.value)}; bees are squashed`
            : `bees will glue it: ${r.say(w.value)}`
          : gap === "bridges"
            ? `bees will bridge it: ${r.say(w.value)}`
            : state === "ok"
              ? "open"
              : `care: ${r.say(w.value)}`,
      advice: w.value < r.bands.open[0] ? small : large,
    },
    w,
  );
}

function under(body: Standing, below: Standing, r: Ruler): Finding {
  const label = `Below the frames of ${low(body)}`;
  const w = r.work(
    label,
    [
      ["under", `below the frames of ${low(body)}`, body.under],
      ["over", `above ${low(below)}'s ${below.as === "floor" ? "floor" : "sheet"}`, below.over],
    ],
    "under + over",
  );
  if (below.as === "sheet") {
    const { state, gapState: gap } = gapState(w.value, r.bands);
    return r.finding(
      {
        rule: "between-boxes",
        label,
        at: body.at,
        state,
        allowed: r.bands.open,
        gap: true,
        text:
          gap === "glues"
            ? `bees will glue it: ${r.say(w.value)}`
            : gap === "bridges"
              ? `bees will bridge it: ${r.say(w.value)}`
              : state === "ok"
                ? "open"
                : `care: ${r.say(w.value)}`,
        advice: "change the rim that stands over the sheet",
      },
      w,
    );
  }
  // Over a floor there must be room to pass; more than an inch and a half is filled with comb.
  const [least, most] = [inch(0, 3, 16), inch(1, 1, 2)];
  const state: State = w.value < least ? "stop" : w.value > most ? "care" : "ok";
  return r.finding(
    {
      rule: "floor-gap",
      label,
      at: body.at,
      state,
      allowed: [least, most],
      text:
        state === "stop"
          ? `${r.say(w.value)}: the frames stand on the floor`
          : state === "care"
            ? `${r.say(w.value)}: bees hang comb in it`
            : "room to pass, too little to build in",
      advice: state === "stop" ? "a floor with a rim over it" : "turn the floor over to its low side",
    },
    w,
  );
}
