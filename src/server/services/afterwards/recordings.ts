import { and, desc, eq, isNull } from "drizzle-orm";
import { chaptersFile, closedBecause, editedChapters, type Chapter } from "@/core/watching";
import { events, occurrences, recordings } from "../../db/schema";
import { dateAccess, eventAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, oneOf, type Context } from "../ground/context";
import { doorOf, type ProofOf } from "../way-in/door-rule";
import { ticketAmong } from "../way-in/tickets";
import type { Organisation } from "../way-in/front-door";
import { hourOf } from "./chapters";
import { takeMedia } from "./take-media";
import { ownRecording, servedOf, servedSeconds, type RecordingRow as Recording } from "./own-recording";

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
  const { organisationId, title } = event;
  return takeMedia(context, organisationId, { body, expectedBytes }, async (file) => {
    const id = context.ids.id();
    const row = { id, organisationId, occurrenceId, slug: `${event.slug}-${context.ids.code(5)}`, title, ...file };
    await context.db.insert(recordings).values({ ...row, uploadedAt: context.clock.now() });
    const about = { organisationId, actorId: member.userId, eventId, occurrenceId };
    await audit(context, context.db, { ...about, action: "recording.upload" });
    return id;
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
    .where(
      and(
        eq(recordings.occurrenceId, occurrenceId),
        eq(recordings.organisationId, member.organisationId),
        isNull(recordings.deletedAt),
      ),
    )
    .orderBy(desc(recordings.uploadedAt))
    .limit(20);
}

/** A published recording that somebody may watch. */
export interface Shown {
  readonly isLocked: false;
  readonly recording: Recording;
  readonly event: typeof events.$inferSelect;
  readonly occurrence: typeof occurrences.$inferSelect;
}
/** One that somebody does not see, and why: its event's code is missing, it is not its time, or it is for others. */
export interface Locked {
  readonly isLocked: true;
  readonly why: "code" | "later" | "over" | "registrants";
  readonly eventSlug: string;
  readonly title: string;
  readonly zone: string;
  readonly publishedFrom: number;
}

/** A recording as its page shows it. */
export interface OnDemand {
  readonly isLocked: false;
  readonly recording: Recording;
  readonly eventTitle: string;
  readonly zone: string;
  readonly recordedAt: number;
  /** of the original, before anything was cut */
  readonly originalSeconds: number;
  readonly durationSeconds: number;
  readonly chapters: readonly Chapter[];
}

/** What a browser has that may open a recording: proofs of codes, and tickets. */
export interface Viewer {
  readonly proofOf: ProofOf;
  readonly tokens: readonly string[];
}

/** A recording with its date and its event, whoever may see it. */
export type RecordingAt = Omit<Shown, "isLocked">;

/** Finds a recording by its name in addresses: nobody is asked yet. @throws not-found */
export async function recordingNamed(context: Context, organisationId: string, slug: string): Promise<RecordingAt> {
  const rows = await context.db
    .select({ recording: recordings, occurrence: occurrences, event: events })
    .from(recordings)
    .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(and(eq(recordings.organisationId, organisationId), eq(recordings.slug, slug), isNull(recordings.deletedAt)));
  return oneOf(rows, "recording");
}

/** Whether somebody sees it now, and why not. @throws not-found where they are not to know of it */
export async function seenBy(
  context: Context,
  found: RecordingAt,
  { proofOf, tokens }: Viewer,
): Promise<Shown | Locked> {
  const { recording, event, occurrence } = found;
  const { publishedFrom } = recording;
  if (publishedFrom === null) throw notFound("recording");
  const door = doorOf(context, event, { cookie: proofOf(event.slug), isInvited: false });
  if (door === "absent") throw notFound("recording");
  const isRegistered = recording.audience === "registrants" && (await ticketAmong(context, event.id, tokens)) !== null;
  const closed = closedBecause(recording, context.clock.now(), isRegistered);
  const why = door === "locked" ? "code" : closed === "absent" ? null : closed;
  if (why === null) return { ...found, isLocked: false };
  return { isLocked: true, why, eventSlug: event.slug, title: recording.title, zone: occurrence.zone, publishedFrom };
}

/** A published recording by its name in addresses, for whoever sees it: what every request for a part of it asks. */
export const shownRecording = async (
  context: Context,
  organisation: Organisation,
  slug: string,
  viewer: Viewer,
): Promise<Shown | Locked> => seenBy(context, await recordingNamed(context, organisation.id, slug), viewer);

/** Adds what the hour tells of a recording: its length where it is not known, and its chapters; as it was edited. */
export async function withChapters(context: Context, { recording, event, occurrence }: Shown): Promise<OnDemand> {
  const original = await hourOf(context, recording, occurrence);
  const { kept } = servedOf(recording);
  return {
    recording,
    isLocked: false,
    eventTitle: event.title,
    zone: occurrence.zone,
    recordedAt: original.startAt,
    originalSeconds: original.durationSeconds,
    durationSeconds: servedSeconds(recording) ?? original.durationSeconds,
    chapters: kept ? editedChapters(original.chapters, kept) : original.chapters,
  };
}

/** A published recording with its chapters, or why it is not seen. */
export async function onDemand(
  context: Context,
  organisation: Organisation,
  slug: string,
  viewer: Viewer,
): Promise<OnDemand | Locked> {
  const shown = await shownRecording(context, organisation, slug, viewer);
  return shown.isLocked ? shown : withChapters(context, shown);
}

export const chaptersText = (item: OnDemand): string => chaptersFile(item.chapters);
