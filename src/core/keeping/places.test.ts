import fc from "fast-check";
import { followed, keyed } from "./places";

const line = (item: string, quantity: number) => ({ item, quantity });
const after = (was: unknown[], is: unknown[]) => followed(keyed(was), was, structuredClone(is)).keys;
const [deep, medium, shallow] = [line("deep", 4), line("medium", 5), line("shallow", 6)];

test.each([
  ["nothing", [deep, medium], [deep, medium], [0, 1]],
  ["the first taken out", [deep, medium, shallow], [medium, shallow], [1, 2]],
  ["one more", [deep], [deep, medium], [0, 1]],
  ["one changed in its place", [deep, medium, shallow], [deep, line("medium", 9), shallow], [0, 1, 2]],
  ["one taken out and one more", [deep, medium, shallow], [medium, shallow, line("lid", 1)], [1, 2, 3]],
  ["two changed places", [deep, medium, shallow], [medium, deep, shallow], [1, 0, 2]],
  ["one taken out and another changed: it might be either", [deep, medium], [line("medium", 9)], [2]],
] as const)("what is which: %s", (_, was, is, keys) => {
  expect(after([...was], [...is])).toEqual(keys);
});

test("after whatever others take out, add and move, a key stands for the thing it stood for, or for nothing", () => {
  const things = fc.uniqueArray(fc.nat(30), { maxLength: 8 });
  fc.assert(
    fc.property(fc.array(things, { minLength: 1, maxLength: 6 }), (lists) => {
      const what = new Map<number, number>();
      let [was, held] = [lists[0]!, keyed(lists[0]!)];
      for (const is of lists) {
        // One thing in the place of one other is that thing, changed.
        const one = was.length === is.length && was.filter((x, i) => x !== is[i]).length === 1;
        held = followed(held, was, is);
        expect(new Set(held.keys).size).toBe(is.length);
        held.keys.forEach((k, i) => {
          if (!one) expect(what.get(k) ?? is[i]).toBe(is[i]);
          what.set(k, is[i]!);
        });
        was = is;
      }
    }),
  );
});
