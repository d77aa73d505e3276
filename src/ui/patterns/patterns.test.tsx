/** @jest-environment jsdom */
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { STANDARDS } from "@/core/standards";
import { ownId } from "@/core/standards/own";
import type { Standard } from "@/core/standards/standard";
import { OwnStandard } from "./OwnStandard";
import "@/ui/tests/patience";

const national = STANDARDS.find((s) => s.id === "national")!;
const copy = (): Standard => ({ ...national, id: ownId("Brackwater", []), basedOn: "national" });
const user = userEvent.setup();
const ofServer = globalThis.fetch;
let answers: (() => Promise<unknown>)[];
let sent: Standard[];
let kept: string[];
const open = (start = copy()) => {
  [answers, sent, kept] = [[], [], []];
  globalThis.fetch = (async (_: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body) as Standard);
    return answers.shift()!();
  }) as unknown as typeof fetch;
  render(<OwnStandard start={start} units="mm" onKept={(_, id) => kept.push(id)} onLeave={() => kept.push("left")} />);
};
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});
const fits = () => screen.queryAllByRole("heading", { level: 3 }).map((h) => h.closest("section")!);
const keep = () => screen.getByRole<HTMLButtonElement>("button", { name: "Keep it" });
const field = (name: string) => screen.getByLabelText(new RegExp(`\\(${name}\\)$`));
const fill = async (name: string, text: string) => {
  await user.clear(field(name));
  if (text) await user.type(field(name), text);
};

test("a value that cannot be read is said at its field; the fit and keeping wait until it is right", async () => {
  open();
  expect([keep().disabled, fits().length]).toEqual([false, Object.keys(national.sizes).length]);
  await fill("values.topBarLength", "43 cm?");
  expect(within(field("values.topBarLength").closest("td")!).getByRole("alert").textContent).toMatch(/43 cm\?/);
  expect([keep().disabled, fits().length]).toEqual([true, 0]);
  // Left empty it is only wanted, not wrong.
  await fill("values.topBarLength", "");
  expect(within(field("values.topBarLength").closest("td")!).queryByRole("alert")).toBeNull();
  expect(screen.getByText(/^One value is still wanted or wrong/)).toBeTruthy();
  await fill("values.topBarLength", "432");
  expect(keep().disabled).toBe(false);
});

test("a deeper box shows at once in the gap below its frame, as much wider as it is deeper", async () => {
  open();
  const [size] = Object.keys(national.sizes);
  const name = `sizes.${size}.values.bodyDepth`;
  const gap = () => {
    const row = within(fits()[0]!).getAllByRole("listitem").find((li) => /below/i.test(li.textContent!))!; // prettier-ignore
    return Number(/([\d.]+)/.exec(row.textContent!.replace(/^[^\d]*/, ""))![1]);
  };
  const [was, before] = [gap(), Number((field(name) as HTMLInputElement).value)];
  await fill(name, String(before + 3));
  expect(gap()).toBeCloseTo(was + 3, 6);
});

test("kept as it was changed; refused or without an answer, it says why and nothing is lost", async () => {
  open();
  await fill("values.topBarLength", "431");
  answers.push(
    async () => ({ ok: false, status: 409, json: async () => ({ error: "there are 40 already" }) }),
    async () => Promise.reject(new TypeError("fetch failed")),
    async () => ({ ok: true, status: 200, json: async () => sent }),
  );
  await user.click(keep());
  await waitFor(() => expect(screen.getByRole("alert").textContent).toBe("It was not kept: there are 40 already."));
  await user.click(keep());
  await waitFor(() => expect(screen.getByRole("alert").textContent).toMatch(/server does not answer/));
  expect([kept, (field("values.topBarLength") as HTMLInputElement).value]).toEqual([[], "431"]);
  // It is tried again by itself.
  await waitFor(() => expect(kept).toEqual([copy().id]));
  expect(sent.map((s) => [s.values.topBarLength?.value, s.values.topBarLength?.mark])).toEqual(Array.from({ length: 3 }, () => ["431", "mem"])); // prettier-ignore
});

test("one more size begins with what a size needs, and can be left out again; the last cannot", async () => {
  open();
  const sizes = () => screen.getAllByRole("button", { name: /^leave out/ }).length;
  const before = sizes();
  await user.type(screen.getByLabelText("Another size"), "half{Enter}");
  expect(sizes()).toBe(before + 1);
  expect(keep().disabled).toBe(true);
  await user.click(screen.getByRole("button", { name: "leave out half" }));
  expect([sizes(), keep().disabled]).toEqual([before, false]);
  for (let n = before; n > 1; n--) await user.click(screen.getAllByRole("button", { name: /^leave out/ })[0]!);
  expect(screen.queryByRole("button", { name: /^leave out/ })).toBeNull();
});
