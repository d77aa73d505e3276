import { everyLine, wrongIn } from "@/core/plan/tests/contract";
import { wrongDesigns } from "@/core/plan/tests/designs";
import { huntJobs } from "@/core/plan/tests/hunt";

/** What `npm test` tries in part is tried in whole by `npm run figures`. */
const whole = process.env.RUNDIK_CASES === undefined ? test.skip : test;

whole("every item, standard, size and choice keeps what the contract says of features and operations", () => {
  const lines = everyLine(() => true);
  const wrong = lines.flatMap((line) => wrongIn([line]));
  console.log(`${lines.length} lines tried, ${wrong.length} sentences that do not hold`);
  expect(wrong).toEqual([]);
});

whole("a thousand designs of any parts and cuts keep it too, and their paper makes what is drawn", () => {
  const wrong = wrongDesigns(1000);
  console.log(`1000 designs tried, ${wrong.length} that go wrong`);
  expect(wrong.slice(0, 4)).toEqual([]);
});

whole("20 000 jobs over the whole range of every option: none throws, none says NaN", () => {
  const { answered, refused } = huntJobs(20_000);
  console.log(`${answered} jobs answered, ${refused} refused by name`);
  expect(answered + refused).toBe(20_000);
});
