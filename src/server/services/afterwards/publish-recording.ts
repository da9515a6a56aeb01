import { and, eq } from "drizzle-orm";
import { publicationInput } from "@/contracts";
import { nobody } from "@/core/mailings";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { messages, recordings } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import { parse, wrongInput, type Context } from "../ground/context";
import { planMessages } from "../ground/mail-plan";
import { countAudience } from "../mailings/audience";
import { ownRecording } from "./own-recording";

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

/** Takes mails not sent yet along with the publication that they tell of. */
export const forgetPlannedWord = (tx: Db, occurrenceId: string) =>
  tx
    .delete(messages)
    .where(
      and(eq(messages.occurrenceId, occurrenceId), eq(messages.kind, "recording-ready"), eq(messages.state, "planned")),
    );

/**
 * Publishes a recording: from when until when, and for whom. Those who registered hear of it where that is asked for,
 * once it can be watched.
 * @returns how many will be told
 */
export async function publishRecording(
  context: Context,
  member: TeamMember,
  recordingId: string,
  rawInput: unknown,
): Promise<number> {
  const { recording, eventId } = await ownRecording(context, member, recordingId);
  const { from, until, audience, tells } = parse(publicationInput, rawInput);
  if (recording.state !== "ready")
    throw new Refusal({ code: "wrong-state", action: "recording.upload", state: recording.state });
  const publishedFrom = from ?? context.clock.now();
  if (until !== null && until <= publishedFrom) throw wrongInput("until", "over-before-it-begins");
  const { organisationId, occurrenceId } = recording;
  return context.db.transaction(async (tx) => {
    await tx
      .update(recordings)
      .set({ publishedFrom, publishedUntil: until, audience })
      .where(eq(recordings.id, recording.id));
    await forgetPlannedWord(tx, occurrenceId);
    return tells ? tellOfRecording(context, tx, { organisationId, eventId, occurrenceId }, publishedFrom) : 0;
  });
}

/** Takes a recording off: nobody outside sees it any more, and nobody is told of it. */
export async function takeOffRecording(context: Context, member: TeamMember, recordingId: string): Promise<void> {
  const { recording } = await ownRecording(context, member, recordingId);
  await context.db.transaction(async (tx) => {
    await tx
      .update(recordings)
      .set({ publishedFrom: null, publishedUntil: null })
      .where(eq(recordings.id, recording.id));
    await forgetPlannedWord(tx, recording.occurrenceId);
  });
}
