import { randomBytes } from "node:crypto";
import { type NextRequest, NextResponse } from "next/server";
import { DOOR, isAdmitted } from "@/app/admitted";
import { contentPolicy, refusal } from "@/app/gate";
import { storageFault } from "@/store/fault";

/**
 * Every page passes here first: who asks is checked, and what the page may load is said. What is under `/api` checks the same itself
 * (`answer`): here its body would be read whole before anybody could refuse it.
 */
export function proxy(request: NextRequest): Response {
  const why = refusal(request);
  if (why) return new Response(why, { status: 403, headers: { "content-type": "text/plain; charset=utf-8" } });
  const policy = contentPolicy(nonceNow());
  // The program puts the number of the policy it is asked with on every script it writes.
  const headers = new Headers(request.headers);
  headers.set("content-security-policy", policy);
  const response = admitted(request)
    ? NextResponse.next({ request: { headers } })
    : NextResponse.redirect(new URL(DOOR, request.url));
  response.headers.set("content-security-policy", policy);
  return response;
}

const HOUR = 3_600_000;
let drawn = { nonce: "", until: 0 };
/**
 * The number of this hour. A browser compiles scripts anew for every new one, which costs a page 300 ms; whoever could read it in a page
 * of this hour is in already.
 */
function nonceNow(): string {
  if (Date.now() >= drawn.until) drawn = { nonce: randomBytes(16).toString("base64"), until: Date.now() + HOUR };
  return drawn.nonce;
}

/** A database that does not answer is said by the page, and no page shows anything without it. */
function admitted(request: NextRequest): boolean {
  try {
    return isAdmitted(request);
  } catch (e) {
    if (storageFault(e)) return true;
    throw e;
  }
}

export const config = { matcher: ["/((?!_next/static|icon.svg|api/).*)"] };
