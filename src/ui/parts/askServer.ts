/** The server refused, in its own words. */
export class Refused extends Error {}

/** Nothing that can be read came back. */
export class NoAnswer extends Error {
  constructor() {
    super("the server does not answer");
  }
}

export type Method = "POST" | "PUT" | "PATCH" | "DELETE";

/**
 * Asks the server; a body is sent as JSON, text and files as they are. @throws Refused with the server's reason, NoAnswer
 * when there is none
 */
export async function askServer<T>(
  path: string,
  { method, body }: { method?: Method; body?: object | string } = {},
): Promise<T> {
  let ok: boolean;
  let status: number;
  let said: T & { error?: string };
  try {
    const reply = await fetch(
      path,
      method && {
        method,
        headers: { "content-type": "application/json" },
        body: typeof body === "string" || body instanceof Blob ? body : JSON.stringify(body),
      },
    );
    ({ ok, status } = reply);
    said = (await reply.json()) as T & { error?: string };
  } catch {
    throw new NoAnswer();
  }
  if (!ok) throw new Refused(said.error ?? `the server answered ${status}`);
  return said;
}
