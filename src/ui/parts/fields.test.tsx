/** @jest-environment jsdom */
import { jest } from "@jest/globals";
import { act, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { inch, type Length } from "@/core/length/length";
import { LengthField } from "./LengthField";
import { NumberField } from "./NumberField";

/** A field as a station has it: what is typed is shown at once, and the field is given what is shown. */
function Shown({ told }: { told(what: string, value?: Length): void }) {
  const [kept, keep] = useState<Length>(inch(0, 3, 4));
  const [draft, setDraft] = useState<Length | null>(null);
  return (
    <>
      <LengthField
        label="Stock"
        units="in"
        value={draft ?? kept}
        onType={(v) => {
          setDraft(v);
          told("typed", v);
        }}
        onGiveUp={() => {
          setDraft(null);
          told("given up");
        }}
        onSettle={(v) => {
          setDraft(null);
          keep(v);
          told("settled", v);
        }}
      />
      <output>{draft ?? kept}</output>
    </>
  );
}
const told: [string, Length?][] = [];
const shown = () => Number(screen.getByRole("status").textContent);
const open = () => {
  told.length = 0;
  render(<Shown told={(...what) => told.push(what)} />);
  return [userEvent.setup(), screen.getByRole<HTMLInputElement>("textbox")] as const;
};

describe("a length", () => {
  test("every keystroke that can be read is shown; leaving the field settles it", async () => {
    const [user, field] = open();
    await user.clear(field);
    await user.type(field, "1 1/8");
    // `1`, `1 ` and the whole of it can be read; `1 1` and `1 1/` cannot.
    expect(told).toEqual([inch(1), inch(1), inch(1, 1, 8)].map((v) => ["typed", v]));
    expect(shown()).toBe(inch(1, 1, 8));
    await user.tab();
    expect(told.at(-1)).toEqual(["settled", inch(1, 1, 8)]);
    expect(field.value).toBe("1 1/8");
  });
  test("Escape gives back what was there, in the field and in what is shown", async () => {
    const [user, field] = open();
    await user.clear(field);
    await user.type(field, "7/8");
    expect(shown()).toBe(inch(0, 7, 8));
    await user.keyboard("{Escape}");
    expect([shown(), field.value]).toEqual([inch(0, 3, 4), "3/4"]);
    await user.tab();
    expect(told.some(([what]) => what === "settled")).toBe(false);
  });
  test("what cannot be read is said and never settled; left so, what is shown goes back", async () => {
    jest.useFakeTimers();
    open();
    const field = screen.getByRole<HTMLInputElement>("textbox");
    const user = userEvent.setup({ advanceTimers: jest.advanceTimersByTime });
    await user.clear(field);
    await user.type(field, "1 7/");
    // Half a fraction is no mistake until who types pauses.
    expect(screen.queryByRole("alert")).toBeNull();
    act(() => jest.advanceTimersByTime(600));
    jest.useRealTimers();
    expect(screen.getByRole("alert").textContent).toMatch(/no lower number/);
    expect(field.getAttribute("aria-invalid")).toBe("true");
    await user.tab();
    expect([shown(), field.value]).toEqual([inch(0, 3, 4), "1 7/"]);
    expect(told.some(([what]) => what === "settled")).toBe(false);
    await user.clear(field);
    await user.type(field, "1 7/8{Enter}");
    expect(shown()).toBe(inch(1, 7, 8));
    expect(screen.queryByRole("alert")).toBeNull();
  });
});

describe("a number", () => {
  const given: (number | "empty")[] = [];
  const openNumber = (empty = false) => {
    given.length = 0;
    render(
      <NumberField
        label="Pieces"
        value={40}
        onSettle={(n) => given.push(n)}
        {...(empty ? { onEmpty: () => given.push("empty") } : {})}
      />,
    );
    return [userEvent.setup(), screen.getByRole<HTMLInputElement>("textbox")] as const;
  };
  test("Enter keeps it; the same number again is nothing new; Escape gives back the old", async () => {
    const [user, field] = openNumber();
    await user.clear(field);
    await user.type(field, "12.5{Enter}");
    expect(given).toEqual([12.5]);
    await user.clear(field);
    await user.type(field, "40{Enter}");
    await user.clear(field);
    await user.type(field, "77{Escape}");
    await user.tab();
    expect([given, field.value]).toEqual([[12.5], "40"]);
  });
  test("what is typed is told on the way; settled it is new only where it is not what stood, though it is shown by then", async () => {
    const heard: (number | string)[] = [];
    function Tried() {
      const [kept, keep] = useState(40);
      const [tried, setTried] = useState<number | null>(null);
      const onType = (n: number) => (setTried(n), void heard.push(n));
      const onGiveUp = () => (setTried(null), void heard.push("given up"));
      const onSettle = (n: number) => (setTried(null), keep(n), void heard.push(`kept ${n}`));
      return (
        <NumberField label="Pieces" value={tried ?? kept} onType={onType} onGiveUp={onGiveUp} onSettle={onSettle} />
      );
    }
    const { unmount } = render(<Tried />);
    const [user, field] = [userEvent.setup(), screen.getByRole<HTMLInputElement>("textbox")];
    await user.click(field);
    await user.keyboard("45{Enter}");
    expect(heard.splice(0)).toEqual([4, 45, "kept 45"]);
    await user.clear(field);
    await user.keyboard("45{Enter}");
    expect(heard.splice(0)).toEqual(["given up", 4, 45, "given up"]);
    await user.type(field, "7{Escape}");
    expect([heard.splice(0), field.value]).toEqual([[457, "given up"], "45"]);
    // Turned away from while it is typed in, nothing of it stays.
    await user.type(field, "8");
    unmount();
    expect(heard).toEqual([458, "given up"]);
  });
  test("words and nothing are said to be no number, unless nothing means something", async () => {
    const [user, field] = openNumber();
    await user.clear(field);
    await user.type(field, "ten{Enter}");
    expect(screen.getByRole("alert").textContent).toBe("read “ten”, wanted a number");
    await user.clear(field);
    await user.tab();
    expect([given, screen.getByRole("alert").textContent]).toEqual([[], "read “”, wanted a number"]);
  });
  test("left empty where there may be none", async () => {
    const [user, field] = openNumber(true);
    await user.clear(field);
    await user.tab();
    expect([given, screen.queryByRole("alert")]).toEqual([["empty"], null]);
  });
});
