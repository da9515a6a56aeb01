import type { IncomingMessage, ServerResponse } from "node:http";
import type { App } from "../compose";
import { Refusal } from "@/core/shared";
import { takeCommand } from "./command";
import { sendEarlier } from "./lines";
import { sendSurface } from "./surface";
import { sendFailure, sendJson } from "./request";
import { openStream } from "./stream";

const livePath = /^\/live\/([0-9a-f-]{36})\/(stream|commands|lines|surface)$/;

/** Whether this handler answers, before the framework's: everything under /live/, and the operators' question. */
export const isLive = (url: string): boolean => url.startsWith("/live/");

async function answer(app: App, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const url = new URL(request.url ?? "/", "http://live");
  const [, occurrenceId, what] = livePath.exec(url.pathname) ?? [];
  if (!occurrenceId) throw new Refusal({ code: "not-found", what: "address" });
  if (what === "stream" && request.method === "GET") {
    return openStream(app, request, response, occurrenceId, url.searchParams);
  }
  if (what === "lines" && request.method === "GET") {
    return sendEarlier(app, request, response, occurrenceId, url.searchParams);
  }
  if (what === "surface" && request.method === "GET") {
    return sendSurface(app, request, response, occurrenceId, url.searchParams);
  }
  if (what === "commands" && request.method === "POST") {
    return takeCommand(app, request, response, occurrenceId, url.searchParams.get("as"));
  }
  sendJson(response, 405, { ok: false });
}

/** The plain handler of the live edge. */
export function liveHandler(app: App): (request: IncomingMessage, response: ServerResponse) => void {
  return (request, response) => {
    answer(app, request, response).catch((error: unknown) => sendFailure(response, error, app.context.log));
  };
}

/** What a process without pages says of its health. */
export async function sayHealth(app: App, response: ServerResponse): Promise<void> {
  try {
    await app.context.db.execute("select 1");
    sendJson(response, 200, { ok: true });
  } catch {
    sendJson(response, 503, { ok: false });
  }
}
