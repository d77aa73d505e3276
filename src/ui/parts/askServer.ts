/** The server refused, in its own words. */
export class Refused extends Error {}

/** Nothing that can be read came back. */
export class NoAnswer extends Error {
  constructor(why = "the server does not answer") {
    super(why);
  }
}

export type Method = "POST" | "PUT" | "PATCH" | "DELETE";

/** A server that has not answered after so many milliseconds hangs. */
const PATIENCE = 10_000;

/**
 * Asks the server; a body is sent as JSON, text and files as they are. @throws Refused with the server's reason, NoAnswer
 * when there is none
 */
export async function askServer<T>(
  path: string,
  { method, body, patience = PATIENCE }: { method?: Method; body?: object | string; patience?: number } = {},
): Promise<T> {
  let ok: boolean;
  let status: number;
  let said: T & { error?: string };
  try {
    const reply = await fetch(path, {
      signal: AbortSignal.timeout(patience),
      ...(method && {
        method,
        headers: { "content-type": "application/json" },
        body: typeof body === "string" || body instanceof Blob ? body : JSON.stringify(body),
      }),
    });
    ({ ok, status } = reply);
    said = (await reply.json()) as T & { error?: string };
  } catch {
    throw new NoAnswer();
  }
  // What is out for a while, or wants the passphrase again, is as if nobody answered: what waits is kept and tried again.
  if (status === 503 || status === 507 || status === 401) throw new NoAnswer(said.error);
  if (!ok) throw new Refused(said.error ?? `the server answered ${status}`);
  return said;
}

/** So long between one try and the next, ms. */
export const RETRY = 4000;

/**
 * Asks until there is an answer: for what does no harm when it is asked twice. `waits` is told why there is none yet.
 * @throws Refused with the server's reason
 */
export async function insist<T>(
  path: string,
  how: { method?: Method; body?: object | string },
  waits: (why: string) => void,
): Promise<T> {
  for (;;)
    try {
      return await askServer<T>(path, how);
    } catch (e) {
      if (!(e instanceof NoAnswer)) throw e;
      waits(e.message);
      await new Promise((again) => setTimeout(again, RETRY));
    }
}
