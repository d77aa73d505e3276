import { readFileSync, readdirSync } from "node:fs";
import { readJobFile } from "@/core/job/file";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";

/** Keeps the demo's jobs, unless the database already has jobs. */
const store = jobStore(database());
if (store.list().length > 0) console.log("The database already has jobs; the demo is not loaded again.");
else
  for (const file of readdirSync("demo")
    .filter((f) => f.endsWith(".json"))
    .sort()) {
    const { job } = store.create(readJobFile(readFileSync(`demo/${file}`, "utf8")));
    console.log(`Loaded ${job.name}.`);
  }
