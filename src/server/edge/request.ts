import type { IncomingMessage, ServerResponse } from "node:http";
import { httpStatusOf, wordsOf } from "@/contracts";
import { Refusal, type Failure } from "@/core/shared";
import { isDatabaseAway } from "../db/away";
import type { Log } from "../platform/log";

const mostBodyBytes = 16_384;

/** The body as JSON, refused unread where it says that it is larger, and cut off where it is all the same. */
export async function readJson(request: IncomingMessage): Promise<unknown> {
  const bytes = await readBytes(request, mostBodyBytes);
  try {
    return JSON.parse(bytes.toString("utf8"));
  } catch {
    return null;
  }
}

/** The body as it is, up to so many bytes. Read by events: one that is iterated costs more than the command it brings. */
export async function readBytes(request: IncomingMessage, mostBytes: number): Promise<Buffer> {
  const tooLarge = () => new Refusal({ code: "too-large", limitBytes: mostBytes });
  if (Number(request.headers["content-length"] ?? 0) > mostBytes) throw tooLarge();
  return new Promise((done, failed) => {
    const chunks: Buffer[] = [];
    let length = 0;
    const take = (chunk: Buffer) => {
      length += chunk.length;
      if (length > mostBytes) {
        request.off("data", take).pause();
        return failed(tooLarge());
      }
      chunks.push(chunk);
    };
    request.on("data", take);
    request.on("end", () => done(chunks.length === 1 ? chunks[0]! : Buffer.concat(chunks)));
    request.on("error", failed);
  });
}

/** Refuses a request of another site. */
export function requireOwnOrigin(request: IncomingMessage): void {
  const { origin, host } = request.headers;
  // what a browser of the address itself says, without reading it apart
  if (origin && host && (origin === `http://${host}` || origin === `https://${host}`)) return;
  if (!origin || !URL.canParse(origin) || new URL(origin).host !== host) throw new Refusal({ code: "wrong-origin" });
}

export function cookiesOf(request: IncomingMessage): ReadonlyMap<string, string> {
  const pairs = (request.headers.cookie ?? "").split(/; */).map((one): [string, string] => {
    const at = one.indexOf("=");
    return [one.slice(0, at), one.slice(at + 1)];
  });
  return new Map(pairs);
}

const plain = { "cache-control": "no-store", "x-content-type-options": "nosniff" };

export const sendJson = (response: ServerResponse, status: number, body: unknown): void =>
  sendJsonBytes(response, status, Buffer.from(JSON.stringify(body)));
/** The same for what was made before. */
export function sendJsonBytes(response: ServerResponse, status: number, bytes: Buffer): void {
  const headers = { ...plain, "content-type": "application/json", "content-length": bytes.length };
  response.writeHead(status, headers).end(bytes);
}

/** What went wrong, as a failure; null for a defect. */
function failureOf(error: unknown): Failure | null {
  if (error instanceof Refusal) return error.failure;
  const cause = (error as { cause?: { code?: string } }).cause ?? (error as { code?: string });
  if (cause?.code === "22P02" || cause?.code === "22021") return { code: "not-found", what: "id" };
  return isDatabaseAway(error) ? { code: "unavailable" } : null;
}

/** A refusal as its status, words and data. A defect is logged and answered as JSON too: a client can tell it from silence. */
export function sendFailure(response: ServerResponse, error: unknown, log: Log): void {
  const failure = failureOf(error);
  if (!failure) log.error("the live edge failed", error);
  if (response.headersSent) return void response.end();
  if (failure?.code === "too-large") response.setHeader("connection", "close");
  if (!failure) return sendJson(response, 500, { ok: false, failure: { code: "defect" } });
  sendJson(response, httpStatusOf[failure.code], { ok: false, failure, words: wordsOf(failure) });
}
