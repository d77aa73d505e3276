import { anyLine, chance, everythingOf } from "./tests/hunt";

test("any job over the whole range of every option, extremes included, is answered or refused by name: no exception, no NaN", () => {
  const random = chance(20270208);
  const count = { answered: 0, refused: 0 };
  for (let n = 0; n < 1500; n++) {
    const lines = Array.from({ length: 1 + Math.floor(random() * 3) }, () => anyLine(random));
    try {
      count[everythingOf(lines, random() < 0.5 ? "in" : "mm")]++;
    } catch (e) {
      throw new Error(`${JSON.stringify(lines)}: ${(e as Error).stack}`, { cause: e });
    }
  }
  // The hunt is one only when it gets through the door often enough.
  expect(count.answered).toBeGreaterThan(400);
});
