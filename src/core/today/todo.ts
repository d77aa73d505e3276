import type { Standing } from "./standing";

/** A station of a job, by the name its page has. */
export type Stop = "ask" | "shape" | "lay-out" | "buy" | "run" | "prove";

/** What to do next on a job, and why. */
export interface Next {
  job: number;
  what: string;
  why: string;
  at: Stop;
  /** Somebody has to put something right before the rest can go on. */
  wrong: boolean;
}

/** What the first page knows of a job. */
export interface Known {
  id: number;
  name: string;
  customer: string | null;
  due: string | null;
  standing: Standing | null;
  /** All that it has to have bought is on its way. */
  ordered?: boolean;
}

/** A job as the first page lists it. */
export interface Listed extends Known {
  /** What is in it: `40 deep bodies, 400 deep frames`. */
  what: string;
  /** Where it stands has not changed since it was worked out, nor has anything around it. */
  fresh: boolean;
}

const some = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

/** What to do next on one job: the first thing along its stations that holds the others up. */
export function nextOf({ id, name, customer, due, standing: s, ordered }: Known): Next | undefined {
  const next = (at: Stop, what: string, why: string, wrong = false): Next => ({ job: id, what, why: customer ? `${customer}: ${why}` : why, at, wrong }); // prettier-ignore
  if (!s) return undefined;
  if (s.lines === 0) return next("ask", `Say what ${name} is`, "nothing is asked for yet");
  if (s.stops > 0) return next("shape", `Look: ${s.stop ?? "something will not fit"}`, `${name}; ${s.stops === 1 ? "this has" : `${s.stops} things have`} to be put right before anything is cut`, true); // prettier-ignore
  if (s.missing > 0) return next("lay-out", `Find wood for ${name}`, `no board gives ${some(s.missing, "part")}; what would is offered`, true); // prettier-ignore
  const slack = s.late === undefined ? "" : s.late > 0 ? `; ready ${some(s.late, "day")} after it is due` : `; ${some(-s.late, "day")} in hand`; // prettier-ignore
  if (s.buy > 0 && ordered) return next("buy", `Look out for ${some(s.buy, "board")} for ${name}`, `they are ordered; book them in when they come${slack}`); // prettier-ignore
  if (s.buy > 0) return next("buy", `Order ${some(s.buy, "board")} for ${name}`, `they are not in the yard, and sawing waits for them${slack}${s.unpriced > 0 ? `; ${some(s.unpriced, "thing")} without a price` : ""}`); // prettier-ignore
  if (s.unkept > 0) return next("lay-out", `Keep ${some(s.unkept, "board")} of the yard for ${name}`, `until then another job can take them${slack}`); // prettier-ignore
  if (!s.ready)
    return next("ask", `Say when ${name} starts`, `its wood is there${due ? "" : "; it has no due day either"}`);
  if (s.yard > 0)
    return next("run", `Saw ${some(s.yard, "board")} for ${name}`, `all of them are in the yard and kept${slack}`);
  return next("run", `Go on with ${name} at the bench`, `its ${some(s.sawn, "board")} are sawn${slack}`);
}

/** Urgency: what is late before what is not, then the fewer days in hand; what has no day comes last. */
const urgency = ({ standing }: Known): number => standing?.late ?? -Infinity;

/** What to do next, job by job, the most urgent first. */
export const nexts = (jobs: Known[]): Next[] =>
  jobs.toSorted((a, b) => urgency(b) - urgency(a)).flatMap((j) => nextOf(j) ?? []);

/** How a station's peg stands: done, to be put right, half done, or still to come. */
export type Peg = "done" | "wrong" | "half" | "open";

/** The six pegs of a job, Ask to Prove. */
export function pegs(s: Standing | null): Peg[] {
  if (!s || s.lines === 0) return ["open", "open", "open", "open", "open", "open"];
  const laid = s.missing > 0 ? "wrong" : "done";
  const bought = s.missing > 0 ? "open" : s.unpriced > 0 ? "wrong" : s.buy > 0 ? "half" : "done";
  const run = s.sawn === 0 ? "open" : s.yard + s.buy > 0 ? "half" : "done";
  return ["done", s.stops > 0 ? "wrong" : "done", laid, bought, run, s.readings > 0 ? "done" : "open"];
}
