import { lineAt } from "@/core/line/shapes";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import { jointArea } from "@/core/layout/panels";
import type { Blank } from "@/core/layout/request";
import { type CutPart, cutList, nameIn } from "@/core/line/cutlist";
import { fitsTo } from "@/core/line/fits";
import { partKey, pieceKey } from "@/core/line/line";
import { type Spoiled, spoiledOf } from "@/core/job/spoiled";
import { type Assembling, assembling, GLUE } from "./assembling";
import { cutting, inTurn } from "./cutting";
import { namesOf } from "./names";
import { fewer, type Operation, operation, timed } from "./operation";
import { sawing } from "./sawing";

/** Gluing up a panel, minutes [mem]. */
const PANEL = { setup: 10, each: 6, wait: 60 };

/** Operations that wait for each other: a recipe that cannot be made. */
export class RingError extends Error {
  override name = "RingError";
}

const known = new WeakMap<LayoutResult, WeakMap<WorkedJob, Operation[]>>();

/**
 * Every operation of a job, each after what it needs: the saw's set-ups once for the whole job, cuts into parts at one setting
 * together, then each line's steps in order and in lots. What is cut across a block comes between its crosscut and its slices; a
 * part made to fit comes after what it is measured from.
 */
export function operations(worked: WorkedJob, layout: LayoutResult): Operation[] {
  const byJob = known.get(layout) ?? new WeakMap<WorkedJob, Operation[]>();
  known.set(layout, byJob);
  const found = byJob.get(worked) ?? workedOut(worked, layout);
  byJob.set(worked, found);
  return found;
}

function workedOut(worked: WorkedJob, layout: LayoutResult): Operation[] {
  const { units, workshop } = worked.job;
  const parts = cutList(worked.lines);
  const byKey = new Map(parts.map((p) => [p.id, p]));
  const name = nameIn(worked.lines);
  const saw = sawing(layout, workshop.minHold, units, (id) => name(byKey.get(partKey(id))!));
  const panels = layout.request.blanks
    .filter((b) => b.staves)
    .map((b) => panel(b, saw, name(byKey.get(partKey(b.of))!), workshop.glue));
  const cuts = cutting(
    parts,
    units,
    ({ id }) => {
      const slices = saw.filter((s) => s.up.step === "slice").map((s) => s.up.through.get(id)?.pieces ?? 0);
      const blocks = saw.filter((s) => s.up.step === "block").map((s) => s.up.through.get(id)?.units ?? 0);
      return { pieces: sum(slices), blocks: sum(blocks) };
    },
    name,
    ({ of }) => spoiledOf(worked.job.spoiled, of),
  );
  inTurn(cuts);
  const steps = new Map(worked.lines.map((l) => [l.at, assembling(l, units, workshop)]));
  const lotsOf = (line: number, step: string) =>
    steps
      .get(line)
      ?.find((s) => s.step.id === step)
      ?.lots.map((o) => o.id) ?? [];

  for (const c of cuts)
    for (const part of c.parts) {
      const own = saw.filter((s) => s.up.through.has(part.id));
      if (c.onBlock) {
        const blocks = own.filter((s) => s.up.step === "block" || (s.up.step === "plane" && [...s.up.after].some((a) => a.startsWith("block")))); // prettier-ignore
        need(c.op, blocks.map((s) => s.op.id)); // prettier-ignore
        for (const s of own) if (s.up.step === "slice") need(s.op, [c.op.id]);
      } else need(c.op, readyBlank(part, saw, panels));
      if (c.stage) need(c.op, lotsOf(c.stage.line, c.stage.step));
    }
  for (const part of parts) {
    const line = lineAt(worked.lines, part.of.line)!;
    const fits = fitsTo(part.part, line, worked.lines);
    if (fits.length === 0) continue;
    for (const { op, up } of saw)
      if (up.waits && up.through.has(part.id)) {
        for (const f of fits) need(op, lotsOf(f.line, f.step));
        op.measure.push({ part: part.of, names: part.part.fits!.names });
      }
    for (const p of panels)
      if (p.id === `${part.id}/panel`) {
        for (const f of fits) need(p, lotsOf(f.line, f.step));
        p.measure.push({ part: part.of, names: part.part.fits!.names });
      }
  }
  for (const [at, list] of steps) join(at, list);

  /** A step needs the blanks and cuts of every part it takes up, but for the cuts that come after it; they then need it. */
  function join(at: number, list: Assembling[]): void {
    list.forEach(({ step, lots }, i) => {
      const later = new Set(list.slice(i).map((s) => s.step.id));
      for (const p of [...step.joins, ...step.on]) {
        const part = byKey.get(partKey({ line: at, part: p.id }))!;
        const into = cuts.filter((c) => c.parts.includes(part));
        const before = step.uncut ? [] : into.filter((c) => !(c.stage && later.has(c.stage.step)));
        for (const lot of lots) need(lot, [...readyBlank(part, saw, panels), ...before.map((c) => c.op.id)]);
        if (step.uncut) for (const c of into) if (!c.onBlock) need(c.op, lots.map((l) => l.id)); // prettier-ignore
      }
    });
  }

  const all = [
    ...saw.map((s) => s.op),
    ...panels,
    ...cuts.map((c) => c.op),
    ...[...steps.values()].flatMap((list) => list.flatMap((s) => s.lots)),
  ];
  const lost = lostIn(all, worked.job.spoiled ?? []);
  return inOrder(all.map((op) => timed(fewer(op, lost.get(op.id) ?? []), workshop.minutes)));
}

