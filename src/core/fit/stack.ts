import { DEFAULT_BANDS, gapState } from "./bands";
import { excluderCover } from "./excluder";
import type { Finding, State } from "./finding";
import { lengthWithUnit } from "@/core/length/format";
import { inch, type Length, nm, type Units } from "@/core/length/length";
import { lengthValue, toLength } from "@/core/formula/formula";
import { Scope, type Working } from "@/core/formula/scope";
import { chainOf, type Standing } from "@/core/line/standing";

/** Every place where two things of a hive meet, judged; a finding's `line` is the level it is found at, from the ground. */
export function judgeStack(standing: Standing[], units: Units): Finding[] {
  const chain = chainOf(standing);
  const rule = ruler(units);
  return [
    ...complete(chain, rule),
    ...chain.flatMap((s, i) => (s.as === "body" ? spaces(chain, i, rule) : [])),
    ...chain.slice(1).flatMap((upper, i) => steps(upper, chain[i]!, rule)),
    ...chain.flatMap((s, i) => (s.as === "sheet" && s.excludes ? excluded(chain, i, rule) : [])),
    ...chain.flatMap((s) => (s.skirt ? skirted(standing, s, rule) : [])),
    ...standing.filter((s) => s.as === "jacket").flatMap((s) => jacketed(s, standing, rule)),
  ];
}

/** What two things say of each other where one stands on the other; nothing of what else a hive would need. */
export function judgeMeeting(lower: Standing, upper: Standing, units: Units): Finding[] {
  const alone = ["floor-missing", "cover-missing", "inner-cover-missing", "jacket-fit", "jacket-height"];
  return judgeStack([lower, { ...upper, foot: lower.height }], units).filter((f) => !alone.includes(f.rule));
}

interface Said {
  rule: string;
  label: string;
  at: number;
  state: State;
  allowed: [Length | null, Length | null];
  text: string;
  advice?: string;
  gap?: boolean;
}
type Ruler = ReturnType<typeof ruler>;

/** Findings with a working of named lengths and one formula over them. */
function ruler(units: Units) {
  const say = (l: number) => lengthWithUnit(nm(Math.round(l)), units);
  const work = (label: string, values: [name: string, label: string, value: number][], formula: string) => {
    const scope = new Scope();
    for (const [name, what, value] of values)
      scope.define(name, { label: what, source: "measured", given: lengthValue(nm(value)) });
    scope.define("found", { label, source: "worked out", mark: "trade", formula });
    const working = { ...scope.working("found"), name: label };
    return { value: toLength(working.value, label), working };
  };
  const finding = (said: Said, { value, working }: { value: Length; working: Working }): Finding => ({
    rule: said.rule,
    label: said.label,
    line: said.at,
    state: said.state,
    value,
    allowed: said.allowed,
    text: said.text,
    advice: said.state === "ok" ? "" : (said.advice ?? ""),
    working,
    ...(said.gap ? { bands: DEFAULT_BANDS, gapState: gapState(value, DEFAULT_BANDS).gapState } : {}),
  });
  /** What is not there: no length to it. */
  const missing = (rule: string, label: string, at: number, text: string, advice: string, state: State = "stop") =>
    finding(
      { rule, label, at, state, allowed: [null, null], text, advice },
      work(label, [["none", "nothing", 0]], "none"),
    );
  return { say, work, finding, missing, units };
}

/** What may not be missing, and what may not stand where it does. */
function complete(chain: Standing[], r: Ruler): Finding[] {
  const found: Finding[] = [];
  const bodies = chain.filter((s) => s.as === "body");
  const top = chain.at(-1);
  if (!top || bodies.length === 0) return found;
  if (!chain.some((s) => s.as === "floor"))
    found.push(
      r.missing(
        "floor-missing",
        "Floor",
        bodies[0]!.at,
        "nothing under the lowest box: bees, mice and wasps come and go",
        "add a floor",
        "care",
      ),
    );
  if (top.as !== "cover")
    found.push(r.missing("cover-missing", "Cover", top.at, "nothing closes the hive above", "add a cover", "care"));
  chain.forEach((s, i) => {
    const below = chain[i - 1];
    if (s.as === "cover" && s.skirt && below && below.as !== "inner-cover" && below.as !== "stand" && !below.tight)
      found.push(
        r.missing(
          "inner-cover-missing",
          "Under the telescoping lid",
          s.at,
          `no inner cover under ${s.title.toLowerCase()}: once it is glued down no tool can reach in to free it`,
          "put an inner cover under it",
        ),
      );
    if (s.as === "cover" && i < chain.length - 1)
      found.push(
        r.missing(
          "cover-order",
          "Cover",
          s.at,
          `${chain[i + 1]!.title} stands on a cover`,
          "move the cover to the top",
        ),
      );
    if (s.as === "floor" && below && below.as !== "stand")
      found.push(
        r.missing(
          "floor-order",
          "Floor",
          s.at,
          `a floor stands on ${below.title.toLowerCase()}`,
          "move the floor down",
        ),
      );
  });
  return found;
}

