import { request as ask } from "node:http";
import { expect, test } from "./page";

const good = {
  format: "rundik-job",
  version: 1,
  name: "x",
  units: "in",
  lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: { thickness: "3/4" } }],
};
const line = (change: object) => ({ ...good, lines: [{ ...good.lines[0], ...change }] });

test("bad job files: each a clear message on the page, nothing kept", async ({ page }) => {
  await page.goto("/");
  const jobs = await page.getByRole("row").count();
  const files: [string, string, RegExp][] = [
    ["unknown item", JSON.stringify(line({ item: "bodi" })), /lines\[0\]\.item: read "bodi".*"body"/],
    ["negative quantity", JSON.stringify(line({ quantity: -3 })), /lines\[0\]\.quantity: read -3/],
    ["half a fraction", JSON.stringify(line({ options: { thickness: "19 7/" } })), /thickness: read "19 7\/"/],
    [
      "100 000 lines",
      JSON.stringify({ ...good, lines: Array.from({ length: 100_000 }, () => 1) }),
      /100000 entries, at most 1000/,
    ],
    ["wrong units", JSON.stringify({ ...good, units: "ells" }), /units: read "ells"/],
    ["prototype keys", '{"__proto__": {"polluted": true}}', /"__proto__"/],
    ["not JSON", "lines: 3", /not JSON/],
  ];
  for (const [name, text, why] of files) {
    await page
      .getByLabel("Job file")
      .setInputFiles({ name: `${name}.json`, mimeType: "application/json", buffer: Buffer.from(text) });
    await expect(page.getByRole("alert").filter({ hasText: why }), name).toBeVisible();
  }
  await page.reload();
  expect(await page.getByRole("row").count()).toBe(jobs);
});

test("200 MB is refused after the first few, and the server goes on", async ({ baseURL, request }) => {
  const refused = await new Promise<string>((resolve) => {
    const call = ask(
      `${baseURL}/api/jobs`,
      { method: "POST", headers: { "content-type": "application/json", "content-length": 200 * 1024 * 1024 } },
      (reply) => {
        let text = "";
        reply.on("data", (d: Buffer) => (text += d.toString()));
        reply.on("end", () => resolve(`${reply.statusCode} ${text}`));
      },
    );
    call.on("error", () => undefined);
    call.write(Buffer.alloc(1024 * 1024, " "));
  });
  expect(refused).toMatch(/^400 .*at most 4 MB/);
  expect((await request.post("/api/jobs", { data: line({}) })).status()).toBe(201);
});

test("acts that would not hold, and stale ones, are refused with their reason", async ({ request }) => {
  const { id } = (await (await request.post("/api/jobs", { data: line({}) })).json()) as { id: number };
  const act = async (data: object) => {
    const reply = await request.post(`/api/jobs/${id}/act`, { data });
    return `${reply.status()} ${await reply.text()}`;
  };
  expect(await act({ revision: 0, act: { do: "change line", at: 0, to: { quantity: 0 } } })).toMatch(/^400 .*quantity/);
  expect(await act({ revision: 9, act: { do: "name", name: "y" } })).toMatch(/^409/);
  expect(await act({ revision: 0, act: { do: "explode" } })).toMatch(/^400/);
  expect((await request.get("/api/jobs/99999")).status()).toBe(404);
  expect((await (await request.get(`/api/jobs/${id}`)).json()).revision).toBe(0);
});

test("laying out tells its progress and then the result", async ({ request }) => {
  const reply = await request.post("/api/layout", {
    data: {
      blanks: [
        {
          of: { line: 0, part: "side" },
          name: "Side",
          material: "wood",
          length: 500e6,
          width: 240e6,
          thickness: 19e6,
          quantity: 30,
          turn: false,
          block: false,
        },
      ],
      stock: [
        {
          form: "board",
          material: "pine",
          thickness: 19e6,
          width: 286e6,
          length: 2440e6,
          price: 9,
          available: null,
          source: "buy",
        },
      ],
      saw: { kerf: 3e6, endTrim: 6e6, edgeTrim: 0, sheetTrim: 0, minHold: 230e6, keepOffcut: 300e6, sheetStages: 2 },
      weighing: { setUp: 0, offcut: 0 },
      pinned: [],
    },
  });
  const said = (await reply.text())
    .trim()
    .split("\n")
    .map((l) => JSON.parse(l) as { progress?: object; result?: { count: number; proven: boolean } });
  // Four of 500 in 2428 with kerf, so 30 take 8 boards (by hand).
  expect(said.at(-1)!.result).toMatchObject({ count: 8, proven: true });
  expect(said.some((s) => s.progress)).toBe(true);
});

test("a script put into a page does not run: the server did not write its number on it", async ({ page }) => {
  await page.goto("/shop");
  const ran = await page.evaluate(async () => {
    const put = (to: (script: HTMLScriptElement) => void) => {
      const script = document.createElement("script");
      script.textContent = "globalThis.ran = (globalThis.ran ?? 0) + 1";
      to(script);
      document.head.append(script);
    };
    put(() => undefined);
    put((s) => s.setAttribute("nonce", "guessed"));
    document.body.insertAdjacentHTML("beforeend", `<img src="/none" onerror="globalThis.ran = 9">`);
    await new Promise((done) => setTimeout(done, 500));
    return (globalThis as { ran?: number }).ran ?? 0;
  });
  expect(ran).toBe(0);
});
