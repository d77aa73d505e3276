import { type NextRequest, NextResponse } from "next/server";
import { DOOR, isAdmitted } from "@/app/admitted";
import { CONTENT_POLICY, refusal } from "@/app/gate";
import { storageFault } from "@/store/fault";

/**
 * Every page passes here first: who asks is checked, and what the page may load is said. What is under `/api` checks the same itself
 * (`answer`): here its body would be read whole before anybody could refuse it.
 */
export function proxy(request: NextRequest): Response {
  const why = refusal(request);
  if (why) return new Response(why, { status: 403, headers: { "content-type": "text/plain; charset=utf-8" } });
  const response = admitted(request) ? NextResponse.next() : NextResponse.redirect(new URL(DOOR, request.url));
  response.headers.set("content-security-policy", CONTENT_POLICY);
  return response;
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
