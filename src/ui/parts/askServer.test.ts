import { askServer, NoAnswer, Refused } from "./askServer";

const ofServer = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = ofServer;
});
/** Answers once with a status and a body as it stands. */
const answering = (status: number, body: string) => {
  const seen: RequestInit[] = [];
  globalThis.fetch = (async (_: string, how: RequestInit) => {
    seen.push(how);
    return new Response(body, { status });
  }) as typeof fetch;
  return seen;
};

test("what the server says comes back; objects go as JSON, text as it is", async () => {
  const seen = answering(200, '{"id":7}');
  expect(await askServer("/api/jobs", { method: "POST", body: { name: "x" } })).toEqual({ id: 7 });
  await askServer("/api/jobs", { method: "POST", body: '{"as": "it is"}' });
  await askServer("/api/jobs/7");
  expect(seen.map((s) => s?.body)).toEqual(['{"name":"x"}', '{"as": "it is"}', undefined]);
});

test.each<[string, number, string, typeof Refused | typeof NoAnswer, string]>([
  ["refused in words", 409, '{"error":"the job was changed elsewhere"}', Refused, "the job was changed elsewhere"],
  ["refused without any", 500, "{}", Refused, "the server answered 500"],
  ["a page of something else in between", 502, "<html>bad gateway</html>", NoAnswer, "the server does not answer"],
  ["an answer cut short", 200, '{"id":', NoAnswer, "the server does not answer"],
])("%s", async (_, status, body, kind, words) => {
  answering(status, body);
  const said = await askServer("/api/jobs/7").catch((e: unknown) => e);
  expect(said).toBeInstanceOf(kind);
  expect((said as Error).message).toBe(words);
});

test("no connection at all is no answer", async () => {
  globalThis.fetch = () => Promise.reject(new TypeError("fetch failed"));
  await expect(askServer("/api/jobs/7")).rejects.toBeInstanceOf(NoAnswer);
});
