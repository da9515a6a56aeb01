import { and, eq, isNull } from "drizzle-orm";
import { isCurtainUp, isInHouse, isOfTheStage } from "@/core/room";
import { Refusal } from "@/core/shared";
import { servedOf } from "../db/queries/served";
import { occurrences, recordings } from "../db/schema";
import { captionLanguagesOf, captionsText } from "../services/afterwards/caption-files";
import { notFound } from "../services/ground/context";
import type { Ask } from "./ask";
import { roomOfAsker } from "./access";
import { sendFile } from "./send-file";
import { sendJson } from "./request";

/** What is shown at this date, for whoever is inside while the curtain is up. */
async function shownTo(ask: Ask) {
  const { app, occurrenceId } = ask;
  const { room, standing } = await roomOfAsker(ask);
  if (!standing || !(isInHouse(standing) || isOfTheStage(standing))) throw new Refusal({ code: "not-inside" });
  if (!isCurtainUp(room.state.hour)) throw notFound("recording");
  const [row] = await app.context.db
    .select({ recording: recordings })
    .from(occurrences)
    .innerJoin(recordings, and(eq(recordings.id, occurrences.screeningOf), isNull(recordings.deletedAt)))
    .where(eq(occurrences.id, occurrenceId));
  if (!row) throw notFound("recording");
  return row.recording;
}

/** The bytes of the recording that is watched together, with HTTP Range (RFC 9110 §14): a screen goes where all are. */
export async function sendScreening(ask: Ask): Promise<void> {
  const recording = await shownTo(ask);
  await sendFile(ask, { ...servedOf(recording), mediaType: recording.mediaType, cache: "private, no-store" });
}

/** In which languages it is captioned, or the captions of one (WebVTT). */
export async function sendScreeningCaptions(ask: Ask): Promise<void> {
  const { app, response, query } = ask;
  const recording = await shownTo(ask);
  const { context } = app;
  const language = query.get("language");
  if (language === null)
    return sendJson(response, 200, { languages: await captionLanguagesOf(context, recording.occurrenceId) });
  const [date] = await context.db.select().from(occurrences).where(eq(occurrences.id, recording.occurrenceId));
  const text = await captionsText(context, recording.occurrenceId, language, {
    startAt: date!.showStartedAt ?? date!.startAt,
    durationMs: Infinity,
    spans: recording.spans,
    kept: servedOf(recording).kept,
  });
  response.writeHead(200, { "content-type": "text/vtt; charset=utf-8", "cache-control": "private, no-store" });
  response.end(text);
}
