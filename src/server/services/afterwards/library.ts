import { and, count, desc, eq, inArray, isNotNull, isNull } from "drizzle-orm";
import { occurrences, questions, recordings, viewers } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import type { RecordingRow } from "./own-recording";

/** A recording of the organisation, with what came of it. */
export interface Library {
  readonly recording: RecordingRow;
  readonly eventId: string;
  readonly recordedAt: number;
  /** people and browsers that watched any of it */
  readonly viewerCount: number;
  /** asked while it was watched, and not answered yet */
  readonly openQuestionCount: number;
}

/** The organisation's recordings, newest first; not those in the bin. */
export async function library(context: Context, member: TeamMember): Promise<readonly Library[]> {
  const { db } = context;
  const rows = await db
    .select({ recording: recordings, eventId: occurrences.eventId, recordedAt: occurrences.startAt })
    .from(recordings)
    .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
    .where(and(eq(recordings.organisationId, member.organisationId), isNull(recordings.deletedAt)))
    .orderBy(desc(recordings.uploadedAt))
    .limit(200);
  if (rows.length === 0) return [];
  const ids = rows.map(({ recording }) => recording.id);
  const dateIds = [...new Set(rows.map(({ recording }) => recording.occurrenceId))];
  const [watched, asked] = await Promise.all([
    db
      .select({ id: viewers.recordingId, n: count() })
      .from(viewers)
      .where(inArray(viewers.recordingId, ids))
      .groupBy(viewers.recordingId),
    db
      .select({ id: questions.occurrenceId, n: count() })
      .from(questions)
      .where(
        and(
          inArray(questions.occurrenceId, dateIds),
          isNotNull(questions.recordingSeconds),
          eq(questions.state, "later"),
        ),
      )
      .groupBy(questions.occurrenceId),
  ]);
  const viewerCounts = new Map(watched.map(({ id, n }) => [id, n]));
  const questionCounts = new Map(asked.map(({ id, n }) => [id, n]));
  return rows.map((row) => ({
    ...row,
    viewerCount: viewerCounts.get(row.recording.id) ?? 0,
    openQuestionCount: questionCounts.get(row.recording.occurrenceId) ?? 0,
  }));
}
