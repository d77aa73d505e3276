import { readFileSync, readdirSync } from "node:fs";
import { readJobFile } from "@/core/job/file";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { jobStore } from "@/store/jobs";

/** Keeps the demo's jobs, unless the database already has jobs. */
const store = jobStore(database());
const designs = designStore(database());
if (store.list().length > 0) console.log("The database already has jobs; the demo is not loaded again.");
else
  for (const file of readdirSync("demo")
    .filter((f) => f.endsWith(".json"))
    .sort()) {
    const { job } = store.create(readJobFile(readFileSync(`demo/${file}`, "utf8")));
    console.log(`Loaded ${job.name}.`);
    // The workshop's own designs are kept beside the jobs that use them, at the same mark.
    for (const { recipe, mark, why } of job.designs)
      for (let m = 1; m <= mark; m++)
        designs.keep(
          m < mark ? { ...recipe, about: `${recipe.about} Mark ${m}.` } : recipe,
          m < mark ? "the first" : why,
          [],
        );
  }
