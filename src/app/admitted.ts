import { database } from "@/store/database";
import { doorStore } from "@/store/door";
import { isOpen } from "./gate";

/** The page at the door, and what it asks: all that who is not in yet may see. */
export const DOOR = "/door";
const BEFORE_THE_DOOR = [DOOR, "/api/door"];

const COOKIE = "rundik-session";

/** The session a request comes with, if any. */
export const tokenOf = ({ headers }: Pick<Request, "headers">): string | undefined =>
  (headers.get("cookie") ?? "")
    .split("; ")
    .find((c) => c.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1);

/** Whoever asks from this machine is in; where the program is open to others, who entered the passphrase. Whatever name it is asked by. */
export function isAdmitted(
  request: Pick<Request, "headers" | "url">,
  env: Record<string, string | undefined> = process.env,
): boolean {
  if (!isOpen(env) || BEFORE_THE_DOOR.includes(new URL(request.url).pathname)) return true;
  return doorStore(database()).holds(tokenOf(request));
}

/** Keeps a session in the browser: out of reach of what runs in pages, and never sent along from another site. */
export const sessionCookie = (token: string, { url, headers }: Pick<Request, "url" | "headers">): string => {
  const safe = new URL(url).protocol === "https:" || headers.get("x-forwarded-proto") === "https";
  const age = token === "" ? 0 : 30 * 24 * 3600;
  return `${COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${age}${safe ? "; Secure" : ""}`;
};
