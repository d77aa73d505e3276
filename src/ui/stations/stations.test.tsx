/** @jest-environment jsdom */
import type { Act } from "@/core/job/acts";
import type { JobLine } from "@/core/line/line";
import { act, cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { emptyJob, type Job } from "@/core/job/job";
import { allLayouts, layOut } from "@/core/layout/layout";
import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { inch } from "@/core/length/length";
import { board } from "@/core/layout/tests/samples";
import { useDesk } from "@/ui/desk/useDesk";
import { Open, Server } from "@/ui/tests/server";
import { Ask } from "./ask/Ask";
import { Buy } from "./buy/Buy";
import { Hive } from "./hive/Hive";
import { LayOut } from "./lay-out/LayOut";
import { Prove } from "./prove/Prove";
import { QuotePage } from "./quote/Quote";
import { Run } from "./run/Run";
import { Shape } from "./shape/Shape";
import "@/ui/tests/patience";

const body: JobLine = { item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: {} };
const ofServer = globalThis.fetch;
let server: Server;
const user = userEvent.setup();
const open = (station: () => React.ReactNode, more: Partial<Job> = {}) => {
  const job = { ...emptyJob("Spring", "in"), start: "2027-02-08", lines: [body], stock: [board()], ...more };
  server = new Server(job);
  render(<Open server={server} station={station} />);
};
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});
const kept = async (check: (job: Job) => void) => waitFor(() => check(server.kept.job));
const button = (name: RegExp | string) => screen.getByRole("button", { name });

describe("Ask", () => {
  test("a few letters and Enter add a line; the arrows choose another", async () => {
    open(Ask, { lines: [] });
    await user.type(screen.getByRole("combobox", { name: "What to make" }), "12 lang deep body{Enter}");
    await kept((job) => expect(job.lines).toEqual([{ ...body, quantity: 12 }]));
    await user.type(screen.getByRole("combobox", { name: "What to make" }), "lang frame{ArrowDown}");
    const found = within(screen.getByRole("listbox", { name: "What can be made" })).getAllByRole("option");
    expect(found.map((o) => o.getAttribute("aria-selected")).slice(0, 3)).toEqual(["false", "true", "false"]);
    const said = found[1]!.textContent;
    await user.keyboard("{Enter}");
    await kept((job) => expect(job.lines[1]).toMatchObject({ standard: "langstroth-10", quantity: 10 }));
    expect(said).toContain(workJob(server.kept.job).lines[1]!.shape.recipe.name);
  });
  test("what all boards measure is tried while it is typed, refused where a line cannot be made of it, and kept by Enter", async () => {
    open(Ask);
    const field = screen.getByRole("textbox", { name: "What all boards of the job measure" });
    await user.type(field, "7");
    expect(screen.getByRole("alert").textContent).toMatch(/at most/);
    await user.type(field, "/8");
    expect(screen.queryByRole("alert")).toBeNull();
    expect(server.kept.job).not.toHaveProperty("thickness");
    await user.keyboard("{Enter}");
    await kept((job) => expect(job.thickness).toBe(inch(0, 7, 8)));
  });
  test("nothing is called that: said, and Enter adds nothing", async () => {
    open(Ask);
    await user.type(screen.getByRole("combobox", { name: "What to make" }), "teapot{Enter}");
    expect(screen.getByRole("status").textContent).toMatch(/Nothing is called that/);
    expect(server.seen).toEqual([]);
  });
});

