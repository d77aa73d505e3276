import { hoursOn, presence, type Workshop } from "@/core/shop/shop";
import { STATIONS } from "@/core/feature/machine";
import { inch } from "@/core/length/length";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { dayStart } from "../calendar";
import type { ToPlan, Work } from "../tasks";
import type { Block, WholeAsk } from "../block";
import type { WholePlan } from "../whole";

/** Whole numbers below n, from a seed. */
export type Draw = (n: number) => number;
const MONDAY = dayStart("2027-02-08");

/** An operation of a made-up job. */
export const work = (id: string, more: Partial<Work> = {}): Work => ({ id, name: id, kind: id, station: "bench", line: 0, lot: "all", pieces: 1, people: 1, setup: 0, each: 10, share: 1, wait: 0, after: [], settings: [], measure: [], ...more }); // prettier-ignore

/** A made-up shop with its jobs: people with days, hours and skills, few stations, lots, waits, wood that comes later, set-ups that jobs share. */
export function madeUp(draw: Draw, most = { jobs: 3, operations: 6, minutes: 90, pieces: 12 }): WholeAsk {
  const shared = STATIONS.filter((_, i) => (i + draw(3)) % 3 > 0 || i === 5);
  const staff = Array.from({ length: draw(4) }, (_, i) => ({
    title: `p${i}`,
    ...(draw(3) === 0 ? { days: [1, 2, 3, 4, 5].filter((d) => d === 2 || draw(4) > 0) } : {}),
    ...(draw(3) === 0 ? { hours: [[480 + 60 * draw(3), 720], [750, 840 + 60 * draw(3)]] as [number, number][] } : {}), // prettier-ignore
    ...(draw(4) === 0 ? { off: ["2027-02-09", "2027-02-12"] } : {}),
    ...(draw(2) === 0 ? { works: STATIONS.filter(() => draw(3) > 0) } : {}),
  }));
  const shop: Workshop = { ...USUAL_WORKSHOP, people: 1 + draw(3), staff, closed: draw(4) === 0 ? ["2027-02-10"] : [], stations: { bench: 1 + draw(2), ...(draw(3) === 0 ? { "table saw": 2, clamps: 2 } : {}) } }; // prettier-ignore
  const jobs = Array.from({ length: 1 + draw(most.jobs) }, (_, job): ToPlan => {
    const list: Work[] = [];
    const count = 1 + draw(most.operations);
    for (let i = 0; i < count; i++) {
      const station = shared[draw(shared.length)]!;
      const pieces = 1 + draw(most.pieces);
      const after = list.flatMap((w) => (draw(3) === 0 ? [w.id] : []));
      // What takes no longer for more is done once, with the first.
      const once = draw(12) === 0 && station !== "clamps";
      const more: Partial<Work> = { station, pieces, people: 1 + Number(draw(5) === 0), setup: 5 * (draw(4) + Number(once)), each: once ? 0 : Math.ceil((1 + draw(most.minutes)) / pieces), wait: draw(3) === 0 ? 30 * draw(20) : 0, after, kind: `cut ${draw(3)}`, settings: draw(2) ? [{ kind: "fence", value: inch(draw(2) + 1) }] : [], measure: draw(9) === 0 ? ["fits"] : [] }; // prettier-ignore
      if (station === "clamps" && pieces > 3) {
        const whole = Math.floor(pieces / 3);
        for (let k = 0; k < whole; k++) list.push(work(`${i}/glue/${k + 1}`, { ...more, pieces: 3, setup: k === 0 ? more.setup! : 0, lot: `lot ${k + 1} of ${whole}`, step: `glue${i}` })); // prettier-ignore
      } else list.push(work(`${i}`, more));
    }
    const comes = Object.fromEntries(list.filter(() => draw(6) === 0).map((w) => [w.id, MONDAY + 1440 * draw(5)]));
    return { job: job + 1, from: MONDAY + (draw(3) === 0 ? 1440 * draw(4) : 0), due: draw(3) > 0 ? MONDAY + 1440 * (1 + draw(8)) : null, work: list, comes }; // prettier-ignore
  });
  return { jobs, shop, now: MONDAY + draw(2) * 560 };
}

/**
 * The same shop later, as a bench left it: most of what a plan had begin by then is made, some in part, some ahead of its turn; and of what
 * some operation spoiled as many are wanted again, through all that they go through before it.
 */
