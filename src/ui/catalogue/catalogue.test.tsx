/** @jest-environment jsdom */
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { type CatalogueAct, changeCatalogue, type StoredCatalogue } from "@/core/catalogue/catalogue";
import { CataloguePage } from "./CataloguePage";
import "@/ui/tests/patience";

const ofServer = globalThis.fetch;
const user = userEvent.setup();
let kept: StoredCatalogue;
beforeEach(() => {
  kept = { revision: 0, version: 0, undo: null, offers: [] };
  globalThis.fetch = (async (_: string, init?: { body: string }) => {
    for (const { act } of init ? (JSON.parse(init.body) as { acts: { act: CatalogueAct }[] }).acts : [])
      kept = { revision: kept.revision + 1, version: kept.version + 1, undo: act.do, ...changeCatalogue(kept, act) };
    return { ok: true, status: 200, json: async () => ({ ...kept, did: 1 }) };
  }) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});
const box = () => screen.getByLabelText<HTMLInputElement>("Something that can be bought");

test("a board and a pack are listed in a line each; no price is unknown and said, one that is known is kept, and taken out is unknown again", async () => {
  render(<CataloguePage stored={kept} units="in" />);
  await user.type(box(), "pine 3/4 x 11 1/4 x 8', 14.20 each{Enter}");
  await user.type(box(), "200 frame nail{Enter}");
  await waitFor(() => expect(kept.offers.map((o) => [o.material, o.form === "pack" ? o.pack : o.form, o.price])).toEqual([["pine", "board", 14.2], ["frame nail", 200, null]])); // prettier-ignore
  expect(screen.getByText(/1 without a price/)).toBeTruthy();
  await user.type(screen.getByLabelText("Price of frame nail, no. 2"), "6.5{Enter}");
  await waitFor(() => expect(kept.offers[1]!.price).toBe(6.5));
  await user.clear(screen.getByLabelText("Price of pine, no. 1"));
  await user.tab();
  await waitFor(() => expect(kept.offers[0]!.price).toBeNull());
  await user.click(screen.getByRole("button", { name: "Leave out pine, no. 1" }));
  await waitFor(() => expect(kept.offers.map((o) => o.id)).toEqual([2]));
});

test("a price list is pasted, what is wrong in it is marked, and the rest is listed in one act", async () => {
  render(<CataloguePage stored={kept} units="in" />);
  box().focus();
  await user.paste("what\tthick\twide\tlong\tprice\npine\t3/4\t11 1/4\t96\t14.20\npine\t3/4\t9 1/4\t96\tdear\n");
  const shown = await screen.findByRole("group", { name: "What was read" });
  expect(shown.textContent).toMatch(/1 in trouble/);
  expect(shown.textContent).toMatch(/read “dear”/);
  await user.click(await screen.findByRole("button", { name: "List 1 board" }));
  await waitFor(() => expect(kept.offers.map((o) => [o.material, o.price])).toEqual([["pine", 14.2]]));
  expect(screen.queryByRole("group", { name: "What was read" })).toBeNull();
});

test("a price of nothing, and a line nobody can read, are refused in words, and nothing is listed", async () => {
  render(<CataloguePage stored={kept} units="in" />);
  await user.type(box(), "pine 3/4 x 11{Enter}");
  expect(screen.getByRole("alert").textContent).toMatch(/wanted a line like/);
  await user.clear(box());
  await user.type(box(), "pine 3/4 x 11 1/4 x 96{Enter}");
  await user.type(screen.getByLabelText("Price of pine, no. 1"), "0{Enter}");
  expect((await screen.findByRole("alert")).textContent).toMatch(/0/);
  await waitFor(() => expect(kept.offers).toMatchObject([{ price: null }]));
});
