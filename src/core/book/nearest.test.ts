import { inch, mm, nm } from "@/core/length/length";
import { nearest, SAME } from "./nearest";
import type { MeasuredBox } from "./repair";

const deep: MeasuredBox = { outsideLength: inch(19, 7, 8), outsideWidth: inch(16, 1, 4), insideLength: inch(18, 3, 8), insideWidth: inch(14, 3, 4), depth: inch(9, 5, 8), restToRest: inch(19, 1, 8), restDepth: inch(0, 5, 8) }; // prettier-ignore

test("a box is nearest to the standard whose published sizes it has (handbook 02), whatever its walls", () => {
  expect(nearest(deep)[0]).toMatchObject({ standard: "langstroth-10", size: "deep", worst: 0 });
  expect(nearest({ ...deep, depth: inch(6, 5, 8) })[0]).toMatchObject({ standard: "langstroth-10", size: "medium" });
  expect(nearest({ ...deep, insideWidth: inch(12, 1, 4), outsideWidth: inch(14) })[0]).toMatchObject({
    standard: "langstroth-8",
  });
  // National: 372 along the frame, 422 across, 225 deep.
  const national = nearest({
    ...deep,
    insideLength: mm(372),
    insideWidth: mm(422),
    depth: mm(225),
    restToRest: mm(434),
  });
  expect([national[0]!.standard, national[0]!.size]).toEqual(["national", "brood"]);
  // Dadant-Blatt: 450 × 380, 310 deep.
  expect(
    nearest({ ...deep, insideLength: mm(450), insideWidth: mm(380), depth: mm(310), restToRest: mm(473) })[0]!.standard,
  ).toMatch(/^dadant/);
});

test("how the nearest standard's frame hangs in it, by hand, and what to change", () => {
  const gaps = (box: Partial<MeasuredBox>) => Object.fromEntries(nearest({ ...deep, ...box }).find((n) => n.standard === "langstroth-10" && n.size === "deep")!.gaps.map((g) => [g.name, g])); // prettier-ignore
  const right = gaps({});
  // (18 3/8 − 17 3/4) / 2 = 5/16; 9 5/8 − 9 1/8 = 1/2; 5/8 − 3/8 = 1/4.
  expect([right["at each end of the frame"]!.value, right["above and below the frame together"]!.value, right["above the frame"]!.value]).toEqual([inch(0, 5, 16), inch(0, 1, 2), inch(0, 1, 4)]); // prettier-ignore
  expect(Object.values(right).filter((g) => g.change)).toEqual([]);
  expect(gaps({ restDepth: inch(1) })["above the frame"]!.change).toMatch(/too deep/);
  expect(gaps({ insideLength: inch(18) })["at each end of the frame"]!.change).toMatch(/too long/);
  expect(gaps({ insideLength: inch(18, 3, 4), restToRest: inch(19, 1, 2) })["at each end of the frame"]!.change).toMatch(/a strip on the end walls/); // prettier-ignore
  expect(gaps({ depth: inch(9, 1, 4) })["above and below the frame together"]!.change).toMatch(/stands out/);
});

test("of a box like none every standard is further off than makers differ", () => {
  const odd = nearest({
    ...deep,
    insideLength: nm(deep.insideLength + inch(3)),
    restToRest: nm(deep.restToRest + inch(3)),
  });
  expect(odd[0]!.worst).toBeGreaterThan(SAME);
  expect(odd.map((n) => n.worst)).toEqual(odd.map((n) => n.worst).toSorted((a, b) => a - b));
});
