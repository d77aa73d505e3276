/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { movesOf, type YardAct } from "@/core/yard/acts";
import { type Lot, lotKey, type LotThere, type StoredYard } from "@/core/yard/lot";
import { readSaid } from "@/core/yard/said";
import { StockTake } from "./StockTake";
import { tableInText } from "./tables";
import { YardPage } from "./YardPage";
import "@/ui/tests/patience";

const ofServer = globalThis.fetch;
const user = userEvent.setup();

/** A yard in miniature: writes down what it is asked, and answers with what changed. */
let kept: LotThere[];
let revision: number;
let acts: YardAct[];
const lookUp = (of: number | Lot) => kept.find((l) => (typeof of === "number" ? l.id === of : lotKey(l.lot) === lotKey(of))); // prettier-ignore
beforeEach(() => {
  kept = [];
  revision = 0;
  acts = [];
  globalThis.fetch = (async (url: string, init?: { body: string }) => {
    if (url.startsWith("/api/yard/lots/")) return says({ ledger: [{ id: 9, lot: 1, why: "received", change: 6, job: null, at: "2027-02-08T09:00:00.000Z" }] }); // prettier-ignore
    for (const { act } of init ? (JSON.parse(init.body) as { acts: { act: YardAct }[] }).acts : []) {
      acts.push(act);
      revision++;
      for (const m of movesOf(act, lookUp, "in")) {
        if (typeof m.of !== "number" && !lookUp(m.of)) kept.push({ id: kept.length + 1, lot: m.of, there: 0, reserved: [] }); // prettier-ignore
        lookUp(m.of)!.there += m.change;
      }
    }
    return says({ ...stored(), did: 1 });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});
const copied = <T,>(of: T): T => JSON.parse(JSON.stringify(of)) as T;
const says = (json: unknown) => ({ ok: true, status: 200, json: async () => copied(json) });
const stored = (): StoredYard => ({ revision, version: revision, undo: null, since: 0, lots: copied(kept) });
const put = (...lines: string[]) =>
  lines.forEach((line, i) => {
    const said = readSaid(line, "in") as { lot: Lot; count: number };
    kept.push({ id: i + 1, lot: said.lot, there: said.count, reserved: [] });
  });
const open = () => render(<YardPage stored={stored()} units="in" />);
const box = () => screen.getByLabelText<HTMLInputElement>(/^What came in/);
const paste = (text: string) => fireEvent.paste(box(), { clipboardData: { getData: () => text } });
const there = (id: number) => screen.getByLabelText<HTMLInputElement>(`How many there are of no. ${id}`);

test("a line typed says what it is read as, goes in with Enter, and stands in its heap with a number", async () => {
  open();
  await user.type(box(), "6 pine 1 x 8 1/4 x 110 rough, bad 30-42 at lean-to");
  expect(screen.getByText(/^6 pine, rough, 1 × 8 1\/4 × 110, bad 30–42, lean-to · Enter puts it in$/)).toBeTruthy();
  await user.keyboard("{Enter}");
  const rough = await screen.findByRole("region", { name: "Rough boards" });
  expect(within(rough).getByLabelText("Where no. 1 lies")).toHaveProperty("value", "lean-to");
  expect(there(1).value).toBe("6");
  expect(box().value).toBe("");
  expect(acts).toMatchObject([{ do: "put in", why: "received", lots: [{ count: 6 }] }]);
});

test("what cannot be read stays in the field with its reason, and nothing is done", async () => {
  open();
  await user.type(box(), "6 pine 1 x 8/ x 110{Enter}");
  expect(screen.getByRole("alert").textContent).toMatch(/^width: .*lower number/);
  expect([box().value, acts]).toEqual(["6 pine 1 x 8/ x 110", []]);
});

test("a list pasted is shown before it is put in: rows in trouble first, the rest counted; again it only sets the number", async () => {
  put("3 pine 3/4 x 11 1/4 x 96");
  open();
  paste(["count\twood\tthick\twide\tlong", "5\tpine\t3/4\t11 1/4\t96", "two\tpine\t3/4\t7 1/4\t96", "", "4\tply\t3/8\t48\t96"].join("\n")); // prettier-ignore
  const preview = await screen.findByRole("group", { name: "What was read" });
  expect(within(preview).getAllByRole("row").map((r) => r.textContent).slice(1, 3)).toEqual([
    "3how many: read “two”, wanted a whole numbertwo | pine | 3/4 | 7 1/4 | 96",
    "25pine3/4 × 11 1/4 × 96",
  ]); // prettier-ignore
  expect(preview.textContent).toContain("3 rows read, 1 in trouble; the rest can be taken, 1 of things the yard has already: their number is set to this"); // prettier-ignore
  expect(acts).toEqual([]);
  // The button is where Enter falls.
  await user.keyboard("{Enter}");
  await waitFor(() => expect(there(1).value).toBe("5"));
  expect(screen.getByRole("region", { name: "Sheets, rolls and coils" }).textContent).toContain("ply sheet");
});

test("counted, used, spoiled and moved where it stands; more than there are is refused in words", async () => {
  put("3 pine 3/4 x 11 1/4 x 96", "480 frame nail");
  open();
  await user.clear(there(1));
  await user.type(there(1), "4{Enter}");
  await user.click(screen.getByRole("button", { name: "One of no. 1 used" }));
  await user.click(screen.getByRole("button", { name: "One of no. 1 spoiled" }));
  await waitFor(() => expect(kept[0]!.there).toBe(2));
  await user.type(screen.getByLabelText("Where no. 1 lies"), "rack 2{Enter}");
  await waitFor(() => expect(kept.at(-1)).toMatchObject({ there: 2, lot: { place: "rack 2" } }));
  expect(acts.map((a) => a.do)).toEqual(["count", "take out", "take out", "put right"]);
  await user.type(screen.getByLabelText("Find"), "nail");
  expect(screen.queryByRole("region", { name: "Boards" })).toBeNull();
  expect(screen.getByRole("region", { name: "Fasteners, glue, foundation" }).textContent).toContain("frame nail");
});

test("a lot says how what is there came about, and is put right by saying what it really is", async () => {
  put("6 pine 1 x 8 1/4 x 110 rough");
  open();
  await user.click(screen.getByRole("button", { name: "More of no. 1" }));
  const ledger = await screen.findByRole("table", { name: "Ledger of no. 1" });
  expect(ledger.textContent).toBe("Mon 8 Feb 2027received+6there are6");
  const field = screen.getByLabelText<HTMLInputElement>("What no. 1 really is");
  expect(field.value).toBe("6 pine 1 x 8 1/4 x 110 rough");
  await user.clear(field);
  await user.type(field, "9 pine 1 x 8 x 110 rough{Enter}");
  expect(screen.getByRole("alert").textContent).toBe("there are 6 of it; 9 cannot be put right");
  await user.clear(field);
  await user.type(field, "2 pine 1 x 8 x 110 rough, bad 30-42{Enter}");
  await waitFor(() => expect(kept.map((l) => l.there)).toEqual([4, 2]));
});

test("a stock-take goes from one to the next by keys, says what was otherwise than the book, and leaves out what is left", async () => {
  put("3 pine 3/4 x 11 1/4 x 96 at b", "2 larch 1 x 8 x 96 at a", "5 pine 3/4 x 7 1/4 x 96 at c");
  render(<StockTake stored={stored()} units="in" />);
  // By place: what lies at a comes first.
  expect(screen.getByRole("region", { name: "What to count" }).textContent).toMatch(/^larch.*a$/);
  await user.keyboard("{Enter}");
  await user.keyboard("12{Backspace}");
  expect(screen.getByLabelText("found").textContent).toBe("1the book says 3");
  await user.keyboard("{ArrowUp}{Enter}");
  await user.click(screen.getByRole("button", { name: "leave it, the next" }));
  expect(screen.getByRole("region", { name: "Done" }).textContent).toMatch(/^2 of 3 are counted; 1 were otherwise than the book.*the book said 3, there are 2/); // prettier-ignore
  await waitFor(() => expect(acts).toEqual([{ do: "count", id: 2, found: 2 }, { do: "count", id: 1, found: 2 }])); // prettier-ignore
  await user.click(screen.getByRole("button", { name: "what is not counted yet" }));
  expect(screen.getByRole("region", { name: "What to count" }).textContent).toMatch(/c$/);
});

test.each([
  ["tabs of a spreadsheet", "3\tpine\t1\n\n2\toak\t1", [["3", "pine", "1"], [""], ["2", "oak", "1"]]],
  ["semicolons, decimal commas", "3;pine;2,4\n1;oak;2,1", [["3", "pine", "2,4"], ["1", "oak", "2,1"]]],
  ["commas, a quoted one among them", '3,"pine, knotty",1\n2,oak,1', [["3", "pine, knotty", "1"], ["2", "oak", "1"]]],
  ["lines as one writes them", "6 pine 1 x 8 x 96 rough, bad 30-42\r\n480 frame nail", [["6 pine 1 x 8 x 96 rough, bad 30-42"], ["480 frame nail"]]],
])("a text is a table by its %s", (_what, text, rows) => expect(tableInText(text)).toEqual(rows)); // prettier-ignore
