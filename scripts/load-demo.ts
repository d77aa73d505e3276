import { readFileSync, readdirSync } from "node:fs";
import { readDesignFile } from "@/core/designs/file";
import { readJobFile } from "@/core/job/file";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";

/** Keeps the demo's jobs and its workshop's own designs, mark by mark, unless the database already has jobs. */
const store = jobStore(database());
const designs = designStore(database());
const files = (folder: string) =>
  readdirSync(folder)
    .filter((f) => f.endsWith(".json"))
    .sort()
    .map((f) => readFileSync(`${folder}/${f}`, "utf8"));
if (store.list().length > 0) console.log("The database already has jobs; the demo is not loaded again.");
else {
  // Three people; the rest of the shop is as usual.
  const { shop } = shopStore(database()).all([{ revision: 0, act: { do: "workshop", to: { people: 3 } } }]);
  for (const text of files("demo")) console.log(`Loaded ${store.create(readJobFile(text, shop.workshop)).job.name}.`);
  for (const text of files("demo/designs")) {
    const { recipe, why } = readDesignFile(text);
    console.log(`Loaded ${recipe.name}, mark ${designs.keep(recipe, why, [])}.`);
  }
}