describe("Shape", () => {
  test("a line that cannot be made says why and offers the ways out; the other is drawn, and the boards measure what is said once", async () => {
    const thin: JobLine = { ...body, options: { thickness: inch(0, 3, 16) } };
    open(Shape, { lines: [thin, { ...body, size: "medium" }] });
    expect(screen.getByRole("alert").textContent).toMatch(
      /cannot be made as it is asked: Stock, measured: read 3\/16", at least 3\/8"/,
    );
    await user.click(button(/Body, medium/));
    expect(screen.queryByRole("alert")).toBeNull();
    expect(screen.getByRole("table", { name: "Cut list" })).toBeTruthy();
    await user.click(button(/cannot be made/));
    await user.click(button("Back to the usual choices"));
    await kept((job) => expect(job.lines[0]!.options).toEqual({}));
    cleanup();
    open(Ask, { lines: [body] });
    const boards = screen.getByLabelText<HTMLInputElement>("What all boards of the job measure");
    expect([boards.value, boards.placeholder]).toEqual(["", "as each standard has it"]);
    await user.type(boards, "7/8{Enter}");
    await kept((job) => expect(job.thickness).toBe(inch(0, 7, 8)));
    await user.clear(boards);
    await user.type(boards, "{Enter}");
    await kept((job) => expect(job.thickness).toBeUndefined());
  });
});

describe("Hive", () => {
  const levels = () =>
    within(screen.getByRole("list", { name: "From the ground up" }))
      .getAllByRole("button", { name: /^Take out / })
      .map((b) => b.getAttribute("aria-label")!.replace("Take out ", ""));
  test("begun, a level moved where it cannot be, put back, and made: the job has its lines, so many of each", async () => {
    open(Hive, { lines: [] });
    await user.click(button(/Langstroth, ten frames/));
    const begun = levels();
    const make = () => screen.getByRole<HTMLButtonElement>("button", { name: /^Make \d+ of it/ });
    expect(make().disabled).toBe(false);
    // The cover under the box it covers.
    await user.click(button(`${begun.at(-1)} down`));
    expect(levels()).toEqual([...begun.slice(0, -2), begun.at(-1), begun.at(-2)]);
    expect(make().disabled).toBe(true);
    await user.click(button(`${begun.at(-1)} up`));
    const count = screen.getByLabelText("Hives wanted");
    await user.clear(count);
    await user.type(count, "3{Enter}");
    await user.click(make());
    await kept(({ hives, lines }) => {
      expect(hives[0]).toMatchObject({ count: 3 });
      expect(new Set(lines.map((l) => l.quantity % 3))).toEqual(new Set([0]));
      expect(lines.filter((l) => l.item === "body").reduce((n, l) => n + l.quantity, 0)).toBe(
        3 * hives[0]!.levels.filter((l) => "item" in l && l.item === "body").length,
      );
    });
    expect(screen.getByRole("status").textContent).toMatch(new RegExp(`has ${server.kept.job.lines.length} lines`));
  });
});

describe("Buy, what a piece costs and whether to make it", () => {
  const money = { currency: "GBP", rate: 24, overhead: 0, tax: 0 };
  test("a bar of each piece opens to how it came about; a price asked for is set against making, and says from how many on", async () => {
    open(Buy, { workshop: { ...emptyJob("", "in").workshop, money } });
    const cost = within(await screen.findByRole("region", { name: "Cost of a piece" }));
    await user.click(cost.getByText("where it goes"));
    expect(cost.getAllByText(/min × £24.00 an hour/)).toHaveLength(2);
    const buying = within(screen.getByRole("region", { name: "Make or buy" }));
    expect(buying.getByText(/Say what is asked for one/)).toBeTruthy();
    await user.type(buying.getByLabelText("Asked for one: ready made"), "400{Enter}");
    expect(await buying.findByText("Make them")).toBeTruthy();
    const field = buying.getByLabelText("Asked for one: ready made");
    await user.clear(field);
    await user.type(field, "2{Enter}");
    expect(await buying.findByText(/Making never pays at this price/)).toBeTruthy();
  });
});

