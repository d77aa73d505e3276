/** @jest-environment jsdom */
import { jest } from "@jest/globals";
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { inch, mm } from "@/core/length/length";
import type { ProposedOrder } from "@/core/purchase/proposal";
import { changePurchase, type LineAct, type Purchase, type PurchaseAct } from "@/core/purchase/purchase";
import type { Thing } from "@/core/purchase/thing";
import type { KnownSupplier } from "./Suppliers";
import type { ToOrder as Asked } from "./useToOrder";
import "@/ui/tests/patience";

const went: string[] = [];
let visits = 0;
const router = { push: (to: string) => went.push(to), refresh: () => went.push("again") };
jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => router }));
const { PurchasePage } = await import("./PurchasePage");
const { Suppliers } = await import("./Suppliers");
const { ToOrder } = await import("./ToOrder");

const user = userEvent.setup();
const ofServer = globalThis.fetch;
/** What the server is asked, and what it says. */
let asked: { path: string; body: unknown }[];
let answers: (path: string, body: unknown) => { status?: number; json: unknown };
beforeEach(() => {
  asked = [];
  went.length = 0;
  globalThis.fetch = (async (path: string, init?: { body: string }) => {
    const body: unknown = init?.body ? JSON.parse(init.body) : undefined;
    asked.push({ path, body });
    const { status = 200, json } = answers(path, body);
    return { ok: status < 300, status, json: async () => JSON.parse(JSON.stringify(json)) };
  }) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});

const pine: Thing = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) }; // prettier-ignore
const spruce: Thing = { form: "board", material: "spruce", thickness: mm(18), width: mm(200), length: mm(2400) };
const screws: Thing = { form: "pack", material: "exterior screw" };

describe("what to order", () => {
  const line = (thing: Thing, packs: number, price: number, more: object = {}) => ({ offer: "p1", thing, unit: "board" as const, pack: 1, packs, price, over: 0, for: [{ job: 1, quantity: packs, working: "" }], on: "2027-02-08", by: "2027-02-02", ...more }); // prettier-ignore
  const order = (more: Partial<ProposedOrder> = {}): ProposedOrder => ({ seller: 1, name: "Saltmarsh timber yard", lines: [line(pine, 50, 1280, { over: 1 })], goods: 64_000, delivery: 3500, total: 67_500, by: "2027-02-02", comes: "2027-02-05", late: 0, ...more }); // prettier-ignore
  const toOrder = (orders: ProposedOrder[], more: Partial<Asked> = {}, proposal: Partial<Asked["proposal"]> = {}): Asked => ({
    proposal: { orders, total: orders.reduce((s, o) => s + o.total, 0), bound: 67_000, proven: false, short: [], ...proposal },
    buyers: [{ id: 1, name: "Spring bodies", wants: 4, missing: 0, fresh: true }, { id: 2, name: "Wintering sets", wants: 2, missing: 0, fresh: true }],
    jobs: [1, 2], today: "2027-01-30", coming: [], spent: 0, old: [3], ...more,
  }); // prettier-ignore
  const open = async (told: Asked) => {
    answers = (path) => (path === "/api/orders" ? { json: told } : { json: { id: 7 }, status: 201 });
    render(<ToOrder units="in" currency="GBP" goTo={router.push} />);
    await screen.findByRole("region", { name: "To order" });
  };

  test("says it in one sentence with the day, what is in it and for whom, how good it is; drawing it up twice is once", async () => {
    await open(toOrder([order()]));
    expect(screen.getByRole("heading", { name: "Order 1 thing from Saltmarsh timber yard by Tue 2 Feb" })).toBeTruthy();
    const row = screen.getByRole("row", { name: /^50/ });
    expect(row.textContent).toMatch(/1 left over.*50 · Spring bodies.*Mon 8 Feb.*£12\.80£640\.00$/);
    expect(screen.getByText(/No purchase that comes as soon costs less than £670\.00: this is within 0\.75 %/)).toBeTruthy(); // prettier-ignore
    answers = (path, body) => (body ? { json: { error: "what there is to order has changed" }, status: 409 } : { json: toOrder([order()]) }); // prettier-ignore
    const press = () => user.click(screen.getByRole("button", { name: "Draw it up · £675.00" }));
    await press();
    expect(await screen.findByRole("alert")).toHaveProperty("textContent", "what there is to order has changed");
    answers = () => ({ json: { id: 7 }, status: 201 });
    await press();
    await waitFor(() => expect(went).toEqual(["/orders/7"]));
    const keys = asked.flatMap((a) => (a.body ? [(a.body as { key: string }).key] : []));
    expect([keys.length, new Set(keys).size]).toEqual([2, 1]);
  });

  test("what is too late says by how much, what has time can wait, what nobody has is said; a job that is left out is asked without", async () => {
    const late = order({ seller: 2, name: "Quay fixings", by: "2027-01-28", late: 2, comes: "2027-02-01" });
    const waits = order({ seller: 3, name: "Reedbank hive goods", by: "2027-03-01" });
    const short = [{ thing: screws, unit: "each" as const, quantity: 40, for: [{ job: 2, quantity: 40, working: "" }], listed: false }]; // prettier-ignore
    await open(toOrder([late, waits], {}, { short, proven: true }));
    expect(screen.getByText("2 days too late: ordered today it is here Mon 1 Feb")).toBeTruthy();
    const old = screen.getAllByText(/its prices are old/).map((e) => e.closest("section")!.getAttribute("aria-label"));
    expect(old).toEqual(["Reedbank hive goods"]);
    const heads = screen.getAllByRole("heading").map((h) => h.textContent);
    expect(heads).toEqual(["Order 1 thing from Quay fixings today", "What can wait", "Order 1 thing from Reedbank hive goods by Mon 1 Mar", "Short everywhere"]); // prettier-ignore
    expect(screen.getByRole("region", { name: "Short everywhere" }).textContent).toMatch(/^Short everywhereNo supplier lists these, and the catalogue has no price\..*40 exterior screw · for Wintering sets$/); // prettier-ignore
    answers = () => ({ json: toOrder([late]) });
    await user.click(screen.getByLabelText("Wintering sets"));
    await waitFor(() => expect(asked.at(-1)!.path).toBe("/api/orders?jobs=1"));
  });

  test("nothing to order, and a job still being worked out, are said", async () => {
    const buyers = (fresh: boolean) => [{ id: 1, name: "Spring bodies", wants: 0, missing: 3, fresh }];
    await open(toOrder([], { buyers: buyers(true) }));
    expect(screen.getByText("No job wants anything bought.")).toBeTruthy();
    cleanup();
    await open(toOrder([], { buyers: buyers(false) }));
    expect(screen.queryByText("No job wants anything bought.")).toBeNull();
    expect(screen.getByText("1 job being worked out; this may change")).toBeTruthy();
    expect(screen.getByRole("note").textContent).toMatch(/^Spring bodies: no board gives 3 parts\./);
  });
});

