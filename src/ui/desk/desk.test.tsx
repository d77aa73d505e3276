/** @jest-environment jsdom */
import { act, renderHook, waitFor } from "@testing-library/react";
import { jest } from "@jest/globals";
import { inch } from "@/core/length/length";
import { emptyJob, type Job } from "@/core/job/job";
import type { Act } from "@/core/job/acts";
import { Server } from "@/ui/tests/server";
import type { Stood } from "./moves";
import { useOpenJob } from "./useDesk";
import { useStood } from "./useStood";
import "@/ui/tests/patience";

const body = { item: "body", standard: "langstroth-10", size: "deep", quantity: 10, options: {} };
const made = (): Job => ({ ...emptyJob("x", "in"), lines: [body, { ...body, size: "medium", quantity: 20 }] });
const quantities = (job: Job) => job.lines.map((l) => l.quantity);

let server: Server;
const ofServer = globalThis.fetch;
beforeEach(() => {
  server = new Server(made());
});
afterEach(() => {
  globalThis.fetch = ofServer;
  jest.useRealTimers();
});

const open = () => {
  const { result } = renderHook(() => useOpenJob(server.kept, { standards: [], designs: [] }));
  return () => result.current.desk;
};
const setQuantity = (at: number, quantity: number): Act => ({ do: "change line", at, to: { quantity } });
const settled = (desk: ReturnType<typeof open>) => waitFor(() => expect(desk().keeping.waiting).toBe(0));

test("what is done shows at once and is kept in the order it was done, each on the one before", async () => {
  const desk = open();
  server.hold();
  act(() => {
    desk().act(setQuantity(0, 11));
    desk().act(setQuantity(0, 12));
    desk().act({ do: "remove line", at: 1 });
  });
  expect(quantities(desk().job)).toEqual([12]);
  expect(desk().keeping).toMatchObject({ waiting: 3, held: null });
  server.release();
  await settled(desk);
  // All on the job as this page had it; each with a key of its own, counting up.
  expect(server.seen.map((s) => s.revision)).toEqual([5, 5, 5]);
  const keys = server.seen.map((s) => Number(s.key.split(".")[1]));
  expect(keys).toEqual([...new Set(keys)].sort((a, b) => a - b));
  expect(server.kept.job).toEqual(desk().job);
  expect(desk().undoes).toBe("remove line");
});

test("while the server is out nothing is lost: all of it waits, is said, and is kept when the server is back", async () => {
  jest.useFakeTimers();
  const desk = open();
  server.out = true;
  await act(async () => desk().act(setQuantity(0, 11)));
  await act(async () => desk().act(setQuantity(1, 21)));
  expect(desk().keeping).toMatchObject({ waiting: 2, held: "the server does not answer" });
  expect(quantities(desk().job)).toEqual([11, 21]);
  const leaving = new Event("beforeunload", { cancelable: true });
  window.dispatchEvent(leaving);
  expect(leaving.defaultPrevented).toBe(true);
  server.out = false;
  await act(async () => jest.advanceTimersByTimeAsync(10_000));
  expect(desk().keeping).toMatchObject({ waiting: 0, held: null });
  expect(quantities(server.kept.job)).toEqual([11, 21]);
});

test("what has waited goes together; of it only what does not hold is dropped, and what came after is kept", async () => {
  const desk = open();
  server.elsewhere(setQuantity(1, 99));
  server.hold();
  act(() => {
    for (let n = 1; n <= 50; n++) desk().act(n === 25 ? setQuantity(1, 5) : setQuantity(0, n));
  });
  server.release();
  await settled(desk);
  // One by itself, twenty, three before what was refused, that one twice, and the rest.
  expect(server.requests).toBe(6);
  expect(desk().keeping.dropped.map((d) => d.what)).toEqual([{ act: setQuantity(1, 5) }]);
  expect(quantities(server.kept.job)).toEqual([50, 99]);
  expect(desk().job).toEqual(server.kept.job);
});