export function later(draw: Draw, ask: WholeAsk, { blocks, finish }: WholePlan): WholeAsk {
  const now = ask.now + draw(Math.max(1, Math.ceil(1.2 * (finish - ask.now))));
  const made: NonNullable<WholeAsk["made"]> = {};
  for (const b of blocks) {
    const w = ask.jobs.find((j) => j.job === b.job)!.work.find((x) => x.id === b.op)!;
    const isAhead = draw(20) === 0;
    if (b.job % 3 === 0 || (b.startsAt >= now && !isAhead) || w.lot !== "all" || w.each === 0) continue;
    const of = ((made[b.job] ??= {})[b.name] ??= { pieces: 0, at: 0 });
    if (of.pieces !== b.pieces[0] || draw(20) === 0) continue;
    const part = draw(4) === 0 ? draw(b.pieces[1] - b.pieces[0] + 1) : b.pieces[1] - b.pieces[0];
    Object.assign(of, { pieces: of.pieces + part, at: Math.min(now, b.endsAt) });
  }
  const jobs = ask.jobs.map((j) => {
    const spoiled = draw(2) ? j.work.find((w) => w.lot === "all" && (made[j.job]?.[w.name]?.pieces ?? 0) > 0) : undefined;
    const again = new Set(spoiled && [spoiled.id]);
    for (const w of j.work.toReversed()) if (again.has(w.id)) for (const a of w.after) again.add(a);
    return { ...j, work: j.work.map((w) => (again.has(w.id) && w.lot === "all" ? { ...w, pieces: w.pieces + 1 } : w)) };
  }); // prettier-ignore
  return { ...ask, jobs, now, made };
}

const MANNED = ["bench", "frame jig", "finish"];

/**
 * What a plan breaks, found by going through it minute by minute with nothing of what made it: pieces, order, waits, stations, set-ups, people,
 * what they can, hours and days off, wood. What was counted at a bench stands as it was; what goes on takes up its place and its people.
 * Nothing where it holds.
 */
