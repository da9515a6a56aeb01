import { randomUUID } from "node:crypto";
import { foldAll, emptyRoom, type EntryBody, type JournalEntry } from "../../src/core/room";
import { minuteMs } from "../../src/core/time";
import { stays, journal, occurrences, polls, questions, questionVotes, rooms } from "../../src/server/db/schema";
import type { Db } from "../../src/server/db/client";
import { eq } from "drizzle-orm";
import type { Chance } from "./chance";
import { inChunks } from "./in-chunks";
import { castDemoBallots, type PlacedPoll } from "./polls";
import { questionTexts } from "./words";

export interface PastParts {
  readonly organisationId: string;
  readonly occurrenceId: string;
  readonly startAt: number;
  readonly durationMinutes: number;
  readonly producerId: string;
  readonly stageIds: readonly string[];
  readonly attendeeIds: readonly string[];
  readonly segments: readonly { id: string; lengthMinutes: number }[];
  readonly polls: readonly PlacedPoll[];
  /** how likely somebody is to come; somewhat less than half of all unless given */
  readonly shareWhoCome?: (ticketId: string) => number;
}

/** One attendee's comings and goings: late, early, dropping out and back, some on two devices. */
function visits(chance: Chance, startAt: number, endAt: number): { device: string; from: number; to: number }[] {
  const late = chance.next() < 0.65 ? chance.between(-14, 0) : chance.between(0, 18);
  const leaves =
    chance.next() < 0.6 ? endAt + chance.between(0, 2) * minuteMs : chance.between(startAt + 15 * minuteMs, endAt);
  const from = startAt + late * minuteMs;
  const to = Math.max(from + 2 * minuteMs, leaves);
  const device = chance.pick(["computer", "computer", "phone", "tablet"]);
  if (chance.next() < 0.25) {
    const drop = chance.between(from, to);
    const back = drop + chance.pick([8_000, 20_000, 95_000, 260_000]);
    return back < to
      ? [
          { device, from, to: drop },
          { device, from: back, to },
        ]
      : [{ device, from, to: drop }];
  }
  if (chance.next() < 0.06)
    return [
      { device, from, to },
      { device: "phone", from: from + 4 * minuteMs, to: Math.max(from + 5 * minuteMs, to - 3 * minuteMs) },
    ];
  return [{ device, from, to }];
}

type Say = (at: number, body: EntryBody, actorId?: string) => void;

/** Questions of some of those who came, with what became of each. */
function askQuestions(
  chance: Chance,
  parts: PastParts,
  show: { from: number; to: number },
  came: readonly string[],
  say: Say,
) {
  const base = { organisationId: parts.organisationId, occurrenceId: parts.occurrenceId };
  const askers = came.filter(() => chance.next() < 0.12).slice(0, 40);
  return askers.map((askerTicketId) => {
    const one = {
      id: chance.id(),
      ...base,
      askerTicketId,
      segmentId: chance.pick(parts.segments).id,
      text: chance.pick(questionTexts),
      askedAt: chance.between(show.from + 3 * minuteMs, show.to - 6 * minuteMs),
    };
    const state = chance.pick(["done", "done", "new", "later", "not-taken"] as const);
    say(
      one.askedAt,
      { type: "questions.asked", questionId: one.id, askerId: askerTicketId, segmentId: one.segmentId },
      askerTicketId,
    );
    if (state === "done")
      say(one.askedAt + 2 * minuteMs, { type: "questions.answered", questionId: one.id, how: "aloud" });
    else if (state !== "new")
      say(one.askedAt + 2 * minuteMs, { type: "questions.moved", questionId: one.id, state, segmentId: one.segmentId });
    const answered =
      state === "done"
        ? { answered: "aloud" as const, answeredBy: parts.producerId, answeredAt: one.askedAt + 2 * minuteMs }
        : {};
    return { ...one, state, ...answered };
  });
}

