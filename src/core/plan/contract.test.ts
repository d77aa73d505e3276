import { everyLine, wrongIn } from "./tests/contract";

/** Every choice is tried in these; in the others, their usual ones in every size. `npm run figures` tries all everywhere. */
const WHOLE = ["langstroth-10", "az", "kenya"];

test("every item × standard × choice: blanks and features made, parts joined in order, all that is taken ordered", () => {
  const lines = everyLine((s, size) => size === s.defaultSize && WHOLE.includes(s.id));
  expect(lines.length).toBeGreaterThan(600);
  expect(lines.flatMap((line) => wrongIn([line]))).toEqual([]);
});
