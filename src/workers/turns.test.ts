import { FullError, Turns } from "./turns";

/** Work that ends when it is told to, and says when it began. */
function works() {
  const begun: string[] = [];
  const ends = new Map<string, () => void>();
  const work = (name: string) => () =>
    new Promise<void>((resolve) => {
      begun.push(name);
      ends.set(name, resolve);
    });
  const end = async (name: string) => {
    ends.get(name)!();
    await new Promise((r) => setTimeout(r, 0));
  };
  return { begun, work, end };
}
const settle = () => new Promise((r) => setTimeout(r, 0));

test("first answers come before better ones, and better ones leave a thread to whoever asks next", async () => {
  const { begun, work, end } = works();
  const turns = new Turns(2, 9);
  for (const name of ["better 1", "better 2"]) void turns.enter(() => {}, "better").run(0, undefined, work(name));
  await settle();
  expect(begun).toEqual(["better 1"]);
  for (const name of ["first 1", "first 2"]) void turns.enter(() => {}, "first").run(0, undefined, work(name));
  await settle();
  await end("better 1");
  // Not while somebody has nothing yet.
  expect(begun).toEqual(["better 1", "first 1", "first 2"]);
  await end("first 1");
  await end("first 2");
  await settle();
  expect(begun).toEqual(["better 1", "first 1", "first 2", "better 2"]);
});

test("what nobody looks at yet comes behind, and knows when it is in the way of somebody who wishes for better", async () => {
  const { begun, work, end } = works();
  const turns = new Turns(2, 9);
  void turns.enter(() => {}, "behind").run(0, undefined, work("unseen 1"));
  void turns.enter(() => {}, "behind").run(0, undefined, work("unseen 2"));
  await settle();
  expect(turns.awaited).toBe(false);
  const gone = new AbortController();
  const given = turns.enter(() => {}, "better").run(0, gone.signal, work("given up"));
  expect(turns.awaited).toBe(true);
  gone.abort();
  expect(turns.awaited).toBe(false);
  void turns.enter(() => {}, "better").run(3, undefined, work("seen"));
  expect(turns.awaited).toBe(true);
  await end("unseen 1");
  await expect(given).rejects.toThrow();
  await settle();
  expect([begun, turns.awaited]).toEqual([["unseen 1", "seen"], false]);
});

test("a layout of many thicknesses does not keep one of few waiting", async () => {
  const { begun, work, end } = works();
  const turns = new Turns(1, 9);
  const [many, few] = [turns.enter(() => {}, "first"), turns.enter(() => {}, "first")];
  for (const group of [0, 1, 2]) void many.run(group, undefined, work(`many ${group}`));
  void few.run(0, undefined, work("few 0"));
  for (const name of ["many 0", "few 0", "many 1"]) {
    await settle();
    await end(name);
  }
  expect(begun).toEqual(["many 0", "few 0", "many 1", "many 2"]);
});

test("each is told its place as it moves up; a full row takes no more, and what is left is free again", async () => {
  const { work, end } = works();
  const turns = new Turns(1, 2);
  const places: Record<string, number[]> = { a: [], b: [], c: [], d: [] };
  const enter = (name: string) => turns.enter((before) => places[name]!.push(before), "first");
  void enter("a").run(0, undefined, work("a"));
  await settle();
  void enter("b").run(0, undefined, work("b"));
  const c = enter("c");
  expect(() => enter("d")).toThrow(FullError);
  await end("a");
  await settle();
  expect(places).toEqual({ a: [0], b: [0, 0], c: [1, 0], d: [] });
  c.leave();
  expect(() => enter("d")).not.toThrow();
});
