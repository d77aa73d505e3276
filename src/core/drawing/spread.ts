/** Moves labels apart so that they stand at least `gap` from each other, none before `least` and, where there is room, none after `most`, keeping their order. */
export function spread(at: number[], gap: number, least = -Infinity, most = Infinity): number[] {
  const order = at.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
  const blocks: { sum: number; n: number; from: number }[] = [];
  for (const { y } of order) {
    let block = { sum: y, n: 1, from: y };
    for (let last = blocks.at(-1); last && block.from < last.from + last.n * gap; last = blocks.at(-1)) {
      blocks.pop();
      // The joined block is centred on the mean of what its labels want.
      const wanted = last.sum + block.sum - gap * last.n * block.n;
      block = { sum: wanted, n: last.n + block.n, from: wanted / (last.n + block.n) };
    }
    blocks.push(block);
  }
  const placed = blocks.flatMap((b) => Array.from({ length: b.n }, (_, k) => b.from + k * gap));
  const out = [...at];
  order.forEach(
    ({ i }, k) => (out[i] = Math.max(least + k * gap, Math.min(placed[k]!, most - (at.length - 1 - k) * gap))),
  );
  return out;
}
