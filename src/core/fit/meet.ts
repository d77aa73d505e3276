import { DEFAULT_BANDS } from "./bands";
import type { Finding } from "./finding";
import { judgeMeeting } from "./stack";
import { type Standing, standingOf } from "@/core/line/standing";
import type { Units } from "@/core/length/length";
import type { WorkedLine } from "@/core/line/shapes";

/**
 * What a floor, cover, rim or sheet of a job says of the job's own boxes of its standard: a floor of the deepest, a
 * cover or sheet of every one it may stand on, a sheet also of the shallowest that may stand on it.
 */
export function meetings(line: WorkedLine, lines: WorkedLine[], units: Units): Finding[] {
  const item = standingOf(line, line.at, lines);
  if (!item || item.as === "body" || item.as === "stand" || item.as === "jacket") return [];
  const ofStandard = lines.filter((l) => l.line.standard === line.line.standard);
  const boxes = meantFor(item, boxesOf(line.line.standard, lines), units);
  if (boxes.length === 0) return [];
  const deepest = boxes.reduce((a, b) => (b.height > a.height ? b : a));
  const shallowest = boxes.reduce((a, b) => (b.height < a.height ? b : a));
  const at = (found: Finding[]) => found.map((f) => ({ ...f, line: line.at }));
  if (item.as === "floor") return at(judgeMeeting(item, deepest, units));
  const inner = ofStandard.some((l) => l.shape.recipe.stands?.as === "inner-cover");
  // A cover made to a jacket goes over the jacket.
  const jackets = item.skirt
    ? ofStandard
        .filter((l) => l.shape.recipe.stands?.as === "jacket")
        .flatMap((l) => standingOf(l, line.at, lines) ?? [])
    : [];
  // Where there are inner covers, the frames are under those; where there are jackets, the skirt goes over them.
  const apart = [
    ...(item.as === "cover" && inner ? ["flat-cover"] : []),
    ...(jackets.length > 0 ? ["telescoping-clearance"] : []),
  ];
  const overFrames = !(item.tight && inner) && (item.as === "rim" || item.under <= DEFAULT_BANDS.bridges);
  const under = overFrames
    ? boxes.flatMap((b) => judgeMeeting(b, item, units).filter((f) => !apart.includes(f.rule)))
    : [];
  const round = jackets.flatMap((j) => judgeMeeting(j, item, units));
  const over =
    item.as === "sheet" && item.over <= DEFAULT_BANDS.bridges && shallowest.height < deepest.height
      ? judgeMeeting(item, shallowest, units)
      : [];
  const missing = item.skirt && !inner ? [lacking(line.at, item)] : [];
  return at([...under, ...round, ...over, ...missing]);
}

/** Of boxes of several footprints those the thing is made for; all of them when it is made for none. */
function meantFor(item: Standing, boxes: Standing[], units: Units): Standing[] {
  const misfit = (b: Standing) =>
    (item.as === "floor" ? judgeMeeting(item, b, units) : judgeMeeting(b, item, units)).some(
      (f) => f.state !== "ok" && ["footprint-step", "telescoping-clearance"].includes(f.rule),
    );
  if (new Set(boxes.map((b) => `${b.outside.length} ${b.outside.width}`)).size < 2) return boxes;
  const meant = boxes.filter((b) => !misfit(b));
  return meant.length > 0 ? meant : boxes;
}

const known = new WeakMap<WorkedLine[], Map<string, Standing[]>>();

/** The different boxes a job has of a standard, worked out once for a job. */
function boxesOf(standard: string, lines: WorkedLine[]): Standing[] {
  const of = known.get(lines) ?? new Map<string, Standing[]>();
  known.set(lines, of);
  const own = lines.filter((l) => l.line.standard === standard && l.shape.recipe.kind === "body");
  const boxes = of.get(standard) ?? distinct(own.flatMap((l) => standingOf(l, l.at, lines) ?? []));
  of.set(standard, boxes);
  return boxes;
}

/** One of each kind of box. */
function distinct(boxes: Standing[]): Standing[] {
  const key = (s: Standing) => JSON.stringify([s.outside, s.inside, s.height, s.over, s.under]);
  return [...new Map(boxes.map((b) => [key(b), b])).values()];
}

function lacking(at: number, cover: Standing): Finding {
  return {
    rule: "inner-cover-missing",
    label: "Under the telescoping lid",
    line: at,
    state: "care",
    value: cover.height,
    allowed: [null, null],
    text: `no inner cover in this job: once ${cover.title.toLowerCase()} is glued down no tool can reach in to free it`,
    advice: "add inner covers, or have them already",
    working: {
      name: "inner-cover-missing",
      label: "Under the telescoping lid",
      source: "asked",
      mark: "trade",
      value: { kind: "word", of: "none" },
    },
  };
}