export function broken({ jobs, shop, now, made }: WholeAsk, blocks: Block[], from = now): string[] {
  const wrong: string[] = [];
  /** It was counted at a bench before now, whoever did it. */
  const isFact = (b: Block) => made?.[b.job] !== undefined && b.startsAt < now;
  const isOver = (b: Block) => isFact(b) && b.endsAt <= now;
  const people = shop.staff.length || shop.people;
  const say = (b: Block, what: string) => void wrong.push(`${b.job}:${b.op} ${b.pieces.join("-")}: ${what}`);
  const isIn = (p: number, t: number): boolean => {
    const day = new Date(t * 60_000).toISOString().slice(0, 10);
    const spans = shop.staff.length > 0 ? presence(shop, day)[p]! : hoursOn(shop, day);
    return spans.some(([a, b]) => a <= t % 1440 && t % 1440 < b);
  };
  for (const { job, work: list, from: release, comes = {} } of jobs) {
    const mine = blocks.filter((b) => b.job === job);
    const family = (w: Work) => (w.lot === "all" ? [w] : list.filter((x) => x.step === w.step && x.line === w.line));
    const before = (w: Work) =>
      family(w)
        .slice(0, family(w).indexOf(w))
        .reduce((n, x) => n + x.pieces, 0);
    const all = (w: Work) => family(w).reduce((n, x) => n + x.pieces, 0);
    for (const w of list) {
      const lots = mine.filter((b) => b.op === w.id).toSorted((a, b) => a.pieces[0] - b.pieces[0]);
      if (lots.length === 0) wrong.push(`${job}:${w.id} is not planned`);
      let next = 0;
      for (const b of lots) {
        if (b.pieces[0] !== next) say(b, `begins at piece ${b.pieces[0]}, not ${next}`);
        next = b.pieces[1];
        if (!isFact(b) && b.startsAt < Math.max(b.startsAt < from ? 0 : from, release, ...family(w).map((x) => comes[x.id] ?? 0))) say(b, "before it may begin, or its wood is there"); // prettier-ignore
      }
      if (next !== w.pieces) wrong.push(`${job}:${w.id} has ${next} of ${w.pieces} pieces`);
      const machine = !MANNED.includes(w.station) && w.station !== "clamps";
      const minutes = lots.reduce((n, b) => n + b.minutes - b.setUp, 0);
      if (made?.[job]) {
        const count = made[job][lots[0]?.name ?? ""]?.pieces ?? 0;
        for (const b of lots) {
          const [p, q] = [before(w) + b.pieces[0], before(w) + b.pieces[1]];
          if (isFact(b) && w.each > 0 && count <= p) say(b, "stands as begun, and nothing of it is made");
          if (isFact(b) && w.each > 0 && count >= q && b.endsAt > now) say(b, "is made and goes on");
          if (!isFact(b) && w.each > 0 && count >= q) say(b, "is made and is planned again");
          const left = w.each * w.share * (q - Math.min(q, Math.max(p, count)));
          if (!isFact(b) && (b.minutes - b.setUp < Math.floor(left) - 1 || b.minutes - b.setUp > left + 2 + (machine ? 0 : w.setup))) say(b, `takes ${b.minutes - b.setUp} minutes, ${left} are left`); // prettier-ignore
        }
      } else if (minutes !== Math.ceil((machine ? 0 : w.setup) + w.each * w.share * w.pieces)) wrong.push(`${job}:${w.id} takes ${minutes} minutes`); // prettier-ignore
      // Item by item: what it is made of has left the operation before and has waited.
      for (const a of new Set(family(w).flatMap((x) => x.after))) {
        const earlier = list.find((x) => x.id === a)!;
        if (family(earlier).includes(w)) continue;
        const whole = family(w).some((x) => x.measure.length > 0) || family(earlier)[0]!.each === 0;
        for (const b of lots.filter((l) => !isOver(l)))
          for (const x of family(earlier))
            for (const p of mine.filter((m) => m.op === x.id)) {
              const [i, j] =
                w.each === 0
                  ? [0, 1 / all(w)]
                  : [(before(w) + b.pieces[0]) / all(w), (before(w) + b.pieces[1]) / all(w)];
              const [k, l] = [(before(x) + p.pieces[0]) / all(x), (before(x) + p.pieces[1]) / all(x)];
              if ((whole || (i < l - 1e-9 && k < j - 1e-9)) && b.startsAt < p.endsAt + x.wait && !(isFact(b) && p.endsAt <= now)) say(b, `before ${p.op} is done and has waited`); // prettier-ignore
            }
      }
    }
  }
  for (const b of blocks.filter((x) => !isFact(x))) {
    if (b.who.length === 0 || new Set(b.who).size !== b.who.length || b.who.some((p) => p >= people)) say(b, `by ${b.who.join(", ")}`); // prettier-ignore
    let worked = 0;
    for (let t = b.startsAt; t < b.endsAt; t++) if (b.who.every((p) => isIn(p, t))) worked++;
    if (worked !== b.minutes) say(b, `${worked} minutes are worked of ${b.minutes}`);
    if (b.minutes > 0 && !b.who.every((p) => isIn(p, b.startsAt))) say(b, "begins while who does it is not in");
    const someCan = shop.staff.some((p) => p.works === undefined || p.works.includes(b.station));
    if (someCan && b.who.some((p) => shop.staff[p]!.works && !shop.staff[p]!.works!.includes(b.station))) say(b, "by somebody who can not"); // prettier-ignore
    const count = shop.stations[b.station] ?? (MANNED.includes(b.station) ? people : 1);
    if (b.unit < 0 || b.unit >= count) say(b, `at number ${b.unit} of ${count}`);
  }
  const meets = (a: Block, b: Block, until: (x: Block) => number) => a !== b && !((isFact(a) || isFact(b)) && Math.min(a.endsAt, b.endsAt) <= now) && a.startsAt < until(b) && b.startsAt < until(a); // prettier-ignore
  for (const [i, a] of blocks.entries())
    for (const b of blocks.slice(i + 1)) {
      if (a.who.some((p) => b.who.includes(p)) && meets(a, b, (x) => x.endsAt)) say(a, `and ${b.op} by the same at once`); // prettier-ignore
      if (a.station === b.station && a.unit === b.unit && meets(a, b, (x) => x.endsAt + (x.station === "clamps" ? x.wait : 0))) say(a, `and ${b.op} at one station`); // prettier-ignore
    }
  const keyOf = (b: Block) => {
    const w = jobs.find((j) => j.job === b.job)!.work.find((x) => x.id === b.op)!;
    return { key: JSON.stringify([w.kind, w.settings]), setup: w.setup };
  };
  for (const first of blocks.filter(
    (b) => !(made && b.startsAt < now) && !MANNED.includes(b.station) && b.station !== "clamps",
  )) {
    const row = blocks.filter((b) => b.station === first.station && b.unit === first.unit && (b.startsAt < first.startsAt || (b.startsAt === first.startsAt && b.endsAt < first.endsAt))).toSorted((a, b) => a.endsAt - b.endsAt || a.startsAt - b.startsAt); // prettier-ignore
    const last = row.at(-1);
    const wanted = last && keyOf(last).key === keyOf(first).key ? 0 : keyOf(first).setup;
    if (first.setUp !== wanted) say(first, `a set-up of ${first.setUp}, where ${wanted} is wanted`);
  }
  return wrong;
}
