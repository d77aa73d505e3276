import { anyLine, chance, everythingOf } from "./tests/hunt";

/** The full hunt is a figure: `npm run figures`. */
const JOBS = process.env.RUNDIK_CASES === undefined ? 1500 : 20_000;

test("any job over the whole range of every option, extremes included, is answered or refused by name: no exception, no NaN", () => {
  const random = chance(20270208);
  const count = { answered: 0, refused: 0 };
  for (let n = 0; n < JOBS; n++) {
    const lines = Array.from({ length: 1 + Math.floor(random() * 3) }, () => anyLine(random));
    try {
      count[everythingOf(lines, random() < 0.5 ? "in" : "mm")]++;
    } catch (e) {
      throw new Error(`${JSON.stringify(lines)}: ${(e as Error).stack}`, { cause: e });
    }
  }
  console.log(`${JOBS} jobs: ${count.answered} answered, ${count.refused} refused by name`);
  // The hunt is one only when it gets through the door often enough.
  expect(count.answered).toBeGreaterThan(JOBS / 4);
});