describe("Quote, what is asked for it", () => {
  test("a margin, a price of its own, given as it stands; a revision says what changed, and what was accepted stands beside what it costs", async () => {
    const money = { currency: "GBP", rate: 24, overhead: 0, tax: 20 };
    open(QuotePage, { workshop: { ...emptyJob("", "in").workshop, money }, stock: [board()] });
    await screen.findByRole("region", { name: "Quote" });
    const say = async (label: string, text: string) => {
      await user.clear(screen.getByLabelText(label));
      await user.type(screen.getByLabelText(label), `${text}{Enter}`);
    };
    await say("Margin on what it costs, %", "25");
    await user.click(button("Give this quote"));
    await kept((job) => expect(job.quote?.given).toHaveLength(1));
    const [first] = server.kept.job.quote!.given;
    expect(first!.lines.map((l) => l.each)).toEqual(first!.lines.map((l) => Math.round(l.cost * 1.25)));
    expect(button("Given as it stands")).toHaveProperty("disabled", true);
    await say("Asked for one: Body, deep, line 1", "99.50");
    await user.click(button("Give it as revision 2"));
    await kept((job) => expect(job.quote?.given[1]?.lines[0]).toMatchObject({ each: 9950, quantity: 4 }));
    expect(screen.getByText(/→ £99.50 each/)).toBeTruthy();
    await user.click(screen.getAllByRole("button", { name: "it was accepted" })[0]!);
    await kept((job) => expect(job.quote?.accepted).toBe(1));
    expect(screen.getByText(/£398.00 before tax was quoted/)).toBeTruthy();
    expect(screen.getByText("Nothing has been ordered for it yet.")).toBeTruthy();
    server.elsewhere({ do: "change line", at: 0, to: { quantity: 7 } });
    await say("Valid until", "2027-04-01");
    expect(await screen.findByText(/The job is not what was quoted any more: Body, deep: 4 → 7/)).toBeTruthy();
  });
});

describe("Lay out, by hand and by keyboard", () => {
  const laid = () => allLayouts(layOut(layoutRequest(workJob(server.kept.job)), () => 0)).map((l) => l.layout);
  const chosen = async (n: number) => user.click(await screen.findByRole("button", { name: `choose layout ${n}` }));
  test("k pins the chosen layout and lets it go, x strikes out a board of its kind", async () => {
    open(LayOut, { stock: [board({ available: 9 }), board({ width: inch(7, 1, 4), price: 8 })] });
    const at = laid().length;
    await chosen(at);
    const { stock } = laid()[at - 1]!;
    await user.keyboard("k");
    await kept((job) => expect(job.pinned.map((p) => p.stock)).toEqual([stock]));
    expect(screen.getByText("pinned")).toBeTruthy();
    await user.keyboard("k");
    await kept((job) => expect(job.pinned).toEqual([]));
    await user.keyboard("x");
    await kept((job) => expect(job.stock[stock]).toMatchObject({ struck: 1 }));
  });
  test("a bad stretch is marked only between two places on the board, and cleared", async () => {
    open(LayOut, { lines: [{ ...body, quantity: 1 }], stock: [board({ available: 1 })] });
    await chosen(1);
    const type = async (label: string, text: string) => {
      await user.clear(screen.getByLabelText(label));
      await user.type(screen.getByLabelText(label), `${text}{Enter}`);
    };
    const mark = () => screen.getByRole<HTMLButtonElement>("button", { name: "mark it" });
    await type("Bad stretch from", "40");
    await type("Bad stretch to", "30");
    expect(mark().disabled).toBe(true);
    await type("Bad stretch to", "97");
    expect(mark().disabled).toBe(true);
    await type("Bad stretch to", "42 1/2");
    await user.click(mark());
    await kept((job) => expect(job.stock[0]).toMatchObject({ bad: [[inch(40), inch(42, 1, 2)]] }));
    await user.click(await screen.findByRole("button", { name: "clear 1" }));
    await kept((job) => expect(job.stock).toEqual([board({ available: 1 })]));
  });
  test("what was spoiled at the bench is said where it is cut again", () => {
    open(LayOut, { spoiled: [{ id: "b.1", of: { line: 0, part: "side" }, pieces: 2, units: 1, at: "rip" }, { id: "b.2", of: { line: 0, part: "side" }, pieces: 1, units: 1, at: "rip" }] }); // prettier-ignore
    expect(screen.getByText("Spoiled at the bench and cut again: 3 side.")).toBeTruthy();
  });
  test("a piece picked up is named, and Escape puts it back", async () => {
    open(LayOut);
    await chosen(1);
    const [piece] = screen.getAllByRole("button", { name: /\b(side|end)\b/i });
    await user.click(piece!);
    expect(screen.getByRole("toolbar", { name: "By hand" }).textContent).toMatch(/is picked up/);
    await user.keyboard("{Escape}");
    expect(screen.getByRole("toolbar", { name: "By hand" }).textContent).not.toMatch(/is picked up/);
    expect(server.seen).toEqual([]);
  });
});

