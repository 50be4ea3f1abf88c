import { NextResponse, type NextRequest } from "next/server";
import { knockOf, knownHosts, refusedAtDoor } from "./server/door";
import { env } from "./env";

/**
 * Stands before every page. Pages only: what passes here is held in memory by the framework and cut at 10 MB, so the
 * routes under /api knock at the door themselves.
 */
export function proxy(request: NextRequest): NextResponse {
  const refused = refusedAtDoor(
    knockOf(request.method, (name) => request.headers.get(name)),
    knownHosts(env().UNZO_HOSTS),
  );
  if (refused)
    return new NextResponse(refused.sentence, {
      status: refused.status,
      headers: { "content-type": "text/plain; charset=utf-8", "x-content-type-options": "nosniff" },
    });
  const nonce = Buffer.from(crypto.randomUUID()).toString("base64");
  const policy = contentPolicy(nonce);
  // The framework puts the nonce of the request's policy on every script of its own.
  const headers = new Headers(request.headers);
  headers.set("content-security-policy", policy);
  headers.set("x-nonce", nonce);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("referrer-policy", "same-origin");
  response.headers.set("x-frame-options", "DENY");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  response.headers.set("permissions-policy", "camera=(self), microphone=(), geolocation=()");
  return response;
}

/**
 * Nothing but our own files; scripts and styles of a page bear its nonce; styles on elements are set by charts and
 * dialogs.
 */
function contentPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "media-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
}

export const config = { matcher: ["/((?!api/|_next/static/|_next/image|icon.svg).*)"] };
