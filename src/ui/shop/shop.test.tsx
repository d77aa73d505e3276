/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { mm } from "@/core/length/length";
import { changeShop, type ShopAct, type StoredShop, USUAL_WORKSHOP } from "@/core/shop/shop";
import { readHours } from "./Hours";
import { ShopPage } from "./ShopPage";
import "@/ui/tests/patience";

const ofServer = globalThis.fetch;
const user = userEvent.setup();
let kept: StoredShop;
beforeEach(() => {
  kept = { revision: 0, version: 0, undo: null, shop: { units: "in", workshop: USUAL_WORKSHOP } };
  globalThis.fetch = (async (_: string, init?: { body: string }) => {
    for (const { act } of init ? (JSON.parse(init.body) as { acts: { act: ShopAct }[] }).acts : [])
      kept = { revision: kept.revision + 1, version: kept.version + 1, undo: act.do, shop: changeShop(kept.shop, act) };
    return { ok: true, status: 200, json: async () => ({ ...kept, did: 1 }) };
  }) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});
/** What the bench has measured of rips. */
const learned = [{ kind: "Rip to width", setup: 5, guess: 1.5, each: 1.8349, runs: 5, spread: 0.204, odd: [{ job: 7, name: "rip", pieces: 40, each: 7 }] }]; // prettier-ignore
const open = () =>
  render(<ShopPage stored={kept} jobs={[{ id: 7, name: "Moor", workshop: { kerf: mm(3) } }]} learned={learned} />);
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);
const say = async (label: string, text: string) => {
  await user.clear(field(label));
  await user.type(field(label), `${text}{Enter}`);
};

test("what is said is kept and stands out from what is only usual; a job that does otherwise is named where it does", async () => {
  open();
  const saw = within(screen.getByRole("region", { name: "The saw" }));
  expect(saw.getByText(/otherwise in/).parentElement!.textContent).toMatch(/^Saw removes.*Moor$/);
  expect(field("Saw removes").className).not.toContain("font-semibold");
  await say("Saw removes", "7/64");
  await waitFor(() => expect(kept.shop.workshop.kerf).toBe(mm(2.778125)));
  expect(field("Saw removes").className).toContain("font-semibold");
  await user.click(screen.getByRole("button", { name: "Saturday" }));
  await say("Hours", "7-12 and 13.00 to 15:30");
  await waitFor(() => expect(kept.shop.workshop).toMatchObject({ days: [1, 2, 3, 4, 5, 6], hours: [[420, 720], [780, 930]] })); // prettier-ignore
});

test("what cannot be is said at its field, and the shop stays as it is", async () => {
  open();
  const said = (what: RegExp) => expect(screen.getByRole("alert").textContent).toMatch(what);
  await say("People", "0");
  said(/^read 0: at least 1$/);
  await say("Hours", "12-8");
  said(/hours run forward/);
  for (const day of ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday"])
    await user.click(screen.getByRole("button", { name: day }));
  said(/at least one day/);
  await waitFor(() => expect(kept.shop.workshop).toEqual({ ...USUAL_WORKSHOP, days: [5] }));
});

test("who works has a title, and days, hours and days off of their own where they differ; then the number of people is theirs", async () => {
  open();
  const title = screen.getByLabelText("Title of somebody who works here");
  await user.type(title, "sawyer{Enter}");
  await user.type(title, "helper{Enter}");
  await waitFor(() => expect(kept.shop.workshop.staff).toEqual([{ title: "sawyer" }, { title: "helper" }]));
  expect(screen.queryByLabelText("People")).toBeNull();
  await user.click(screen.getByRole("button", { name: "Monday, helper" }));
  await say("Hours of helper", "8-12");
  fireEvent.change(screen.getByLabelText("Day off of helper"), { target: { value: "2027-02-10" } });
  fireEvent.blur(screen.getByLabelText("Day off of helper"));
  await waitFor(() => expect(kept.shop.workshop.staff[1]).toEqual({ title: "helper", days: [2, 3, 4, 5], hours: [[480, 720]], off: ["2027-02-10"] })); // prettier-ignore
  await user.click(screen.getByRole("button", { name: "Day off of helper: take out 2027-02-10" }));
  await user.click(screen.getByRole("button", { name: "Take out sawyer" }));
  await waitFor(() => expect(kept.shop.workshop.staff.map((p) => [p.title, p.off])).toEqual([["helper", []]]));
});

test("who works says what they can work, what nobody can is named, and all of it again is nothing said", async () => {
  open();
  await user.type(screen.getByLabelText("Title of somebody who works here"), "helper{Enter}");
  await user.click(await screen.findByRole("button", { name: "table saw, helper" }));
  await waitFor(() => expect(kept.shop.workshop.staff[0]!.works).not.toContain("table saw"));
  expect(screen.getByText(/Nobody can work table saw/)).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "table saw, helper" }));
  await waitFor(() => expect(kept.shop.workshop.staff).toEqual([{ title: "helper" }]));
});

