/**
 * Who is let in. The program answers to the machine it runs on, under the names of that machine: a page of another site can then
 * neither read it nor act on it, whatever name it has pointed here.
 */

const LOOPBACK = ["127.0.0.1", "localhost", "[::1]"];
/** What it may be told to listen on to stay with this machine. */
const LOOPBACK_HOSTS = [...LOOPBACK, "::1"];
/** An address in figures: no name can be pointed at another machine under it. */
const FIGURES = /^(\d{1,3}(\.\d{1,3}){3}|\[[0-9a-f:]+\])$/i;

const nameOf = (host: string): string => host.replace(/:\d+$/, "").toLowerCase();

type Env = Record<string, string | undefined>;

/** Others than this machine can reach the program. */
export const isOpen = (env: Env = process.env): boolean => env.HOST !== undefined && !LOOPBACK_HOSTS.includes(env.HOST);

/** The program may answer to this name: one of the machine's own, or, opened to others, its address in figures or `RUNDIK_NAMES`. */
function isOurs(host: string, env: Env): boolean {
  const name = nameOf(host);
  if (LOOPBACK.includes(name)) return true;
  if (!isOpen(env)) return false;
  const names = (env.RUNDIK_NAMES ?? "").split(",").map((n) => n.trim().toLowerCase());
  return FIGURES.test(name) || name === env.HOST!.toLowerCase() || names.includes(name);
}

/** Why a request is not answered, in a sentence; undefined when it is. */
export function refusal(
  { method, url, headers }: Pick<Request, "method" | "url" | "headers">,
  env: Env = process.env,
): string | undefined {
  const { pathname, host: asked } = new URL(url);
  const host = headers.get("host") ?? asked;
  if (!isOurs(host, env)) return `read the host "${host.slice(0, 100)}", which is no name of this program`;
  const origin = headers.get("origin");
  if (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`)
    return "asked by a page of another site";
  // A link from elsewhere may open a page; nothing else may be fetched, framed or sent from there.
  const opens =
    method === "GET" && headers.get("sec-fetch-mode") === "navigate" && headers.get("sec-fetch-dest") === "document";
  const site = headers.get("sec-fetch-site");
  if ((site === "cross-site" || site === "same-site") && (!opens || pathname.startsWith("/api/")))
    return "asked by a page of another site";
  return undefined;
}

/**
 * What a page may load and run: its own and nothing from elsewhere, nor may it send anything there. What stands in the page itself runs
 * only with a number that was drawn by the server, so that nothing put into it by a name or a file does.
 */
export const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