describe("Lay out, how to cut it and what it costs", () => {
  const bare = { options: { joint: "butt-ends-inside", handhold: "none" } };
  test("the cuts of the chosen board in the order they are made, each with what is against what", async () => {
    open(LayOut, { lines: [{ ...body, ...bare, quantity: 2 }], workshop: { ...emptyJob("", "in").workshop, endTrim: inch(0, 1, 4) } }); // prettier-ignore
    await screen.findByRole("button", { name: "choose layout 1" });
    const items = within(screen.getByRole("region", { name: "Layouts" })).getAllByRole("listitem");
    const said = items.map((c) => c.textContent!).filter((t) => /^\d(square|rip|crosscut)/.test(t));
    // Four sides of 19 7/8 and three saw cuts take 79 7/8 of 95 1/2; a fifth would not go.
    expect(said.map((t) => t.replace(/(\/\d+")\d+/, "$1"))).toEqual([
      '1square the end, take off 1/4"',
      '2rip, reference edge against the fence, at 9 5/8"',
      '3crosscut, squared end against the stop, at 19 7/8", 4 times',
    ]);
  });
  test("what a set-up costs me is kept, never less than nothing; an offcut's worth is a share", async () => {
    open(LayOut);
    const type = async (label: string, text: string) => {
      const field = await screen.findByLabelText(label);
      await user.clear(field);
      await user.type(field, `${text}{Enter}`);
    };
    await type("One more set-up costs me", "2.5");
    await kept((job) => expect(job.workshop.weighing.setUp).toBe(2.5));
    await type("One more set-up costs me", "-4");
    await kept((job) => expect(job.workshop.weighing.setUp).toBe(0));
    await type("A kept offcut is worth, % of its price", "40");
    await kept((job) => expect(job.workshop.weighing.offcut).toBe(0.4));
  });
  test("a set-up is minutes, and minutes are money at the shop's rate: weighed at that when it is asked for", async () => {
    const money = { currency: "GBP", rate: 24, overhead: 0, tax: 0 };
    open(LayOut, { lines: [{ ...body, quantity: 23 }, { ...body, size: "shallow", quantity: 31 }, { ...body, size: "medium", quantity: 17 }], stock: [board(), board({ width: inch(7, 1, 4), price: 8.6 })], workshop: { ...emptyJob("", "in").workshop, money, minutes: { "Rip to width": { setup: 9, each: 1 } } } }); // prettier-ignore
    // Nine minutes for a fence and five for a stop are seven; at 24 an hour 2.80.
    const said = await screen.findByText(/A set-up is 7 minutes, £2.80 at your rate: with/);
    expect(said.textContent).toMatch(
      /\d+ set-ups? wood and set-ups together are least, £[\d.]+ and £[\d.]+(: at most [\d.]+ % above the least there can be\.|; there are none cheaper\.)/,
    );
    await user.click(button("weigh them at that"));
    await kept((job) => expect(job.workshop.weighing.setUp).toBe(2.8));
    expect(screen.queryByRole("button", { name: "weigh them at that" })).toBeNull();
    const worth = screen.getByLabelText("A kept offcut is worth, % of its price");
    await user.clear(worth);
    await user.type(worth, "50{Enter}");
    // What could be kept at most is not known, and no gap is made up.
    await screen.findByText(
      /together are least, £[\d.]+ and £[\d.]+, less £[\d.]+ for what is kept, of all that were found\./,
    );
  });
  test("boards just added have no price: laid out as sparingly as any, and nothing is said in money", async () => {
    open(LayOut, { lines: [{ ...body, ...bare, quantity: 8 }], stock: [board({ price: 0 })] });
    await screen.findByRole("button", { name: "choose layout 1" });
    // Eight bodies are 16 sides and 16 ends: four boards of four sides and an end (94 3/4), two of six ends (89 1/8).
    expect(server.kept.job.stock[0]).toMatchObject({ price: 0 });
    const said = screen.getByRole("region", { name: "Layouts" }).textContent!;
    expect(said).toMatch(/^6 boards, and 6 is the least.*boards without a price count by their size/);
    expect(screen.getByRole("region", { name: "Set-ups" }).textContent).toContain("not all priced");
  });
  test("a board of another width and price, only three of it; one that is only tried has no price to set; taken out again", async () => {
    open(LayOut, { alone: true });
    await user.click(await screen.findByRole("button", { name: /^Add/ }));
    const type = async (label: string | RegExp, text: string) => {
      const field = screen.getByLabelText(label);
      await user.clear(field);
      await user.type(field, `${text}{Enter}`);
    };
    await type("width of board 2", "7 1/4");
    await type("Price of board 2", "8.6");
    await type(/^How many of board 2/, "3");
    await type("Wood of board 2", "larch");
    const larch = { material: "larch", width: inch(7, 1, 4), price: 8.6, available: 3, source: "buy" };
    await kept((job) => expect(job.stock[1]).toMatchObject(larch));
    await user.clear(screen.getByLabelText(/^How many of board 2/));
    await user.tab();
    await kept((job) => expect(job.stock[1]).toMatchObject({ available: null }));
    await user.click(button(/try one that is not there/));
    await kept((job) => expect(job.stock[2]).toMatchObject({ source: "yard", available: 1, price: 0 }));
    expect(screen.queryByLabelText("Price of board 3")).toBeNull();
    await user.click(button("Take out board 3"));
    await user.click(button("Take out board 1"));
    await kept((job) => expect(job.stock.map((s) => s.material)).toEqual(["larch"]));
  });
  test("a saw that takes three inches is refused in words that say what would be right, and the old kerf stands", async () => {
    open(LayOut);
    const kerf = await screen.findByLabelText<HTMLInputElement>("Saw removes", { selector: "input" });
    await user.clear(kerf);
    await user.type(kerf, "3{Enter}");
    expect((await screen.findByRole("alert")).textContent).toMatch(
      /^more than a saw takes: at most 1\/2"; is the unit right/,
    );
    expect(kerf.value).toBe("1/8");
  });
  test("what the last change made of the ways to cut is told beside them", async () => {
    open(LayOut, { lines: [{ ...body, ...bare, quantity: 2 }, { ...body, ...bare, size: "shallow", quantity: 1 }] }); // prettier-ignore
    const kerf = await screen.findByLabelText<HTMLInputElement>("Saw removes", { selector: "input" });
    await screen.findByRole("button", { name: "choose layout 1" });
    const said = () => screen.getByRole("region", { name: "Layouts" }).textContent!;
    expect(said()).not.toMatch(/last change/);
    await user.clear(kerf);
    await user.type(kerf, "3/16{Enter}");
    await waitFor(() => expect(said()).toMatch(/0 of (\d) ways to cut as before the last change, \1 new, \1 gone\./));
    expect(screen.getAllByText("new").length).toBeGreaterThan(1);
  });
  test("who has the sheets on paper keeps to the ways of before: they are pinned, only the rest is new; and lets them go again", async () => {
    // Two bodies or three, in turn: the ways to cut two are others than those of three.
    const Turn = () => {
      const desk = useDesk();
      return <button onClick={() => desk.act({ do: "change line", at: 0, to: { quantity: 5 - desk.job.lines[0]!.quantity } })}>turn</button>; // prettier-ignore
    };
    open(() => <><Turn /><LayOut /></>, { lines: [{ ...body, quantity: 2 }] }); // prettier-ignore
    await screen.findByRole("button", { name: "choose layout 1" });
    // What stands is known a moment after it is seen.
    const keep = () => screen.queryByRole("button", { name: "keep to the ways of before" });
    for (let i = 0; i < 20 && !keep(); i++) {
      await user.click(button("turn"));
      await act(() => new Promise((later) => setTimeout(later, 500)));
    }
    await user.click(keep()!);
    // A board of sides and one of sides and ends, on paper already: of three bodies or of two.
    await kept((job) => expect(job.pinned.map((p) => p.repeat)).toEqual([1, 1]));
    await waitFor(() => expect(screen.getAllByText("pinned")).toHaveLength(2));
    await user.click(button("let all of them go"));
    await kept((job) => expect(job.pinned).toEqual([]));
  });
  test("boards of the yard are kept for the job and sawn in one act each; what is left of them is put in with its place", async () => {
    const lot = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) } as const; // prettier-ignore
    server = new Server({ ...emptyJob("Spring", "in"), lines: [{ ...body, quantity: 2 }] });
    server.kept.around = { ...server.kept.around, lots: [{ id: 14, lot, there: 9, reserved: [] }] };
    render(<Open server={server} station={LayOut} />);
    // Two bodies are four sides and four ends: two boards of four sides and an end less, 3 in all by any layout.
    await user.click(await screen.findByRole("button", { name: /^Keep 2 boards of the yard for this job$/ }));
    await user.click(button("They are sawn"));
    await user.type(screen.getByLabelText("Where offcut 1 lies"), "rack 2");
    await user.click(button("2 boards are sawn"));
    const acts = server.seen.flatMap((a) => ("act" in a ? [a.act] : []));
    expect(acts[0]).toEqual({ do: "reserve", lots: [{ id: 14, count: 2 }] });
    const sawn = acts[1] as Extract<Act, { do: "sawn" }>;
    expect(sawn.stock.reduce((n, s) => n + s.available!, 0)).toBe(2);
    expect(sawn.stock.every((s) => s.lot === 14)).toBe(true);
    expect(sawn.kept.length).toBeGreaterThan(0);
    expect(sawn.kept.every((k) => k.lot.place === "rack 2")).toBe(true);
    expect(await screen.findByText("All 2 boards are sawn.")).toBeTruthy();
  });
  test("no boards, or none that is thick enough: it says what is wanted", async () => {
    open(LayOut, { stock: [] });
    expect(screen.getByText(/^Nothing is free in the yard, and nothing is in the catalogue/)).toBeTruthy();
    await user.click(button(/^Add pine/));
    expect(await screen.findByText("1 size in the catalogue")).toBeTruthy();
    cleanup();
    open(LayOut, { stock: [board({ thickness: inch(0, 1, 2) })] });
    const alerts = await screen.findAllByRole("alert");
    expect(alerts[0]!.textContent).toMatch(/3\/4/);
  });
});

