import { NextRequest } from "next/server";
import { proxy } from "@/proxy";
import { database } from "@/store/database";
import { doorStore } from "@/store/door";
import * as doorRoute from "./api/door/route";
import * as jobRoute from "./api/jobs/[id]/route";
import { contentPolicy, refusal } from "./gate";
import { handlers } from "./tests/mutate";

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
    contentPolicy("drawn")
      .split("; ")
      .map((d) => [d.split(" ")[0], d.split(" ").slice(1)]),
  );
  for (const [what, sources] of Object.entries(from))
    for (const source of sources)
      expect([what, source]).toEqual([
        what,
        expect.stringMatching(/^('self'|'none'|'unsafe-inline'|'nonce-drawn'|data:|blob:)$/),
      ]);
  expect(from["script-src"]).toEqual(["'self'", "'nonce-drawn'"]);
  expect([from["default-src"], from["frame-ancestors"], from["base-uri"]]).toEqual([
    ["'self'"],
    ["'none'"],
    ["'none'"],
  ]);
});

/** Every handler of every route, each with a request from this machine. */
async function everyHandler(url: string, headers: Record<string, string> = {}) {
  const all: [string, Response][] = [];
  for (const [name, handle] of await handlers()) {
    const [method, route] = name.split(" ") as [string, string];
    const body = method === "GET" ? {} : { body: "{}", headers: { ...headers, "content-type": "application/json" } };
    const request = new Request(`${url}/api/${route}`, { method, headers, ...body });
    const params = Promise.resolve({ id: "1", line: "0", file: "item.svg" });
    all.push([name, await handle(request, { params })]);
  }
  expect(all.length).toBeGreaterThan(12);
  return all;
}

test("every route asks who it is: under another name none of them answers", async () => {
  for (const [name, reply] of await everyHandler("http://shop.example"))
    expect([name, reply.status]).toEqual([name, 403]);
});

describe("open to others", () => {
  const PASS = "four dry boards in the yard";
  beforeAll(async () => {
    process.env.RUNDIK_DB = ":memory:";
    process.env.HOST = "0.0.0.0";
    await doorStore(database()).set(PASS);
  });
  afterAll(() => delete process.env.HOST);
  const door = (method: "POST" | "DELETE", body: object, cookie = "") =>
    (method === "POST" ? doorRoute.POST : doorRoute.DELETE)(
      new Request("http://10.0.0.7/api/door", { method, headers: { "content-type": "application/json", cookie }, body: JSON.stringify(body) }), // prettier-ignore
    );
  const enter = async (cookie = "") => (await door("POST", { passphrase: PASS }, cookie)).headers.get("set-cookie")!;
  const token = (cookie: string) => cookie.split(";")[0]!;

  test("no route but the door answers who is not in, whatever name of this machine it is asked by", async () => {
    for (const url of ["http://10.0.0.7", "http://localhost"])
      for (const [name, reply] of await everyHandler(url, { cookie: "rundik-session=made-up" }))
        if (!name.endsWith(" door")) expect([name, reply.status]).toEqual([name, 401]);
    expect((await door("DELETE", { id: 1 }, "rundik-session=made-up")).status).toBe(403);
    expect((await door("POST", { passphrase: "guess" })).status).toBe(403);
  });

  test("pages send who is not in to the door, and nowhere else", async () => {
    const page = (path: string, cookie = "") => proxy(new NextRequest(`http://10.0.0.7${path}`, { headers: { host: "10.0.0.7", cookie } })); // prettier-ignore
    for (const path of ["/", "/jobs/1/shape", "/patterns", "/doors"])
      expect([path, page(path).headers.get("location")]).toEqual([path, "http://10.0.0.7/door"]);
    expect(page("/door").headers.get("location")).toBeNull();
    expect(page("/", token(await enter())).headers.get("location")).toBeNull();
  });

  test("a session is a new one, whatever the browser came with; it cannot be read in a page or sent from another site", async () => {
    const planted = "rundik-session=planted";
    const cookie = await enter(planted);
    expect(token(cookie)).not.toBe(planted);
    expect(cookie).toMatch(/; HttpOnly; SameSite=Strict/);
    const jobs = (with_: string) => jobRoute.GET(new Request("http://10.0.0.7/api/jobs/1", { headers: { cookie: with_ } }), { params: Promise.resolve({ id: "1" }) }); // prettier-ignore
    expect((await jobs(planted)).status).toBe(401);
    expect((await jobs(token(cookie))).status).toBe(404);
    expect((await door("DELETE", {}, token(cookie))).headers.get("set-cookie")).toMatch(/Max-Age=0/);
    expect((await jobs(token(cookie))).status).toBe(401);
  });
});
