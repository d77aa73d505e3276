import { inch, type Length } from "@/core/length/length";
import { amount, FormulaError, lengthValue, toCount, toLength } from "./formula";
import { type Definition, Scope } from "./scope";
import { joinTokens, sourceText, valueText, workingText } from "./write";

const given = (l: Length): Definition => ({ label: "given", source: "asked", given: lengthValue(l) });
const worked = (formula: Definition["formula"]): Definition => ({
  label: "worked",
  source: "worked out",
  mark: "trade",
  formula,
});

test("a later definition replaces an earlier one, and everything that hangs on it", () => {
  const s = new Scope();
  s.define("t", given(inch(1)));
  s.define("twice", worked("2 * t"));
  expect(toLength(s.working("twice").value, "")).toBe(inch(2));
  s.define("t", given(inch(3)));
  expect(toLength(s.working("twice").value, "")).toBe(inch(6));
});

test("each name is worked out once, however many ask", () => {
  const s = new Scope();
  s.define("a", given(inch(1)));
  // 2^30 evaluations if nothing were remembered.
  for (let i = 0; i < 30; i++) s.define(`b${i}`, worked(i === 0 ? "a + a" : `b${i - 1} + b${i - 1}`));
  expect(s.evaluate(`b29 == ${2 ** 30} * a`).value).toEqual({ kind: "flag", of: true });
  expect(() => toLength(s.working("b29").value, "b29")).toThrow("b29 comes out longer than 100 m");
});

test("a formula by choice takes the case of the choice, and says when there is none", () => {
  const s = new Scope();
  s.define("joint", { label: "corner", source: "asked", given: { kind: "word", of: "mitre" } });
  expect(toCount(s.evaluate({ by: "joint", is: { mitre: "3", finger: "7" } }).value, "")).toBe(3);
  expect(() => s.evaluate({ by: "joint", is: { finger: "7" } })).toThrow("no formula for joint = mitre");
  expect(() => s.evaluate({ by: "joint", is: JSON.parse('{"__proto__": "1"}') as Record<string, string> })).toThrow(
    FormulaError,
  );
});

test("a ring is named all the way round, and asking again says the same", () => {
  const s = new Scope();
  for (const [a, b] of [["x", "y"], ["y", "z"], ["z", "x"]]) s.define(a!, worked(`${b} + 1`)); // prettier-ignore
  expect(() => s.working("x")).toThrow("x → y → z → x leads back to itself");
  expect(() => s.working("x")).toThrow("x → y → z → x leads back to itself");
});

test("a chain of more than sixty is refused instead of running the stack out", () => {
  const s = new Scope();
  s.define("c0", given(inch(1)));
  for (let i = 1; i < 200; i++) s.define(`c${i}`, worked(`c${i - 1} + 1*inch`));
  expect(() => s.working("c199")).toThrow("more than 60");
});

describe("written out", () => {
  const s = new Scope();
  s.define("t", given(inch(0, 3, 4)));
  s.define("n", { label: "n", source: "standard", mark: "mem", given: amount(5) });
  s.define("wide", worked("n * t + 1/2*inch"));
  s.define("either", worked("n > 3 ? max(t, 1*inch) : t"));

  test("names give way to values; only the branch taken shows", () => {
    expect(workingText(s.working("wide"), "in")).toBe("4 1/4 = 5 × 3/4 + 1/2");
    expect(workingText(s.working("either"), "in")).toBe("1 = larger of (3/4, 1)");
  });
  test("a given number says where it is from and how sure it is", () => {
    expect(workingText(s.working("n"), "in")).toBe("5, from the standard; from memory: measure yours before you cut");
    expect(sourceText(s.working("t"))).toBe("as asked");
  });
  test("every kind of value has words", () => {
    expect(valueText({ kind: "word", of: "rabbet-ends" }, "in")).toBe("rabbet ends");
    expect(valueText({ kind: "flag", of: true }, "in")).toBe("yes");
    expect(valueText(s.evaluate("t * t").value, "mm")).toBe("0.000363 m²");
    expect(valueText(s.evaluate("n / 3").value, "mm")).toBe("1.667");
  });
  test("brackets close up and minus signs stand off", () => {
    expect(joinTokens(["19", "−", "2", "×", "(", "3/4", "−", "3/8", ")"])).toBe("19 − 2 × (3/4 − 3/8)");
  });
  test("brackets are written only where they are needed, and never lost", () => {
    const text = (f: string) => workingText({ ...s.working("n"), ...s.evaluate(f) }, "in").split(" = ")[1];
    expect(text("n * (n + 2)")).toBe("5 × (5 + 2)");
    expect(text("n + n * 2")).toBe("5 + 5 × 2");
    expect(text("n - (n - 2)")).toBe("5 − (5 − 2)");
    expect(text("n / (n * 2)")).toBe("5 ÷ (5 × 2)");
  });
});