describe("Run", () => {
  test("every step at a machine says what to look out for, and defers to its manual, local rules and licensed practice", async () => {
    open(Run);
    const steps = (await screen.findAllByText("table saw", { exact: false })).map((s) => s.closest("li, tr, article, section, div.keep-together")!); // prettier-ignore
    expect(steps.length).toBeGreaterThan(2);
    for (const s of steps)
      expect(s.textContent).toMatch(/Follow the machine.s manual, local rules and licensed practice/);
  });
  test.each([
    ["Run", Run],
    ["Buy", Buy],
  ])("what has no wood is in no day and no sum, and %s says so", async (_, station) => {
    open(station, { stock: [] });
    await screen.findByText(/^No board gives 2 of its parts: their wood is not counted here/);
    expect(screen.queryByText(/^Ready /)).toBeNull();
  });
  test("no start day, no plan: it says so and leads to Ask", () => {
    open(Run, { start: undefined });
    expect(screen.getAllByRole("button").some((b) => /start/i.test(b.textContent!))).toBe(true);
  });
});

describe("Shape", () => {
  const part = (name: string) => screen.getByRole("button", { name: new RegExp(`^${name}, length:`) });
  test("a choice typed redraws before it is kept, is kept by Enter, and goes back to the usual", async () => {
    open(Shape);
    const stock = screen.getByLabelText<HTMLInputElement>("Stock, measured");
    expect(part("Side").getAttribute("aria-label")).toBe('Side, length: 19 1/8"');
    await user.clear(stock);
    await user.type(stock, "1");
    // The inside stands; the side laps half an inch into each end: 18 3/8 + 2 × 1/2.
    const thick = 'Side, length: 19 3/8"';
    expect(part("Side").getAttribute("aria-label")).toBe(thick);
    expect(server.seen).toEqual([]);
    await user.type(stock, "{Enter}");
    await kept((job) => expect(job.lines[0]!.options).toEqual({ thickness: inch(1) }));
    expect(part("Side").getAttribute("aria-label")).toBe(thick);
    await user.click(button("Back to the usual stock, measured"));
    await kept((job) => expect(job.lines[0]!.options).toEqual({}));
    expect(part("Side").getAttribute("aria-label")).toBe('Side, length: 19 1/8"');
  });
  test("a true inch, butted and held outside: the frame does not go in (handbook check value, arithmetic), and it is said", () => {
    const options = { thickness: inch(1), hold: "outside", joint: "butt-ends-inside" };
    open(Shape, { lines: [{ ...body, options }] });
    expect(screen.getByRole("region", { name: "Will it fit" }).textContent).toMatch(/does not go in/);
  });
});