/** The gap over a body's frames and, under the lowest of a run, what is below them. */
function spaces(chain: Standing[], i: number, r: Ruler): Finding[] {
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
  const { state, gapState: gap } = gapState(w.value, DEFAULT_BANDS);
  if (rims.length > 0)
    return r.finding(
      {
        rule,
        label,
        at: body.at,
        state: "care",
        allowed: DEFAULT_BANDS.open,
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
      allowed: DEFAULT_BANDS.open,
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
      advice: w.value < DEFAULT_BANDS.open[0] ? small : large,
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
    const { state, gapState: gap } = gapState(w.value, DEFAULT_BANDS);
    return r.finding(
      {
        rule: "between-boxes",
        label,
        at: body.at,
        state,
        allowed: DEFAULT_BANDS.open,
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

const low = (s: Standing) => s.title.toLowerCase();

/** How far the outsides of neighbours differ, each side. A cover's skirt goes over; a stand may be any size. */
function steps(upper: Standing, lower: Standing, r: Ruler): Finding[] {
  if (upper.skirt || lower.as === "stand") return [];
  const along =
    Math.abs(upper.outside.length - lower.outside.length) >= Math.abs(upper.outside.width - lower.outside.width);
  const pick = (s: Standing) => (along ? s.outside.length : s.outside.width);
  const word = along ? "length" : "width";
  const label = `${upper.title} on ${low(lower)}`;
  const w = r.work(
    label,
    [
      ["lower", `${low(lower)}, outside ${word}`, pick(lower)],
      ["upper", `${low(upper)}, outside ${word}`, pick(upper)],
    ],
    "(lower - upper) / 2",
  );
  if (w.value === 0) return [];
  const out = w.value > 0;
  const much = out && w.value > inch(0, 1, 8);
  return [
    r.finding(
      {
        rule: "footprint-step",
        label,
        at: upper.at,
        state: "care",
        allowed: [nm(0), nm(0)],
        text: out
          ? `the lower one stands out ${r.say(w.value)} each side: a ledge that holds rain${much ? " and rots" : ""}`
          : `the upper one stands out ${r.say(-w.value)} each side`,
        advice: `make ${upper.as === "body" ? low(lower) : low(upper)} to the box it meets`,
      },
      w,
    ),
  ];
}

/** How much of each wall's edge below and above an excluder covers. */
function excluded(chain: Standing[], i: number, r: Ruler): Finding[] {
  const sheet = chain[i]!;
  return [chain[i - 1], chain[i + 1]].flatMap((box) =>
    box?.inside
      ? [
          excluderCover(
            sheet.outside,
            { inside: box.inside, outside: box.outside },
            { label: `Excluder on ${low(box)}`, line: sheet.at, units: r.units, advice: "make its rim to the box" },
          ),
        ]
      : [],
  );
}

/** A skirt against everything it reaches down over, and entrances it would shut. */
function skirted(all: Standing[], cover: Standing, r: Ruler): Finding[] {
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

/** A jacket is as high as the boxes it stands round, and goes over them. */
function jacketed(jacket: Standing, all: Standing[], r: Ruler): Finding[] {
  const boxes = all.filter((s) => s.as === "body" && s.at < jacket.at);
  const last = boxes.at(-1);
  if (!last?.inside || !jacket.shape)
    return [
      r.missing(
        "jacket-fit",
        "Jacket",
        jacket.at,
        "no box under it to stand round",
        "put it after the box it goes round",
      ),
    ];
  const sums = boxes.toReversed().reduce<number[]>((list, s) => [...list, (list.at(-1) ?? 0) + s.height], []);
  const nearest = sums.reduce((a, b) => (Math.abs(b - jacket.height) < Math.abs(a - jacket.height) ? b : a));
  const high = r.work(
    "Jacket against its boxes",
    [
      ["jacket", "jacket, high", jacket.height],
      ["boxes", "boxes inside it, high", nearest],
    ],
    "jacket - boxes",
  );
  const off: State = Math.abs(high.value) <= inch(0, 1, 16) ? "ok" : "stop";
  return [
    r.finding(
      {
        rule: "jacket-height",
        label: "Jacket against its boxes",
        at: jacket.at,
        state: off,
        allowed: [nm(-inch(0, 1, 16)), inch(0, 1, 16)],
        text:
          off === "ok"
            ? "ends level"
            : `${r.say(Math.abs(high.value))} ${high.value > 0 ? "stands up past the box: the cover rocks" : "short of the box"}`,
        advice: "give it the height of the boxes inside",
      },
      high,
    ),
  ];
}
