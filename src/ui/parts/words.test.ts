import fc from "fast-check";
import { atMost, percent } from "./words";

test("what a share is at most is never less than it is, nor more by over a tenth", () => {
  expect([atMost(0), atMost(0.0261), atMost(0.027), atMost(0.0099999), atMost(1), percent(0.0261)]).toEqual(["0 %", "2.7 %", "2.7 %", "1 %", "100 %", "2.6 %"]); // prettier-ignore
  fc.assert(
    fc.property(fc.double({ min: 1e-7, max: 1, noNaN: true }), (share) => {
      const said = Number.parseFloat(atMost(share)) / 100;
      expect(said).toBeGreaterThanOrEqual(share * (1 - 1e-9));
      expect(said).toBeLessThanOrEqual(share * 1.1 + 1e-9);
    }),
  );
});
