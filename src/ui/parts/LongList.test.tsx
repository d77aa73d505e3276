/** @jest-environment jsdom */
import { act, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { LongList } from "./LongList";

test("of many lines a few are drawn, on paper each once, and what is typed in one is there after printing", async () => {
  // Of a page that is not laid out the windowing library knows no size.
  Object.assign(globalThis, { ResizeObserver: class { observe() {} unobserve() {} disconnect() {} } }); // prettier-ignore
  const lines = Array.from({ length: 60 }, (_, i) => `line ${i + 1}`);
  render(<LongList lines={lines} keyOf={(at) => at} few={5} box="h-[40vh]">{(one) => <input aria-label={one} />}</LongList>); // prettier-ignore
  await act(async () => void (await import("./Windowed")));
  const drawn = () => screen.getAllByLabelText(/^line/).length;
  expect(drawn()).toBeLessThan(30);
  await userEvent.type(screen.getByLabelText("line 1"), "17");
  act(() => void dispatchEvent(new Event("beforeprint")));
  const [onPaper, onScreen] = screen.getAllByRole("list", { hidden: true });
  expect(within(onPaper!).getAllByRole("textbox").map((f) => f.getAttribute("aria-label"))).toEqual(lines); // prettier-ignore
  expect([onPaper!.className, onScreen!.parentElement!.className]).toEqual([expect.stringContaining("only-print"), expect.stringContaining("no-print")]); // prettier-ignore
  act(() => void dispatchEvent(new Event("afterprint")));
  expect(drawn()).toBeLessThan(30);
  expect(screen.getByLabelText<HTMLInputElement>("line 1").value).toBe("17");
});
