import { randomUUID } from "node:crypto";
import { eq, inArray } from "drizzle-orm";
import type { Duty, Role } from "../../src/core/people";
import { events, members, people, tickets, user } from "../../src/server/db/schema";
import { notifyJournals } from "../../src/server/db/notify";
import { makeContext } from "../../src/server/worker";
import type { BusyDate } from "../../tests/support/busy-date";

interface Added {
  readonly name: string;
  readonly role: Role;
  readonly duties?: readonly Duty[];
  /** the language that somebody new reads */
  readonly locale?: string;
  /** an interpreter's two languages */
  readonly pair?: [string, string];
  /** a member of the team, by their own address; else somebody new */
  readonly member?: string;
}

/** Puts people of the stage and the team on an event. @returns their links, in the same order */
export async function addToEvent(date: BusyDate, added: readonly Added[]): Promise<string[]> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const { db, secrets, clock } = context;
  const links: string[] = [];
  for (const { name, role, duties = [], locale = "en", member, pair = null } of added) {
    const [known] = member
      ? await db
          .select({ personId: members.personId })
          .from(members)
          .innerJoin(user, eq(user.id, members.userId))
          .where(eq(user.email, member))
      : [];
    const personId = known?.personId ?? randomUUID();
    const of = { organisationId: date.organisationId };
    if (!known)
      await db
        .insert(people)
        .values({ id: personId, ...of, name, email: `${randomUUID()}@example.org`, locale, createdAt: clock.now() });
    const id = randomUUID();
    await db.insert(tickets).values({
      id,
      ...of,
      eventId: date.eventId,
      personId,
      role,
      duties: [...duties],
      languages: pair,
      registeredAt: clock.now(),
    });
    links.push(secrets.tokenFor(id, 1));
  }
  await close();
  return links;
}

/** The language that somebody reads, as they chose it when they registered. */
export async function readIn(ticketId: string, locale: string): Promise<void> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const own = context.db.select({ id: tickets.personId }).from(tickets).where(eq(tickets.id, ticketId));
  await context.db.update(people).set({ locale }).where(inArray(people.id, own));
  await close();
}

/** The address that somebody registered with. */
export async function addressOf(ticketId: string): Promise<string> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  const [person] = await context.db
    .select({ email: people.email })
    .from(people)
    .innerJoin(tickets, eq(tickets.personId, people.id))
    .where(eq(tickets.id, ticketId));
  await close();
  return person!.email!;
}

/** Puts the event's public page online. */
export async function publish(date: BusyDate): Promise<void> {
  const { context, close } = await makeContext({ ...process.env, STAGE_CALL_CLOCK_FILE: undefined });
  await context.db.update(events).set({ publishedAt: context.clock.now() }).where(eq(events.id, date.eventId));
  await notifyJournals(context.db, [date.occurrenceId]);
  await close();
}
