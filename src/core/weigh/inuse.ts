import { honeyForWax } from "./feeding";

/** Wax in a comb drawn out, kg a square metre of both faces: about 100 g for a deep frame's. [mem] */
const WAX_A_FACE = 0.1 / (2 * 0.4318 * 0.2032);

/** Wax and honey it takes to draw so many combs of so much face each, nm². */
export function drawnOut(combs: number, faces: number): { waxKg: number; honeyKg: number } {
  const waxKg = (combs * faces * WAX_A_FACE) / 1e18;
  return { waxKg, honeyKg: honeyForWax(waxKg) };
}

/** A box is added when so many parts of its frames are covered: seven or eight of ten. [trade: handbook 10] */
const COVERED = [0.7, 0.8] as const;

/** Frames that are covered when a box is added above one that holds so many: at least, and at most. */
export const addAt = (frames: number): { from: number; to: number } => ({
  from: Math.ceil(COVERED[0] * frames),
  to: Math.max(Math.ceil(COVERED[0] * frames), Math.floor(COVERED[1] * frames)),
});

/** cm² of an opening so wide and so high, or of so many round holes; nm in. */
export const openingArea = (width: number, height: number): number => (width * height) / 1e14;
export const holesArea = (count: number, diameter: number): number => (count * Math.PI * (diameter / 2) ** 2) / 1e14;
