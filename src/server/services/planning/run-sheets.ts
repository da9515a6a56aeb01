import { and, asc, eq, inArray, notInArray } from "drizzle-orm";
import { runSheetInput, type RunSheetInput } from "@/contracts";
import type { TimedSegment } from "@/core/run-sheet";
import { Refusal, issue } from "@/core/shared";
import { instantOf, minutesBetween, shiftLocal } from "@/core/time";
import type { Db } from "../../db/client";
import { notifyJournal } from "../../db/notify";
import { decks, events, occurrences, parts, polls, rooms, segments, tickets } from "../../db/schema";
import { digest } from "../../platform/secrets";
import { accessFor, type TeamMember } from "../ground/access";
import { oneOf, parse, type Context } from "../ground/context";
import { dateOf, datesOf, type OccurrenceRow } from "./dates/load";
import { pollPlanOf, pollsOf, savePolls, type PollRow } from "./polls";

export type SegmentRow = typeof segments.$inferSelect;
export type PartRow = typeof parts.$inferSelect;

export const segmentsOf = (db: Db, occurrenceId: string): Promise<SegmentRow[]> =>
  db.select().from(segments).where(eq(segments.occurrenceId, occurrenceId)).orderBy(asc(segments.position)).limit(100);
export const partsOf = (db: Db, occurrenceId: string): Promise<PartRow[]> =>
  db.select().from(parts).where(eq(parts.occurrenceId, occurrenceId)).orderBy(asc(parts.position)).limit(30);

/** A row as the core's timing takes it: the fixed wall time becomes an instant. */
export const timed = (row: SegmentRow, zone: string): TimedSegment => ({
  id: row.id,
  lengthMinutes: row.lengthMinutes,
  fixedStartAt: row.fixedStartLocal === null ? null : instantOf({ local: row.fixedStartLocal, zone }),
});

export interface LoadedRunSheet {
  readonly event: typeof events.$inferSelect;
  readonly occurrence: typeof occurrences.$inferSelect;
  readonly runSheet: RunSheetInput;
  /** stands for this very sheet: a save names the one it began from */
  readonly tag: string;
  readonly mayEditSegments: boolean;
}

async function readSheet(db: Db, occurrenceId: string): Promise<{ runSheet: RunSheetInput; tag: string }> {
  // one after another: inside a transaction there is one connection
  const [rows, pollRows, partRows] = [
    await segmentsOf(db, occurrenceId),
    await pollsOf(db, occurrenceId),
    await partsOf(db, occurrenceId),
  ];
  const runSheet: RunSheetInput = {
    segments: rows.map((row) => {
      const { id, title, lengthMinutes, fixedStartLocal, leaderTicketId, pollId, deckId, deckPage, scene } = row;
      const { carriesCredit } = row;
      const besideTicketIds = [...row.besideTicketIds];
      return {
        id,
        title,
        lengthMinutes,
        fixedStartLocal,
        leaderTicketId,
        besideTicketIds,
        pollId,
        deckId,
        deckPage,
        scene,
        carriesCredit,
      };
    }),
    polls: pollRows.map((row) => ({ id: row.id, ...pollPlanOf(row) })),
    parts: partRows.map(({ id, title, startLocal, lengthMinutes, leaderTicketId }) => ({
      id,
      title,
      startLocal,
      lengthMinutes,
      leaderTicketId,
    })),
  };
  return { runSheet, tag: digest(JSON.stringify(runSheet)) };
}

export async function loadRunSheet(
  context: Context,
  member: TeamMember,
  eventId: string,
  dateId: string | null = null,
): Promise<LoadedRunSheet> {
  const { event } = await accessFor(context, member, eventId, "event.read");
  const mayEdit = await accessFor(context, member, eventId, "event.run-sheet").then(
    () => true,
    () => false,
  );
  const occurrence = await dateOf(context.db, eventId, context.clock.now(), dateId);
  return { event, occurrence, mayEditSegments: mayEdit, ...(await readSheet(context.db, occurrence.id)) };
}

/** Refuses a sheet that points to somebody or something that is not of this event and sheet. */
async function requireOwn(
  db: Db,
  { id: occurrenceId, eventId }: OccurrenceRow,
  { segments: rows, polls: wanted, parts: side }: RunSheetInput,
): Promise<void> {
  const pollIds = new Set(wanted.map((poll) => poll.id));
  const named = [...[...rows, ...side].map((row) => row.leaderTicketId), ...rows.flatMap((row) => row.besideTicketIds)];
  const leaders = [...new Set(named.filter((id) => id !== null))];
  // somebody taken off the list may still stand in the sheet: their ticket is the event's all the same
  const known =
    leaders.length === 0
      ? 0
      : await db.$count(tickets, and(eq(tickets.eventId, eventId), inArray(tickets.id, leaders)));
  const deckIds = [...new Set(rows.flatMap((row) => (row.deckId === null ? [] : [row.deckId])))];
  const knownDecks =
    deckIds.length === 0
      ? 0
      : await db.$count(decks, and(eq(decks.occurrenceId, occurrenceId), inArray(decks.id, deckIds)));
  const issues = [
    ...(knownDecks < deckIds.length ? [{ path: "segments", code: issue("deck-not-of-date"), facts: {} }] : []),
    ...(rows.some((row) => row.pollId !== null && !pollIds.has(row.pollId))
      ? [{ path: "segments", code: issue("poll-not-on-sheet"), facts: {} }]
      : []),
    ...(known < leaders.length ? [{ path: "segments", code: issue("leader-not-of-event"), facts: {} }] : []),
  ];
  if (issues.length > 0) throw new Refusal({ code: "invalid-input", issues });
}

