import fc from "fast-check";
import { Usage } from "./usage";

test("the first time with room is the one found by trying every minute", () => {
  const span = fc.tuple(fc.nat(40), fc.nat(9), fc.integer({ min: 1, max: 2 }));
  fc.assert(
    fc.property(
      fc.array(span, { maxLength: 12 }),
      fc.nat(30),
      fc.nat(8),
      fc.integer({ min: 1, max: 4 }),
      (spans, t, minutes, most) => {
        const usage = new Usage();
        for (const [from, long, by] of spans) usage.use(from, from + long, by);
        const at = (m: number) => spans.reduce((n, [from, long, by]) => n + (from <= m && m < from + long ? by : 0), 0);
        const free = (start: number) => Array.from({ length: Math.max(1, minutes) }, (_, i) => at(start + i)).every((n) => n < most); // prettier-ignore
        let wanted = t;
        while (!free(wanted)) wanted++;
        expect(usage.firstFree(t, minutes, most)).toBe(wanted);
      },
    ),
    { numRuns: 2000 },
  );
});
