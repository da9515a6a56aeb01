import { onePoll } from "./polls";
import { randomUUID } from "node:crypto";
import {
  organisations,
  admissions,
  events,
  occurrences,
  people,
  polls,
  rooms,
  segments,
  tickets,
} from "../../src/server/db/schema";
import type { Context } from "../../src/server/services/ground/context";
import type { CrowdMember } from "../../src/stand-ins/crowd";

export interface BusyDate {
  readonly organisationId: string;
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly pollId: string;
  readonly producer: CrowdMember;
  readonly attendees: readonly CrowdMember[];
}

async function inChunks<T>(rows: readonly T[], write: (chunk: T[]) => Promise<unknown>): Promise<void> {
  for (let i = 0; i < rows.length; i += 500) await write(rows.slice(i, i + 500));
}

/** The rows of an event with one date, a poll and two segments. */
async function insertDate(
  { db, clock }: Context,
  ids: { organisationId: string; eventId: string; occurrenceId: string; pollId: string },
): Promise<void> {
  const { organisationId, eventId, occurrenceId, pollId } = ids;
  const of = { organisationId, eventId };
  const now = clock.now();
  await db.insert(events).values({
    id: eventId,
    organisationId,
    slug: `busy-${eventId.slice(0, 8)}`,
    uid: eventId,
    title: "A busy evening",
    houseSize: 5000,
    createdAt: now,
  });
  await db.insert(occurrences).values({
    id: occurrenceId,
    ...of,
    originalStartLocal: "2026-01-01T00:00",
    startLocal: "2026-01-01T00:00",
    zone: "UTC",
    durationMinutes: 60,
    startAt: now,
    endAt: now + 3_600_000,
  });
  await db.insert(rooms).values({ occurrenceId, organisationId });
  await db.insert(polls).values({
    id: pollId,
    organisationId,
    occurrenceId,
    position: 0,
    ...onePoll("Tide?", ["in", "out"]),
  });
  await db.insert(segments).values(
    ["Welcome", "The count"].map((title, position) => ({
      id: randomUUID(),
      organisationId,
      occurrenceId,
      position,
      title,
      lengthMinutes: 30,
    })),
  );
}

/** A date that begins now, with so many registered attendees, a producer and a prepared poll. */
export async function makeBusyDate(
  context: Context,
  attendees: number,
  options: { areAdmitted: boolean },
): Promise<BusyDate> {
  const { db, secrets } = context;
  const [organisation] = await db.select().from(organisations);
  const organisationId = organisation!.id;
  const now = context.clock.now();
  const [eventId, occurrenceId, pollId] = [randomUUID(), randomUUID(), randomUUID()];
  const of = { organisationId, eventId };
  await insertDate(context, { organisationId, eventId, occurrenceId, pollId });
  const folk = Array.from({ length: attendees + 1 }, (_, i) => ({
    id: randomUUID(),
    organisationId,
    name: `Guest ${i}`,
    email: `${randomUUID()}@example.org`,
    createdAt: now,
  }));
  const rows = folk.map((person, i) => ({
    id: randomUUID(),
    ...of,
    occurrenceId: i === 0 ? null : occurrenceId,
    personId: person.id,
    role: i === 0 ? ("producer" as const) : ("attendee" as const),
    registeredAt: now,
  }));
  await inChunks(folk, (chunk) => db.insert(people).values(chunk));
  await inChunks(rows, (chunk) => db.insert(tickets).values(chunk));
  if (options.areAdmitted) {
    await inChunks(rows.slice(1), (chunk) =>
      db
        .insert(admissions)
        .values(chunk.map((row) => ({ occurrenceId, organisationId, ticketId: row.id, admittedAt: now }))),
    );
  }
  const members = rows.map((row) => ({ ticketId: row.id, token: secrets.tokenFor(row.id, 1), occurrenceId }));
  return { organisationId, eventId, occurrenceId, pollId, producer: members[0]!, attendees: members.slice(1) };
}
