import type { Judging } from "./bands";
import { betweenBoxes } from "./between";
import { fitFrame } from "./frame";
import { type Length, nm } from "@/core/length/length";
import { type WorkedLine, bodyOf, frameFor, frameOf, schoolOf } from "@/core/line/shapes";
import type { Finding } from "./finding";
import { type BodyMeasures, type FrameMeasures, frameCount } from "@/core/shape/measure";

/** What can be measured on a made box and the frame that goes in it, by the names of the fit rules. */
export const MADE_BODY = ["depth", "insideLength", "insideWidth", "restToRest", "restDepth"] as const;
export const MADE_FRAME = ["frameHeight", "frameLength", "topBarLength", "earThickness"] as const;
export type MadeName = (typeof MADE_BODY)[number] | (typeof MADE_FRAME)[number];

export const MADE_LABELS: Record<MadeName, string> = {
  depth: "body depth",
  insideLength: "inside length",
  insideWidth: "inside width",
  restToRest: "rest to rest",
  restDepth: "rest depth",
  frameHeight: "frame height",
  frameLength: "frame outside length",
  topBarLength: "top bar length",
  earThickness: "ear thickness",
};

export type Made = Partial<Record<MadeName, Length>>;

/** A made box against its design: what it should measure, and every fit worked out again with what was measured. */
export interface MadeFit {
  designed: Partial<Record<MadeName, Length>>;
  /** What it should measure now: as designed, and what wood that still dries was cut over. */
  now: Partial<Record<MadeName, Length>>;
  findings: Finding[];
  /** Rules that say something else than they do of the design. */
  changed: { rule: string; label: string; was: Finding; is: Finding }[];
}

/**
 * Fits a made piece: measured values stand in for designed ones and every rule that uses them is worked out again.
 * A body that shrank 1/8" has a bottom gap that much smaller.
 */
export function fitMade(lines: WorkedLine[], line: WorkedLine, made: Made, by: Judging): MadeFit {
  const body = bodyOf(line.shape);
  const frame = frameOf(frameFor(line, lines));
  const run = (b: BodyMeasures, f: FrameMeasures): Finding[] => {
    const ctx = { ...by, line: line.at };
    const school = schoolOf(line.shape);
    return [
      ...fitFrame(f, b, frameCount(line.shape), school, ctx),
      ...(school === "closed" || f.openBelow
        ? []
        : [betweenBoxes({ frame: f, body: b }, { frame: f, body: b }, "Between two of these boxes", ctx)]),
    ];
  };
  const before = run(body, frame);
  // The walls lose in depth what they were cut over for drying; the box is judged as it will be then.
  const dries = Math.max(
    0,
    ...line.shape.parts.filter((p) => p.role === "side" || p.role === "end").map((p) => p.cut.w - p.size.w),
  );
  const dry = { ...made, ...(made.depth === undefined ? {} : { depth: nm(made.depth - dries) }) };
  const pick = <T extends object>(designed: T, names: readonly string[]): T => ({
    ...designed,
    ...Object.fromEntries(names.flatMap((n) => (dry[n as MadeName] === undefined ? [] : [[n, dry[n as MadeName]]]))),
  });
  const findings = run(pick(body, MADE_BODY), pick(frame, MADE_FRAME));
  const designed = Object.fromEntries(
    [...MADE_BODY, ...MADE_FRAME].flatMap((n) => {
      const v = { ...body, ...frame }[n];
      return v === undefined ? [] : [[n, v]];
    }),
  ) as MadeFit["designed"];
  const changed = findings.flatMap((is) => {
    const was = before.find((b) => b.rule === is.rule);
    return was && was.value !== is.value ? [{ rule: is.rule, label: is.label, was, is }] : [];
  });
  const now = { ...designed, depth: nm(designed.depth! + dries) };
  return { designed, now, findings, changed };
}
