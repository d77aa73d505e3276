import type { Judging } from "./bands";
import type { Finding } from "./finding";
import { judgeMeeting } from "./stack";
import { told } from "./told";
import { heldAgainst, MOST_UNLIKE, unlisted } from "./few";
import { type Standing, standingOf } from "@/core/line/standing";
import type { WorkedLine } from "@/core/line/shapes";

/**
 * What a floor, cover, rim or sheet of a job says of the job's own boxes of its standard: a floor of the deepest, a
 * cover or sheet of every one it may stand on, a sheet also of the shallowest that may stand on it.
 */
export function meetings(line: WorkedLine, lines: WorkedLine[], by: Judging): Finding[] {
  const as = line.shape.recipe.stands?.as;
  if (as === undefined || as === "stand" || as === "jacket") return [];
  const hive = hiveOf(line.line.standard, lines);
  if (hive.boxes.length === 0) return [];
  const met = [...hive.boxes, ...hive.jackets].flatMap((s) => [s.shape ?? [], s.frame ?? []].flat());
  return told(
    `meets ${hive.inner} ${hive.more} ${hive.boxes.map((b) => b.at).join()}`,
    [line.shape, ...met],
    { ...by, line: line.at },
    () => meets(standingOf(line, line.at, lines)!, hive, by),
  );
}

/** What a job has of a standard that other things of it meet. */
interface Hive {
  /** One of each kind of box, not more than are listed; and how many kinds more there are. */
  boxes: Standing[];
  more: number;
  jackets: Standing[];
  /** There are inner covers. */
  inner: boolean;
}

function meets(item: Standing, hive: Hive, by: Judging): Finding[] {
  const { inner } = hive;
  const boxes = meantFor(item, hive.boxes, by);
  const more = hive.more > 0 ? [unlisted(item.at, hive.more, "kinds of box", by)] : [];
  const deepest = boxes.reduce((a, b) => (b.height > a.height ? b : a));
  const shallowest = boxes.reduce((a, b) => (b.height < a.height ? b : a));
  if (item.as === "floor") return [...judgeMeeting(item, deepest, by), ...more];
  // A cover made to a jacket goes over the jacket.
  const jackets = item.skirt ? hive.jackets : [];
  // Where there are inner covers, the frames are under those; where there are jackets, the skirt goes over them.
  const apart = [
    ...(item.as === "cover" && inner ? ["flat-cover"] : []),
    ...(jackets.length > 0 ? ["telescoping-clearance"] : []),
  ];
  const overFrames = !(item.tight && inner) && (item.as === "rim" || item.under <= by.bands.bridges);
  const under = overFrames
    ? boxes.flatMap((b) => heldAgainst(b.at, judgeMeeting(b, item, by)).filter((f) => !apart.includes(f.rule)))
    : [];
  const round = jackets.flatMap((j) => judgeMeeting(j, item, by));
  const over =
    item.as === "sheet" && item.over <= by.bands.bridges && shallowest.height < deepest.height
      ? judgeMeeting(item, shallowest, by)
      : [];
  const missing = item.skirt && !inner ? [lacking(item.at, item)] : [];
  return [...under, ...round, ...over, ...missing, ...more];
}

/** Of boxes of several footprints those the thing is made for; all of them when it is made for none. */
function meantFor(item: Standing, boxes: Standing[], by: Judging): Standing[] {
  const misfit = (b: Standing) =>
    (item.as === "floor" ? judgeMeeting(item, b, by) : judgeMeeting(b, item, by)).some(
      (f) => f.state !== "ok" && ["footprint-step", "telescoping-clearance"].includes(f.rule),
    );
  if (new Set(boxes.map((b) => `${b.outside.length} ${b.outside.width}`)).size < 2) return boxes;
  const meant = boxes.filter((b) => !misfit(b));
  return meant.length > 0 ? meant : boxes;
}

const known = new WeakMap<WorkedLine[], Map<string, Hive>>();

/** What a job has of a standard, read once for a job. */
function hiveOf(standard: string, lines: WorkedLine[]): Hive {
  const of = known.get(lines) ?? new Map<string, Hive>();
  known.set(lines, of);
  const found = of.get(standard) ?? readHive(lines.filter((l) => l.line.standard === standard), lines); // prettier-ignore
  of.set(standard, found);
  return found;
}

function readHive(own: WorkedLine[], lines: WorkedLine[]): Hive {
  // Lines of one shape stand alike.
  const unlike = [...new Map(own.map((l) => [l.shape, l])).values()];
  const standing = (is: (l: WorkedLine) => boolean) =>
    unlike.filter(is).flatMap((l) => standingOf(l, l.at, lines) ?? []);
  const boxes = distinct(standing((l) => l.shape.recipe.kind === "body"));
  // The deepest and the shallowest are always among those listed.
  const [deepest, ...rest] = boxes.toSorted((a, b) => b.height - a.height);
  const listed = new Set(boxes.length <= MOST_UNLIKE ? boxes : [deepest, ...rest.slice(1 - MOST_UNLIKE)]);
  return {
    boxes: boxes.filter((b) => listed.has(b)),
    more: boxes.length - listed.size,
    jackets: standing((l) => l.shape.recipe.stands?.as === "jacket"),
    inner: own.some((l) => l.shape.recipe.stands?.as === "inner-cover"),
  };
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
