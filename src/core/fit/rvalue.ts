/** One m²·K/W is 5.678 ft²·°F·h/Btu. */
export const BRITISH_R = 5.678;

/** Thermal resistance of both kinds, of m²·K/W: `0.18 (1.0)`. */
export const rText = (r: number): string => `${r.toFixed(2)} (${(r * BRITISH_R).toFixed(1)})`;
