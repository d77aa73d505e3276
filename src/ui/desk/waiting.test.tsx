/** @jest-environment jsdom */
import { deserialize, serialize } from "node:v8";
import { act, renderHook, waitFor } from "@testing-library/react";
import "fake-indexeddb/auto";
import { emptyJob } from "@/core/job/job";
import { useOpenJob } from "./useDesk";
import { forget, remember, waitingFor } from "./waiting";
import { Server } from "@/ui/tests/server";
import "@/ui/tests/patience";

// The browser's own, which jsdom does not have.
globalThis.structuredClone = <T,>(value: T) => deserialize(serialize(value)) as T;

const body = { item: "body", standard: "langstroth-10", size: "deep", quantity: 10, options: {} };
const ofServer = globalThis.fetch;
let server: Server;
beforeEach(() => {
  server = new Server({ ...emptyJob("x", "in"), lines: [body] });
});
afterEach(() => {
  globalThis.fetch = ofServer;
});
const open = () => renderHook(() => useOpenJob(server.kept, { standards: [], designs: [] }));

test("what is done while the server is out waits over a closed page, and is kept by the next", async () => {
  server.out = true;
  const first = open();
  act(() => first.result.current.desk.act({ do: "change line", at: 0, to: { quantity: 12 } }));
  await waitFor(async () => expect(await waitingFor("/api/jobs/1")).toHaveLength(1));
  first.unmount();
  server.out = false;
  const second = open();
  await waitFor(() => expect(server.kept.job.lines[0]!.quantity).toBe(12));
  await waitFor(() => expect(second.result.current.desk.keeping.waiting).toBe(0));
  expect(await waitingFor("/api/jobs/1")).toEqual([]);
});

test("what the shop is told waits in the browser until it is kept; what a closed page left is told by the next, in its order, once", async () => {
  const told: { key: string }[] = [];
  const ofJob = globalThis.fetch;
  globalThis.fetch = (async (path: string, init?: { body: string }) => {
    if (!path.startsWith("/api/catalogue/act")) return ofJob(path, init as never);
    if (server.out) throw new TypeError("fetch failed");
    told.push(JSON.parse(init!.body) as { key: string });
    return { ok: true, status: 200, json: async () => ({ revision: 2 }) };
  }) as unknown as typeof fetch;
  const glue = {
    form: "pack" as const,
    material: "glue",
    pack: 750,
    price: 9,
    available: null,
    source: "buy" as const,
  };
  server.out = true;
  const { result, unmount } = open();
  act(() => result.current.desk.catalogue({ do: "offer", offers: [glue] }));
  await waitFor(() => expect(result.current.desk.problem?.message).toBe("not kept yet: the server does not answer"));
  const [waits] = await waitingFor("/api/catalogue");
  expect(waits).toMatchObject({ seen: 0, what: { act: { do: "offer", offers: [glue] } } });
  unmount();
  server.out = false;
  // Long ago, on a screen that is no more.
  const left = [2, 1].map((n) => ({ ...waits!, key: `closed.${n}` }));
  for (const w of left) await remember(w);
  await forget(waits!.key);
  open();
  await waitFor(async () => expect(await waitingFor("/api/catalogue")).toEqual([]));
  expect(told).toMatchObject([
    { key: "closed.1", revision: 0, act: { do: "offer" } },
    { key: "closed.2", revision: 0 },
  ]);
});