describe("Buy", () => {
  const row = (what: RegExp) => screen.getByRole("cell", { name: what }).closest("tr")!;
  test("screws are counted with their spare and rounded up to packs; what has no price is said and not added up", async () => {
    const screws = { form: "pack", material: "exterior screw, no. 8 × 2 1/4", pack: 25, price: 3, available: null, source: "buy" } as const; // prettier-ignore
    open(Buy, { lines: [{ ...body, options: { joint: "butt-ends-inside" } }], stock: [board(), screws] });
    const said = (await screen.findByRole("cell", { name: /^exterior screw.*fasten/ })).closest("tr")!.textContent!;
    // Three a corner are 12 a box (handbook check value, trade): 4 boxes, a twentieth to spare, 51; three packs of 25.
    expect(said).toMatch(/^51.*3 × 25\s*9\.00$/);
    expect(row(/^waterproof wood glue/).textContent).toContain("no price");
    const boards = layOut(layoutRequest(workJob(server.kept.job)), () => 0).cost;
    expect(screen.getByRole("region", { name: "Order" }).textContent).toContain(`${(boards + 9).toFixed(2)} for materials, and 1 thing without a price`); // prettier-ignore
  });
});

describe("Prove", () => {
  test("a reading a little off says how far to nudge the fence; one on the mark passes; both are kept", async () => {
    open(Prove);
    const [field] = await screen.findAllByLabelText<HTMLInputElement>(/^Reading of .*fence$/);
    // Nothing stands there that was not read.
    expect(field!.value).toBe("");
    const label = field!.getAttribute("aria-label")!;
    const read = async (text: string) => {
      await user.clear(screen.getByLabelText(label));
      await user.type(screen.getByLabelText(label), `${text}{Enter}`);
    };
    const said = () => screen.getByLabelText(label).closest("tr")!.textContent;
    await read("9 9/16");
    await waitFor(() => expect(said()).toMatch(/1\/16" under: move the fence out by 1\/16/));
    await read("9 5/8");
    await waitFor(() => expect(said()).toMatch(/spot on/));
    expect(server.kept.job.readings.map((r) => r.value)).toEqual([inch(9, 5, 8), inch(9, 9, 16)]);
  });
});

describe("what a job changes of its shop", () => {
  const asked: { path: string; body: { act: { do: string } } }[] = [];
  /** The shop's own routes beside the job's. */
  const shopToo = (until = Promise.resolve()) => {
    const ofJob = globalThis.fetch;
    asked.length = 0;
    globalThis.fetch = (async (path: string, init?: { body: string }) => {
      if (!/^\/api\/(shop|catalogue)\/act/.test(path)) return ofJob(path, init as never);
      asked.push({ path, body: JSON.parse(init!.body) as { act: { do: string } } });
      await until;
      return { ok: true, status: 200, json: async () => ({ revision: 1 }) };
    }) as unknown as typeof fetch;
  };

  test("what an operation takes is said on Run beside it, and is the shop's for every job", async () => {
    open(Run);
    shopToo();
    await user.click((await screen.findAllByRole("button", { name: "Minutes of Rip to width" }))[0]!);
    const each = screen.getByLabelText("Each of Rip to width");
    await user.clear(each);
    await user.type(each, "2.5{Enter}");
    expect(asked).toMatchObject([{ path: "/api/shop/act", body: { act: { do: "workshop", to: { minutes: { "Rip to width": { setup: 5, each: 2.5 } } } } } }]); // prettier-ignore
    expect(screen.getAllByText("a guess · change").length).toBeGreaterThan(2);
  });

  test("of two things said of the catalogue the second is sent when the first is kept: on its way it cannot overtake it", async () => {
    open(Buy, { stock: [board()] });
    let keep = () => {};
    shopToo(new Promise((resolve) => (keep = resolve)));
    await user.click(await screen.findByRole("button", { name: "add waterproof wood glue" }));
    await user.type(await screen.findByLabelText("Price of waterproof wood glue"), "11.9{Enter}");
    expect(asked.map((a) => a.body.act.do)).toEqual(["offer"]);
    keep();
    await waitFor(() => expect(asked.map((a) => a.body.act.do)).toEqual(["offer", "change"]));
  });

  test("hardware without an offer is listed in the catalogue, its price unknown until it is said there", async () => {
    open(Buy, { stock: [board()] });
    shopToo();
    await user.click(await screen.findByRole("button", { name: "add waterproof wood glue" }));
    expect(asked).toMatchObject([{ path: "/api/catalogue/act", body: { act: { do: "offer", offers: [{ form: "pack", material: "waterproof wood glue", price: null }] } } }]); // prettier-ignore
    const price = await screen.findByLabelText("Price of waterproof wood glue");
    await user.type(price, "11.9{Enter}");
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]).toMatchObject({ body: { act: { do: "change", id: 1, to: { price: 11.9, pack: 750 } } } });
    expect((await screen.findByRole("cell", { name: /^waterproof wood glue.*fasten/ })).closest("tr")!.textContent).toContain("11.90"); // prettier-ignore
  });

  test("a job that is made only from its own boards looks at none of the shop's, and says so", async () => {
    const lot = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) } as const; // prettier-ignore
    server = new Server({ ...emptyJob("Spring", "in"), lines: [body], stock: [] });
    server.kept.around = { ...server.kept.around, lots: [{ id: 14, lot, there: 9, reserved: [] }] };
    render(<Open server={server} station={LayOut} />);
    await screen.findByText("9 pieces free in the yard");
    await user.click(screen.getByRole("checkbox", { name: "only from boards of its own" }));
    await kept((job) => expect(job.alone).toBe(true));
    expect(screen.getByText(/^The job has no boards of its own yet/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: /^Add pine/ }));
    await kept((job) => expect(job.stock).toMatchObject([{ source: "buy", material: "pine" }]));
  });

  test("a wood that is chosen is the only one its boards are of, and whom it is for stands on Ask", async () => {
    open(Ask);
    await user.type(screen.getByLabelText("The wood of all boards"), "larch{Enter}");
    await user.type(screen.getByLabelText("Whom it is for"), "Heath estate{Enter}");
    await kept((job) => expect(job).toMatchObject({ wood: "larch", customer: "Heath estate" }));
    await user.clear(screen.getByLabelText("The wood of all boards"));
    await user.tab();
    await kept((job) => expect(job.wood).toBeUndefined());
  });
});
