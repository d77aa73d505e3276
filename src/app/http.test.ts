import { z } from "zod";
import { StaleError } from "@/store/keeper";
import { JobFileError } from "@/core/problem/problem";
import { BadRequest, answer, readBody, readText } from "./http";

const post = (body: BodyInit, headers: Record<string, string> = { "content-type": "application/json" }) =>
  new Request("http://127.0.0.1/api", { method: "POST", body, headers, duplex: "half" } as RequestInit);

test("a body is read up to its limit and no further, whatever was declared", async () => {
  expect(await readText(post("[1]"), 10)).toBe("[1]");
  await expect(readText(post("x".repeat(11)), 10)).rejects.toThrow(BadRequest);
  let pulled = 0;
  const endless = new ReadableStream({ pull: (c) => (pulled++, c.enqueue(new Uint8Array(1000))) });
  await expect(readText(post(endless), 5000)).rejects.toThrow(/more than 5 kB/);
  expect(pulled).toBeLessThan(12);
});

test("only JSON is taken, so that a form of another site cannot act", async () => {
  await expect(readText(post("{}", { "content-type": "text/plain" }), 10)).rejects.toThrow("wanted application/json");
});

test("a body that does not hold names its field", async () => {
  const schema = z.strictObject({ value: z.number() });
  expect(await readBody(post('{"value": 3}'), schema)).toEqual({ value: 3 });
  await expect(readBody(post('{"value": "3"}'), schema)).rejects.toThrow(/^value: /);
  await expect(readBody(post("{"), schema)).rejects.toThrow(/^not JSON/);
});

test("what a person can put right comes back with its status; what is a fault does not hide", async () => {
  const status = async (e: Error) => (await answer(post(""), () => Promise.reject(e))).status;
  expect(await status(new BadRequest("x"))).toBe(400);
  expect(await status(new JobFileError([{ path: "a", message: "b" }]))).toBe(400);
  expect(await status(new StaleError("x"))).toBe(409);
  await expect(answer(post(""), () => Promise.reject(new TypeError("x is not a function")))).rejects.toThrow(TypeError);
});
