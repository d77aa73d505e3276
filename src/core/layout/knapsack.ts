/** One kind of thing that may be taken: how much room each takes, what each is worth, how many there are at most. */
export interface Thing {
  size: number;
  worth: number;
  most: number;
}

export interface Filling {
  worth: number;
  counts: number[];
}

interface State {
  size: number;
  worth: number;
  before?: State;
  thing: number;
  count: number;
}

/**
 * The filling of most worth that fits in `room`: an exact bounded knapsack over the sizes as they are (whole nm), by
 * states none of which is both larger and worth less than another. Worths are whole numbers or not; ties keep the
 * smaller filling.
 */
export function fullest(things: Thing[], room: number): Filling {
  let states: State[] = [{ size: 0, worth: 0, thing: -1, count: 0 }];
  things.forEach((t, i) => {
    if (t.worth <= 0 || t.most <= 0 || t.size > room) return;
    const next: State[] = [...states];
    for (const s of states)
      for (let n = 1; n <= t.most && s.size + n * t.size <= room; n++)
        next.push({ size: s.size + n * t.size, worth: s.worth + n * t.worth, before: s, thing: i, count: n });
    next.sort((a, b) => a.size - b.size || b.worth - a.worth);
    states = [];
    for (const s of next) if (states.length === 0 || s.worth > states.at(-1)!.worth) states.push(s);
  });
  const counts = things.map(() => 0);
  const best = states.at(-1)!;
  for (let s: State | undefined = best; s && s.thing >= 0; s = s.before) counts[s.thing]! += s.count;
  return { worth: best.worth, counts };
}
