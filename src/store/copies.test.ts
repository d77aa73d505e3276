import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { emptyJob } from "@/core/job/job";
import { copiesOf, copyTo, dailyCopy, DAYS_KEPT, newestCopy, restore } from "./copies";
import { type Db, openDatabase } from "./database";
import { jobStore } from "./jobs";

let dir: string;
let db: Db;
const file = () => join(dir, "rundik.db");
const NOW = "2026-11-26T08:30:00.000Z";
const names = (of: Db) => jobStore(of).list().map((j) => j.name); // prettier-ignore
const keep = (name: string) => jobStore(db).create(emptyJob(name, "in"));

beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), "rundik-copies-"));
  db = openDatabase(file());
  keep("Moor");
});
afterEach(() => {
  db.close();
  rmSync(dir, { recursive: true });
});

test("a copy made while it is worked with is one whole file, as things were at one moment", async () => {
  const copy = join(dir, "away", "copy.db");
  const made = copyTo(db, copy);
  keep("Heath");
  await made;
  expect(readdirSync(join(dir, "away"))).toEqual(["copy.db"]);
  const read = openDatabase(copy);
  expect(read.pragma("integrity_check", { simple: true })).toBe("ok");
  expect([["Moor"], ["Moor", "Heath"]]).toContainEqual(names(read));
  read.close();
  await expect(copyTo(db, copy)).rejects.toThrow(/is there already/);
});

test("put back, even while a program has it open, it is what it was; what was there before is kept", async () => {
  const copy = join(dir, "copy.db");
  await copyTo(db, copy);
  keep("Heath");
  const { before, ...contents } = await restore(copy, file(), NOW);
  expect(contents).toEqual({ jobs: 1, designs: 0, standards: 0 });
  expect(names(db)).toEqual(["Moor"]);
  expect(keep("After").id).toBe(2);
  const aside = openDatabase(before!);
  expect(names(aside)).toEqual(["Moor", "Heath"]);
  aside.close();
});

test("what is no copy, a damaged one, or one with a job that does not open is refused, and nothing is changed", async () => {
  const bad = join(dir, "bad.db");
  writeFileSync(bad, "not a database at all ".repeat(500));
  await expect(restore(bad, file(), NOW)).rejects.toThrow(/is no copy of a shop/);
  await expect(restore(join(dir, "nowhere.db"), file(), NOW)).rejects.toThrow(/no such file/);
  const odd = join(dir, "odd.db");
  await copyTo(db, odd);
  const there = openDatabase(odd);
  there.prepare("INSERT INTO job_line VALUES (1, 0, 'no-such-item', 'langstroth-10', 'deep', 1, '{}')").run();
  there.close();
  await expect(restore(odd, file(), NOW)).rejects.toThrow(/its job "Moor" does not open: .*no-such-item/s);
  expect(names(db)).toEqual(["Moor"]);
  expect(existsSync(copiesOf(file()))).toBe(false);
});

test("a damaged database is answered by putting the newest copy back in its place", async () => {
  await dailyCopy(db, "2026-11-26");
  db.close();
  writeFileSync(file(), "ruined ".repeat(2000));
  expect(() => openDatabase(file())).toThrow(/not a database/);
  await restore(newestCopy(file())!, file(), NOW);
  db = openDatabase(file());
  expect(names(db)).toEqual(["Moor"]);
});

test("one copy a day, the last so many", async () => {
  const day = (n: number) => new Date(Date.UTC(2026, 9, n)).toISOString().slice(0, 10);
  for (let n = 1; n <= DAYS_KEPT + 3; n++) await dailyCopy(db, day(n));
  await dailyCopy(db, day(DAYS_KEPT + 3));
  const kept = readdirSync(copiesOf(file()));
  expect(kept).toHaveLength(DAYS_KEPT);
  expect([kept[0], newestCopy(file())]).toEqual([`rundik-${day(4)}.db`, join(copiesOf(file()), `rundik-${day(DAYS_KEPT + 3)}.db`)]); // prettier-ignore
});
