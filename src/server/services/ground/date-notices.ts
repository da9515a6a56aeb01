import { and, eq, gt, inArray, notExists, sql } from "drizzle-orm";
import { changeNoticeDueAt, type MailingKind } from "@/core/mailings";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { invitees, messages, occurrences, tickets } from "../../db/schema";
import type { Context } from "./context";
import { holdersOf, planMessages, type NewMessage } from "./mail-plan";

type Occurrence = typeof occurrences.$inferSelect;
/** Somebody who hears of a date: by their ticket for it, or as an invitee who said that they come. */
interface Hearer {
  readonly personId: string;
  readonly ticketId: string | null;
  readonly date: Occurrence;
}

/** Invited people who said that they come and have no ticket yet: their calendar holds the next date all the same. */
async function comingInvitees(db: Db, date: Occurrence): Promise<readonly Hearer[]> {
  const hasTicket = db
    .select({ one: sql`1` })
    .from(tickets)
    .where(and(eq(tickets.eventId, invitees.eventId), eq(tickets.personId, invitees.personId)));
  const rows = await db
    .select({ personId: invitees.personId })
    .from(invitees)
    .where(and(eq(invitees.eventId, date.eventId), eq(invitees.reply, "coming"), notExists(hasTicket)));
  return rows.map(({ personId }) => ({ personId, ticketId: null, date }));
}

async function hearersOf(db: Db, dates: readonly Occurrence[]): Promise<readonly Hearer[]> {
  const [soonest] = [...dates].sort((a, b) => a.startAt - b.startAt);
  if (!soonest) return [];
  const holders = await holdersOf(db, dates);
  const byTicket = dates.flatMap((date) =>
    (holders.get(date.id) ?? []).map((ticket) => ({ personId: ticket.personId, ticketId: ticket.id, date })),
  );
  return [...byTicket, ...(await comingInvitees(db, soonest))];
}

/** How many people would hear of a change of these dates. */
export const hearersCount = async (db: Db, dates: readonly Occurrence[]): Promise<number> =>
  new Set((await hearersOf(db, dates)).map((one) => one.personId)).size;

/** One mail a person, about all of the dates that concern them, the soonest first. */
async function tellOnce(
  context: Context,
  db: Db,
  dates: readonly Occurrence[],
  kind: MailingKind,
  dueAt: number,
): Promise<number> {
  const all = await hearersOf(db, dates);
  const wanted = [...groupBy(all, (one) => one.personId)].map(([personId, theirs]): NewMessage => {
    const [first, ...others] = [...theirs].sort((a, b) => a.date.startAt - b.date.startAt);
    const { organisationId, eventId, id } = first!.date;
    return {
      organisationId,
      eventId,
      occurrenceId: id,
      personId,
      ticketId: first!.ticketId,
      kind,
      dueAt,
      alsoAbout: others.map(({ date, ticketId }) => ({ occurrenceId: date.id, ticketId })),
    };
  });
  return planMessages(context, db, wanted);
}

/**
 * Dates that notices of the event are about which still wait for further edits; the notices themselves are taken back,
 * to be planned as one. One that was due and put off by a server is of a change that others have heard of already.
 */
async function takeBackNotices(db: Db, eventId: string, now: number): Promise<readonly Occurrence[]> {
  const gone = await db
    .delete(messages)
    .where(
      and(
        eq(messages.eventId, eventId),
        eq(messages.state, "planned"),
        eq(messages.kind, "change"),
        gt(messages.plannedDueAt, now),
      ),
    )
    .returning({ occurrenceId: messages.occurrenceId, alsoAbout: messages.alsoAbout });
  const ids = gone.flatMap((one) => [one.occurrenceId, ...one.alsoAbout.map((also) => also.occurrenceId)]);
  const wanted = [...new Set(ids.filter((id) => id !== null))];
  return wanted.length === 0 ? [] : db.select().from(occurrences).where(inArray(occurrences.id, wanted));
}

/** Plans the notices that still wait anew, without the dates whose change was undone. */
export async function withdrawNotices(
  context: Context,
  db: Db,
  eventId: string,
  undoneIds: readonly string[],
): Promise<void> {
  const rest = (await takeBackNotices(db, eventId, context.clock.now())).filter((date) => !undoneIds.includes(date.id));
  await tellOnce(context, db, rest, "change", changeNoticeDueAt(context.clock.now()));
}

/** One change notice to each who is concerned, whatever the number of dates, and of edits within five minutes. */
export async function planChangeNotice(context: Context, db: Db, dates: readonly Occurrence[]): Promise<number> {
  const [first] = dates;
  if (!first) return 0;
  const before = await takeBackNotices(db, first.eventId, context.clock.now());
  const all = new Map(
    [...before.filter((date) => date.phase !== "cancelled"), ...dates].map((date) => [date.id, date]),
  );
  return tellOnce(context, db, [...all.values()], "change", changeNoticeDueAt(context.clock.now()));
}

/** Word to everybody concerned that dates are called off: at once. */
export const planCancellation = (context: Context, db: Db, dates: readonly Occurrence[]): Promise<number> =>
  tellOnce(context, db, dates, "cancellation", context.clock.now());
