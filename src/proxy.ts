import { NextResponse, type NextRequest } from "next/server";
import { anonymousPage } from "./app/_lib/anonymous-pages";
import { playerStyles } from "./app/_lib/player-styles";
import { countVisit } from "./app/_lib/visits";
import { isBehindToken } from "./app/_lib/behind-token";

/** Mail programs post one-click unsubscribes without an origin (RFC 8058); the token is the proof there. */
const withoutOrigin = /^\/unsubscribe\//;
/** Links in mails begin with this: a house that is reached by TLS is never reached without again (RFC 6797). */
const isEncrypted = (process.env["STAGE_CALL_URL"] ?? "").startsWith("https:");

/** @param path of the page: one with a player lets the player's own styles in */
function policy(nonce: string, path: string): string {
  const ofPlayer = path.startsWith("/on-demand/") ? playerStyles.map((hash) => ` 'sha256-${hash}'`).join("") : "";
  const development = process.env.NODE_ENV === "development" ? " 'unsafe-eval'" : "";
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development}`,
    // the notices' library writes one style element of its own: empty first, then these very bytes
    `style-src 'self' 'nonce-${nonce}' 'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU=' 'sha256-StEaX+se6YS7pqjzrzMIA0KaX9zF/8zAhvQXZAe5epY='${ofPlayer}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "connect-src 'self'",
    "frame-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'self'",
  ].join("; ");
}

/** Whether a request that changes something comes from this very site. */
function isForeign(request: NextRequest): boolean {
  if (request.method === "GET" || request.method === "HEAD" || request.method === "OPTIONS") return false;
  if (withoutOrigin.test(request.nextUrl.pathname)) return false;
  const origin = request.headers.get("origin");
  return origin === null || new URL(origin).host !== request.headers.get("host");
}

export async function proxy(request: NextRequest): Promise<NextResponse> {
  if (isForeign(request)) return NextResponse.json({ ok: false, failure: { code: "wrong-origin" } }, { status: 403 });
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString("base64");
  const headers = new Headers(request.headers);
  headers.set("content-security-policy", policy(nonce, request.nextUrl.pathname));
  const oneClick = /^\/unsubscribe\/[\w-]+$/.test(request.nextUrl.pathname) && request.method === "POST";
  if (oneClick) return NextResponse.rewrite(new URL(`${request.nextUrl.pathname}/one-click`, request.url));
  countVisit(request);
  const response = (await anonymousPage(request, nonce)) ?? NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy(nonce, request.nextUrl.pathname));
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set(
    "permissions-policy",
    "camera=(self), microphone=(self), geolocation=(), display-capture=(self)",
  );
  response.headers.set("cross-origin-opener-policy", "same-origin");
  if (isEncrypted) response.headers.set("strict-transport-security", "max-age=31536000; includeSubDomains");
  const isSecret = isBehindToken(request.nextUrl.pathname, request.nextUrl.searchParams);
  response.headers.set("referrer-policy", isSecret ? "no-referrer" : "strict-origin-when-cross-origin");
  if (isSecret) {
    response.headers.set("cache-control", "no-store");
    response.headers.set("x-robots-tag", "noindex");
  }
  return response;
}

// uploads check origin and length on their own: bodies over 10 MB would be cut here. Commands of a room and
// registrations come by the hundred a second, carry no page, and check their origin on their own too. What works on
// backgrounds has a policy of its own
export const config = {
  matcher: ["/((?!_next/static|_next/image|favicon|icon.svg|upload/|live/|background/|front/[^/]+/register$).*)"],
};
