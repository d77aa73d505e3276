/** A row of chances that begins with a seed, the same each time (Park and Miller). */
export function chanceOf(seed: number): () => number {
  let at = (seed % 2_147_483_646) + 1;
  return () => {
    at = (at * 16_807) % 2_147_483_647;
    return at / 2_147_483_647;
  };
}
