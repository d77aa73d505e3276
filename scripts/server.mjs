import { createServer } from "node:http";
import { env } from "./steps.mjs";

/**
 * Serves what was built: `node scripts/server.mjs` with PORT, HOST and RUNDIK_DB. Scripts and styles go out as `pack.mjs`
 * packed them, the smallest the browser takes; all else is answered by the pages.
 */
Object.assign(process.env, env, { NODE_ENV: "production", PORT: process.env.PORT ?? "4170" });
const [port, host] = [Number(process.env.PORT), process.env.HOST ?? "127.0.0.1"];
const { default: next } = await import("next");
const { default: sirv } = await import("sirv");

const server = createServer((request, response) => files(request, response, () => pages(request, response)));
const app = next({ dev: false, hostname: host, port, httpServer: server });
const pages = app.getRequestHandler();
// Their names change with what is in them, so a browser may keep them for good.
const kept = sirv(".next/static", {
  brotli: true,
  gzip: true,
  immutable: true,
  maxAge: 31_536_000,
  setHeaders: (response) => response.setHeader("X-Content-Type-Options", "nosniff"),
});
const STATIC = "/_next/static";
function files(request, response, otherwise) {
  if (!request.url.startsWith(`${STATIC}/`)) return otherwise();
  const asked = request.url;
  request.url = asked.slice(STATIC.length);
  kept(request, response, () => ((request.url = asked), otherwise()));
}

await app.prepare();
server.listen(port, host, () => console.log(`serving http://${host}:${port}`));
server.once("error", (e) => {
  console.error(e.message);
  process.exit(1);
});

/** What is being answered is answered; pages that follow others' changes stay open, and are let go after a moment. */
let stopping = false;
function stop() {
  // Ctrl+C comes from the keyboard and from who started this: the second changes nothing.
  if (stopping) return;
  stopping = true;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), 1000).unref();
}
process.on("SIGTERM", stop).on("SIGINT", stop);