describe("an order", () => {
  const draft: Purchase = {
    seller: 1, name: "Saltmarsh timber yard", currency: "GBP", delivery: 3500, key: "k-1", drawnUp: "2027-02-01T08:00:00.000Z", receipts: [],
    lines: [
      { offer: "p1", thing: pine, pack: 1, packs: 50, price: 1280, for: [{ job: 1, quantity: 50 }] },
      { offer: "p2", thing: spruce, pack: 1, packs: 3, price: 1120, for: [{ job: 9, quantity: 3 }] },
    ],
  }; // prettier-ignore
  const after = (...acts: (PurchaseAct | LineAct)[]) => acts.reduce((p, a) => changePurchase(p, a, "2027-02-02T09:00:00.000Z"), draft); // prettier-ignore
  const answer = (packs: number, notes: { note: string; lines: { line: number; packs: number }[] }[] = []): LineAct => ({
    do: "heard",
    answer: { key: "k-1", reference: "SA-7", state: "acknowledged", delivery: 35, lines: [{ packs, price: 12.8, comes: "2027-02-08" }, { packs: 3, price: 11.2, comes: null }], deliveries: notes.map((n) => ({ ...n, on: "2027-02-08" })) },
  }); // prettier-ignore
  const kept = (purchase: Purchase, revision = 3) => ({ id: 4, purchase, revision, version: revision, undo: null });
  const open = (purchase: Purchase) =>
    render(<PurchasePage visit={`visit ${++visits}`} stored={kept(purchase)} jobs={{ 1: "Spring bodies" }} units="in" today="2027-02-02" />); // prettier-ignore
  const big = () => screen.getAllByRole("button").find((b) => b.className.includes("1.2rem"))?.textContent;
  const stage = () => document.querySelector("[aria-current=step]")?.textContent;

  test.each<[string, Purchase, string | undefined, string | undefined, RegExp]>([
    ["drafted", draft, "Send it to Saltmarsh timber yard", "drafted", /^drafted, not sent$/],
    ["refused", after({ do: "send" }, { do: "refused", why: "the price is 13.90" }), "Send it to Saltmarsh timber yard", "drafted", /^not taken: the price is 13.90$/],
    ["put off", after({ do: "put off", until: "2027-02-09" }), "Send it to Saltmarsh timber yard", "drafted", /^put off until Tue 9 Feb$/],
    ["put off till now", after({ do: "put off", until: "2027-02-02" }), "Send it to Saltmarsh timber yard", "drafted", /^put off until now: send it/],
    ["in doubt", after({ do: "send" }, { do: "silent", why: "no answer in 8 s" }), "Send it again", "sent", /^sent, but not acknowledged: no answer in 8 s$/],
    ["short", after({ do: "send" }, answer(44)), "Ask how it stands", "acknowledged", /^acknowledged, here Mon 8 Feb; 1 line short$/],
    ["here", after({ do: "send" }, answer(50, [{ note: "SA-7/1", lines: [{ line: 0, packs: 50 }] }])), "Book in SA-7/1: 50 packs", "acknowledged", /^on its way here/],
    ["half", after({ do: "send" }, answer(50), { do: "receive", note: "a", lines: [{ line: 0, packs: 50 }] }), "Ask how it stands", "part received", /^3 packs still to come$/],
    ["all", after({ do: "send" }, answer(50), { do: "receive", note: "a", lines: [{ line: 0, packs: 50 }, { line: 1, packs: 3 }] }), undefined, "received", /^all here$/],
    ["cancelled", after({ do: "cancel" }), undefined, undefined, /^cancelled$/],
    ["by hand", changePurchase({ ...draft, seller: null }, { do: "sent by hand" }, "2027-02-02T09:00:00.000Z"), "It came: book it in", "sent", /^sent by hand Tue 2 Feb$/],
  ])("%s: says how it stands, and has one thing to do next", (_, purchase, next, at, stands) => {
    open(purchase);
    expect([big(), stage()]).toEqual([next, at]);
    expect(screen.getByRole("status").textContent).toMatch(stands);
  }); // prettier-ignore

  test("sizes in millimetres are said in them; a line that is short says so, and the sum is of what is to be had", () => {
    open(after({ do: "send" }, answer(44)));
    expect(screen.getByRole("row", { name: /pine/ }).textContent).toMatch(/6 not to be had: it is to be ordered again.*44 to come, Mon 8 Feb.*£563\.20$/); // prettier-ignore
    expect(screen.getByRole("row", { name: /spruce/ }).textContent).toMatch(/18×200×2400 mm|18.*×.*200.*×.*2400.* mm/);
    // 44 × 12.80 + 3 × 11.20 + 35 = 631.80.
    expect(screen.getByRole("row", { name: /together/ }).textContent).toContain("£631.80");
  });

  test("what came is booked in line by line: as much as is still to come stands there, and less can be said", async () => {
    open(after({ do: "send" }, answer(50)));
    answers = () => ({ json: { ...kept(draft, 4), did: 1 } });
    await user.click(screen.getByRole("button", { name: "something came: book it in line by line" }));
    const form = screen.getByRole("region", { name: "Book in" });
    const field = within(form).getByLabelText<HTMLInputElement>("Packs of pine that came, line 1");
    expect(field.value).toBe("50");
    await user.clear(field);
    await user.type(field, "12{Enter}");
    await user.click(within(form).getByRole("button", { name: "Book in 15 packs" }));
    await waitFor(() => expect(asked.length).toBeGreaterThan(0));
    expect(asked[0]).toMatchObject({ path: "/api/orders/4/act", body: { acts: [{ act: { do: "receive", note: "by hand, 2027-02-02, 1", lines: [{ line: 0, packs: 12 }, { line: 1, packs: 3 }] } }] } }); // prettier-ignore
  });

  test("what the supplier will not do is said, and the order stays as it was", async () => {
    open(after({ do: "send" }, answer(50)));
    answers = () => ({ status: 400, json: { error: "not cancelled: some of it has left already" } });
    await user.click(screen.getByRole("button", { name: "cancel it" }));
    expect((await screen.findByRole("alert")).textContent).toBe("not cancelled: some of it has left already");
    expect(asked.at(-1)).toEqual({ path: "/api/orders/4/line", body: { do: "cancel" } });
    expect(stage()).toBe("acknowledged");
  });
});

