import { watchingInput } from "@/contracts";
import { notFound, parse } from "../services/ground/context";
import type { Ask } from "./ask";
import { readJson, requireOwnOrigin, sendJson } from "./request";

/** A screen without a seat says that it watches: whoever has the date's pass is counted, and known by nothing else. */
export async function takeWatching(ask: Ask): Promise<void> {
  const { app, request, response, occurrenceId, query } = ask;
  requireOwnOrigin(request);
  const pass = query.get("pass") ?? "";
  if (!app.context.secrets.isProgrammePass(pass, occurrenceId, app.context.clock.now())) throw notFound("address");
  const { watcher } = parse(watchingInput, await readJson(request));
  app.overflow.sign(occurrenceId, watcher);
  sendJson(response, 200, { ok: true });
}
