import { request as httpRequest } from "node:http";
import { LRUCache } from "lru-cache";
import { NextResponse, type NextRequest } from "next/server";
import { pageKey, type PageKey } from "./page-key";

interface KeptPage {
  readonly status: number;
  readonly contentType: string;
  readonly link: string | null;
  readonly body: string;
  /** the nonce that the kept text was made with */
  readonly nonce: string;
}
interface Slot {
  readonly until: number;
  readonly page: Promise<KeptPage>;
}

const freshMs = 1000;
const mostPages = 300;
/** Marks the request by which a page is made for keeping. */
const fillHeader = "x-stage-call-fill";

// the proxy and the actions are bundled apart: one shelf for both
const shelf = globalThis as typeof globalThis & { stageCallPages?: LRUCache<string, Slot> };
const kept = (): LRUCache<string, Slot> => (shelf.stageCallPages ??= new LRUCache({ max: mostPages }));

/** After a change by the team: visitors see it at once, not a second later. */
export const forgetPages = (): void => kept().clear();

/** Public pages that are the same for everybody who brings neither a cookie nor a personal link. */
function isAnonymous(request: NextRequest): boolean {
  const { pathname, searchParams } = request.nextUrl;
  if (request.method !== "GET" || !(pathname === "/" || /^\/front\/[^/]+$/.test(pathname))) return false;
  const isPersonal = request.headers.has("cookie") || searchParams.has("for");
  return !isPersonal && !request.headers.has("rsc") && !request.headers.has(fillHeader);
}

function make(port: string, { path, locale, host }: PageKey): Promise<KeptPage> {
  const headers = { host, "accept-language": locale, [fillHeader]: "1" };
  return new Promise((done, failed) => {
    const outgoing = httpRequest({ host: "127.0.0.1", port, path, headers }, (incoming) => {
      const chunks: Buffer[] = [];
      incoming.on("data", (chunk: Buffer) => chunks.push(chunk));
      incoming.on("error", failed);
      incoming.on("end", () => {
        const policy = String(incoming.headers["content-security-policy"] ?? "");
        const nonce = /'nonce-([^']+)'/.exec(policy)?.[1];
        if (!nonce) return failed(new Error("page without a nonce"));
        const contentType = incoming.headers["content-type"] ?? "text/html";
        done({
          status: incoming.statusCode ?? 500,
          contentType,
          link: String(incoming.headers["link"] ?? "") || null,
          body: Buffer.concat(chunks).toString("utf8"),
          nonce,
        });
      });
    });
    outgoing.on("error", failed);
    outgoing.end();
  });
}

/**
 * An anonymous visitor's public page, made at most once a second whatever the rush, with a nonce of
 * its own in each answer. Null: the page is to be made as usual.
 */
export async function anonymousPage(request: NextRequest, nonce: string): Promise<NextResponse | null> {
  const port = process.env["PORT"];
  if (!port || !isAnonymous(request)) return null;
  const { nextUrl, headers } = request;
  const of = pageKey(
    nextUrl.pathname,
    nextUrl.searchParams,
    headers.get("accept-language") ?? "",
    headers.get("host") ?? "",
  );
  if (!of) return null;
  const key = JSON.stringify(of);
  const pages = kept();
  const now = Date.now();
  let slot = pages.get(key);
  if (!slot || slot.until < now) {
    slot = { until: now + freshMs, page: make(port, of) };
    pages.set(key, slot);
  }
  try {
    const page = await slot.page;
    // a page that leads elsewhere, or is none, is made as usual
    if (page.status !== 200) {
      pages.delete(key);
      return null;
    }
    const response = new NextResponse(page.body.replaceAll(page.nonce, nonce));
    response.headers.set("content-type", page.contentType);
    if (page.link) response.headers.set("link", page.link);
    return response;
  } catch {
    pages.delete(key);
    return null;
  }
}
