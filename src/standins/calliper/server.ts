import { createServer, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { z } from "zod";
import { AS_NEW, type Calliper, pressed } from "./calliper";

const said = z.object({
  piece: z.coerce.number().min(-10).max(5000).optional(),
  noise: z.coerce.number().min(0).max(10).optional(),
  drift: z.coerce.number().min(-10).max(10).optional(),
  zero: z.coerce.number().min(-10).max(10).optional(),
  units: z.enum(["in", "mm"]).optional(),
  lost: z.stringbool().optional(),
});

export interface CalliperStandIn {
  url: string;
  /** Changes what it measures or how it goes wrong. */
  set(to: Partial<Calliper>): void;
  /** Presses its button. */
  press(): void;
  close(): Promise<void>;
}

/** Starts the made-up calliper: `/readings` is its line, a reading each time its button is pressed; `/stand-in` a page to hold it by. */
export async function startCalliper({ port = 0, chance = Math.random }: { port?: number; chance?: () => number } = {}): Promise<CalliperStandIn> {
  let calliper = AS_NEW;
  const lines = new Set<ServerResponse>();
  const set = (to: Partial<Calliper>) => {
    calliper = { ...calliper, ...to, ...("piece" in to ? { pressed: 0 } : {}) };
    if (calliper.lost) for (const l of lines) l.destroy();
  };
  const press = () => {
    const { line, after } = pressed(calliper, chance);
    calliper = after;
    if (!calliper.lost) for (const l of lines) l.write(`${line}\r\n`);
  };
  const server = createServer((request, response) => {
    const url = new URL(request.url ?? "/", "http://127.0.0.1");
    if (url.pathname === "/readings") {
      if (calliper.lost) return void response.destroy();
      response.writeHead(200, { "content-type": "text/plain" });
      response.write("\r\n");
      lines.add(response);
      response.on("close", () => lines.delete(response));
      return undefined;
    }
    if (request.method === "POST") {
      const read = said.safeParse(Object.fromEntries(url.searchParams));
      if (!read.success) return void response.writeHead(400).end(z.prettifyError(read.error));
      set(read.data as Partial<Calliper>);
      if (url.pathname === "/press") press();
      return void response.writeHead(303, { location: "/stand-in" }).end();
    }
    response.writeHead(200, { "content-type": "text/html; charset=utf-8" });
    return void response.end(page(calliper));
  });
  await new Promise<void>((done) => server.listen(port, "127.0.0.1", done));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    set,
    press,
    close: () =>
      new Promise((done) => {
        for (const l of lines) l.destroy();
        server.close(() => done());
        server.closeAllConnections();
      }),
  };
} // prettier-ignore

/** What it is held by: the piece between its jaws, and what is wrong with it. */
const page = (c: Calliper) => `<!doctype html><meta charset="utf-8"><title>Made-up calliper</title>
<body style="font:18px sans-serif;max-width:30em;margin:2em auto"><h1>Made-up calliper</h1>
<p>${c.lost ? "Its line is dead." : "Its line is open."} ${c.pressed} readings of this piece.</p>
<form onsubmit="event.preventDefault();fetch(event.submitter.value+'?'+new URLSearchParams(new FormData(this)),{method:'POST'}).then(()=>location.reload())">
${(["piece", "noise", "drift", "zero"] as const).map((k) => `<p><label>${k}, mm <input name="${k}" value="${c[k]}"></label></p>`).join("")}
<p><label>reads in <select name="units"><option${c.units === "mm" ? " selected" : ""}>mm</option><option${c.units === "in" ? " selected" : ""}>in</option></select></label></p>
<p><label>line dead <select name="lost"><option value="false">no</option><option value="true"${c.lost ? " selected" : ""}>yes</option></select></label></p>
<button value="/set">Set</button> <button value="/press" style="font-size:1.5em">Press its button</button></form>`;