test("what waits is tried on after its page is left", async () => {
  jest.useFakeTimers();
  const { result, unmount } = renderHook(() => useOpenJob(server.kept, { standards: [], designs: [] }));
  server.out = true;
  await act(async () => result.current.desk.act(setQuantity(0, 11)));
  unmount();
  server.out = false;
  await jest.advanceTimersByTimeAsync(10_000);
  expect(quantities(server.kept.job)).toEqual([11, 20]);
});

test("what was done on top of something refused is not done to another job: it is dropped and the page shows what is kept", async () => {
  const desk = open();
  server.elsewhere({ do: "remove line", at: 0 });
  server.hold();
  act(() => {
    desk().act(setQuantity(0, 11));
    // Seen from here this is the second line; there, it is the only one.
    desk().act({ do: "remove line", at: 0 });
  });
  server.release();
  await settled(desk);
  expect(server.seen).toHaveLength(1);
  expect(desk().keeping.dropped.map((d) => ["act" in d.what && d.what.act.do, d.why])).toEqual([
    ["change line", "the job was changed elsewhere"],
    ["remove line", "the job was changed elsewhere"],
  ]);
  expect(quantities(server.kept.job)).toEqual([20]);
  expect(desk().job).toEqual(server.kept.job);
  // And from there it goes on.
  await act(async () => desk().act(setQuantity(0, 33)));
  await settled(desk);
  expect(quantities(server.kept.job)).toEqual([33]);
});

test("taken back: the page then shows what is kept, with what was done since on it", async () => {
  const desk = open();
  await act(async () => desk().act(setQuantity(0, 11)));
  server.hold();
  act(() => {
    desk().undo();
    desk().act(setQuantity(1, 22));
  });
  server.release();
  await settled(desk);
  expect(quantities(server.kept.job)).toEqual([10, 22]);
  expect(desk().job).toEqual(server.kept.job);
});

describe("what somebody else does", () => {
  class Line {
    static open: Line[] = [];
    heard?: (e: { data: string }) => void;
    closed = false;
    constructor(readonly url: string) {
      Line.open.push(this);
    }
    addEventListener(_type: string, heard: (e: { data: string }) => void) {
      this.heard = heard;
    }
    close() {
      this.closed = true;
    }
  }
  const hear = () => act(async () => Line.open.at(-1)!.heard!({ data: String(server.kept.revision) }));
  beforeEach(() => {
    Line.open = [];
    (globalThis as { EventSource?: unknown }).EventSource = Line;
  });
  afterEach(() => delete (globalThis as { EventSource?: unknown }).EventSource);

  test("is shown as soon as it is heard of, and goes on from there", async () => {
    const desk = open();
    expect(Line.open.map((l) => l.url)).toEqual(["/api/jobs/1/follow"]);
    server.elsewhere(setQuantity(1, 99));
    await hear();
    await waitFor(() => expect(quantities(desk().job)).toEqual([10, 99]));
    await act(async () => desk().act(setQuantity(1, 7)));
    await settled(desk);
    expect([quantities(server.kept.job), desk().keeping.dropped]).toEqual([[10, 7], []]);
  });

  test("does not go over what is done here meanwhile: both are kept, and both are shown", async () => {
    const desk = open();
    server.elsewhere(setQuantity(1, 99));
    server.hold();
    await hear();
    act(() => desk().act(setQuantity(0, 11)));
    expect(quantities(desk().job)).toEqual([11, 20]);
    server.release();
    await settled(desk);
    await waitFor(() => expect(quantities(desk().job)).toEqual([11, 99]));
    expect(quantities(server.kept.job)).toEqual([11, 99]);
  });

  test("is not listened for on a page that nobody sees", () => {
    open();
    jest.spyOn(document, "visibilityState", "get").mockReturnValue("hidden");
    document.dispatchEvent(new Event("visibilitychange"));
    expect(Line.open.map((l) => l.closed)).toEqual([true]);
    jest.restoreAllMocks();
    document.dispatchEvent(new Event("visibilitychange"));
    expect(Line.open).toHaveLength(2);
  });
});

