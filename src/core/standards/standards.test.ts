import { inch, mm } from "@/core/length/length";
import { parseLength } from "@/core/length/parse";
import { compareStandards } from "@/core/fit/compare";
import { findStandard, STANDARDS } from "./index";
import { STANDARD_NAMES } from "./words";

const CONTRACT = [
  "langstroth-10", "langstroth-8", "langstroth-5", "national", "dadant-blatt-10", "dadant-blatt-12", "zander", "deutsch-normal",
  "commercial", "smith", "az", "layens", "kenya", "warre", "square-190",
]; // prettier-ignore

test("every standard id of the job file is there, and no other", () => {
  expect(STANDARDS.map((s) => s.id).sort()).toEqual(CONTRACT.toSorted());
});

test("every value is a length that reads in its standard's units, or a count, and has a name people read", () => {
  for (const s of STANDARDS)
    for (const [name, v] of [...Object.entries(s.values), ...Object.values(s.sizes).flatMap((z) => Object.entries(z.values))]) {
      expect([name, STANDARD_NAMES[name]]).toEqual([name, expect.any(String)]);
      if (typeof v.value === "string") expect(parseLength(v.value, s.units)).toBeGreaterThanOrEqual(0);
      else expect(Number.isInteger(v.value)).toBe(true);
    }
});

test("rest widths not given by name follow (top bar + 3 − inside) / 2 (handbook 02)", () => {
  for (const id of ["dadant-blatt-10", "dadant-blatt-12", "zander", "deutsch-normal", "warre"]) {
    const s = findStandard(id)!;
    const of = (name: string) => parseLength(s.values[name]!.value as string, s.units);
    expect([id, of("restWidth")]).toEqual([id, (of("topBarLength") + mm(3) - of("boxInsideLength")) / 2]);
  }
});

test("frames × pitch ≤ inside width everywhere (handbook 02, count and play rule)", () => {
  for (const s of STANDARDS.filter((x) => x.values.boxInsideWidth)) {
    const of = (name: string) => parseLength(s.values[name]!.value as string, s.units);
    expect((s.values.frames!.value as number) * of("pitch")).toBeLessThanOrEqual(of("boxInsideWidth"));
  }
});

describe("two side by side", () => {
  const answers = (a: string, b: string, sizeA?: string, sizeB?: string) => {
    const [x, y] = [findStandard(a)!, findStandard(b)!];
    return compareStandards(x, sizeA ?? x.defaultSize, y, sizeB ?? y.defaultSize, "in").interchange.map((i) => i.answer);
  };

  test("Langstroth ten and eight share their frames (deep: in order inside the box)", () => {
    expect(answers("langstroth-10", "langstroth-8")).toEqual(["fits", "fits"]);
  });
  test("Dadant-Blatt ten and twelve share theirs", () => {
    expect(answers("dadant-blatt-10", "dadant-blatt-12")).toEqual(["fits", "fits"]);
  });
  test("a Langstroth frame does not go in a National, nor a National one in a Langstroth", () => {
    expect(answers("langstroth-10", "national")).toEqual(["no", "no"]);
  });
  test("a deep frame in a medium box stands out of it, and says by how much", () => {
    const s = findStandard("langstroth-10")!;
    const { interchange } = compareStandards(s, "deep", s, "medium", "in");
    expect(interchange[0]!.answer).toBe("no");
    expect(interchange[0]!.findings.find((f) => f.rule === "bottom-gap")).toMatchObject({ value: inch(6, 5, 8) - inch(0, 1, 4) - inch(9, 1, 8), state: "stop" });
  });
  test("values differ by what arithmetic says, and what one does not give is left empty", () => {
    const { values } = compareStandards(findStandard("langstroth-10")!, "deep", findStandard("langstroth-8")!, "deep", "in");
    expect(values.find((v) => v.name === "boxInsideWidth")!.by).toBe(-inch(2, 1, 2));
    expect(values.find((v) => v.name === "boxInsideLength")!.by).toBe(0);
    const odd = compareStandards(findStandard("langstroth-10")!, "deep", findStandard("kenya")!, "trough", "in");
    expect(odd.values.find((v) => v.name === "restWidth")!.b).toBeUndefined();
    expect(odd.interchange.map((i) => i.answer)).toContain("nothing to try");
  });
});
