/** @jest-environment jsdom */
import { jest } from "@jest/globals";
import { createElement } from "react";
import { act, cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { conditionOf, type Happening, type KeptPiece, type Listed } from "@/core/book/book";
import { inch, mm } from "@/core/length/length";

const router = { push: jest.fn(), refresh: jest.fn() };
jest.unstable_mockModule("next/image", () => ({
  default: ({ src, alt }: { src: string; alt: string }) => createElement("img", { src, alt }),
}));
jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => router }));
const { BookPage } = await import("./BookPage");
const { PiecePage } = await import("./PiecePage");

const piece: KeptPiece = { id: 7, mark: "BW-27-0007", title: "Body, deep", item: "body", standard: "langstroth-10", size: "deep", wood: "white pine", job: 3, madeOn: "2027-02-20", measured: [{ what: "depth", value: mm(244.475) }] }; // prettier-ignore
const listed: Listed = { ...piece, condition: conditionOf([]) };
const asNew = { box: { outsideLength: inch(19, 7, 8), outsideWidth: inch(16, 1, 4), insideLength: inch(18, 3, 8), insideWidth: inch(14, 3, 4), depth: inch(9, 5, 8), restToRest: inch(19, 1, 8), restDepth: inch(0, 5, 8) }, cost: { minutes: 90, currency: null }, standard: "langstroth-10", ear: inch(0, 3, 8) }; // prettier-ignore
let asked: { path: string; body?: { key?: string; give?: { count: number }; events?: Happening[] } }[] = [];
let answers: (path: string, body: (typeof asked)[number]["body"]) => object;
let away = false;
beforeEach(() => {
  asked = [];
  away = false;
  globalThis.fetch = (async (path: string, how: { body?: string }) => {
    if (path.startsWith("/api/book/lasting"))
      return {
        ok: true,
        status: 200,
        json: async () => ({
          groups: [
            {
              value: "pine",
              pieces: 12,
              failed: 4,
              why: [{ fault: "split", n: 4 }],
              steps: [{ years: 9, atRisk: 12, failed: 4, lasts: 2 / 3, error: 0.1 }],
            },
          ],
        }),
      };
    const body = how.body ? (JSON.parse(how.body) as (typeof asked)[number]["body"]) : undefined;
    asked.push({ path, ...(body ? { body } : {}) });
    if (away) throw new TypeError("no line");
    return { ok: true, status: 200, json: async () => answers(path, body) };
  }) as never;
});
afterEach(cleanup);
const settle = () => act(async () => void (await new Promise((r) => setTimeout(r, 10))));
const making = { id: 3, name: "Forty deeps", lines: [{ at: 0, title: "Body, deep", quantity: 40, marked: 6 }] };
const book = (more: object = {}) => <BookPage first={[listed]} count={1} jobs={[{ id: 3, name: "Forty deeps" }]} making={null} items={[{ item: "body", name: "Body", pieces: 1 }]} code="BW" today="2027-03-01" {...more} />; // prettier-ignore

test("half a mark finds as one types; what is listed says where it is and what is wrong with it", async () => {
  answers = () => ({
    found: [
      {
        ...listed,
        mark: "BW-84-0007",
        condition: { where: "out", to: "Moor stand", faults: ["split"], repairs: 0, measured: {} },
      },
    ],
    elsewhere: [{ kind: "order", name: "Sawyer", said: "sent", href: "/orders" }],
  });
  render(book());
  expect(screen.getByText("BW-27-0007").closest("a")!.getAttribute("href")).toBe("/book/7");
  fireEvent.change(screen.getByLabelText("Find a piece"), { target: { value: "BW-8?" } });
  await settle();
  expect(asked.at(-1)!.path).toBe("/api/book?q=BW-8%3F");
  expect(within(screen.getByRole("list", { name: "Found" })).getByRole("listitem").textContent).toMatch(
    /BW-84-0007.*out to Moor stand; split/,
  );
  expect(screen.getByRole("list", { name: "Elsewhere" }).textContent).toBe("orderSawyersent");
  const lasting = within(screen.getByRole("region", { name: "How long things last" }));
  expect(lasting.getByRole("row", { name: /^pine/ }).textContent).toMatch(
    /12 pieces4 failed67 % last longer than 9 yearssplit 4/,
  );
  expect(screen.getByText(/foulbrood spores.*local bee inspector/)).toBeTruthy();
});

