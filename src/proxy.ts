import { type NextRequest, NextResponse } from "next/server";
import { contentPolicy, refusal } from "@/app/gate";

/**
 * Every page passes here first: who asks is checked, and what the page may load is said. What is under `/api` checks the same itself
 * (`answer`): here its body would be read whole before anybody could refuse it.
 */
export function proxy(request: NextRequest): Response {
  const why = refusal(request);
  if (why) return new Response(why, { status: 403, headers: { "content-type": "text/plain; charset=utf-8" } });
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString("base64");
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  return response;
}

export const config = { matcher: ["/((?!_next/static|icon.svg|api/).*)"] };
