import type { Setting } from "@/core/feature/machine";
import { namesOf } from "@/core/work/names";
import type { Work } from "./tasks";
import type { Block } from "./block";
import type { WholePlan } from "./whole";

/** Lots of one operation that are done one after another at one place by the same people: what stands in a plan as one. */
export interface Run extends Pick<
  Block,
  "job" | "name" | "op" | "station" | "unit" | "who" | "startsAt" | "endsAt" | "minutes" | "wait"
> {
  // prettier-ignore
  /** Pieces in it, after so many that are made before, of so many in all, in so many lots. */
  pieces: number;
  begin: number;
  all: number;
  /** The first of its lots among the operation's, and how many. */
  lot: number;
  lots: number;
  setUps: number;
  /** What it is, what goes through and at which settings. */
  title: string;
  of: string;
  settings: Setting[];
  caution?: string;
  centred?: boolean;
  /** It wants so many, and may be planned with fewer where the shop has no more. */
  wants: number;
  /** The boards it is the first to work, and parts that go through, in words. */
  from: string[];
  ofParts: NonNullable<Work["ofParts"]>;
  guess: boolean;
  /** What it is called in the shop's list of minutes, and what it is planned by there. */
  kind: string;
  setup: number;
  each: number;
}

/** What has to be said of a run that is planned with fewer people than it wants; undefined where it is not. */
export const tooFew = ({ wants, who }: Pick<Run, "wants" | "who">): string | undefined =>
  wants > who.length ? `Wants ${wants} people, ${who.length} is in the plan: do not begin it alone.` : undefined;

/** Over a break or a night it is the same run, over longer it is another: minutes. */
const APART = 18 * 60;

/** A plan as its runs, by when they begin; of operations that are not known any more nothing is said. */
export function runsOf({ blocks }: Pick<WholePlan, "blocks">, jobs: { job: number; work: Work[] }[]): Run[] {
  const works = new Map(jobs.map(({ job, work }) => [job, new Map(work.map((w) => [w.id, w]))]));
  const names = new Map(jobs.map(({ job, work }) => [job, namesOf(work)]));
  /** By its number where that is still the same operation, and else by what it is known by. */
  const find = ({ job, op, name }: Block) => {
    const known = names.get(job);
    const id = known?.get(op) === name ? op : [...(known ?? [])].find(([, n]) => n === name)?.[0];
    return id === undefined ? undefined : works.get(job)!.get(id);
  };
  const family = (job: number, w: Work) => [...works.get(job)!.values()].filter((x) => x.line === w.line && x.step === w.step && x.name === w.name); // prettier-ignore
  const open = new Map<string, Run>();
  const runs: Run[] = [];
  for (const b of blocks) {
    const w = find(b);
    const place = `${b.station} ${b.unit}`;
    const last = open.get(place);
    const pieces = b.pieces[1] - b.pieces[0];
    const goesOn = last && last.job === b.job && last.name === b.name && b.setUp === 0 && last.who.join() === b.who.join() && b.startsAt - last.endsAt < APART && last.wait === 0; // prettier-ignore
    if (goesOn) {
      last.pieces += pieces;
      last.lots++;
      last.minutes += b.minutes;
      last.endsAt = b.endsAt;
      continue;
    }
    const lots = !w ? [] : w.lot === "all" ? [w] : family(b.job, w);
    const before = w ? lots.slice(0, lots.indexOf(w)).reduce((n, x) => n + x.pieces, 0) : 0;
    const all = w ? lots.reduce((n, x) => n + x.pieces, 0) : pieces;
    const run: Run = {
      job: b.job,
      name: b.name,
      op: b.op,
      station: b.station,
      unit: b.unit,
      who: b.who,
      startsAt: b.startsAt,
      endsAt: b.endsAt,
      minutes: b.minutes,
      wait: b.wait,
      pieces,
      begin: before + b.pieces[0],
      all,
      lot: b.lot,
      lots: 1,
      setUps: Number(b.setUp > 0),
      title: w?.name ?? "done meanwhile",
      of: w?.of ?? "",
      settings: w?.settings ?? [],
      guess: w?.guess ?? false,
      kind: w?.kind ?? "",
      setup: w?.setup ?? 0,
      each: w ? w.each * w.share : 0,
      ...(w?.caution ? { caution: w.caution } : {}),
      ...(w?.centred ? { centred: true } : {}),
      wants: w?.people ?? 1,
      from: w?.from ?? [],
      ofParts: w?.ofParts ?? [],
    };
    runs.push(run);
    open.set(place, run);
  }
  return runs;
}
