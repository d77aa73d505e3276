import { mm } from "@/core/length/length";
import { emptyJob } from "@/core/job/job";
import { JobFileError } from "@/core/problem/problem";
import { workJob } from "@/core/job/worked";
import { lengthOf } from "@/core/shape/shape";
import { findStandard } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";
import { openDatabase } from "./database";
import { jobStore } from "./jobs";
import { standardStore } from "./standards";

const copy = (id: string, change: Partial<Standard> = {}): Standard => ({
  ...findStandard(id)!,
  id: "heath",
  name: "Heath",
  basedOn: id,
  ...change,
});
const value = (s: Standard, name: string, v: string): Standard => ({
  ...s,
  values: { ...s.values, [name]: { value: v, mark: "mem" } },
});

describe("kept", () => {
  test("new, changed, listed by name, taken away; one that is wrong is refused and what was there stays", () => {
    const store = standardStore(openDatabase(":memory:"));
    store.put(copy("zander"));
    store.put(copy("national", { id: "aa", name: "Another" }));
    store.put(copy("zander", { name: "Heath, changed" }));
    expect(store.list().map((s) => s.name)).toEqual(["Another", "Heath, changed"]);
    expect(() => store.put(value(copy("zander"), "pitch", "wide"))).toThrow(JobFileError);
    expect(store.list().find((s) => s.id === "heath")!.values.pitch!.value).toBe("35");
    expect([store.remove("aa"), store.remove("aa")]).toEqual([true, false]);
  });

  test("a job keeps the standard it was made with, whatever becomes of the maker's", () => {
    const db = openDatabase(":memory:");
    const own = copy("zander");
    standardStore(db).put(own);
    const { id } = jobStore(db).create({
      ...emptyJob("x", "mm"),
      standards: [own],
      lines: [{ item: "body", standard: "heath", size: "brood", quantity: 1, options: {} }],
    });
    standardStore(db).put(value(own, "pitch", "37"));
    standardStore(db).remove("heath");
    const { job } = jobStore(db).load(id);
    expect(job.standards[0]!.values.pitch!.value).toBe("35");
    expect(lengthOf(workJob(job).lines[0]!.shape, "pitch")).toBe(mm(35));
  });
});