/** Fills a past date as if it had been held: journal, stays, questions with votes, ballots. */
export async function fillPastDate(db: Db, chance: Chance, parts: PastParts): Promise<void> {
  const { organisationId, occurrenceId, startAt } = parts;
  const show = {
    from: startAt + chance.between(0.4, 3) * minuteMs,
    to: startAt + (parts.durationMinutes + chance.between(-3, 6)) * minuteMs,
  };
  const shareOf = parts.shareWhoCome ?? (() => 0.46);
  const came = parts.attendeeIds.filter((id) => chance.next() < shareOf(id));
  const rows: { at: number; actorId: string; body: EntryBody }[] = [];
  const say: Say = (at, body, actorId = parts.producerId) => void rows.push({ at, actorId, body });
  say(startAt - 20 * minuteMs, { type: "hour.backstage-opened" });
  parts.stageIds.forEach((ticketId, i) =>
    say(startAt - (18 - i) * minuteMs, { type: "stage.entered", ticketId }, ticketId),
  );
  parts.stageIds.forEach((ticketId) => say(startAt - 4 * minuteMs, { type: "stage.moved", ticketId, place: "stage" }));
  say(startAt - 9 * minuteMs, { type: "hour.doors-opened" });
  say(show.from, { type: "hour.curtain-raised" });
  let at = show.from;
  for (const segment of parts.segments) {
    say(at, { type: "cues.given", segmentId: segment.id });
    at = Math.min(show.to - minuteMs, at + (segment.lengthMinutes + chance.between(-1.5, 2)) * minuteMs);
  }
  const asked = askQuestions(chance, parts, show, came, say);
  const openedAt = (position: number) => show.from + (8 + 7 * position) * minuteMs;
  parts.polls.forEach(({ id: pollId }, position) => {
    say(openedAt(position), { type: "polls.opened", pollId });
    say(openedAt(position) + 3 * minuteMs, { type: "polls.closed", pollId });
    say(openedAt(position) + 3.5 * minuteMs, { type: "polls.revealed", pollId });
  });
  say(show.to, { type: "hour.curtain-dropped" });
  say(show.to + 90_000, { type: "hour.ended", curtainFellAt: null });
  const entries = rows.sort((a, b) => a.at - b.at).map((row, i): JournalEntry => ({ seq: i + 1, ...row }));
  const room = foldAll(emptyRoom, entries);
  const [main] = await db.select({ id: rooms.id }).from(rooms).where(eq(rooms.occurrenceId, occurrenceId));
  await inChunks(entries, (chunk) =>
    db.insert(journal).values(chunk.map((entry) => ({ roomId: main!.id, organisationId, ...entry }))),
  );
  await db.update(rooms).set({ seq: room.seq }).where(eq(rooms.occurrenceId, occurrenceId));
  await db
    .update(occurrences)
    .set({
      phase: "ended",
      doorsOpenedAt: room.hour.doorsOpenedAt,
      showStartedAt: show.from,
      endedAt: room.hour.endedAt,
    })
    .where(eq(occurrences.id, occurrenceId));
  for (const [position, poll] of parts.polls.entries())
    await db
      .update(polls)
      .set({
        state: "closed",
        isRevealed: true,
        openedAt: openedAt(position),
        closedAt: openedAt(position) + 3 * minuteMs,
      })
      .where(eq(polls.id, poll.id));
  await fillFacts(db, chance, parts, { show, came, asked, openedAt });
}

/** A device that stayed at one place: its stay has its own id. */
const newConnection = (chance: Chance) => {
  const id = chance.id();
  return { id, connectionId: id };
};

/** Who was there, what they voted for and how: the facts beside the journal. */
async function fillFacts(
  db: Db,
  chance: Chance,
  parts: PastParts,
  hour: {
    show: { from: number; to: number };
    came: readonly string[];
    asked: readonly (typeof questions.$inferInsert)[];
    openedAt: (position: number) => number;
  },
): Promise<void> {
  const { organisationId, occurrenceId, startAt } = parts;
  const base = { organisationId, occurrenceId };
  const { show, came, asked, openedAt } = hour;
  const [main] = await db.select({ id: rooms.id }).from(rooms).where(eq(rooms.occurrenceId, occurrenceId));
  const attended = came.flatMap((ticketId) =>
    visits(chance, show.from, show.to).map((visit) => ({ ticketId, role: "attendee", ...visit })),
  );
  const house = attended.map((visit) => ({ ...visit, ...newConnection(chance), place: "house" as const }));
  // from backstage to the stage, and there to the end, on one device
  const movedAt = startAt - 4 * minuteMs;
  const stage = parts.stageIds.flatMap((ticketId) => {
    const { connectionId, id } = newConnection(chance);
    const own = { ticketId, connectionId, role: "panelist", device: "computer" };
    return [
      { ...own, id, place: "backstage" as const, from: startAt - 18 * minuteMs, to: movedAt },
      { ...own, id: randomUUID(), place: "stage" as const, from: movedAt, to: show.to + minuteMs },
    ];
  });
  await inChunks([...house, ...stage], (chunk) =>
    db.insert(stays).values(
      chunk.map(({ ticketId, from, to, ...stay }) => ({
        ...base,
        ...stay,
        roomId: main!.id,
        ticketId,
        chainId: ticketId,
        fromAt: from,
        lastSignAt: to,
        toAt: to,
      })),
    ),
  );
  await inChunks(asked, (chunk) => db.insert(questions).values(chunk));
  const votes = asked.flatMap((question) =>
    came
      .filter((id) => id !== question.askerTicketId && chance.next() < chance.between(0, 0.14))
      .map((ticketId) => ({ questionId: question.id, ticketId, organisationId, at: question.askedAt + minuteMs })),
  );
  await inChunks(votes, (chunk) => db.insert(questionVotes).values(chunk));
  const present = (at: number) => [
    ...new Set(attended.filter(({ from, to }) => from <= at && to >= at).map(({ ticketId }) => ticketId)),
  ];
  await castDemoBallots(db, chance, organisationId, parts.polls, openedAt, present);
}