async function saveSegments(
  db: Db,
  occurrence: typeof occurrences.$inferSelect,
  wanted: RunSheetInput["segments"],
): Promise<void> {
  const ids = wanted.map((segment) => segment.id);
  const inDate = eq(segments.occurrenceId, occurrence.id);
  await db.delete(segments).where(ids.length > 0 ? and(inDate, notInArray(segments.id, ids)) : inDate);
  for (const [position, segment] of wanted.entries()) {
    const row = { ...segment, position, occurrenceId: occurrence.id, organisationId: occurrence.organisationId };
    const saved = await db
      .insert(segments)
      .values(row)
      .onConflictDoUpdate({ target: segments.id, set: row, setWhere: inDate })
      .returning({ id: segments.id });
    oneOf(saved, "segment");
  }
}

async function saveParts(db: Db, occurrence: OccurrenceRow, wanted: RunSheetInput["parts"]): Promise<void> {
  await db.delete(parts).where(eq(parts.occurrenceId, occurrence.id));
  const { id: occurrenceId, organisationId } = occurrence;
  if (wanted.length > 0)
    await db
      .insert(parts)
      .values(wanted.map((part, position) => ({ ...part, position, occurrenceId, organisationId })));
}

/**
 * Saves the whole sheet in one transaction; ids come from the screen, so that a repeat changes nothing.
 * @param seenTag the sheet that was edited: where it is another one by now the save is refused; null: whatever stands there
 * @returns the tag of what was saved
 */
export async function saveRunSheet(
  context: Context,
  member: TeamMember,
  eventId: string,
  input: unknown,
  dateId: string | null = null,
  seenTag: string | null = null,
): Promise<string> {
  await accessFor(context, member, eventId, "event.run-sheet");
  const wanted = parse(runSheetInput, input);
  return context.db.transaction(async (tx) => {
    const occurrence = await dateOf(tx, eventId, context.clock.now(), dateId);
    // the room first, as everywhere: no poll opens between the look at it and its going
    await tx.select({ id: rooms.id }).from(rooms).where(eq(rooms.occurrenceId, occurrence.id)).for("no key update");
    // one editor at a time: the second sees what the first saved
    await tx
      .select({ id: occurrences.id })
      .from(occurrences)
      .where(eq(occurrences.id, occurrence.id))
      .for("no key update");
    const { tag } = await readSheet(tx, occurrence.id);
    if (seenTag !== null && seenTag !== tag) throw new Refusal({ code: "edited-meanwhile", currentVersion: tag });
    await requireOwn(tx, occurrence, wanted);
    await savePolls(tx, occurrence, wanted.polls);
    await saveSegments(tx, occurrence, wanted.segments);
    await saveParts(tx, occurrence, wanted.parts);
    await notifyJournal(tx, occurrence.id);
    return (await readSheet(tx, occurrence.id)).tag;
  });
}

/** Lays one date's sheet onto later dates of the event that have none of their own. @returns how many got it */
export async function copyRunSheet(
  context: Context,
  member: TeamMember,
  eventId: string,
  dateId: string,
): Promise<number> {
  await accessFor(context, member, eventId, "event.run-sheet");
  return context.db.transaction(async (tx) => {
    const source = await dateOf(tx, eventId, context.clock.now(), dateId);
    const later = (await datesOf(tx, eventId)).filter(
      (date) => date.phase === "scheduled" && date.startAt > source.startAt,
    );
    let copied = 0;
    for (const target of later) {
      if ((await segmentsOf(tx, target.id)).length > 0 || (await pollsOf(tx, target.id)).length > 0) continue;
      await layRunSheet(context, tx, await sheetOf(tx, source), source, target);
      copied += 1;
    }
    return copied;
  });
}

export interface Sheet {
  readonly segments: readonly SegmentRow[];
  readonly polls: readonly PollRow[];
  readonly parts: readonly PartRow[];
}
export const sheetOf = async (db: Db, date: OccurrenceRow): Promise<Sheet> => ({
  segments: await segmentsOf(db, date.id),
  polls: await pollsOf(db, date.id),
  parts: await partsOf(db, date.id),
});

/** A sheet with ids of its own on another date; fixed hours keep their distance from the start. */
export async function layRunSheet(
  context: Context,
  tx: Db,
  sheet: Sheet,
  source: Pick<OccurrenceRow, "startLocal">,
  target: OccurrenceRow,
): Promise<void> {
  const shift = minutesBetween(source.startLocal, target.startLocal);
  const pollIds = new Map(sheet.polls.map((poll) => [poll.id, context.ids.id()]));
  const about = { occurrenceId: target.id, organisationId: target.organisationId };
  for (const poll of sheet.polls)
    await tx.insert(polls).values({
      id: pollIds.get(poll.id)!,
      ...about,
      position: poll.position,
      ...pollPlanOf(poll),
    });
  for (const segment of sheet.segments) {
    const { position, title, lengthMinutes, fixedStartLocal, leaderTicketId, besideTicketIds, pollId } = segment;
    const fixed = fixedStartLocal === null ? null : shiftLocal(fixedStartLocal, shift);
    await tx.insert(segments).values({
      id: context.ids.id(),
      ...about,
      position,
      title,
      lengthMinutes,
      fixedStartLocal: fixed,
      leaderTicketId,
      besideTicketIds,
      carriesCredit: segment.carriesCredit,
      pollId: pollId ? (pollIds.get(pollId) ?? null) : null,
    });
  }
  for (const { position, title, startLocal, lengthMinutes, leaderTicketId } of sheet.parts) {
    await tx.insert(parts).values({
      id: context.ids.id(),
      ...about,
      position,
      title,
      startLocal: shiftLocal(startLocal, shift),
      lengthMinutes,
      leaderTicketId,
    });
  }
}
