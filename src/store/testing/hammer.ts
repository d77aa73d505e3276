import { inch } from "@/core/length/length";
import { openDatabase } from "../database";
import { jobStore } from "../jobs";

/**
 * For the kill test: acts on a job without pause and writes each acknowledged quantity to stdout, until killed.
 * `tsx src/store/testing/hammer.ts <database> <job id>`
 */
const [file, id] = [process.argv[2]!, Number(process.argv[3])];
const store = jobStore(openDatabase(file));
for (let quantity = 1; quantity < 100_000; quantity++) {
  const { revision } = store.load(id);
  store.act(id, revision, { do: "change line", at: 0, to: { quantity } });
  store.act(id, revision + 1, { do: "option", at: 0, name: "thickness", value: inch(0, 40 + (quantity % 20), 64) });
  process.stdout.write(`${quantity}\n`);
}