test("undo takes back what this page did, not what somebody else has done since; where that is not there any more it says so", async () => {
  const desk = open();
  await act(async () => desk().act(setQuantity(0, 11)));
  server.elsewhere(setQuantity(1, 99));
  await act(async () => desk().undo());
  await settled(desk);
  expect(quantities(server.kept.job)).toEqual([10, 99]);
  await act(async () => desk().act(setQuantity(0, 12)));
  server.elsewhere(setQuantity(0, 13));
  await act(async () => desk().undo());
  await settled(desk);
  expect(quantities(server.kept.job)).toEqual([13, 99]);
  expect(desk().keeping.dropped).toMatchObject([{ what: { undo: true }, why: "the job was changed elsewhere" }]);
  expect(desk().job).toEqual(server.kept.job);
});

test("a reply that is lost does no harm: what was done is done once, and what was typed after it is kept too", async () => {
  jest.useFakeTimers();
  const desk = open();
  server.lose = 2;
  await act(async () => desk().act({ do: "add line", line: body }));
  await act(async () => desk().act(setQuantity(2, 7)));
  for (let i = 0; i < 3; i++) await act(async () => jest.advanceTimersByTimeAsync(5_000));
  expect(desk().keeping).toMatchObject({ waiting: 0, held: null, dropped: [] });
  expect(quantities(server.kept.job)).toEqual([10, 20, 7]);
  expect(desk().job).toEqual(server.kept.job);
});

test("two screens: what touches nothing of the other's stands on both, and each comes to show it", async () => {
  const desk = open();
  server.elsewhere(setQuantity(1, 99));
  await act(async () => desk().act(setQuantity(0, 11)));
  await settled(desk);
  expect(desk().keeping.dropped).toEqual([]);
  expect(quantities(server.kept.job)).toEqual([11, 99]);
  expect(quantities(desk().job)).toEqual([11, 99]);
});

test("what is only tried is shown and not kept; given up, or refused when it is meant, all is as it was", async () => {
  const desk = open();
  const thickness = (value: number): Act => ({ do: "option", at: 0, name: "thickness", value });
  const width = () => desk().worked.lines[0]!.shape.parts[0]!.size.t;
  const before = width();
  act(() => desk().try(thickness(inch(1))));
  expect(width()).toBe(inch(1));
  expect(desk().moves.size).toBeGreaterThan(0);
  act(() => desk().untry());
  expect([width(), desk().moves.size]).toEqual([before, 0]);
  act(() => desk().try(thickness(inch(1))));
  act(() => desk().act(thickness(inch(30)), "thickness"));
  expect(desk().problem).toMatchObject({ field: "thickness", message: expect.stringMatching(/at most/) });
  expect([width(), server.seen.length]).toEqual([before, 0]);
});

test("a fault is said at its field in plain words, and goes when the value is put right", async () => {
  const desk = open();
  act(() => desk().act(setQuantity(0, 0), "quantity 0"));
  expect(desk().problem).toEqual({ field: "quantity 0", message: "read 0: at least 1" });
  act(() => desk().act(setQuantity(0, 3), "quantity 0"));
  expect(desk().problem).toBeNull();
  expect(quantities(desk().job)[0]).toBe(3);
  await settled(desk);
});

test("a change is held against how things stood before it; what is tried, against what stands", () => {
  const stood = (total: number): Stood => ({ result: {} as Stood["result"], total });
  const hook = renderHook((a: Parameters<typeof useStood>) => useStood(...a), { initialProps: [0, false, stood(72)] });
  const then = (...a: Parameters<typeof useStood>) => {
    hook.rerender(a);
    return hook.result.current?.total;
  };
  expect(then(0, false, stood(71))).toBeUndefined();
  // Tried while typing: 4 on the way to 45.
  expect(then(0, true, undefined)).toBe(71);
  expect(then(0, true, stood(12))).toBe(71);
  // Done; then improved; then another change before anything is known of this one.
  expect(then(1, false, undefined)).toBe(71);
  expect(then(1, false, stood(80))).toBe(71);
  expect(then(1, false, stood(79))).toBe(71);
  expect(then(2, false, undefined)).toBe(79);
  expect(then(3, false, undefined)).toBe(79);
  expect(then(3, false, stood(90))).toBe(79);
});
