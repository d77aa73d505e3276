/**
 * The woods boxes are made of: specific gravity at 12 % moisture, and movement per percent of moisture in a flat-sawn (tangential)
 * board. Wood Handbook, from memory; larch is western larch. `called` finds a wood in what makers and yards write: of "southern
 * yellow pine" it finds loblolly by more letters than white pine by "pine".
 */
export const WOODS: Wood[] = [
  { id: "eastern-white-pine", label: "eastern white pine", gravity: 0.35, tangential: "0.00212", called: /(white )?pine/i },
  { id: "ponderosa-pine", label: "ponderosa pine", gravity: 0.4, tangential: "0.00216", called: /ponderosa( pine)?/i },
  { id: "loblolly-pine", label: "loblolly pine", gravity: 0.51, tangential: "0.00259", called: /(southern|yellow|loblolly)( yellow)?( pine)?/i },
  { id: "western-redcedar", label: "western redcedar", gravity: 0.32, tangential: "0.00234", called: /(red.?)?cedar/i },
  { id: "northern-white-cedar", label: "northern white-cedar", gravity: 0.31, tangential: "0.00229", called: /white.cedar/i },
  { id: "alaska-cedar", label: "Alaska cedar", gravity: 0.44, tangential: "0.00208", called: /(alaska|yellow).cedar/i },
  { id: "baldcypress", label: "baldcypress", gravity: 0.46, tangential: "0.00216", called: /cypress/i },
  { id: "douglas-fir", label: "Douglas-fir", gravity: 0.48, tangential: "0.00267", called: /douglas(.fir)?/i },
  { id: "engelmann-spruce", label: "Engelmann spruce", gravity: 0.35, tangential: "0.00248", called: /spruce|fir\b/i },
  { id: "yellow-poplar", label: "yellow-poplar", gravity: 0.42, tangential: "0.00289", called: /(yellow.)?poplar/i },
  { id: "western-larch", label: "larch", gravity: 0.52, tangential: "0.00323", called: /larch/i },
]; // prettier-ignore

export interface Wood {
  id: string;
  label: string;
  gravity: number;
  /** Of 1, as a formula has it. */
  tangential: string;
  called: RegExp;
}

/** What a thing is taken to be made of where nobody says. */
export const USUAL_WOOD = WOODS[0]!;

/** The wood that somebody's words mean, `larch`, `red cedar`; undefined where nothing is known of it. */
export function woodCalled(said: string): Wood | undefined {
  const letters = (w: Wood) => w.called.exec(said)?.[0].length ?? 0;
  return WOODS.filter((w) => letters(w) > 0).toSorted((a, b) => letters(b) - letters(a))[0];
}
