import { inch } from "@/core/length/length";
import { lotsOf, namesOf } from "./names";

const op = (id: string, more: object = {}) => ({ id, name: "Rip to width", settings: [{ kind: "fence" as const, value: inch(9, 5, 8) }], line: null, lot: "all", ...more }); // prettier-ignore
const glue = (k: number) => op(`0/glue/${k}`, { name: "Glue", settings: [], line: 0, step: "glue", lot: `lot ${k} of 2` }); // prettier-ignore

test("an operation is known by what it is and not by its number; lots share a name, two alike are told apart, another setting is another", () => {
  const other = op("rip-3", { settings: [{ kind: "fence", value: inch(6, 5, 8) }] });
  const before = [op("rip-1"), op("rip-2"), other, glue(1), glue(2)];
  const names = namesOf(before);
  expect(new Set(names.values()).size).toBe(4);
  expect(names.get("0/glue/1")).toBe(names.get("0/glue/2"));
  // A joint that came in before them counts all others on.
  const after = [op("joint-1", { name: "Joint one edge straight", settings: [] }), op("rip-2"), op("rip-3"), { ...other, id: "rip-4" }, glue(1), glue(2)]; // prettier-ignore
  const later = namesOf(after);
  expect([later.get("rip-2"), later.get("rip-3"), later.get("rip-4")]).toEqual([names.get("rip-1"), names.get("rip-2"), names.get("rip-3")]); // prettier-ignore
  expect([...lotsOf(before).values()].map((lots) => lots.map((l) => l.id))).toEqual([["rip-1"], ["rip-2"], ["rip-3"], ["0/glue/1", "0/glue/2"]]); // prettier-ignore
});
