/** @jest-environment jsdom */
import { ReadableStream, TextDecoderStream } from "node:stream/web";
import { TextEncoder } from "node:util";
import { act, renderHook, waitFor } from "@testing-library/react";
import { layOut, type LayoutResult } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import { blank, request } from "@/core/layout/tests/samples";
import { inch } from "@/core/length/length";
import { useLayout } from "./useLayout";
import "@/ui/tests/patience";

const asked = (n: number): LayoutRequest => request([blank("side", inch(19, 1, 8), inch(9, 5, 8), n)]);
const laid = (r: LayoutRequest): LayoutResult => layOut(r, () => 0);

/** One question at the server, answered line by line, in pieces that need not end where a line does. */
interface Question {
  name: string;
  asked: LayoutRequest;
  say(...lines: object[]): void;
  end(): void;
  dropped: boolean;
}
let questions: Question[];
let stopped: string[];
let refuse: { status: number; error: string } | undefined;
const was = { fetch: globalThis.fetch, decoder: globalThis.TextDecoderStream };

beforeEach(() => {
  [questions, stopped, refuse] = [[], [], undefined];
  globalThis.TextDecoderStream = TextDecoderStream as typeof globalThis.TextDecoderStream;
  globalThis.fetch = (async (url: string, how: { method: string; body: string; signal: AbortSignal }) => {
    const name = new URL(url, "http://x").searchParams.get("ask")!;
    if (how.method === "DELETE") return void stopped.push(name);
    if (refuse) return { ok: false, status: refuse.status, json: async () => ({ error: refuse!.error }) };
    let to!: ReadableStreamDefaultController<Uint8Array>;
    const body = new ReadableStream<Uint8Array>({ start: (c) => void (to = c as typeof to) });
    const question: Question = {
      name,
      asked: JSON.parse(how.body) as LayoutRequest,
      say: (...lines) => {
        const bytes = new TextEncoder().encode(lines.map((l) => `${JSON.stringify(l)}\n`).join(""));
        for (const [from, upTo] of [[0, 7], [7, bytes.length]]) to.enqueue(bytes.slice(from, upTo)); // prettier-ignore
      },
      end: () => to.close(),
      dropped: false,
    };
    how.signal.addEventListener("abort", () => (question.dropped = true));
    questions.push(question);
    return { ok: true, body };
  }) as unknown as typeof fetch;
});
afterEach(() => {
  globalThis.fetch = was.fetch;
  globalThis.TextDecoderStream = was.decoder;
});

const open = (r: LayoutRequest) => {
  const { result, rerender } = renderHook((now: LayoutRequest) => useLayout(now), { initialProps: r });
  return { layout: () => result.current, ask: rerender };
};
const question = async (n: number) => {
  await waitFor(() => expect(questions.length).toBe(n));
  return questions[n - 1]!;
};

test("how far it is, then the best so far, then the layout: each takes the place of the one before", async () => {
  const { layout } = open(asked(40));
  expect(layout()).toMatchObject({ state: "working", fresh: false });
  const q = await question(1);
  expect(q.asked.blanks[0]!.quantity).toBe(40);
  const result = laid(q.asked);
  const progress = { done: 0, of: 1, count: 11, cost: 154, bound: 140 };
  await act(async () => q.say({ progress }));
  await waitFor(() => expect(layout().progress).toEqual(progress));
  await act(async () => q.say({ soFar: result }));
  await waitFor(() => expect(layout()).toMatchObject({ fresh: true, improving: true, result }));
  await act(async () => {
    q.say({ result: { ...result, cost: 1 } });
    q.end();
  });
  await waitFor(() => expect(layout()).toMatchObject({ state: "done", fresh: true, result: { cost: 1 } }));
  expect(layout().improving).toBeFalsy();
  expect(layout().early).toBe(false);
});

test("a newer question drops the older one: what that still says is not taken for an answer", async () => {
  const { layout, ask } = open(asked(40));
  const first = await question(1);
  ask(asked(41));
  expect(first.dropped).toBe(true);
  const second = await question(2);
  await act(async () => first.say({ result: laid(first.asked) }));
  expect(layout()).toMatchObject({ state: "working", fresh: false });
  await act(async () => second.say({ result: laid(second.asked) }));
  await waitFor(() => expect(layout().result?.request.blanks[0]?.quantity).toBe(41));
});

test("typing on asks once, when it pauses; the same question again asks nothing", async () => {
  const { ask } = open(asked(1));
  for (const n of [2, 3, 4]) ask(asked(n));
  const q = await question(1);
  expect(q.asked.blanks[0]!.quantity).toBe(4);
  ask(asked(4));
  await new Promise((r) => setTimeout(r, 200));
  expect(questions).toHaveLength(1);
});

test("stopped: the server is told which one, and what it then has is said to be early; again looks further", async () => {
  const { layout } = open(asked(40));
  const q = await question(1);
  act(() => layout().stop());
  expect([layout().state, stopped]).toEqual(["stopped", [q.name]]);
  await act(async () => q.say({ result: laid(q.asked) }));
  await waitFor(() => expect(layout()).toMatchObject({ state: "done", fresh: true, early: true }));
  act(() => layout().again());
  expect(layout()).toMatchObject({ state: "working", fresh: false });
  expect((await question(2)).name).not.toBe(q.name);
});

test("what went wrong is said in the server's words, and can be tried again", async () => {
  refuse = { status: 413, error: "too many blanks" };
  const { layout } = open(asked(40));
  await waitFor(() => expect(layout()).toMatchObject({ state: "failed", error: "too many blanks" }));
  refuse = undefined;
  act(() => layout().again());
  const q = await question(1);
  await act(async () => q.say({ error: "the worker stopped" }));
  await waitFor(() => expect(layout()).toMatchObject({ state: "failed", error: "the worker stopped" }));
});