test("what a job made is marked once, though the answer was lost the first time", async () => {
  answers = (path) =>
    path.startsWith("/api/book?") ? { found: [listed] } : { pieces: [piece, { ...piece, id: 8, mark: "BW-27-0040" }] };
  render(book({ making }));
  // Forty in the job, six are marked.
  expect(screen.getByRole("button", { name: "34 marks" })).toBeTruthy();
  away = true;
  fireEvent.click(screen.getByRole("button", { name: "34 marks" }));
  await settle();
  expect(screen.getByRole("alert").textContent).toMatch(/does not answer/);
  away = false;
  fireEvent.click(screen.getByRole("button", { name: "34 marks" }));
  await settle();
  expect(screen.getByRole("status").textContent).toBe("Burn in BW-27-0007 to BW-27-0040.");
  // What was just said stays on the page, and so many more are marked.
  expect([screen.getByText("40 in the job, 8 marked"), router.refresh.mock.calls.length]).toEqual([
    expect.anything(),
    0,
  ]);
  expect(asked.filter((a) => a.body).map((a) => [a.body!.give!.count, a.body!.key === asked[0]!.body!.key])).toEqual([[34, true], [34, true]]); // prettier-ignore
});

test("a piece: what it is, how it stands, and what happens next is written down with what it has to say", async () => {
  const happenings: Happening[] = [{ id: "a.1", piece: 7, on: "2029-10-02", what: { do: "inspected", faults: ["rest broken", "corner rotten"] } }]; // prettier-ignore
  answers = (_, body) => {
    const all = [...happenings, ...body!.events!];
    return { piece, happenings: all.toReversed(), condition: conditionOf(all), asNew };
  };
  render(<PiecePage found={{ piece, happenings, condition: conditionOf(happenings), asNew }} jobName="Forty deeps" jobs={[]} units="in" today="2030-01-15" />); // prettier-ignore
  expect(screen.getByText("Forty deeps").getAttribute("href")).toBe("/jobs/3/shape");
  expect(screen.getByText('Measured: depth 9 5/8"')).toBeTruthy();
  // What is broken is to be repaired first, and nothing is written down that says nothing.
  const write = () => screen.getByRole("button", { name: "Write it down" }) as HTMLButtonElement;
  expect([write().disabled, write().title]).toEqual([true, "say how it was repaired"]);
  fireEvent.click(screen.getByLabelText("rest broken"));
  fireEvent.change(screen.getByLabelText("how"), { target: { value: "new end, old mark moved over" } });
  await act(async () => void fireEvent.click(write()));
  expect(asked.at(-1)!.body!.events![0]).toMatchObject({ piece: 7, on: "2030-01-15", what: { do: "repaired", faults: ["corner rotten"], how: "new end, old mark moved over" } }); // prettier-ignore
  expect(screen.getByText(/; rest broken/)).toBeTruthy();
  expect(screen.getByText(/1 repair/)).toBeTruthy();
  // What is left to mend: the lip of a wall of 3/4 less a rest of 3/8, 5/8 high, between the sides; measured again it is made to that.
  const mend = within(screen.getByRole("region", { name: "How it is mended" }));
  expect(mend.getByRole("row", { name: /lip strip/ }).textContent).toMatch(/lip strip14 3\/4 × 5\/8 × 3\/8/);
  expect(mend.getByText(/rest broken 20 min; a new one 90 min: worth it/)).toBeTruthy();
  const measures = within(screen.getByRole("region", { name: "What it measures" }));
  const depth = measures.getByLabelText("rest depth");
  fireEvent.change(depth, { target: { value: "11/16" } });
  fireEvent.blur(depth);
  expect(mend.getByRole("row", { name: /lip strip/ }).textContent).toMatch(/14 3\/4 × 11\/16 × 3\/8/);
  await act(async () => void fireEvent.click(mend.getByRole("button", { name: /It is mended/ })));
  expect(asked.slice(-2).map((a) => a.body!.events![0]!.what)).toMatchObject([{ do: "measured" }, { do: "repaired", faults: ["rest broken"], minutes: 20 }]); // prettier-ignore
  fireEvent.click(screen.getByRole("button", { name: "Scorched" }));
  expect(screen.getByText(/with water at hand; follow the torch's manual and local rules/)).toBeTruthy();
});

test("a box that came in is measured, and told what it is, how that one's frames hang in it and what to change", async () => {
  const old: KeptPiece = {
    ...piece,
    mark: "HM 1984",
    title: "Old body",
    standard: "unknown",
    size: "unknown",
    measured: [],
  };
  const all: Happening[] = [];
  answers = (_, body) => ({ piece: old, happenings: body!.events!, condition: conditionOf(body!.events!), asNew });
  render(<PiecePage found={{ piece: old, happenings: all, condition: conditionOf(all), asNew }} jobName={null} jobs={[]} units="in" today="2030-01-15" />); // prettier-ignore
  const what = within(screen.getByRole("region", { name: "What it is" }));
  const measures = within(screen.getByRole("region", { name: "What it measures" }));
  expect(what.getByText("Langstroth 10, deep")).toBeTruthy();
  for (const [label, text] of [
    ["rest depth", "1"],
    ["depth", "6 5/8"],
  ] as const) {
    fireEvent.change(measures.getByLabelText(label), { target: { value: text } });
    fireEvent.blur(measures.getByLabelText(label));
  }
  expect(what.getByText("Langstroth 10, medium")).toBeTruthy();
  // An inch less an ear of 3/8 is 5/8 above a frame that wants no more than 3/8 above and below.
  expect(what.getByRole("row", { name: /^above the frame/ }).textContent).toMatch(/5\/8".*glued strip in it/);
  await act(async () => void fireEvent.click(measures.getByRole("button", { name: "Keep the measures" })));
  expect(asked.at(-1)!.body!.events![0]!.what).toEqual({ do: "measured", sizes: [{ what: "depth", value: inch(6, 5, 8) }, { what: "restDepth", value: inch(1) }] }); // prettier-ignore
});

test("a picture is sent as it is with its day and its word; what one that came in is found to be is kept", async () => {
  const old: KeptPiece = { ...piece, standard: "unknown", size: "unknown", ageless: true, measured: [] };
  const shown: Happening[] = [{ id: "a.1", piece: 7, on: "2030-01-15", what: { do: "photographed", photo: "b".repeat(64), note: "left corner" } }]; // prettier-ignore
  answers = (_, body) => ({
    piece: old,
    happenings: body!.events ?? shown,
    condition: conditionOf(body!.events ?? shown),
    asNew,
  });
  render(<PiecePage found={{ piece: old, happenings: [], condition: conditionOf([]), asNew }} jobName={null} jobs={[]} units="in" today="2030-01-15" />); // prettier-ignore
  fireEvent.change(screen.getByLabelText("what it shows"), { target: { value: "left corner" } });
  fireEvent.change(screen.getByLabelText("Choose or take a picture"), { target: { files: [new File(["picture"], "a.jpg", { type: "image/jpeg" })] } }); // prettier-ignore
  await settle();
  expect(asked.at(-1)).toMatchObject({ path: "/api/book/7/photo", body: { on: "2030-01-15", note: "left corner", photo: Buffer.from("picture").toString("base64") } }); // prettier-ignore
  expect(screen.getByRole("img", { name: "left corner" }).getAttribute("src")).toBe(
    `/api/book/photo/${"b".repeat(64)}`,
  );
  await act(async () => void fireEvent.click(screen.getByRole("button", { name: "Keep it as one" })));
  expect(asked.at(-1)!.body!.events![0]!.what).toEqual({ do: "known", item: "body", standard: "langstroth-10", size: "deep" }); // prettier-ignore
  expect(screen.queryByRole("region", { name: "What it is" })).toBeNull();
  expect(screen.getByText(/Body, deep · langstroth-10 · came in/)).toBeTruthy();
});
