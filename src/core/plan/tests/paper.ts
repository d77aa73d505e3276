import { mm, nm } from "@/core/length/length";
import { cutListDocument } from "@/core/line/cutlist";
import type { Range } from "@/core/solid/plane";
import { type Bite, extent, woodAlong } from "@/core/solid/solid";
import type { WorkedJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";
import { planDocument, planOf } from "../plan";

/**
 * Follow the paper: the solid of every part built again from the printed cut list and run sheet alone, by a reader who knows what
 * the settings mean and nothing of how the program draws, and held against the program's own geometry.
 */

type CutList = ReturnType<typeof cutListDocument>["parts"][number];
type Said = CutList["features"][number] & { alongTheGrainMm?: number; acrossTheGrainMm?: number };
type Settings = Record<string, number>;

/** A stretch `wide` from a distance off one of two sides; all the way where no distance is said. */
const stretch = (at: number | null, fromFar: boolean, wide: number | undefined, most: number): Range => {
  if (wide === undefined) return [0, most];
  const a = at ?? 0;
  return fromFar ? [most - a - wide, most - a] : [a, a + wide];
};
const into = (face: string, deep: number | undefined, t: number): Range =>
  deep === undefined ? [0, t] : face === "far" ? [t - deep, t] : [0, deep];

/** What one cut takes away, from what is set and where it is said to lie. */
function cutFrom(f: Said, set: Settings, size: { l: number; w: number; t: number }): Bite[] {
  const at = {
    along: f.at.alongMm === null ? null : mm(f.at.alongMm),
    across: f.at.acrossMm === null ? null : mm(f.at.acrossMm),
  };
  const [right, lower] = [f.at.from[0] === "right end", f.at.from[1] === "other edge"];
  const marks = ((f as { marksMm?: number[] }).marksMm ?? []).map((m) => mm(m));
  const t = into(f.face, set.height, size.t);
  switch (f.kind) {
    case "rabbet": {
      // All along an end, or along an edge and stopped as far from the one end as from the other, unless it says how long.
      if (f.acrossTheGrainMm !== undefined)
        return [{ box: { l: stretch(at.along, right, set.width, size.l), w: stretch(at.across, lower, mm(f.acrossTheGrainMm), size.w), t } }]; // prettier-ignore
      if (f.alongTheGrainMm !== undefined)
        return [{ box: { l: stretch(at.along, right, mm(f.alongTheGrainMm), size.l), w: stretch(at.across, lower, set.width, size.w), t } }]; // prettier-ignore
      if (at.across === null) return [{ box: { l: stretch(at.along, right, set.width, size.l), w: [0, size.w], t } }];
      const stop = at.along ?? 0;
      return [{ box: { l: [stop, size.l - stop], w: stretch(at.across, lower, set.width, size.w), t } }];
    }
    case "groove":
      return at.along === null
        ? [{ box: { l: [0, size.l], w: stretch(at.across, lower, set.width, size.w), t } }]
        : [{ box: { l: stretch(at.along, right, set.width, size.l), w: [0, size.w], t } }];
    case "notch":
      return [
        { box: { l: stretch(at.along, right, set.width, size.l), w: stretch(at.across, lower, set.depth, size.w), t } },
      ];
    case "fingers": {
      const l = stretch(0, right, set.height, size.l);
      return Array.from({ length: marks.length / 2 }, (_, i) => ({
        box: { l, w: [marks[2 * i]!, marks[2 * i + 1]!] as Range, t: [0, size.t] as Range },
      }));
    }
    case "hole": {
      const r = set.diameter! / 2;
      const w = lower ? size.w - at.across! : at.across!;
      return (marks.length > 0 ? marks : [at.along!]).map((m) => {
        const l = right ? size.l - m : m;
        const ring = Array.from({ length: 24 }, (_, i): [number, number] => [
          l + r * Math.cos((i * Math.PI) / 12),
          w + r * Math.sin((i * Math.PI) / 12),
        ]);
        return { prism: { axis: "t" as const, range: [-1, size.t + 1] as Range, polygon: ring } };
      });
    }
    case "bevel": {
      const onEnd = at.across === null;
      const [far, most] = onEnd ? [right, size.l] : [lower, size.w];
      const [edge, along] = far ? [most, most - set.width!] : [0, set.width!];
      const [face, under] = f.face === "far" ? [size.t, size.t - set.height!] : [0, set.height!];
      const polygon: [number, number][] = [[edge, face], [along, face], [edge, under]]; // prettier-ignore
      return [{ prism: { axis: onEnd ? "w" : "l", range: [-1, 1e12], polygon } }];
    }
    case "taper": {
      const [l, w] = [right ? size.l : 0, lower ? size.w : 0];
      const polygon: [number, number][] = [
        [l, w],
        [right ? l - set["from end"]! : set["from end"]!, w],
        [l, lower ? w - set["from edge"]! : set["from edge"]!],
      ];
      return [{ prism: { axis: "t", range: [-1, size.t + 1], polygon } }];
    }
    case "handhold": {
      const middle = right ? size.l - set.centre! : set.centre!;
      const [top, deep] = [set["from edge"]!, set.height!];
      const rise = deep * Math.tan(((set.angle ?? 0) * Math.PI) / 180);
      const polygon: [number, number][] = [[top, 0], [top + set.depth!, 0], [top + set.depth!, deep], [top - rise, deep]]; // prettier-ignore
      return [{ prism: { axis: "l", range: [middle - set.width! / 2, middle + set.width! / 2], polygon } }];
    }
    default:
      return [];
  }
}

/** Points that fall on no mark a person would make. */
const POINTS = [0.0137, 0.0731, 0.1733, 0.2917, 0.4163, 0.5077, 0.6211, 0.7393, 0.8537, 0.9461, 0.9871];

/** Where a job's paper and its drawing part, and numbers on it that run on; nothing where they agree. */
export function paperDiffers(worked: WorkedJob, layout: LayoutResult): string[] {
  const plan = planDocument(planOf(worked, layout));
  const list = cutListDocument(worked.lines, "in");
  // No number runs on past what anyone sets or weighs.
  const wrong = (JSON.stringify([plan, list]).match(/"\w+":\d*\.\d{4,}/g) ?? []).slice(0, 3);
  for (const said of list.parts) {
    const part = worked.lines.flatMap((l) => l.shape.parts.filter((p) => `${l.at}/${p.id}` === said.id))[0]!;
    const turned = said.material !== "wood" && part.cut.w > part.cut.l;
    const [length, width] = turned ? [said.widthMm, said.lengthMm] : [said.lengthMm, said.widthMm];
    const size = { l: mm(length), w: mm(width), t: mm(said.thicknessMm) };
    const rebuilt = said.features.flatMap((f) => {
      const op = plan.operations.find((o) => o.makes.some((m) => m.part === said.id && m.feature === f.id))!;
      const set: Settings = Object.fromEntries(
        op.settings.map((s) => ("valueMm" in s ? [s.kind, mm(s.valueMm)] : [s.kind, s.degrees])),
      );
      return cutFrom(f, set, size);
    });
    const own = part.features.flatMap((f) => f.bites);
    const wood = (bites: Bite[], w: number, t: number) =>
      woodAlong(size, bites, "l", { l: 0, w: nm(Math.round(w)), t: nm(Math.round(t)) });
    // Lines all over the part, and one through the middle of every cut, a hair off it.
    const through = (axis: "w" | "t") => [
      ...POINTS.map((p) => p * size[axis]),
      ...new Set(own.map((bite) => (extent(bite)[axis][0] + extent(bite)[axis][1]) / 2 + 1370)),
    ];
    for (const w of through("w"))
      for (const t of through("t")) {
        const [a, b] = [wood(rebuilt, w, t), wood(own, w, t)];
        // To some hundredths of a millimetre: what the paper rounds, and angles to a tenth of a degree.
        const near = a.length === b.length && a.flat().every((x, k) => Math.abs(x - b.flat()[k]!) < 30_000);
        if (!near) wrong.push(`${said.id} at ${w}, ${t}: ${JSON.stringify(a)} on paper, ${JSON.stringify(b)} drawn`);
      }
  }
  return wrong;
}