test("prices that are old are marked, those that changed say by how much; a supplier is asked, and left out", async () => {
  const now = Date.parse("2027-02-20T08:00:00Z");
  const known = (more: Partial<KnownSupplier>): KnownSupplier => ({ id: 1, address: "http://127.0.0.1:1/a", name: "Quay fixings", currency: "GBP", offers: 17, toldAt: "2027-02-20T07:00:00Z", problem: null, repriced: [], ...more }); // prettier-ignore
  const repriced = [{ thing: screws, key: "x", pack: 200, from: 1500, to: 1590 }, { thing: pine, key: "y", pack: 1, from: 1000, to: 900 }]; // prettier-ignore
  render(<Suppliers suppliers={[known({ repriced }), known({ id: 2, name: "Reedbank", currency: "EUR", toldAt: "2027-02-01T08:00:00Z", problem: "no answer in 8 s" })]} units="in" currency="GBP" now={now} />); // prettier-ignore
  const [quay, reed] = screen.getAllByRole("listitem") as [HTMLElement, HTMLElement];
  expect(quay.textContent).toMatch(/17 prices, 1 h ago.*dearer by 6 %.*£15\.00 → £15\.90.*cheaper by 10 %/);
  expect(quay.textContent).not.toContain("old");
  expect(reed.textContent).toMatch(/19 days ago · old: ask again before ordering.*asked in vain: no answer in 8 s/);
  expect(reed.textContent).toContain("its prices are in EUR, the shop reckons in GBP");
  answers = () => ({ json: { id: 2 } });
  await user.click(within(reed).getByRole("button", { name: "ask for prices" }));
  await waitFor(() => expect(went).toEqual(["again"]));
  await user.click(within(reed).getByRole("button", { name: "Leave out Reedbank" }));
  await waitFor(() => expect(asked.map((a) => a.body)).toEqual([{ do: "ask" }, { do: "leave out" }]));
});
