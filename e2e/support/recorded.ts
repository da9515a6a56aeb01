import { randomUUID } from "node:crypto";
import { resolve } from "node:path";
import { and, eq, isNotNull } from "drizzle-orm";
import { ALL_FORMATS, FilePathSource, Input } from "mediabunny";
import { recordedMs } from "../../src/core/programme";
import { events, occurrences, people, plays, recordings, tickets, viewers } from "../../src/server/db/schema";
import { tokenOf } from "../../src/server/services/way-in/tickets";
import { makeContext } from "../../src/server/worker";
import { SimulatedGuest } from "../../src/stand-ins/crowd";
import type { BusyDate } from "../../tests/support/busy-date";
import { calledDate } from "./room";
import { signIn } from "./team";
import { expect, type Page } from "./test";

/** Somebody of the stage side who has no page of their own open here agrees to be recorded. */
export async function agreeAs(baseURL: string, date: BusyDate, ticketId: string): Promise<void> {
  const member = [date.producer, ...date.attendees].find((one) => one.ticketId === ticketId)!;
  await new SimulatedGuest(baseURL, member).send({ type: "recording.agree" });
}

/** What the room recorded, once it is one file, read by a demuxer. */
export async function joinedRecording(occurrenceId: string) {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  try {
    const row = async () =>
      (await context.db.select().from(recordings).where(eq(recordings.occurrenceId, occurrenceId)))[0];
    await expect.poll(async () => (await row())?.state, { timeout: 60_000 }).toBe("ready");
    const made = (await row())!;
    return await context.storage.withPaths([made.fileName], async ([path]) => {
      const input = new Input({ source: new FilePathSource(path!), formats: ALL_FORMATS });
      const tracks = await input.getTracks();
      return {
        seconds: await input.computeDuration(),
        recordedSeconds: recordedMs(made.spans ?? []) / 1000,
        tracks: tracks.map((track) => track.type),
      };
    });
  } finally {
    await close();
  }
}

/** Anyone may watch this event without a seat. @returns its name in addresses */
export async function watchedByAnyone(eventId: string): Promise<string> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const [event] = await context.db
    .update(events)
    .set({ overflow: "anyone", publishedAt: context.clock.now() })
    .where(eq(events.id, eventId))
    .returning({ slug: events.slug });
  await close();
  return event!.slug;
}

/** How many seconds of a recording one browser has played, by the cookie that tells it apart. */
export async function secondsPlayed(slug: string, watchCookie: string): Promise<number> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const rows = await context.db
    .select({ from: plays.fromSeconds, to: plays.toSeconds })
    .from(plays)
    .innerJoin(viewers, eq(viewers.id, plays.viewerId))
    .innerJoin(recordings, eq(recordings.id, viewers.recordingId))
    .where(and(eq(recordings.slug, slug), eq(viewers.browser, context.secrets.fingerprint(watchCookie))));
  await close();
  return rows.reduce((sum, { from, to }) => sum + to - from, 0);
}

/** A date that was held, whose recording the team uploads and opens to edit. */
export async function uploadedRecording(page: Page, baseURL: string): Promise<BusyDate> {
  const date = await calledDate(baseURL, 1, { areAdmitted: true });
  for (const type of ["hour.open-doors", "hour.raise-curtain", "hour.end"] as const)
    await date.producerAtWork.send({ type });
  date.producerAtWork.leave();
  await watchedByAnyone(date.eventId);
  await withFewSeats(date.eventId);
  await signIn(page);
  await page.goto(`/events/${date.eventId}/afterwards/${date.occurrenceId}`);
  await page.locator('input[type="file"][accept*="video"]').setInputFiles(resolve("scripts/demo/shore.webm"));
  await page.getByRole("link", { name: "Edit", exact: true }).click();
  return date;
}

/** As many seats as the demo's licences carry. */
async function withFewSeats(eventId: string): Promise<void> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  await context.db.update(events).set({ houseSize: 50 }).where(eq(events.id, eventId));
  await close();
}

/** A screening that was planned begins now; people are registered for it. @returns its id, and their tokens */
export async function movedToNow(eventId: string, names: readonly string[]) {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  try {
    const { db } = context;
    const startAt = context.clock.now();
    const [date] = await db
      .update(occurrences)
      .set({ startAt, endAt: startAt + 3_600_000 })
      .where(and(eq(occurrences.eventId, eventId), isNotNull(occurrences.screeningOf)))
      .returning();
    const { id: occurrenceId, organisationId } = date!;
    const folk = names.map((name, i) => ({
      id: randomUUID(),
      organisationId,
      name,
      email: `${i}-${randomUUID()}@example.org`,
    }));
    await db.insert(people).values(folk.map((one) => ({ ...one, createdAt: startAt })));
    const own = { organisationId, eventId, occurrenceId, role: "attendee" as const, registeredAt: startAt };
    const rows = await db
      .insert(tickets)
      .values(folk.map((person) => ({ ...own, id: randomUUID(), personId: person.id })))
      .returning();
    return { occurrenceId, tokens: rows.map((ticket) => tokenOf(context, ticket)) };
  } finally {
    await close();
  }
}
