import type { Length } from "@/core/length/length";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import type { Step } from "@/core/layout/cuts";
import { panelOf } from "@/core/layout/panels";
import { type SetUp, setUps } from "@/core/layout/setups";
import { holds } from "@/core/shape/shape";
import { toLength } from "@/core/formula/formula";
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
const GUESS = {
  rip: { setup: 5, each: 1.5 },
  slice: { setup: 5, each: 0.3 },
  panel: { setup: 10, each: 6, wait: 60 },
  crosscut: { setup: 5, each: 0.5 },
  plane: { setup: 10, each: 1.5 },
};

/** Narrower than this and the rip is a thin strip. */
const THIN = 12_700_000;

/**
 * Every operation of a job: the saw's set-ups once for the whole job, then each line's own operations in order, in
 * lots no larger than clamps and jigs allow. What is cut across a block comes between its crosscut and its slices.
 */
export function operations(worked: WorkedJob, layout: LayoutResult): Operation[] {
  const ups = setUps(layout);
  const saw = sawOperations(ups, worked.job.workshop.minHold);
  const blockOf = (blank: string) => saw.find((o) => o.step === "block" && o.blanks.includes(blank));
  const own = worked.lines.flatMap(({ line, shape, at }) => {
    const out: Operation[] = [];
    const cutHere = (o: SawOperation, steps: Step[]) =>
      steps.includes(o.step) && o.blanks.some((b) => b.startsWith(`${at}/`));
    let after = saw.filter((o) => cutHere(o, ["crosscut", "slice", "trim", "rip"])).map((o) => o.id);
    for (const glued of panelOperations(layout, at, after)) {
      out.push(glued);
      after = [...after, glued.id];
    }
    for (const op of shape.recipe.operations) {
      if (!holds(op.when, shape.scope)) continue;
      const part = shape.parts.find((p) => p.id === op.of);
      if (op.of !== undefined && !part) continue;
      const block = op.onBlock && part ? blockOf(`${at}/${part.id}`) : undefined;
      const total = line.quantity * (part ? part.places.length : 1);
      const size = op.lot ?? total;
      const lots = block ? 1 : Math.ceil(total / size);
      const ids: string[] = [];
      for (let i = 0; i < lots; i++) {
        const pieces = block ? block.pieces : Math.min(size, total - i * size);
        const each = block ? (op.each * total) / block.pieces : op.each;
        const setup = i === 0 ? op.setup : 0;
        const id = `${at}/${op.id}${lots > 1 ? `/${i + 1}` : ""}`;
        out.push({
          id,
          name: op.name,
          station: op.station,
          line: at,
          pieces,
          of: part ? `${part.name}${block ? ", by the block" : ""}` : shape.title,
          blanks: [],
          lot: lots > 1 ? `lot ${i + 1} of ${lots}` : "all",
          minutes: Math.ceil(setup + each * pieces),
          setup,
          each,
          wait: op.wait ?? 0,
          after: block ? [block.ready] : i === 0 ? after : [ids[i - 1]!],
          settings: (op.settings ?? []).map((s) => ({
            label: s.label,
            value: toLength(shape.scope.evaluate(s.value).value, s.label),
          })),
          ...(op.hazard ? { caution: caution(op.hazard) } : {}),
          ...(op.check ? { check: op.check } : {}),
        });
        ids.push(id);
      }
      if (block)
        for (const slice of saw.filter((o) => o.step === "slice" && o.blanks.includes(`${at}/${part!.id}`)))
          slice.after.push(...ids);
      else after = ids;
    }
    return out;
  });
  return inOrder([...saw.map(({ step: _step, ready: _ready, ...o }) => o), ...own]);
}

