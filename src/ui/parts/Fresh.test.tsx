/** @jest-environment jsdom */
import { jest } from "@jest/globals";
import { cleanup, render } from "@testing-library/react";

const refresh = jest.fn();
jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => router }));
const router = { refresh };
const { Fresh } = await import("./Fresh");

const shown = (visit: string) => {
  refresh.mockClear();
  render(<Fresh visit={visit} />);
  const asked = refresh.mock.calls.length;
  cleanup();
  return asked;
};

test("a page the server has just made is left as it is; one brought up again from memory is asked for anew", () => {
  expect(shown("first")).toBe(0);
  expect(shown("second")).toBe(0);
  // Back to the first, as the browser kept it.
  expect(shown("first")).toBe(1);
  // What the server then sends is a visit of its own.
  expect(shown("third")).toBe(0);
});
