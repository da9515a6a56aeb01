import { readFile } from "node:fs/promises";
import { and, desc, eq } from "drizzle-orm";
import { reminderOffsetsMinutes } from "../../src/core/mailings";
import { dayMs, hourMs } from "../../src/core/time";
import { occurrences, plays, recordings, tickets, viewers } from "../../src/server/db/schema";
import type { Context } from "../../src/server/services/ground/context";
import { aboutTicket, planMessages, planReminders } from "../../src/server/services/ground/mail-plan";
import type { Chance } from "./chance";

/** Reminders for everybody registered, and confirmations for the latest: they leave when the demo starts. */
export async function demoMails(context: Context, occurrenceId: string, count: number): Promise<void> {
  const { db, clock } = context;
  const [occurrence] = await db.select().from(occurrences).where(eq(occurrences.id, occurrenceId));
  const holders = await db
    .select()
    .from(tickets)
    .where(and(eq(tickets.occurrenceId, occurrenceId), eq(tickets.status, "registered")))
    .orderBy(desc(tickets.registeredAt));
  await planReminders(context, db, reminderOffsetsMinutes, [occurrence!], holders);
  const latest = holders.slice(0, Math.min(6, count));
  await planMessages(
    context,
    db,
    latest.map((ticket) => ({ ...aboutTicket(ticket, occurrence!), kind: "confirmation", dueAt: clock.now() })),
  );
}

/** What every part of the demo is made with. */
export interface DemoParts {
  readonly context: Context;
  readonly chance: Chance;
  readonly organisationId: string;
}

/** A generated picture of a tide, an hour long: what stands in for the evening's recording; and who watched it. */
export async function demoRecording(
  { context, chance, organisationId }: DemoParts,
  occurrenceId: string,
  slug: string,
  title: string,
  endedAt: number,
): Promise<void> {
  const id = chance.id();
  const fileName = `${id}.media`;
  const bytes = await readFile(new URL("./shore.webm", import.meta.url));
  const body = new Blob([bytes]).stream() as ReadableStream<Uint8Array>;
  await context.storage.write(fileName, body, { maxBytes: bytes.length, expectedBytes: bytes.length });
  const file = { fileName, mediaType: "video/webm" as const, sizeBytes: bytes.length, durationSeconds: 3600 };
  const row = {
    id,
    organisationId,
    occurrenceId,
    slug: `${slug}-${chance.code(5)}`,
    title,
    ...file,
  };
  await context.db.insert(recordings).values({ ...row, uploadedAt: endedAt + hourMs, publishedFrom: endedAt + dayMs });
  await demoViewers({ context, chance, organisationId }, { id, occurrenceId }, endedAt + dayMs);
}

/** Every third of those who registered watched some of it, a few browsers besides; most from the beginning, few to the end. */
async function demoViewers(
  { context, chance, organisationId }: DemoParts,
  recording: { readonly id: string; readonly occurrenceId: string },
  publishedAt: number,
): Promise<void> {
  const { db, clock } = context;
  const holders = await db
    .select({ id: tickets.id })
    .from(tickets)
    .where(and(eq(tickets.occurrenceId, recording.occurrenceId), eq(tickets.status, "registered")))
    .orderBy(tickets.id);
  const known = holders.filter(() => chance.next() < 0.3).map(({ id }) => ({ ticketId: id, browser: null }));
  const unknown = Array.from({ length: 14 }, () => ({ ticketId: null, browser: chance.code(24) }));
  const sinceMs = Math.max(hourMs, clock.now() - publishedAt);
  const people = [...known, ...unknown].map((who) => {
    const firstAt = publishedAt + Math.round(chance.next() ** 2 * sinceMs);
    return {
      id: chance.id(),
      organisationId,
      recordingId: recording.id,
      ...who,
      firstAt,
      lastAt: firstAt + hourMs / 2,
    };
  });
  await db.insert(viewers).values(people);
  await db.insert(plays).values(people.flatMap(({ id }) => demoPlays(chance, organisationId, id)));
}

/** One watches on from somewhere near the beginning, and now and then looks at another part once more. */
function demoPlays(chance: Chance, organisationId: string, viewerId: string) {
  const viewId = chance.id();
  const stretch = (from: number, length: number) => ({
    ...{ viewerId, playId: chance.id(), organisationId, viewId },
    fromSeconds: Math.round(from),
    toSeconds: Math.min(3600, Math.round(from + length)),
  });
  const first = stretch(chance.next() < 0.7 ? 0 : chance.next() * 1400, 120 + chance.next() ** 0.6 * 3500);
  return chance.next() < 0.4 ? [first, stretch(1440 + chance.next() * 400, 60 + chance.next() * 500)] : [first];
}
