import { fileTypeFromBuffer } from "file-type";
import { and, desc, eq } from "drizzle-orm";
import { chaptersFile, chaptersOf, type Chapter } from "@/core/watching";
import { playedSegments } from "@/core/reports";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { events, messages, occurrences, recordings } from "../../db/schema";
import { nobody } from "@/core/mailings";
import { accessFor, dateAccess, eventAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { planMessages } from "../ground/mail-plan";
import { countAudience } from "../mailings/audience";
import { notFound, oneOf, type Context } from "../ground/context";
import { bytesToSpare } from "../ground/store-room";
import { doorOf, type ProofOf } from "../way-in/door-rule";
import type { Organisation } from "../way-in/front-door";
import { roomOf } from "../ground/room/commands";
import { segmentsOf } from "../planning/run-sheets";

type Recording = typeof recordings.$inferSelect;

/** What the bytes are, whatever the name says. */
async function mediaTypeOf(head: Uint8Array): Promise<Recording["mediaType"]> {
  const type = await fileTypeFromBuffer(head);
  if (type?.mime === "video/mp4" || type?.mime === "video/webm") return type.mime;
  throw new Refusal({ code: "bad-file", reason: "not-a-video" });
}

/** Takes an upload whole or not at all; content and size are checked, nothing half-written stays. */
export async function uploadRecording(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  body: ReadableStream<Uint8Array>,
  expectedBytes: number | null,
): Promise<string> {
  const { event } = await dateAccess(context, member, eventId, occurrenceId, "recording.upload");
  const id = context.ids.id();
  const fileName = `${id}.media`;
  const limitBytes = context.environment.STAGE_CALL_UPLOAD_LIMIT_MB * 1_000_000;
  const maxBytes = await bytesToSpare(context, event.organisationId, limitBytes, expectedBytes);
  const sizeBytes = await context.storage.write(fileName, body, { maxBytes, expectedBytes });
  try {
    const mediaType = await mediaTypeOf(await context.storage.head(fileName, 8192));
    const row = {
      id,
      organisationId: event.organisationId,
      occurrenceId,
      slug: `${event.slug}-${context.ids.code(5)}`,
      title: event.title,
      fileName,
      mediaType,
      sizeBytes,
    };
    await context.db.insert(recordings).values({ ...row, uploadedAt: context.clock.now() });
    await audit(context, context.db, {
      organisationId: event.organisationId,
      actorId: member.userId,
      action: "recording.upload",
      eventId,
      occurrenceId,
    });
    return id;
  } catch (error) {
    await context.storage.remove(fileName);
    throw error;
  }
}

async function ownRecording(
  context: Context,
  member: TeamMember,
  recordingId: string,
): Promise<{ recording: Recording; eventId: string }> {
  const [row] = await context.db
    .select({ recording: recordings, eventId: occurrences.eventId })
    .from(recordings)
    .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
    .where(and(eq(recordings.id, recordingId), eq(recordings.organisationId, member.organisationId)));
  const found = oneOf(row ? [row] : [], "recording");
  await accessFor(context, member, found.eventId, "recording.upload");
  return found;
}

/** Word to everybody registered for a date that its recording can be watched. Whoever had it has it: once a date. */
async function tellOfRecording(
  context: Context,
  tx: Db,
  { organisationId, eventId, occurrenceId }: { organisationId: string; eventId: string; occurrenceId: string },
  publishedFrom: number,
): Promise<number> {
  const told = await tx
    .select({ ticketId: messages.ticketId })
    .from(messages)
    .where(and(eq(messages.occurrenceId, occurrenceId), eq(messages.kind, "recording-ready")));
  const toldTickets = new Set(told.map((one) => one.ticketId));
  const { targets } = await countAudience(
    context,
    tx,
    { organisationId, eventId, dateId: occurrenceId, kind: "note" },
    { ...nobody, standing: ["registered"] },
  );
  const dueAt = Math.max(publishedFrom, context.clock.now());
  return planMessages(
    context,
    tx,
    targets
      .filter((one) => !toldTickets.has(one.ticketId))
      .map((one) => ({
        organisationId,
        eventId,
        occurrenceId,
        personId: one.personId!,
        ticketId: one.ticketId,
        kind: "recording-ready",
        dueAt,
      })),
  );
}

/**
 * Publishes a recording from a moment on, or takes it back with null. Those who registered hear of it where
 * that is asked for, once it can be watched; a publication taken back or moved takes the mails not sent along.
 * @returns how many will be told
 */
export async function publishRecording(
  context: Context,
  member: TeamMember,
  recordingId: string,
  publishedFrom: number | null,
  tellPeople = false,
): Promise<number> {
  const { recording, eventId } = await ownRecording(context, member, recordingId);
  const { organisationId, occurrenceId } = recording;
  return context.db.transaction(async (tx) => {
    await tx.update(recordings).set({ publishedFrom }).where(eq(recordings.id, recording.id));
    await tx
      .delete(messages)
      .where(
        and(
          eq(messages.occurrenceId, occurrenceId),
          eq(messages.kind, "recording-ready"),
          eq(messages.state, "planned"),
        ),
      );
    if (publishedFrom === null || !tellPeople) return 0;
    return tellOfRecording(context, tx, { organisationId, eventId, occurrenceId }, publishedFrom);
  });
}

export async function setDuration(
  context: Context,
  member: TeamMember,
  recordingId: string,
  durationSeconds: number,
): Promise<void> {
  const { recording } = await ownRecording(context, member, recordingId);
  await context.db
    .update(recordings)
    .set({ durationSeconds: Math.round(durationSeconds) })
    .where(eq(recordings.id, recording.id));
}

/** The recordings of one date. */
export async function recordingsOfDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<readonly Recording[]> {
  await eventAccess(context, member, eventId);
  return context.db
    .select()
    .from(recordings)
    .where(and(eq(recordings.occurrenceId, occurrenceId), eq(recordings.organisationId, member.organisationId)))
    .orderBy(desc(recordings.uploadedAt))
    .limit(20);
}

export interface Library {
  readonly recording: Recording;
  readonly eventId: string;
  readonly recordedAt: number;
}

/** The organisation's recordings, newest first. */
export async function library(context: Context, member: TeamMember): Promise<readonly Library[]> {
  return context.db
    .select({ recording: recordings, eventId: occurrences.eventId, recordedAt: occurrences.startAt })
    .from(recordings)
    .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
    .where(eq(recordings.organisationId, member.organisationId))
    .orderBy(desc(recordings.uploadedAt))
    .limit(200);
}

export interface OnDemand {
  readonly isLocked: false;
  readonly recording: Recording;
  readonly eventTitle: string;
  readonly zone: string;
  readonly recordedAt: number;
  readonly durationSeconds: number;
  readonly chapters: readonly Chapter[];
}

/** A published recording with its chapters; before its hour it is not found, except for the team's own eyes. */
export async function onDemand(
  context: Context,
  organisation: Organisation,
  slug: string,
  proofOf: ProofOf,
): Promise<OnDemand | { readonly isLocked: true; readonly eventSlug: string }> {
  const [row] = await context.db
    .select({ recording: recordings, occurrence: occurrences, event: events })
    .from(recordings)
    .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(and(eq(recordings.organisationId, organisation.id), eq(recordings.slug, slug)));
  if (!row || row.recording.publishedFrom === null || row.recording.publishedFrom > context.clock.now())
    throw notFound("recording");
  const { recording, occurrence, event } = row;
  const door = doorOf(context, event, { cookie: proofOf(event.slug), isInvited: false });
  if (door === "absent") throw notFound("recording");
  if (door === "locked") return { isLocked: true, eventSlug: event.slug };
  const room = await roomOf(context.db, occurrence.id);
  const titles = new Map((await segmentsOf(context.db, occurrence.id)).map((segment) => [segment.id, segment.title]));
  const played = playedSegments(room.cues.given, room.hour.endedAt ?? occurrence.endAt).map((span) => ({
    ...span,
    title: titles.get(span.segmentId) ?? "",
  }));
  const startAt = occurrence.showStartedAt ?? occurrence.startAt;
  const duration = recording.durationSeconds ?? Math.max(0, ((room.hour.endedAt ?? occurrence.endAt) - startAt) / 1000);
  return {
    recording,
    isLocked: false,
    eventTitle: event.title,
    zone: occurrence.zone,
    recordedAt: startAt,
    durationSeconds: duration,
    chapters: chaptersOf(played, startAt, duration),
  };
}

export const chaptersText = (item: OnDemand): string => chaptersFile(item.chapters);
