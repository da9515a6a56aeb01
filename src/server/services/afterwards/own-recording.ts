import { and, eq } from "drizzle-orm";
import { occurrences, recordings } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { notFound, oneOf, type Context } from "../ground/context";

export { fileTag, servedOf, servedSeconds, type RecordingRow, type Served } from "../../db/queries/served";

/** A recording of the member's organisation, which they may publish and edit; or one that lies in the bin. */
export async function ownRecording(
  context: Context,
  member: TeamMember,
  recordingId: string,
  {
    action = "recording.upload",
    inBin = false,
  }: { readonly action?: "recording.upload" | "recording.edit"; readonly inBin?: boolean } = {},
): Promise<{ recording: typeof recordings.$inferSelect; eventId: string }> {
  const [row] = await context.db
    .select({ recording: recordings, eventId: occurrences.eventId })
    .from(recordings)
    .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
    .where(and(eq(recordings.id, recordingId), eq(recordings.organisationId, member.organisationId)))
    .limit(1);
  const found = oneOf(row ? [row] : [], "recording");
  await accessFor(context, member, found.eventId, action);
  if ((found.recording.deletedAt !== null) !== inBin) throw notFound("recording");
  return found;
}
