import { readdirSync } from "node:fs";
import { CONTENT_POLICY, refusal } from "./gate";

const ask = (headers: Record<string, string>, method = "GET", path = "/api/jobs/1", env: Record<string, string> = {}) =>
  refusal(
    { method, url: `http://127.0.0.1:4170${path}`, headers: new Headers({ host: "127.0.0.1:4170", ...headers }) },
    env,
  );

test("a name of another that points here is no name of ours: nothing is read or done under it (DNS rebinding)", () => {
  for (const host of [
    "shop.example",
    "shop.example:4170",
    "127.0.0.1.example",
    "localhost.example",
    "10.0.0.7:4170",
    "",
  ])
    expect([host, ask({ host })]).toEqual([host, expect.stringContaining("no name of this program")]);
  for (const host of ["127.0.0.1:4170", "localhost", "LOCALHOST:4170", "[::1]:4170"])
    expect(ask({ host })).toBeUndefined();
});

test("opened to others it answers to its address in figures and to names it was given, and to no other", () => {
  const env = { HOST: "0.0.0.0", RUNDIK_NAMES: "shop.local, bench" };
  for (const host of ["10.0.0.7:4170", "[fe80::1]:4170", "shop.local:4170", "bench"])
    expect([host, ask({ host }, "GET", "/", env)]).toEqual([host, undefined]);
  expect(ask({ host: "shop.example" }, "GET", "/", env)).toMatch(/no name/);
});

test("a page of another site can open a page here and nothing else: no reading, no acting, no file", () => {
  const cross = { "sec-fetch-site": "cross-site" };
  const opening = { ...cross, "sec-fetch-mode": "navigate", "sec-fetch-dest": "document" };
  expect(ask(opening, "GET", "/jobs/1/shape")).toBeUndefined();
  expect(ask(opening, "GET", "/api/jobs/1/layout/boards.svg")).toMatch(/another site/);
  expect(ask({ ...opening, "sec-fetch-dest": "iframe" }, "GET", "/jobs/1/shape")).toMatch(/another site/);
  expect(ask({ ...cross, "sec-fetch-mode": "no-cors", "sec-fetch-dest": "image" })).toMatch(/another site/);
  expect(ask({ origin: "http://shop.example" }, "POST")).toMatch(/another site/);
  expect(ask({ origin: "null" }, "POST")).toMatch(/another site/);
  expect(ask({ origin: "http://127.0.0.1:9999" }, "POST")).toMatch(/another site/);
  expect(ask({ origin: "http://127.0.0.1:4170", "sec-fetch-site": "same-origin" }, "POST")).toBeUndefined();
  // Programs on this machine send neither.
  expect(ask({}, "POST")).toBeUndefined();
});

test("a page loads, runs and sends nothing elsewhere, and stands in no frame", () => {
  const from: Record<string, string[]> = Object.fromEntries(
    CONTENT_POLICY.split("; ").map((d) => [d.split(" ")[0], d.split(" ").slice(1)]),
  );
  for (const [what, sources] of Object.entries(from))
    for (const source of sources)
      expect([what, source]).toEqual([what, expect.stringMatching(/^('self'|'none'|'unsafe-inline'|data:|blob:)$/)]);
  expect([from["default-src"], from["frame-ancestors"], from["base-uri"]]).toEqual([
    ["'self'"],
    ["'none'"],
    ["'none'"],
  ]);
});

test("every route asks who it is: under another name none of them answers", async () => {
  const routes = readdirSync("src/app/api", { recursive: true, encoding: "utf8" })
    .filter((f) => f.endsWith("route.ts"))
    .map((f) => `src/app/api/${f}`);
  expect(routes.length).toBeGreaterThan(8);
  for (const file of routes) {
    const handlers = Object.entries(
      (await import(`../../${file}`)) as Record<string, (r: Request, c: object) => Promise<Response>>,
    );
    for (const [method, handle] of handlers) {
      if (!/^[A-Z]+$/.test(method)) continue;
      const request = new Request(`http://shop.example/${file}`, {
        method,
        ...(method === "GET" ? {} : { body: "{}", headers: { "content-type": "application/json" } }),
      });
      const reply = await handle(request, { params: Promise.resolve({ id: "1", line: "0", file: "item.svg" }) });
      expect([file, method, reply.status]).toEqual([file, method, 403]);
    }
  }
});
