/** A made-up calliper: what is between its jaws, and how it goes wrong; millimetres. */
export interface Calliper {
  piece: number;
  /** One reading is so far from the next of the same piece: standard deviation. */
  noise: number;
  /** Each reading is so much more than the one before. */
  drift: number;
  /** What it reads when it is closed. */
  zero: number;
  /** The line is dead: what is pressed is not heard. */
  lost: boolean;
  units: "in" | "mm";
  /** Readings so far. */
  pressed: number;
}

export const AS_NEW: Calliper = { piece: 0, noise: 0, drift: 0, zero: 0, lost: false, units: "mm", pressed: 0 };

/** What it says when its button is pressed: `+244.48 mm` or `+9.6250 in`, to what its display shows. `chance` is from 0 to 1, twice. */
export function pressed(c: Calliper, chance: () => number): { line: string; after: Calliper } {
  // Normally spread by two even chances (Box and Muller 1958).
  const error = c.noise === 0 ? 0 : c.noise * Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  const mm = c.piece + c.zero + c.drift * c.pressed + error;
  const value = c.units === "mm" ? mm.toFixed(2) : (Math.round(mm / 25.4 / 0.0005) * 0.0005).toFixed(4);
  return { line: `${mm < 0 ? "" : "+"}${value} ${c.units}`, after: { ...c, pressed: c.pressed + 1 } };
}