/**
 * What of each operation's pieces never comes out of it: as much more as was spoiled goes through all of them, but not through those after
 * the one it was spoiled at, and there it is no good.
 */
function lostIn(all: Operation[], spoiled: Spoiled[]): Map<string, Spoiled[]> {
  const lost = new Map<string, Spoiled[]>();
  if (spoiled.length === 0) return lost;
  const names = namesOf(all);
  for (const s of spoiled) {
    const at = all.filter((o) => names.get(o.id) === s.at);
    const past = new Set(at.map((o) => o.id));
    for (let grown = past.size > 0; grown; ) {
      grown = false;
      for (const o of all)
        if (!past.has(o.id) && o.after.some((a) => past.has(a))) {
          past.add(o.id);
          grown = true;
        }
    }
    for (const o of all) if (past.has(o.id) && o.parts.has(partKey(s.of))) lost.set(o.id, [...(lost.get(o.id) ?? []), s]);
  }
  return lost;
} // prettier-ignore

const sum = (list: number[]) => list.reduce((a, b) => a + b, 0);

function need(op: Operation, ids: string[]): void {
  for (const id of ids) if (id !== op.id && !op.after.includes(id)) op.after.push(id);
}

/** What brings a part's blanks to size: the last set-ups they go through, or the gluing of its panels. */
function readyBlank(part: CutPart, saw: ReturnType<typeof sawing>, panels: Operation[]): string[] {
  const panel = panels.find((p) => p.id === `${part.id}/panel`);
  if (panel) return [panel.id];
  return saw.filter((s) => (s.up.finishes.get(part.id) ?? 0) > 0).map((s) => s.op.id);
}

/** Gluing up the panels of one part: joint the edges, glue, and wait before they are cut to size. */
function panel(b: Blank, saw: ReturnType<typeof sawing>, name: string, glue: number): Operation {
  const pieces = b.quantity / b.staves!;
  return operation({
    ...PANEL,
    id: `${partKey(b.of)}/panel`,
    name: `Joint the edges and glue up, ${b.staves} staves each`,
    kind: "Joint the edges and glue up",
    station: "clamps",
    line: b.of.line,
    pieces,
    of: name,
    makes: [{ part: b.of, feature: null, pieces }],
    parts: new Map([[partKey(b.of), { pieces, units: pieces }]]),
    uses: [{ what: GLUE, quantity: jointArea(b) * glue * pieces, unit: "g", spare: 0 }],
    how: ["Joint the edges that meet, glue and clamp flat, all grain one way; trim to size when the glue is hard."],
    after: saw.filter((s) => (s.up.finishes.get(pieceKey(b.of)) ?? 0) > 0).map((s) => s.op.id),
    hazard: "glue",
    check: "all grain one way, flat under the clamps",
  });
}

/** The operations as they are, except that each stands after what must be done before it. @throws RingError */
function inOrder(all: Operation[]): Operation[] {
  const out = new Map<string, Operation>();
  const byId = new Map(all.map((o) => [o.id, o]));
  const open = new Set<string>();
  const put = (o: Operation) => {
    if (out.has(o.id)) return;
    if (open.has(o.id)) throw new RingError(`${o.name} waits for itself`);
    open.add(o.id);
    for (const a of o.after) put(byId.get(a)!);
    open.delete(o.id);
    out.set(o.id, o);
  };
  all.forEach(put);
  return [...out.values()];
}
