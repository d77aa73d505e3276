import { wrongDesigns } from "./tests/designs";

test("any design: what the contract says of features and operations holds, and its paper makes what is drawn", () => {
  // `npm run figures` draws a thousand.
  expect(wrongDesigns(60).slice(0, 4)).toEqual([]);
});
