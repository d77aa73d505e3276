/**
 * Cautions of the handbook's safety chapter, by hazard. They stand where the act is planned: on the operation, the
 * run sheet and the printed sheet.
 */
const CAUTIONS: Record<string, string> = {
  rip: 'Guard and riving knife on. Push stick for anything under 6" (150 mm). Stand out of line with the cut, never free-hand.',
  crosscut: "Guard on. Hold the board, not the off-cut. Stop the saw to measure.",
  short: "Short part: do not crosscut under the saw's least holding length; cut from a longer blank.",
  thin: "Thin strip: push block and zero-clearance insert; cut it from a wider board, do not let the off-fall pinch.",
  dado: "Blade guard is off: sled or feather boards, hands away, part flat on the table. Stop the machine to measure.",
  plane: "Look for nails, grit and loose knots first; keep to the planer's least length.",
  drill: "Clamp the work; no gloves near a turning bit. Stop the machine to clear chips.",
  glue: "Air the room; keep glue off skin and eyes.",
  metal: "Gloves for cut edges, never near a turning bit; clamp the sheet, eyes covered when it is snipped.",
  foam: "Foam burns with poisonous smoke: no flame, no hot wire in a closed room; extraction and a mask for its dust.",
  router: "Clamp board and template, both hands on the router, feed against the turn; unplug it to change the cutter.",
  dust: "Extraction and a mask; cedar, board and hardwood dust sensitise.",
};

const DEFER = "Follow the machine's manual, local rules and licensed practice.";

/** The caution for a hazard, always deferring to manuals and licensed practice. @throws when the hazard has none. */
export function caution(hazard: string): string {
  const text = Object.hasOwn(CAUTIONS, hazard) ? CAUTIONS[hazard] : undefined;
  if (!text) throw new RangeError(`no caution is written for "${hazard}"`);
  return `${text} ${DEFER}`;
}

/** Stations whose every operation is hazardous. */
export const HAZARDOUS_STATIONS = ["table saw", "planer", "drill"];
