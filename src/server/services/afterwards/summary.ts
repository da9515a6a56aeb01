import { asc, desc, eq } from "drizzle-orm";
import { turnoutOf, type Tallies } from "@/core/polls";
import { loadTallies } from "../../room";
import { questionVoteCount } from "../../db/queries/counted";
import { ballots, polls, questions } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import type { EventRow } from "../planning/events";
import type { PollRow } from "../planning/polls";
import { segmentsOf, type SegmentRow } from "../planning/run-sheets";
import type { OccurrenceRow } from "../planning/dates/load";
import { dateReport, type DateReport } from "../ground/date-report";

export interface Afterwards extends DateReport {
  readonly event: EventRow;
  readonly occurrence: OccurrenceRow;
  readonly segments: readonly SegmentRow[];
  readonly polls: readonly PollRow[];
  readonly questions: readonly {
    id: string;
    text: string;
    state: string;
    votes: number;
    askedAt: number;
    answer: string | null;
    recordingSeconds: number | null;
  }[];
  /** "41 of 68 present voted, 60 %", by poll */
  readonly turnout: ReadonlyMap<string, string>;
}

/** What came together in every poll of a date, by poll and question. */
export const ballotCounts = (context: Context, occurrenceId: string): Promise<ReadonlyMap<string, Tallies>> =>
  loadTallies(context.db, occurrenceId);

async function turnouts(
  context: Context,
  prepared: readonly PollRow[],
  data: DateReport,
): Promise<ReadonlyMap<string, string>> {
  const attendees = new Map([...data.report.presence].filter(([key]) => data.people.get(key)?.role === "attendee"));
  const out = new Map<string, string>();
  for (const poll of prepared) {
    if (poll.openedAt === null) continue;
    const cast = await context.db
      .select({ ticketId: ballots.ticketId })
      .from(ballots)
      .where(eq(ballots.pollId, poll.id));
    const voters = new Set(cast.map((row) => row.ticketId).filter((id) => data.people.get(id)?.role !== "test-guest"));
    // rooms that were folded before spans were kept know the first opening and the last closing
    const { spans = [] } = data.room.polls.polls.get(poll.id) ?? {};
    const known = spans.length > 0 ? spans : [{ openedAt: poll.openedAt, closedAt: poll.closedAt }];
    const open = known.map((span) => ({ start: span.openedAt, end: span.closedAt ?? context.clock.now() }));
    const turnout = turnoutOf(attendees, voters, open);
    out.set(
      poll.id,
      `${turnout.voters} of ${turnout.eligible} present voted, ${turnout.percent} %; ${turnout.abstained} abstained`,
    );
  }
  return out;
}

/** Everything on the page after a date. */
export async function afterwards(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<Afterwards> {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.read");
  return dateData(context, event, occurrence);
}

/** The same for whoever was let in another way. */
export async function dateData(context: Context, event: EventRow, occurrence: OccurrenceRow): Promise<Afterwards> {
  const occurrenceId = occurrence.id;
  const data = await dateReport(context, event, occurrence);
  const [segments, prepared, asked] = await Promise.all([
    segmentsOf(context.db, occurrenceId),
    context.db.select().from(polls).where(eq(polls.occurrenceId, occurrenceId)).orderBy(asc(polls.position)).limit(100),
    context.db
      .select({
        id: questions.id,
        text: questions.text,
        state: questions.state,
        votes: questionVoteCount,
        askedAt: questions.askedAt,
        answer: questions.answer,
        recordingSeconds: questions.recordingSeconds,
      })
      .from(questions)
      .where(eq(questions.occurrenceId, occurrenceId))
      .orderBy(desc(questionVoteCount), asc(questions.askedAt))
      .limit(500),
  ]);
  return {
    ...data,
    event,
    occurrence,
    segments,
    polls: prepared,
    questions: asked,
    turnout: await turnouts(context, prepared, data),
  };
}