/** Gluing up the panels of one line, a part at a time: joint the edges, glue, and wait before they are cut to size. */
function panelOperations(layout: LayoutResult, at: number, after: string[]): Operation[] {
  return layout.request.blanks
    .filter((b) => b.staves && b.id.startsWith(`${at}/`))
    .map((b): Operation => {
      const pieces = b.quantity / b.staves!;
      return {
        ...GUESS.panel,
        id: `${panelOf(b.id)}/panel`,
        name: `Joint the edges and glue up, ${b.staves} staves each`,
        station: "clamps",
        line: at,
        pieces,
        of: b.name.replace(/ stave$/, ""),
        blanks: [],
        lot: "all",
        minutes: Math.ceil(GUESS.panel.setup + GUESS.panel.each * pieces),
        after,
        settings: [],
        caution: caution("glue"),
        check: "all grain one way, flat under the clamps",
      };
    });
}

/** The operations as they are, except that each stands after what must be done before it. */
function inOrder(all: Operation[]): Operation[] {
  const out = new Map<string, Operation>();
  const byId = new Map(all.map((o) => [o.id, o]));
  const put = (o: Operation) => {
    if (out.has(o.id)) return;
    for (const a of o.after) put(byId.get(a)!);
    out.set(o.id, o);
  };
  all.forEach(put);
  return [...out.values()];
}

interface SawOperation extends Operation {
  step: Step;
  /** What must be over before its pieces can be worked on: itself, or the planing after it. */
  ready: string;
}

const SAWING: Record<Step, { name: string; check: string }> = {
  section: { name: "Crosscut to sections", check: "measure the first section" },
  block: { name: "Crosscut to blocks", check: "measure the first block, and that its ends are square" },
  rip: { name: "Rip to width", check: "measure the first strip at both ends" },
  slice: { name: "Slice the blocks", check: "measure the first slice at both ends" },
  crosscut: { name: "Crosscut to length", check: "measure the first piece" },
  trim: { name: "Trim to size", check: "measure the first piece" },
};

function sawOperations(ups: SetUp[], minHold: Length): SawOperation[] {
  const out: SawOperation[] = [];
  // For each blank what came before: sections before rips, rips before crosscuts, and a trim last of all.
  const made = new Map<string, string[]>();
  ups.forEach((s, i) => {
    const id = `${s.step}-${i + 1}`;
    const rip = s.kind === "rip";
    const hazard = rip ? (s.setting < THIN ? "thin" : "rip") : s.setting < minHold ? "short" : "crosscut";
    const guess = s.step === "slice" ? GUESS.slice : rip ? GUESS.rip : GUESS.crosscut;
    const planed = s.planed > 0 ? `plane-${i + 1}` : undefined;
    const earlier = s.blanks.flatMap((b) => made.get(b) ?? []);
    // Strips wait for nothing but the sections some of them are cut from.
    const before = s.step === "rip" ? earlier.filter((o) => o.startsWith("section")) : earlier;
    out.push({
      ...guess,
      ...SAWING[s.step],
      step: s.step,
      ready: planed ?? id,
      lot: "all",
      line: null,
      of: s.parts.join(", "),
      blanks: s.blanks,
      wait: 0,
      station: "table saw",
      id,
      pieces: s.count,
      minutes: Math.ceil(guess.setup + guess.each * s.count),
      after: [...new Set(before)],
      settings: [{ label: rip ? "fence" : "stop", value: s.setting }],
      caution: caution(hazard),
    });
    if (planed)
      out.push({
        ...GUESS.plane,
        step: s.step,
        ready: planed,
        lot: "all",
        line: null,
        of: s.parts.join(", "),
        blanks: s.blanks,
        wait: 0,
        station: "planer",
        id: planed,
        name: "Plane to thickness",
        pieces: s.count,
        minutes: Math.ceil(GUESS.plane.setup + GUESS.plane.each * s.count),
        after: [id],
        settings: [{ label: "take off", value: s.planed }],
        caution: caution("plane"),
      });
    for (const b of s.blanks) made.set(b, [...(made.get(b) ?? []), planed ?? id]);
  });
  return out;
}
