import { createServer as createPage } from "node:http";
import { type AddressInfo, createServer, type Server, type Socket } from "node:net";

export interface LabelPrinterStandIn {
  /** `host:port` that takes documents. */
  address: string;
  /** A page that shows what came out, where it was asked for. */
  page?: string;
  /** What came out, the newest last. */
  printed: Buffer[];
  /** It breaks off whatever comes while it is out of labels. */
  outOfLabels(out: boolean): void;
  close(): Promise<void>;
}

/** It keeps so many documents, and takes none larger than so many bytes. */
const [KEPT, LARGEST] = [20, 20_000_000];

const listening = (server: Server, port: number) => new Promise<number>((done) => server.listen(port, "127.0.0.1", () => done((server.address() as AddressInfo).port))); // prettier-ignore

/** Starts the made-up label printer: documents come in raw; with `pagePort` a page shows what came out and takes its labels away. */
export async function startLabelPrinter({ port = 0, pagePort }: { port?: number; pagePort?: number } = {}): Promise<LabelPrinterStandIn> {
  const printed: Buffer[] = [];
  const lines = new Set<Socket>();
  let out = false;
  const server = createServer({ allowHalfOpen: true }, (line) => {
    lines.add(line);
    line.on("error", () => undefined).on("close", () => lines.delete(line));
    if (out) return void line.resetAndDestroy();
    const parts: Buffer[] = [];
    let size = 0;
    line.on("data", (d: Buffer) => {
      parts.push(d);
      if ((size += d.length) > LARGEST) line.resetAndDestroy();
    });
    line.on("end", () => {
      printed.push(Buffer.concat(parts));
      printed.splice(0, printed.length - KEPT);
      line.end();
    });
    return undefined;
  });
  const taken = await listening(server, port);
  const web = createPage((request, response) => {
    const nth = /^\/(\d+)\.pdf$/.exec(request.url ?? "")?.[1];
    const one = nth === undefined ? undefined : printed[Number(nth)];
    if (one) return void response.writeHead(200, { "content-type": "application/pdf" }).end(one);
    if (request.method === "POST") {
      out = !out;
      return void response.writeHead(303, { location: "/" }).end();
    }
    response.writeHead(200, { "content-type": "text/html; charset=utf-8" });
    return void response.end(page(out, printed.length));
  });
  const shown = pagePort === undefined ? undefined : await listening(web, pagePort);
  return {
    address: `127.0.0.1:${taken}`,
    ...(shown === undefined ? {} : { page: `http://127.0.0.1:${shown}/` }),
    printed,
    outOfLabels: (is) => void (out = is),
    close: async () => {
      for (const l of lines) l.destroy();
      await Promise.all([server, ...(shown === undefined ? [] : [web])].map((s) => new Promise((done) => s.close(done))));
    },
  };
} // prettier-ignore

const page = (
  out: boolean,
  printed: number,
) => `<!doctype html><meta charset="utf-8"><title>Made-up label printer</title>
<body style="font:18px sans-serif;max-width:40em;margin:2em auto"><h1>Made-up label printer</h1>
<form method="post"><p>${out ? "It is out of labels." : "It has labels."} <button>${out ? "Put labels in" : "Take its labels out"}</button></p></form>
${printed === 0 ? "<p>Nothing came out yet.</p>" : ""}${Array.from({ length: printed }, (_, i) => `<p><a href="/${i}.pdf">print ${i + 1}</a></p>`).join("")}`;
