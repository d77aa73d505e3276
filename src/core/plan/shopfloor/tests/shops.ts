import type { Shop, Step } from "../shop";

export const step = (station: number, minutes: number, more: Partial<Step> = {}): Step => ({ station, minutes, people: 0, wait: 0, key: -1, setUp: 0, ...more }); // prettier-ignore
export const shop = (jobs: Step[][], counts: number[], more: Partial<Shop> = {}): Shop => ({
  jobs: jobs.map((steps) => ({ release: 0, due: null, weight: 1, lots: 1, steps })), counts, people: null, aim: "finish", ...more,
}); // prettier-ignore

/** The six by six of Fisher and Thompson 1963: machine and minutes in turn; its optimum is 55. */
export const SIX_BY_SIX = shop(
  [
    [2, 1, 0, 3, 1, 6, 3, 7, 5, 3, 4, 6],
    [1, 8, 2, 5, 4, 10, 5, 10, 0, 10, 3, 4],
    [2, 5, 3, 4, 5, 8, 0, 9, 1, 1, 4, 7],
    [1, 5, 0, 5, 2, 5, 3, 3, 4, 8, 5, 9],
    [2, 9, 1, 3, 4, 5, 5, 4, 0, 3, 3, 1],
    [1, 3, 3, 3, 5, 9, 0, 10, 4, 4, 2, 1],
  ].map((row) => Array.from({ length: 6 }, (_, i) => step(row[2 * i]!, row[2 * i + 1]!))),
  Array(6).fill(1) as number[],
);

/** The generator Taillard published in 1993: whole numbers between two, each the same likely. */
export function taillard(seed: number): (from: number, to: number) => number {
  let at = seed;
  return (from, to) => {
    const k = Math.floor(at / 127_773);
    at = 16_807 * (at % 127_773) - k * 2836;
    if (at < 0) at += 2_147_483_647;
    return from + Math.floor((at / 2_147_483_647) * (to - from + 1));
  };
}

/** His flow shops: the minutes machine by machine. */
export function flowShop(jobs: number, machines: number, seed: number): Shop {
  const unif = taillard(seed);
  const minutes = Array.from({ length: machines }, () => Array.from({ length: jobs }, () => unif(1, 99)));
  return shop(Array.from({ length: jobs }, (_, j) => minutes.map((m, i) => step(i, m[j]!))), Array(machines).fill(1) as number[]); // prettier-ignore
}

/** His job shops: minutes job by job, then each job's machines by exchanges. */
export function jobShop(size: number, minutesSeed: number, machinesSeed: number): Shop {
  const [minutes, machines] = [taillard(minutesSeed), taillard(machinesSeed)];
  const all = Array.from({ length: size }, () => Array.from({ length: size }, () => minutes(1, 99)));
  return shop(
    all.map((row) => {
      const route = row.map((_, i) => i);
      for (let i = 0; i < size; i++) {
        const j = machines(i + 1, size) - 1;
        [route[i], route[j]] = [route[j]!, route[i]!];
      }
      return row.map((m, i) => step(route[i]!, m));
    }),
    Array(size).fill(1) as number[],
  );
}

/** Any shop of some size: people, waits, set-ups, several of a station, lots, releases, due dates. */
export function anyShop(random: () => number, jobs: number, steps: number, stations: number): Shop {
  const any = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const people = random() < 0.6 ? any(1, 3) : null;
  return {
    jobs: Array.from({ length: any(1, jobs) }, () => {
      const lots = random() < 0.25 ? 2 : 1;
      return {
        release: any(0, 4) > 2 ? any(0, 6) : 0,
        due: random() < 0.8 ? any(3, 20) : null,
        weight: any(1, 3),
        lots,
        // Parts of whole minutes, so that trying everything can go minute by minute.
        steps: Array.from({ length: any(1, steps) }, () => step(any(0, stations - 1), any(1, 5) * lots, { people: people === null ? 0 : any(0, people), wait: any(0, 3) > 2 ? any(1, 4) : 0, ...(random() < 0.5 ? { key: any(0, 2), setUp: any(1, 3) } : {}) })), // prettier-ignore
      };
    }),
    counts: Array.from({ length: stations }, () => any(1, 4) > 3 ? 2 : 1), // prettier-ignore
    people,
    aim: random() < 0.5 ? "finish" : "lateness",
  };
}
