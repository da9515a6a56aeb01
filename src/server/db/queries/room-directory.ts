import { and, asc, eq, isNull, or } from "drizzle-orm";
import { callTimeOf } from "@/core/dates";
import type { DirectoryPerson, DirectoryPoll, DirectoryQuestion, DirectorySegment, RoomDirectory } from "@/core/room";
import { instantOf } from "@/core/time";
import type { Db } from "../client";
import { events, occurrences, people, polls, questions, segments, tickets } from "../schema";

const byKey = <T>(items: readonly T[], key: (item: T) => string): ReadonlyMap<string, T> =>
  new Map(items.map((item) => [key(item), item]));

async function roomPeople(
  db: Db,
  eventId: string,
  occurrenceId: string,
): Promise<ReadonlyMap<string, DirectoryPerson>> {
  const rows = await db
    .select({ ticketId: tickets.id, name: people.name, role: tickets.role, duties: tickets.duties })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(tickets.eventId, eventId),
        eq(tickets.status, "registered"),
        isNull(tickets.revokedAt),
        or(eq(tickets.occurrenceId, occurrenceId), isNull(tickets.occurrenceId)),
      ),
    );
  return byKey(
    rows.map((row): DirectoryPerson => ({ ...row, name: row.name ?? "" })),
    (row) => row.ticketId,
  );
}

export async function roomQuestions(db: Db, occurrenceId: string): Promise<ReadonlyMap<string, DirectoryQuestion>> {
  const rows = await db
    .select({ id: questions.id, text: questions.text, answer: questions.answer })
    .from(questions)
    .where(eq(questions.occurrenceId, occurrenceId))
    .orderBy(asc(questions.askedAt))
    .limit(5000);
  return byKey(rows, (row) => row.id);
}

async function roomPolls(db: Db, occurrenceId: string): Promise<ReadonlyMap<string, DirectoryPoll>> {
  const rows = await db
    .select({ id: polls.id, question: polls.question, options: polls.options })
    .from(polls)
    .where(eq(polls.occurrenceId, occurrenceId))
    .orderBy(asc(polls.position))
    .limit(100);
  return byKey(rows, (row) => row.id);
}

async function roomSegments(db: Db, occurrenceId: string, zone: string): Promise<readonly DirectorySegment[]> {
  const rows = await db
    .select()
    .from(segments)
    .where(eq(segments.occurrenceId, occurrenceId))
    .orderBy(asc(segments.position))
    .limit(100);
  return rows.map((row) => ({
    id: row.id,
    title: row.title,
    lengthMinutes: row.lengthMinutes,
    fixedStartAt: row.fixedStartLocal ? instantOf({ local: row.fixedStartLocal, zone }) : null,
    leaderId: row.leaderTicketId,
    pollId: row.pollId,
  }));
}

/** Names and texts of one date, by the ids that its journal holds; null for an unknown date. */
export async function loadDirectory(db: Db, occurrenceId: string): Promise<RoomDirectory | null> {
  const [row] = await db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(eq(occurrences.id, occurrenceId));
  if (!row) return null;
  const { event, occurrence } = row;
  const [folk, asked, prepared, sheet] = await Promise.all([
    roomPeople(db, event.id, occurrenceId),
    roomQuestions(db, occurrenceId),
    roomPolls(db, occurrenceId),
    roomSegments(db, occurrenceId, occurrence.zone),
  ]);
  const { startAt, endAt } = occurrence;
  return {
    occurrenceId,
    eventId: event.id,
    title: event.title,
    zone: occurrence.zone,
    times: { startAt, endAt, callAt: callTimeOf(startAt, occurrence.callMinutes) },
    houseSize: event.houseSize,
    hasPlannedEnd: occurrence.hasPlannedEnd,
    questionsOn: event.questionsOn,
    pollsOn: event.pollsOn,
    othersQuestionsShown: event.othersQuestionsShown,
    earlyEntry: event.earlyEntry,
    segments: sheet,
    people: folk,
    questions: asked,
    polls: prepared,
  };
}
