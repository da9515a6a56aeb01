import { eq } from "drizzle-orm";
import { playedSegments } from "@/core/reports";
import { chaptersOf, clockedChapters, placedChapters, type Chapter } from "@/core/watching";
import { occurrences } from "../../db/schema";
import { oneOf, type Context } from "../ground/context";
import { roomOf } from "../ground/room/commands";
import { segmentsOf } from "../planning/run-sheets";
import type { RecordingRow } from "./own-recording";

type Date_ = Pick<typeof occurrences.$inferSelect, "id" | "startAt" | "endAt" | "showStartedAt">;

/** What the hour tells of a recording: when it began, how long it is, and the segments that were on, on its own clock. */
async function asTheHourGave(context: Context, recording: RecordingRow, date: Date_) {
  const room = await roomOf(context.db, date.id);
  const titles = new Map((await segmentsOf(context.db, date.id)).map((segment) => [segment.id, segment.title]));
  const endedAt = room.hour.endedAt ?? date.endAt;
  const played = playedSegments(room.cues.given, endedAt).map((span) => ({
    ...span,
    title: titles.get(span.segmentId) ?? "",
  }));
  const startAt = date.showStartedAt ?? date.startAt;
  const durationSeconds = recording.durationSeconds ?? Math.max(0, (endedAt - startAt) / 1000);
  // of what the room recorded itself the clock is known: pauses are not in it (rule 25)
  const chapters = recording.spans
    ? clockedChapters(played, recording.spans, durationSeconds)
    : chaptersOf(played, startAt, durationSeconds);
  return { startAt, durationSeconds, chapters };
}

/** The same, with chapters that were placed by hand in place of those of the hour. */
export async function hourOf(context: Context, recording: RecordingRow, date: Date_) {
  const hour = await asTheHourGave(context, recording, date);
  const placed = recording.edit?.chapters;
  return placed ? { ...hour, chapters: placedChapters(placed, hour.durationSeconds) } : hour;
}

/** Chapters as the hour gave them, whatever was placed by hand. */
export async function originalChapters(context: Context, recording: RecordingRow): Promise<readonly Chapter[]> {
  const date = oneOf(
    await context.db.select().from(occurrences).where(eq(occurrences.id, recording.occurrenceId)),
    "date",
  );
  return (await asTheHourGave(context, recording, date)).chapters;
}
