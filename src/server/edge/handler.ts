import type { IncomingMessage, ServerResponse } from "node:http";
import type { App } from "../compose";
import { programmePartOf } from "@/core/programme";
import { Refusal } from "@/core/shared";
import type { Ask } from "./ask";
import { takeCommand } from "./command";
import { sendEarlier } from "./lines";
import { sendSurface } from "./surface";
import { sendFailure, sendJson } from "./request";
import { sendIceServers } from "./ice";
import { answerLease, takePiece } from "./make-programme";
import { sendOnDemand } from "./on-demand";
import { sendProgramme } from "./programme";
import { sendScreening, sendScreeningCaptions } from "./screening";
import { openStream } from "./stream";
import { takeWatching } from "./watching";

type Answer = (ask: Ask) => void | Promise<void>;
/** What the edge answers, by the last part of the address and the method. */
const answers: Readonly<Record<string, Readonly<Record<string, Answer>>>> = {
  stream: { GET: openStream },
  lines: { GET: sendEarlier },
  surface: { GET: sendSurface },
  commands: { POST: takeCommand },
  ice: { GET: sendIceServers },
  lease: { POST: answerLease },
  pieces: { POST: takePiece },
  watching: { POST: takeWatching },
  "on-demand": { GET: sendOnDemand, HEAD: sendOnDemand },
  screening: { GET: sendScreening },
  "screening-captions": { GET: sendScreeningCaptions },
};
const media: Readonly<Record<string, Answer>> = { GET: sendProgramme };
const isMedia = (part: string): boolean => part.startsWith("sound/") || programmePartOf(part) !== null;
const livePath = /^\/live\/([0-9a-f-]{36})\/(.+)$/;

/** Whether this handler answers, before the framework's: everything under /live/, and the operators' question. */
export const isLive = (url: string): boolean => url.startsWith("/live/");

async function answer(app: App, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const asked = request.url ?? "/";
  const at = asked.indexOf("?");
  const [path, search] = at < 0 ? [asked, ""] : [asked.slice(0, at), asked.slice(at + 1)];
  const [, occurrenceId, part] = livePath.exec(path) ?? [];
  const byMethod = part === undefined ? undefined : isMedia(part) ? media : answers[part];
  if (!occurrenceId || !part || !byMethod) throw new Refusal({ code: "not-found", what: "address" });
  const run = byMethod[request.method ?? ""];
  if (!run) return sendJson(response, 405, { ok: false });
  const query = new URLSearchParams(search);
  return run({ app, request, response, occurrenceId, part, query, as: query.get("as") });
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
