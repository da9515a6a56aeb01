import { and, asc, eq, isNull, or, sql } from "drizzle-orm";
import { callTimeOf } from "@/core/dates";
import type {
  DirectoryEvent,
  DirectoryPerson,
  DirectoryPoll,
  DirectoryQuestion,
  DirectorySegment,
  RoomDirectory,
} from "@/core/room";
import { groupBy } from "@/core/shared";
import { instantOf } from "@/core/time";
import type { Db } from "../db/client";
import { anyOf } from "../db/queries/any-of";
import { servedSeconds } from "../db/queries/served";
import { switchesOf } from "../db/queries/switches";
import {
  crowds,
  events,
  occurrences,
  people as peopleTable,
  polls as pollTable,
  questionComments as commentTable,
  questions as questionTable,
  recordings,
  segments as segmentTable,
  tickets,
} from "../db/schema";
import type { WordsWanted } from "./room-server";
import { loadFiles } from "./files";
import { loadDecks } from "./slides/decks";

const byKey = <T>(items: readonly T[], key: (item: T) => string): ReadonlyMap<string, T> =>
  new Map(items.map((item) => [key(item), item]));

/** How words that stand in no list are read. */
export type Notes = (db: Db, of: WordsOf) => Promise<ReadonlyMap<string, string>>;

export interface WordsOf {
  readonly occurrenceId: string;
  readonly eventId: string;
}

/** Everybody who has a place in the room; with ids those alone. */
async function people(db: Db, of: WordsOf, ids?: readonly string[]): Promise<ReadonlyMap<string, DirectoryPerson>> {
  const rows = await db
    .select({
      ticketId: tickets.id,
      name: sql<string | null>`coalesce(${tickets.roomName}, ${peopleTable.name})`,
      role: tickets.role,
      duties: tickets.duties,
      portraitId: tickets.portraitId,
      pair: tickets.languages,
    })
    .from(tickets)
    .innerJoin(peopleTable, eq(peopleTable.id, tickets.personId))
    .where(
      and(
        eq(tickets.eventId, of.eventId),
        eq(tickets.status, "registered"),
        isNull(tickets.revokedAt),
        or(eq(tickets.occurrenceId, of.occurrenceId), isNull(tickets.occurrenceId)),
        ids && anyOf(tickets.id, ids),
      ),
    );
  return byKey(
    rows.map((row): DirectoryPerson => ({ ...row, name: row.name ?? "" })),
    (row) => row.ticketId,
  );
}

async function questions(
  db: Db,
  of: WordsOf,
  ids?: readonly string[],
): Promise<ReadonlyMap<string, DirectoryQuestion>> {
  const [rows, said] = await Promise.all([
    db
      .select({ id: questionTable.id, text: questionTable.text, answer: questionTable.answer })
      .from(questionTable)
      .where(and(eq(questionTable.occurrenceId, of.occurrenceId), ids && anyOf(questionTable.id, ids)))
      .orderBy(asc(questionTable.askedAt))
      .limit(5000),
    db
      .select({ id: commentTable.id, questionId: commentTable.questionId, text: commentTable.text })
      .from(commentTable)
      .innerJoin(questionTable, eq(questionTable.id, commentTable.questionId))
      .where(and(eq(questionTable.occurrenceId, of.occurrenceId), ids && anyOf(questionTable.id, ids)))
      .orderBy(asc(commentTable.at))
      .limit(20_000),
  ]);
  const comments = groupBy(said, (one) => one.questionId);
  const wordsOf = (id: string) => new Map((comments.get(id) ?? []).map((one) => [one.id, one.text]));
  return byKey(
    rows.map((row): DirectoryQuestion => (comments.has(row.id) ? { ...row, comments: wordsOf(row.id) } : row)),
    (row) => row.id,
  );
}

async function polls(db: Db, { occurrenceId }: WordsOf): Promise<ReadonlyMap<string, DirectoryPoll>> {
  const rows = await db
    .select({
      id: pollTable.id,
      questions: pollTable.questions,
      isAnonymous: pollTable.isAnonymous,
      isLocked: pollTable.isLocked,
      limitSeconds: pollTable.limitSeconds,
      isSample: pollTable.isSample,
    })
    .from(pollTable)
    .where(eq(pollTable.occurrenceId, occurrenceId))
    .orderBy(asc(pollTable.position))
    .limit(100);
  return byKey(rows, (row) => row.id);
}

async function segments(db: Db, { occurrenceId }: WordsOf): Promise<readonly DirectorySegment[]> {
  const rows = await db
    .select({ segment: segmentTable, zone: occurrences.zone })
    .from(segmentTable)
    .innerJoin(occurrences, eq(occurrences.id, segmentTable.occurrenceId))
    .where(eq(segmentTable.occurrenceId, occurrenceId))
    .orderBy(asc(segmentTable.position))
    .limit(100);
  return rows.map(({ segment, zone }) => ({
    id: segment.id,
    title: segment.title,
    lengthMinutes: segment.lengthMinutes,
    fixedStartAt: segment.fixedStartLocal ? instantOf({ local: segment.fixedStartLocal, zone }) : null,
    leaderId: segment.leaderTicketId,
    pollId: segment.pollId,
  }));
}

