import { existsSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { z } from "zod";
import type { OrderSent } from "@/core/purchase/pricelist";
import { type Memory, NOTHING, Refused, Trader } from "./trader";
import { TRADERS } from "./traders";

/**
 * How the next answer goes wrong: nothing is taken and it says no; it says nothing for long; what it says breaks off half-way; the same
 * request reaches it twice; the line goes dead before or after it has done what was asked; it fails; it takes its time.
 */
export const FAULTS = ["refuses", "hangs", "answers half", "answers twice", "dies before", "dies after", "fails", "is slow"] as const; // prettier-ignore
export type Fault = (typeof FAULTS)[number];

const orderSchema = z.object({
  key: z.string().min(1).max(60),
  currency: z.string().nullable(),
  lines: z.array(z.object({ offer: z.string(), packs: z.number().int().min(1), price: z.number() })).min(1).max(500),
}) satisfies z.ZodType<OrderSent>; // prettier-ignore

export interface StandIn {
  url: string;
  traders: Trader[];
  /** The next answer of a supplier goes wrong so. */
  next(at: string, fault: Fault): void;
  close(): Promise<void>;
}

const SLOW_MS = 2500;

/** Starts the made-up suppliers. `file` is where they remember; without one they forget. */
export async function startSuppliers({
  port = 0,
  file,
  today = () => new Date(Date.now()).toISOString().slice(0, 10),
  slowMs = SLOW_MS,
}: { port?: number; file?: string | undefined; today?: () => string; slowMs?: number } = {}): Promise<StandIn> {
  const kept = file && existsSync(file) ? (JSON.parse(readFileSync(file, "utf8")) as Record<string, Memory>) : {};
  const traders = TRADERS.map((about) => new Trader(about, kept[about.at] ?? structuredClone(NOTHING), today));
  const faults = new Map<string, Fault[]>();
  const next = (at: string, fault: Fault) => void faults.set(at, [...(faults.get(at) ?? []), fault]);
  const remember = () => {
    if (!file) return;
    writeFileSync(`${file}.new`, JSON.stringify(Object.fromEntries(traders.map((t) => [t.about.at, t.memory]))));
    renameSync(`${file}.new`, file);
  };

  /** What is asked of a supplier, done; the status and what it says. */
  function done(trader: Trader, method: string, path: string, body: string): [number, unknown] {
    const key = /^\/orders\/([^/]{1,60})$/.exec(path)?.[1];
    try {
      if (method === "GET" && path === "/prices") return [200, trader.told()];
      if (method === "POST" && path === "/orders") {
        const read = orderSchema.safeParse(JSON.parse(body));
        return read.success ? [201, trader.take(read.data)] : [400, { error: z.prettifyError(read.error) }];
      }
      if (key && method === "GET") {
        const found = trader.look(key);
        return found ? [200, found] : [404, { error: "there is no such order" }];
      }
      if (key && method === "DELETE") return [200, trader.cancel(key)];
      return [404, { error: "there is nothing at this address" }];
    } catch (e) {
      if (e instanceof Refused) return [409, { error: e.message }];
      return [400, { error: (e as Error).message }];
    } finally {
      if (method !== "GET") remember();
    }
  }

  async function handle(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const body = await bodyOf(request);
    const { pathname } = new URL(request.url!, "http://localhost");
    if (pathname.startsWith("/stand-in")) return steer(request, response, new URLSearchParams(body));
    const [, at, ...rest] = pathname.split("/");
    const trader = traders.find((t) => t.about.at === at);
    if (!trader) return pathname === "/" ? send(response, 200, page(traders), "text/html") : send(response, 404, { error: "there is no such supplier" }); // prettier-ignore
    const ask = () => done(trader, request.method!, `/${rest.join("/")}`, body);
    const [fault, ...more] = faults.get(trader.about.at) ?? [];
    faults.set(trader.about.at, more);
    switch (fault) {
      case "refuses":
        return send(response, 422, { error: "closed for stock-taking until Monday" });
      case "fails":
        return send(response, 500, { error: "something broke" });
      case "dies before":
        return void request.socket.destroy();
      case "dies after":
        ask();
        return void request.socket.destroy();
      case "hangs":
        ask();
        return;
      case "is slow":
        await new Promise((r) => setTimeout(r, slowMs));
        break;
      case "answers twice":
        ask();
        break;
      case "answers half": {
        const text = JSON.stringify(ask()[1]);
        response.writeHead(200, { "content-type": "application/json", "content-length": String(text.length) });
        response.write(text.slice(0, text.length / 2), () => request.socket.destroy());
        return;
      }
    }
    const [status, said] = ask();
    send(response, status, said);
  }

  /** Its own page: days pass, and the next answer goes wrong. */
  function steer(request: IncomingMessage, response: ServerResponse, said: URLSearchParams): void {
    const days = Number(said.get("days") ?? 0);
    const fault = FAULTS.find((f) => f === said.get("fault"));
    const of = traders.filter((t) => !said.get("at") || t.about.at === said.get("at"));
    if (request.method === "POST") {
      if (days > 0 && days < 400) of.forEach((t) => t.pass(days));
      const sold = said.get("sold");
      if (sold) of.forEach((t) => t.sell(sold, Number(said.get("packs") ?? 1)));
      if (fault) of.forEach((t) => next(t.about.at, fault));
      remember();
    }
    response.writeHead(303, { location: "/" }).end();
  }

  const server: Server = createServer((request, response) => void handle(request, response));
  await new Promise<void>((resolve, reject) => server.once("error", reject).listen(port, "127.0.0.1", resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    traders,
    next,
    close: () =>
      new Promise((resolve) => {
        server.closeAllConnections();
        server.close(() => resolve());
      }),
  };
}

function send(response: ServerResponse, status: number, said: unknown, type = "application/json"): void {
  response.writeHead(status, { "content-type": `${type}; charset=utf-8` });
  response.end(typeof said === "string" ? said : JSON.stringify(said));
}

const MOST_BYTES = 1024 * 1024;

async function bodyOf(request: IncomingMessage): Promise<string> {
  let text = "";
  for await (const chunk of request) if ((text += String(chunk)).length > MOST_BYTES) break;
  return text;
}

const page = (traders: Trader[]) => `<!doctype html><html lang="en"><title>Made-up suppliers</title>
<h1>Made-up suppliers of Brackwater</h1><p>They stand in for real ones. Deliveries leave when their days have passed.</p>
<form method="post" action="/stand-in"><button name="days" value="1">A day passes</button> <button name="days" value="7">A week passes</button></form>
${traders.map(({ about, memory }) => `<h2>${about.list.name}</h2><p>/${about.at}: ${memory.days} days on, ${Object.keys(memory.orders).length} orders</p>
<form method="post" action="/stand-in"><input type="hidden" name="at" value="${about.at}">Next time it ${FAULTS.map((f) => `<button name="fault" value="${f}">${f}</button>`).join(" ")}</form>`).join("")}</html>`; // prettier-ignore
