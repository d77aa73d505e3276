/** @jest-environment jsdom */
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { emptyJob, type Job } from "@/core/job/job";
import { inch } from "@/core/length/length";
import { Open, Server } from "@/ui/tests/server";
import { Instead } from "./Instead";
import "@/ui/tests/patience";

const user = userEvent.setup();
const ofServer = globalThis.fetch;
let server: Server;
afterEach(() => {
  cleanup();
  globalThis.fetch = ofServer;
});

const body = { item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: { joint: "rabbet-ends" } };
const row = (more: object) => ({ acts: [], stops: 0, looks: 0, missing: 0, cost: 40_000, unpriced: 0, boards: 10, kg: 33.4, setUps: 12, minutes: 600, ...more }); // prettier-ignore
/** The job at Buy, with what the server works out for each alternative. */
const open = (rows: object[]) => {
  const empty = emptyJob("Spring", "in");
  const workshop = { ...empty.workshop, money: { currency: "GBP", rate: 24, overhead: 0, tax: 0 } };
  const job: Job = { ...empty, workshop, lines: [body] };
  server = new Server(job);
  const ofJob = globalThis.fetch;
  globalThis.fetch = (async (path: string, init?: RequestInit) =>
    path === "/api/jobs/1/instead"
      ? { ok: true, status: 200, json: async () => rows }
      : ofJob(path, init)) as unknown as typeof fetch;
  render(<Open server={server} station={Instead} />);
};
const compare = async () => {
  await user.click(await screen.findByRole("button", { name: "Set other woods and boards side by side" }));
  return (await screen.findAllByRole("row")).slice(1);
};

test("other woods stand beside the job as it is: what they cost more or less, weigh, and whether they fit; one press uses one", async () => {
  open([
    row({}),
    row({ wood: "larch", acts: [{ do: "wood", wood: "larch" }], cost: 45_550, kg: 49.6, boards: 8 }),
    row({ wood: "teak", acts: [{ do: "wood", wood: "teak" }], cost: 38_000, kg: null, unpriced: 2 }),
    row({ wood: "oak", acts: [{ do: "wood", wood: "oak" }], missing: 4 }),
    row({ thickness: inch(0, 3, 8), acts: [{ do: "thickness", thickness: inch(0, 3, 8) }], stops: 1, stop: "ear bears 0 of 3/16" }), // prettier-ignore
  ]);
  const [asIs, larch, teak, oak, thin] = (await compare()).map((r) => r.textContent);
  expect(asIs).toMatch(/^as it isfits£400\.001033 kg1210 h$/);
  expect(larch).toMatch(/^larchfits£455\.50\+£55\.50850 kg/);
  expect(teak).toMatch(/£380\.00−£20\.002 things without a price10not known/);
  expect(oak).toBe("oakno board gives 4 parts");
  expect(thin).toContain("will not: ear bears 0 of 3/16");
  // What does not fit cannot be used.
  expect(screen.getAllByRole("button", { name: /^Use / }).map((b) => b.getAttribute("aria-label"))).toEqual(["Use larch", "Use teak"]); // prettier-ignore
  await user.click(screen.getByRole("button", { name: "Use larch" }));
  await waitFor(() => expect(server.kept.job.wood).toBe("larch"));
  // What was worked out was of the job before.
  expect(await screen.findByText(/The job has changed since/)).toBeTruthy();
  expect(within(screen.getByRole("table")).queryByRole("button")).toBeNull();
});

test("a job with nothing else to be made from says so", async () => {
  open([row({})]);
  await user.click(await screen.findByRole("button", { name: /side by side/ }));
  expect(await screen.findByText(/have no other wood, and no boards of another thickness/)).toBeTruthy();
  expect(screen.queryByRole("table")).toBeNull();
});
