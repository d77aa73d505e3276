import type { Length } from "@/core/length/length";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import { setUps } from "@/core/layout/setups";
import { holds } from "@/core/shape/shape";
import { toLength } from "@/core/shape/formula";
import { caution } from "./cautions";

/** A step of work at one station on one lot. Minutes are worked time; `wait` is clock time that must pass after it. */
export interface Operation {
  id: string;
  name: string;
  station: string;
  lot: string;
  line: number | null;
  pieces: number;
  of: string;
  /** Blanks it cuts, when it is the saw's. */
  blanks: string[];
  minutes: number;
  setup: number;
  each: number;
  wait: number;
  after: string[];
  settings: { label: string; value: Length }[];
  caution?: string;
  check?: string;
}

/** Starting guesses for the saw, minutes [mem]. */
const GUESS = { rip: { setup: 5, each: 1.5 }, crosscut: { setup: 5, each: 0.5 }, plane: { setup: 10, each: 1.5 } };

/** Narrower than this and the rip is a thin strip. */
const THIN = 12_700_000;

/**
 * Every operation of a job: the saw's set-ups once for the whole job, then each line's own operations in order, in
 * lots no larger than clamps and jigs allow.
 */
export function operations(worked: WorkedJob, layout: LayoutResult): Operation[] {
  const saw = sawOperations(layout, worked.job.workshop.minHold);
  const crosscuts = saw.filter((o) => o.id.startsWith("crosscut"));
  const own = worked.lines.flatMap(({ line, shape, at }) => {
    const out: Operation[] = [];
    let after = crosscuts.filter((o) => o.blanks.some((b) => b.startsWith(`${at}/`))).map((o) => o.id);
    for (const op of shape.recipe.operations) {
      if (!holds(op.when, shape.scope)) continue;
      const part = shape.parts.find((p) => p.id === op.of);
      if (op.of !== undefined && !part) continue;
      const total = line.quantity * (part ? part.places.length : 1);
      const size = op.lot ?? total;
      const lots = Math.ceil(total / size);
      const ids: string[] = [];
      for (let i = 0; i < lots; i++) {
        const pieces = Math.min(size, total - i * size);
        const setup = i === 0 ? op.setup : 0;
        const id = `${at}/${op.id}${lots > 1 ? `/${i + 1}` : ""}`;
        out.push({
          id,
          name: op.name,
          station: op.station,
          line: at,
          pieces,
          of: part ? part.name : shape.title,
          blanks: [],
          lot: lots > 1 ? `lot ${i + 1} of ${lots}` : "all",
          minutes: Math.ceil(setup + op.each * pieces),
          setup,
          each: op.each,
          wait: op.wait ?? 0,
          after: i === 0 ? after : [ids[i - 1]!],
          settings: (op.settings ?? []).map((s) => ({
            label: s.label,
            value: toLength(shape.scope.evaluate(s.value).value, s.label),
          })),
          ...(op.hazard ? { caution: caution(op.hazard) } : {}),
          ...(op.check ? { check: op.check } : {}),
        });
        ids.push(id);
      }
      after = ids;
    }
    return out;
  });
  return [...saw, ...own];
}

function sawOperations(layout: LayoutResult, minHold: Length): Operation[] {
  const out: Operation[] = [];
  const made = new Map<string, string>();
  setUps(layout).forEach((s, i) => {
    const id = `${s.kind}-${i + 1}`;
    const base = { lot: "all", line: null, of: s.parts.join(", "), blanks: s.blanks, wait: 0, station: "table saw" };
    if (s.kind === "rip") {
      const hazard = s.setting < THIN ? "thin" : "rip";
      out.push({
        ...base,
        ...GUESS.rip,
        id,
        name: "Rip to width",
        pieces: s.count,
        minutes: Math.ceil(GUESS.rip.setup + GUESS.rip.each * s.count),
        after: [],
        settings: [{ label: "fence", value: s.setting }],
        caution: caution(hazard),
        check: "measure the first strip at both ends",
      });
      let last = id;
      if (s.planed > 0) {
        last = `plane-${i + 1}`;
        out.push({
          ...base,
          ...GUESS.plane,
          station: "planer",
          id: last,
          name: "Plane to thickness",
          pieces: s.count,
          minutes: Math.ceil(GUESS.plane.setup + GUESS.plane.each * s.count),
          after: [id],
          settings: [{ label: "take off", value: s.planed }],
          caution: caution("plane"),
        });
      }
      for (const b of s.blanks) made.set(b, last);
    } else {
      const hazard = s.setting < minHold ? "short" : "crosscut";
      out.push({
        ...base,
        ...GUESS.crosscut,
        id,
        name: "Crosscut to length",
        pieces: s.count,
        minutes: Math.ceil(GUESS.crosscut.setup + GUESS.crosscut.each * s.count),
        after: [...new Set(s.blanks.map((b) => made.get(b)!))],
        settings: [{ label: "stop", value: s.setting }],
        caution: caution(hazard),
        check: "measure the first piece",
      });
    }
  });
  return out;
}
