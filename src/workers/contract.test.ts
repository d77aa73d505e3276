import { everyLine, wrongIn } from "@/core/plan/tests/contract";

const whole = process.env.RUNDIK_CASES === undefined ? test.skip : test;

whole("every item, standard, size and choice keeps what the contract says of features and operations", () => {
  const lines = everyLine(() => true);
  const wrong = lines.flatMap((line) => wrongIn([line]));
  console.log(`${lines.length} lines tried, ${wrong.length} sentences that do not hold`);
  expect(wrong).toEqual([]);
});
