import { z } from "zod";

/**
 * The hazards of the work, each with its caution (handbook chapter 11). They stand where the act is planned: on the
 * operation, the run sheet and the printed sheet.
 */
const CAUTIONS = {
  rip: 'Guard and riving knife on. Push stick for anything under 6" (150 mm). Stand out of line with the cut, never free-hand.',
  crosscut: "Guard on. Hold the board, not the off-cut. Stop the saw to measure.",
  short: "Short part: do not crosscut under the saw's least holding length; cut from a longer blank.",
  thin: "Thin strip: push block and zero-clearance insert; cut it from a wider board, do not let the off-fall pinch.",
  dado: "Blade guard is off: sled or feather boards, hands away, part flat on the table. Stop the machine to measure.",
  plane: "Look for nails, grit and loose knots first; keep to the planer's least length.",
  joint: "Guard over the knives, push blocks, hands never over the cutter; keep to the jointer's least length.",
  resaw:
    "Band saw, guides just over the board and a fence as high as it is; push block at the end, hands beside the line of the blade, never before it.",
  drill: "Clamp the work; no gloves near a turning bit. Stop the machine to clear chips.",
  glue: "Air the room; keep glue off skin and eyes.",
  paint:
    "Air the room. Outside of the hive only; no preservative-treated wood, and reclaimed painted wood may hold lead.",
  wax: "Two people, 150–160 °C: outside, dry wood, never water near, lid and extinguisher at hand, thermostat, no naked flame under an open pan; a licensed electrician for heaters.",
  metal: "Gloves for cut edges, never near a turning bit; clamp the sheet, eyes covered when it is snipped.",
  foam: "Foam burns with poisonous smoke: no flame, no hot wire in a closed room; extraction and a mask for its dust.",
  router: "Clamp board and template, both hands on the tool, feed against the turn; unplug it to change the cutter.",
  dust: "Extraction and a mask; cedar, board and hardwood dust sensitise.",
} as const;

export type Hazard = keyof typeof CAUTIONS;
export const hazardSchema = z.enum(Object.keys(CAUTIONS) as [Hazard, ...Hazard[]]);

const DEFER = "Follow the machine's manual, local rules and licensed practice.";

/** Hazards nobody meets alone, and how many people they want at least [mem: hot wax takes one to lift and one at lid and extinguisher]. */
const PEOPLE: Partial<Record<Hazard, number>> = { wax: 2 };
export const peopleFor = (hazard: Hazard | undefined): number => (hazard && PEOPLE[hazard]) ?? 1;

/** The caution for a hazard, always deferring to manuals and licensed practice. */
export const caution = (hazard: Hazard): string => `${CAUTIONS[hazard]} ${DEFER}`;
