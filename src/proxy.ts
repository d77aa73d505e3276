import { type NextRequest, NextResponse } from "next/server";
import { contentPolicy, refusal } from "@/app/gate";

/** Every request passes here first: who asks is checked, and what a page may load is said. */
export function proxy(request: NextRequest): Response {
  const why = refusal(request.method, request.nextUrl.pathname, request.headers, process.env);
  if (why)
    return request.nextUrl.pathname.startsWith("/api/")
      ? Response.json({ error: why }, { status: 403 })
      : new Response(why, { status: 403, headers: { "content-type": "text/plain; charset=utf-8" } });
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString("base64");
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  return response;
}

export const config = { matcher: ["/((?!_next/static|icon.svg).*)"] };
