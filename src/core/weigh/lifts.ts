import { heaviest, type Weights } from "@/core/hive/weigh";
import { inch, type Length, nm } from "@/core/length/length";
import { frameOf } from "@/core/line/shapes";
import type { Standing } from "@/core/line/standing";
import type { Shape } from "@/core/shape/shape";
import { type Grip, type Judged, judgeLift, type Lift } from "./lifting";

/** Frames are handed about at the height of a bench. */
export const BENCH = inch(34);

/** A frame is drawn straight up by its ears, clear of the box: hands at its top, arms out over half of it. */
export const frameLift = (height: Length, top: Length): Omit<Lift, "kg"> => ({ out: inch(15), up: top, travel: nm(height + inch(1)), turn: 0, often: 1, hours: 1, grip: "good" }); // prettier-ignore

/**
 * A box is lifted off by its short ends, hands two thirds up it, turned by an eighth and set down on the ground beside the hive. Hands are as
 * far out as the manual reckons: 8 inches and half the box, 10 where they are lower than 10 inches.
 */
function boxLift(s: Standing): Omit<Lift, "kg"> {
  const up = nm(Math.round(s.foot + (2 / 3) * s.height));
  const out = nm((up < inch(10) ? inch(10) : inch(8)) + Math.round(s.outside.width / 2));
  return {
    out,
    up,
    travel: nm(Math.round(Math.max(0, s.foot))),
    turn: 45,
    often: 0.2,
    hours: 1,
    grip: gripOf(s.shape),
  };
}

/** Handholds and cleats are held as by an edge the fingers go round; a plain wall is not. */
const gripOf = (shape: Shape | undefined): Grip =>
  shape?.parts.some((p) => /cleat/.test(p.id) || p.features.some((f) => f.kind === "handhold")) ? "fair" : "poor";

/** Something that is lifted, how, and what the equation says of it. */
export interface Lifted {
  what: string;
  kg: number;
  lift: Lift;
  judged: Judged;
}

export const lifted = (what: string, kg: number, lift: Omit<Lift, "kg">): Lifted => ({
  what,
  kg,
  lift: { ...lift, kg },
  judged: judgeLift({ ...lift, kg }),
});

/** The heaviest thing that is really lifted of what stands there. */
export function liftOf(weights: Weights, standing: Standing[]): Lifted | null {
  const found = heaviest(weights.levels, standing);
  if (!found) return null;
  return liftedOff(
    standing.find((s) => s.at === found.at)!,
    weights,
  );
}

/** Lifting a box of a stack off from where it stands, or of one that stays a frame of it. */
export function liftedOff(box: Standing, weights: Weights): Lifted {
  const { fullKg, frameKg } = weights.levels.find((l) => l.at === box.at)!;
  return box.stays
    ? lifted(`a frame of ${box.title}`, frameKg, frameLift(frameOf(box.frame!).frameHeight, nm(box.foot + box.height)))
    : lifted(box.title, fullKg, boxLift(box));
}
