import { lengthWithUnit } from "@/core/length/format";
import { inch, nm } from "@/core/length/length";
import type { BodyMeasures, FrameMeasures } from "@/core/shape/measure";
import type { Context } from "./bands";
import { type Finding, RANK } from "./finding";
import { upTo } from "./gap";

/** A box as it would measure after one change, and the change in words. */
interface Remedy {
  text: string;
  body: BodyMeasures;
  frames: number;
}

/** What is being judged: measures of a box and the frames it is meant for. */
export interface Hung {
  frame: FrameMeasures;
  body: BodyMeasures;
  frames: number;
}

/**
 * Puts a number to the advice of each finding that is not in order: the first change that clears it and makes no other finding
 * worse, as found by judging the changed box again. Where none does, the general advice stays.
 */
export function withRemedies(
  findings: Finding[],
  hung: Hung,
  ctx: Context,
  judge: (body: BodyMeasures, frames: number) => Finding[],
): Finding[] {
  return findings.map((f) => {
    if (f.state === "ok") return f;
    const found = remedies(f, hung, ctx).find((r) => clears(f, findings, judge(r.body, r.frames)));
    return found ? { ...f, advice: found.text } : f;
  });
}

/** The finding is in order after the change, and no other is worse than it was; one that could not be judged before does not stop. */
function clears(f: Finding, before: Finding[], after: Finding[]): boolean {
  const was = new Map(before.map((x) => [x.rule, x.state]));
  return after.every((x) => (x.rule === f.rule ? x.state === "ok" : RANK[x.state] <= RANK[was.get(x.rule) ?? "care"]));
}

function remedies(f: Finding, { frame, body, frames }: Hung, ctx: Context): Remedy[] {
  const say = (l: number) => lengthWithUnit(nm(l), ctx.units);
  const up = (l: number) => upTo(l, ctx.units);
  const [low, high] = f.allowed;
  const small = low !== null && f.value < low;
  /** How far it is out of its band, as a tape shows it. */
  const out = small ? up(low - f.value) : high === null ? nm(0) : up(f.value - high);
  const sign = small ? 1 : -1;
  const change = (text: string, by: Partial<Record<keyof BodyMeasures, number>>): Remedy => ({
    text,
    body: Object.fromEntries(
      Object.entries(body).map(([k, v]: [string, number]) => [k, nm(v + (by[k as keyof BodyMeasures] ?? 0))]),
    ) as unknown as BodyMeasures,
    frames,
  });
  const longer = (l: number, rest = 0) => ({ insideLength: l, outsideLength: l, restToRest: l + 2 * rest });
  switch (f.rule) {
    case "top-gap": {
      const rest = small ? `deepen each rest by ${say(out)}` : `make each rest ${say(out)} less deep`;
      return [
        change(rest, { restDepth: sign * out }),
        change(`${rest}, and the body ${say(out)} ${small ? "deeper" : "less deep"}`, { restDepth: sign * out, depth: sign * out }), // prettier-ignore
      ];
    }
    case "bottom-gap":
      return [change(`make the body ${say(out)} ${small ? "deeper" : "less deep"}`, { depth: sign * out })];
    case "end-gap": {
      const box = `${small ? "lengthen" : "shorten"} the box by ${say(2 * out)}`;
      return [
        change(box, longer(sign * 2 * out)),
        change(`${box}, each rest ${say(out)} ${small ? "narrower" : "wider"}`, longer(sign * 2 * out, -sign * out)),
      ];
    }
    case "rest-to-rest": {
      const each = up((frame.topBarLength - body.restToRest) / 2 + inch(0, 1, 16));
      return [
        change(`widen each rest by ${say(each)}`, { restToRest: 2 * each }),
        change(`lengthen the box by ${say(2 * each)}`, longer(2 * each)),
      ];
    }
    case "end-play": {
      const each = small ? up((low - f.value) / 2) : up((f.value - high!) / 2);
      return [change(`${small ? "widen" : "narrow"} each rest by ${say(each)}`, { restToRest: sign * 2 * each })];
    }
    case "bearing": {
      // It bears `low` pushed hard over where the play to one side is no more than what the ear laps, less `low`.
      const lap = (frame.topBarLength - body.insideLength) / 2;
      const each = up((body.restToRest - frame.topBarLength) / 2 - (lap - low!));
      const half = up(out / 2);
      return [
        change(`narrow each rest by ${say(each)}`, { restToRest: -2 * each }),
        change(`shorten the box by ${say(2 * half)}`, longer(-2 * half)),
      ];
    }
    case "side-play": {
      const fewer = Math.ceil((low! - f.value) / frame.pitch);
      return [
        { text: `take ${fewer} ${fewer === 1 ? "frame" : "frames"} out`, body, frames: frames - fewer },
        change(`widen the box by ${say(out)}`, { insideWidth: out, outsideWidth: out }),
      ];
    }
    default:
      return [];
  }
}