test("the currency, an hour, overhead and tax are said once; letters that are no currency are refused", async () => {
  open();
  await say("Currency", "gbp");
  await say("An hour of work costs", "24");
  await say("Overhead, %", "15");
  await waitFor(() => expect(kept.shop.workshop.money).toEqual({ currency: "GBP", rate: 24, overhead: 15, tax: 0 }));
  expect(screen.getByText(/£1,234.50/)).toBeTruthy();
  await say("Currency", "quid");
  expect(screen.getByRole("alert").textContent).toMatch(/three letters/);
  expect(kept.shop.workshop.money.currency).toBe("GBP");
});

test("a school of bee space is chosen, or bands of one's own that run upwards", async () => {
  open();
  await user.selectOptions(screen.getByLabelText("School of bee space"), '1/4" to 3/8"');
  await waitFor(() => expect(kept.shop.workshop.bands.open).toEqual([mm(6.35), mm(9.525)]));
  await say("Open to", "5/16");
  await waitFor(() => expect(kept.shop.workshop.bands.open).toEqual([mm(6.35), mm(7.9375)]));
  expect(screen.getByLabelText<HTMLSelectElement>("School of bee space").selectedOptions[0]!.textContent).toBe("our own"); // prettier-ignore
  await say("Open from", "1/2");
  expect(screen.getByRole("alert").textContent).toMatch(/each no less than the one before/);
  expect(kept.shop.workshop.bands.open).toEqual([mm(6.35), mm(7.9375)]);
});

test("a closed day, a second saw, the tank's load and what ripping takes are said where they belong, and given back to the usual", async () => {
  open();
  fireEvent.change(screen.getByLabelText("A day the shop is closed"), { target: { value: "2027-12-24" } });
  fireEvent.blur(screen.getByLabelText("A day the shop is closed"));
  await say("How many there are: table saw", "2");
  await say("How many go through at once: tank", "6");
  await say("Each of Rip to width", "2.5");
  await user.selectOptions(screen.getByLabelText("Paper"), "A4");
  await waitFor(() => expect(kept.shop.workshop).toMatchObject({ closed: ["2027-12-24"], stations: { "table saw": 2 }, lots: { tank: 6 }, minutes: { "Rip to width": { setup: 5, each: 2.5 } }, paper: "A4" })); // prettier-ignore
  await user.clear(field("How many there are: table saw"));
  await user.tab();
  await user.click(screen.getByRole("button", { name: "Rip to width: the guess again" }));
  await user.click(screen.getByRole("button", { name: "A day the shop is closed: take out 2027-12-24" }));
  await waitFor(() => expect(kept.shop.workshop).toMatchObject({ closed: [], stations: {}, minutes: {} }));
  // Half a saw is none, and minutes do not run back.
  await say("How many there are: table saw", "0.5");
  await say("Set-up of Rip to width", "-3");
  await waitFor(() => expect(kept.shop.workshop).toMatchObject({ stations: {}, minutes: {} }));
  expect(screen.getAllByRole("alert").length).toBeGreaterThan(0);
});

test.each([
  ["8-12, 12:30–16:30", [[480, 720], [750, 990]]],
  ["6.15 to 24", [[375, 1440]]],
  ["8-12:75", undefined],
  ["8-25", undefined],
  ["mornings", undefined],
])("hours said as %s", (text, hours) => expect(readHours(text)).toEqual(hours)); // prettier-ignore

test("what the bench has measured stands beside the guess with its runs and spread; it is taken by one press, and what is odd is asked about", async () => {
  open();
  const row = screen.getByText("Rip to width").closest("tr")!;
  expect(row.textContent).toContain("at the bench 5 runs: 1.83 ± 0.2");
  await user.click(screen.getByRole("button", { name: "Rip to width: take 1.83 minutes" }));
  await waitFor(() => expect(kept.shop.workshop.minutes["Rip to width"]).toEqual({ setup: 5, each: 1.83 }));
  const sent: unknown[] = [];
  globalThis.fetch = (async (_: string, init: { body: string }) => {
    sent.push(...(JSON.parse(init.body) as { events: { what: unknown }[] }).events.map((e) => e.what));
    return { ok: true, status: 200, json: async () => ({ tallies: [] }) };
  }) as unknown as typeof fetch;
  await user.click(within(row).getByRole("button", { name: "leave it out" }));
  await waitFor(() => expect(screen.queryByText(/is odd/)).toBeNull());
  expect(sent).toEqual([{ do: "time", counts: false }]);
});
