import { openDatabase } from "./database";
import { doorStore, NotLetIn } from "./door";

const PASS = "four dry boards in the yard";
const shop = async () => {
  let time = 1_000_000;
  const db = openDatabase(":memory:");
  const door = doorStore(db, () => time);
  await door.set(PASS);
  return { db, door, pass: (ms: number) => (time += ms) };
};

test("who knows the passphrase is let in, by a token that is new each time and is not kept as it is", async () => {
  const { db, door } = await shop();
  const [one, two] = [await door.enter(PASS, "bench"), await door.enter(PASS, "office")];
  expect(one).not.toBe(two);
  expect([door.holds(one), door.holds(two), door.holds(`${one}x`), door.holds(undefined), door.holds("")]).toEqual([true, true, false, false, false]); // prettier-ignore
  const kept = JSON.stringify(db.prepare("SELECT * FROM door, session").all());
  for (const secret of [PASS, one, two]) expect(kept).not.toContain(secret);
  expect(door.sessions(one).map((s) => [s.what, s.here])).toEqual(expect.arrayContaining([["bench", true], ["office", false]])); // prettier-ignore
});

test("a session ends when it is ended, is not used for a month, or the passphrase changes", async () => {
  const { door, pass } = await shop();
  const [one, two, three] = [await door.enter(PASS, "1"), await door.enter(PASS, "2"), await door.enter(PASS, "3")];
  door.end(one);
  expect([one, two].map((t) => door.holds(t))).toEqual([false, true]);
  door.end(two, door.sessions(two).find((s) => s.what === "3")!.id);
  expect(door.holds(three)).toBe(false);
  pass(20 * 86_400_000);
  expect(door.holds(two)).toBe(true);
  pass(20 * 86_400_000);
  expect(door.holds(two)).toBe(true);
  pass(31 * 86_400_000);
  expect(door.holds(two)).toBe(false);
  const four = await door.enter(PASS, "4");
  await door.set("another one that is long");
  expect(door.holds(four)).toBe(false);
  await expect(door.enter(PASS, "5")).rejects.toThrow(NotLetIn);
});

test("guessing is slowed, however many guess at once; the right one afterwards is let in", async () => {
  const { door, pass } = await shop();
  const guess = (n: number) => door.enter(`guess ${n}`, "x").catch((e: Error) => e.message);
  const many = await Promise.all(Array.from({ length: 40 }, (_, n) => guess(n)));
  // Three are free and the fourth starts the wait.
  expect(many.filter((m) => m === "that is not the passphrase")).toHaveLength(4);
  await expect(door.enter(PASS, "x")).rejects.toThrow(/tried too often; again in 1 s/);
  let tried = 0;
  for (let second = 0; second < 600; second++) {
    pass(1000);
    if (!(await guess(second)).startsWith("tried too often")) tried++;
  }
  expect(tried).toBeLessThan(17);
  pass(60_000);
  expect(door.holds(await door.enter(PASS, "x"))).toBe(true);
}, 240_000);

test("a short one is not taken", async () => {
  const { door } = await shop();
  await expect(door.set("bees")).rejects.toThrow(/4 characters; at least 12/);
});
