import { readFile } from "node:fs/promises";
import { and, desc, eq } from "drizzle-orm";
import { reminderOffsetsMinutes } from "../../src/core/mailings";
import { dayMs, hourMs } from "../../src/core/time";
import { occurrences, recordings, tickets } from "../../src/server/db/schema";
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

/** A generated picture of a tide, an hour long: what stands in for the evening's recording. */
/** What every part of the demo is made with. */
export interface DemoParts {
  readonly context: Context;
  readonly chance: Chance;
  readonly organisationId: string;
}

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
}
