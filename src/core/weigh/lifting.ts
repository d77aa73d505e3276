import { type Length, NM_PER_INCH } from "@/core/length/length";

/** A lift as the revised NIOSH equation asks for it (Waters, Putz-Anderson and Garg, Applications Manual, 94-110). */
export interface Lift {
  /** What is lifted, kg. */
  kg: number;
  /** From between the ankles out to the hands. */
  out: Length;
  /** From the floor up to the hands, where it is taken up; and how far up or down it goes. */
  up: Length;
  travel: Length;
  /** How far the body turns from straight ahead, degrees. */
  turn: number;
  /** Lifts a minute, over so many hours at most. */
  often: number;
  hours: 1 | 2 | 8;
  grip: Grip;
}
/** How well it is held: handholds cut in, an edge fingers go round, neither. */
export type Grip = "good" | "fair" | "poor";

/** What may be lifted so, and what it is made of: of the load constant each multiplier leaves a part. */
export interface Judged {
  /** Recommended weight limit, kg. */
  limit: number;
  /** The weight as so much of the limit: to 1 it is fine for most, over 3 for nobody. */
  index: number;
  multipliers: Record<"out" | "up" | "travel" | "turn" | "often" | "grip", number>;
}

/** The load constant: 51 lb. */
const POUND = 0.45359237;
export const LOAD_CONSTANT = 51 * POUND;

/** Lifts a minute, and what is left of the limit for up to one hour, two and eight; of the lifts under 30 inches the last columns where they differ. */
const OFTEN: [lifts: number, high: [number, number, number], low?: [number, number, number]][] = [
  [0.2, [1, 0.95, 0.85]],
  [0.5, [0.97, 0.92, 0.81]],
  [1, [0.94, 0.88, 0.75]],
  [2, [0.91, 0.84, 0.65]],
  [3, [0.88, 0.79, 0.55]],
  [4, [0.84, 0.72, 0.45]],
  [5, [0.8, 0.6, 0.35]],
  [6, [0.75, 0.5, 0.27]],
  [7, [0.7, 0.42, 0.22]],
  [8, [0.6, 0.35, 0.18]],
  [9, [0.52, 0.3, 0.15], [0.52, 0.3, 0]],
  [10, [0.45, 0.26, 0.13], [0.45, 0.26, 0]],
  [11, [0.41, 0.23, 0], [0.41, 0, 0]],
  [12, [0.37, 0.21, 0], [0.37, 0, 0]],
  [13, [0.34, 0, 0], [0, 0, 0]],
  [14, [0.31, 0, 0], [0, 0, 0]],
  [15, [0.28, 0, 0], [0, 0, 0]],
];
/** Knuckle height, inches: what is taken up under it is harder to hold and to repeat. */
const KNUCKLES = 30;

/** Judges one lift by one person. Tables and constants of the manual, from memory. */
export function judgeLift(lift: Lift): Judged {
  const [out, up, travel] = [lift.out, lift.up, lift.travel].map((l) => l / NM_PER_INCH) as [number, number, number];
  const low = up < KNUCKLES;
  const multipliers = {
    out: out > 25 ? 0 : 10 / Math.max(10, out),
    up: up < 0 || up > 70 ? 0 : 1 - 0.0075 * Math.abs(up - KNUCKLES),
    travel: travel > 70 ? 0 : 0.82 + 1.8 / Math.max(10, travel),
    turn: lift.turn > 135 ? 0 : 1 - 0.0032 * lift.turn,
    often: oftenOf(lift.often, lift.hours, low),
    grip: lift.grip === "good" ? 1 : lift.grip === "fair" ? (low ? 0.95 : 1) : 0.9,
  };
  const limit = Object.values(multipliers).reduce((a, b) => a * b, LOAD_CONSTANT);
  return { limit, index: limit > 0 ? lift.kg / limit : Infinity, multipliers };
}

/** The next more lifts a minute the table has count; over fifteen nothing is left. */
function oftenOf(lifts: number, hours: Lift["hours"], low: boolean): number {
  const row = OFTEN.find(([n]) => lifts <= n + 1e-9);
  if (!row) return 0;
  const [, high, under] = row;
  return (low ? (under ?? high) : high)[[1, 2, 8].indexOf(hours)]!;
}

/** Two who lift together may take two thirds of what they may alone added up (manual handling guidance L23, from memory). */
export const limitForTwo = (alone: number): number => (2 * alone * 2) / 3;
