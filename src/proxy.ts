import { type NextRequest, NextResponse } from "next/server";
import { CONTENT_POLICY, refusal } from "@/app/gate";

/**
 * Every page passes here first: who asks is checked, and what the page may load is said. What is under `/api` checks the same itself
 * (`answer`): here its body would be read whole before anybody could refuse it.
 */
export function proxy(request: NextRequest): Response {
  const why = refusal(request);
  if (why) return new Response(why, { status: 403, headers: { "content-type": "text/plain; charset=utf-8" } });
  const response = NextResponse.next();
  response.headers.set("content-security-policy", CONTENT_POLICY);
  return response;
}

export const config = { matcher: ["/((?!_next/static|icon.svg|api/).*)"] };