async function event(
  db: Db,
  { occurrenceId }: Pick<WordsOf, "occurrenceId">,
): Promise<(WordsOf & { event: DirectoryEvent }) | null> {
  const [row] = await db
    .select({ event: events, occurrence: occurrences, crowdSize: crowds.size, shown: recordings })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .leftJoin(crowds, eq(crowds.occurrenceId, occurrences.id))
    .leftJoin(recordings, and(eq(recordings.id, occurrences.screeningOf), isNull(recordings.deletedAt)))
    .where(eq(occurrences.id, occurrenceId));
  if (!row) return null;
  const { startAt, endAt, zone, hasPlannedEnd, callMinutes } = row.occurrence;
  const times = { startAt, endAt, callAt: callTimeOf(startAt, callMinutes) };
  const { id: eventId, title, houseSize } = row.event;
  return {
    occurrenceId,
    eventId,
    event: {
      title,
      zone,
      times,
      houseSize,
      hasPlannedEnd,
      interpretedInto: row.event.interpretationInto,
      isRecorded: row.event.isRecorded,
      consentText: row.event.consentText,
      path: row.event.isPrivate || row.event.publishedAt === null ? null : `/front/${row.event.slug}`,
      look: { colour: row.event.look.colour, pictureId: row.event.look.bannerId },
      isRehearsal: row.occurrence.kind === "rehearsal",
      crowdSize: row.crowdSize ?? 0,
      screening: row.shown && { title: row.shown.title, lengthMs: (servedSeconds(row.shown) ?? 0) * 1000 },
      switches: switchesOf(row.event),
    },
  };
}

/** Names and texts of one date, by the ids that its journal holds; null for an unknown date. */
export async function loadDirectory(
  db: Db,
  occurrenceId: string,
  notes: Notes,
): Promise<{ eventId: string; words: RoomDirectory } | null> {
  const of = await event(db, { occurrenceId });
  if (!of) return null;
  const [folk, asked, prepared, sheet, said, shown, given] = await Promise.all([
    people(db, of),
    questions(db, of),
    polls(db, of),
    segments(db, of),
    notes(db, of),
    loadDecks(db, occurrenceId),
    loadFiles(db, occurrenceId),
  ]);
  const words = {
    event: of.event,
    people: folk,
    questions: asked,
    polls: prepared,
    segments: sheet,
    notes: said,
    decks: shown,
    files: given,
  };
  return { eventId: of.eventId, words };
}

const merged = <T>(known: ReadonlyMap<string, T>, fresh: ReadonlyMap<string, T>): ReadonlyMap<string, T> =>
  new Map([...known, ...fresh]);

/** What was read, to be laid over the words as they are by then. */
export type Freshened = (words: RoomDirectory) => RoomDirectory;

async function freshPart(db: Db, of: WordsOf, words: RoomDirectory, want: WordsWanted, notes: Notes) {
  const { part, ids, isAgain } = want;
  const kept = (fresh: Partial<RoomDirectory>) => (now: RoomDirectory) => ({ ...now, ...fresh });
  if (part === "event") {
    const found = await event(db, of);
    return kept(found ? { event: found.event } : {});
  }
  if (part === "segments") return kept({ segments: await segments(db, of) });
  if (part === "polls") return kept({ polls: await polls(db, of) });
  if (part === "decks") return kept({ decks: await loadDecks(db, of.occurrenceId) });
  if (part === "files") return kept({ files: await loadFiles(db, of.occurrenceId) });
  if (part === "notes") return kept({ notes: await notes(db, of) });
  if (part === "questions") {
    const fresh = await questions(db, of, ids);
    return ids
      ? (now: RoomDirectory) => ({ ...now, questions: merged(now.questions, fresh) })
      : kept({ questions: fresh });
  }
  const missing = isAgain ? ids : ids?.filter((id) => !words.people.has(id));
  if (missing?.length === 0) return kept({});
  const fresh = await people(db, of, missing);
  // and whoever came while everybody was being read is not in that reading
  if (!missing)
    return (now: RoomDirectory) => ({
      ...now,
      people: new Map([...fresh, ...[...now.people].filter(([id]) => !words.people.has(id))]),
    });
  // whoever was missing and has come in the meantime was read later than here
  return (now: RoomDirectory) => ({
    ...now,
    people: isAgain ? merged(now.people, fresh) : merged(fresh, now.people),
  });
}

/**
 * Reads parts of the words again: of a list only what is named, where something is. Somebody's coming reads beside
 * what the room itself reads, so what is returned is laid over the words of the moment and loses nothing of theirs.
 */
export async function freshened(
  db: Db,
  of: WordsOf,
  words: RoomDirectory,
  wanted: readonly WordsWanted[],
  notes: Notes,
): Promise<Freshened> {
  const parts: Freshened[] = [];
  for (const want of wanted) parts.push(await freshPart(db, of, words, want, notes));
  return (now) => parts.reduce((next, lay) => lay(next), now);
}
