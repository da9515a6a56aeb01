import { and, desc, eq, inArray, lte, ne, sql } from "drizzle-orm";
import {
  funnelBy,
  funnelOf,
  registrationsByDay,
  type FunnelCut,
  type FunnelLine,
  type FunnelPeople,
} from "@/core/reports";
import type { Db } from "../../db/client";
import {
  invitees,
  mailings,
  messages,
  overflowTotals,
  people,
  tickets,
  viewers,
  recordings,
  visits,
  occurrences,
} from "../../db/schema";
import type { DateReport } from "../ground/date-report";

/** From which share of the show on somebody has stayed, where the event sets none. */
export const stayedPercent = 75;
/** Days before the start that registrations are drawn over. */
export const leadDays = 28;

/** Screens, not people: whoever watches so gives no name. */
export interface Overflow {
  readonly screens: number;
  readonly mostAtOnce: number;
}
export interface DateFunnel {
  readonly lines: readonly FunnelLine[];
  /** visits to the public page, a visitor and day each; counts, not people */
  readonly visits: number;
  /** screens that watched without a seat, and at the same time at most; null where there were none */
  readonly overflow: Overflow | null;
  readonly stayedPercent: number;
  readonly bySource: readonly FunnelCut[];
  readonly byLanguage: readonly FunnelCut[];
  readonly byZone: readonly FunnelCut[];
  readonly byMailing: readonly MailingFunnel[];
  readonly byDay: readonly number[];
}
/** A mailing, and who of those it reached registered afterwards and came. */
export interface MailingFunnel {
  readonly subject: string;
  readonly sentAt: number;
  readonly reached: number;
  readonly registered: number;
  readonly came: number;
}

interface About {
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly startAt: number;
  readonly thresholdPercent: number;
}

/** A person by whom the book has, else by their line. */
const personOf =
  (data: DateReport) =>
  (personKey: string): string =>
    data.persons.get(personKey)?.personId || personKey;

/** Who did what, by person. Taking part is asking, voting, raising a hand or speaking. */
async function peopleOfFunnel(db: Db, about: About, data: DateReport): Promise<FunnelPeople> {
  const of = personOf(data);
  const lines = data.report.lines.filter((line) => line.role === "attendee");
  const set = (own: typeof lines) => new Set(own.map((line) => of(line.personKey)));
  const [asked, seen] = await Promise.all([
    db.select({ id: invitees.personId }).from(invitees).where(eq(invitees.eventId, about.eventId)).limit(100_000),
    db
      .select({ id: tickets.personId })
      .from(viewers)
      .innerJoin(recordings, eq(recordings.id, viewers.recordingId))
      .innerJoin(tickets, eq(tickets.id, viewers.ticketId))
      .where(eq(recordings.occurrenceId, about.occurrenceId))
      .limit(100_000),
  ]);
  return {
    invited: new Set(asked.map((row) => row.id)),
    registered: set(lines.filter((line) => line.isRegistered)),
    came: set(lines.filter((line) => line.minutesPresent > 0)),
    stayed: set(lines.filter((line) => line.minutesPresent > 0 && line.percentPresent >= about.thresholdPercent)),
    "took-part": set(lines.filter((line) => line.questions + line.votes + line.hands > 0)),
    watched: new Set(seen.map((row) => row.id)),
  };
}

/** Tickets of the date, for what is known of where their holders come from. */
async function ticketsOf(db: Db, about: About) {
  return db
    .select({
      personId: tickets.personId,
      source: tickets.source,
      registeredAt: tickets.registeredAt,
      locale: people.locale,
      zone: people.zone,
    })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(tickets.occurrenceId, about.occurrenceId),
        eq(tickets.role, "attendee"),
        eq(tickets.status, "registered"),
        sql`${tickets.source} is distinct from 'import'`,
      ),
    )
    .limit(100_000);
}

/** Each mailing that asked people in, with who of those it reached registered after it. */
async function byMailing(
  db: Db,
  about: About,
  registeredAt: ReadonlyMap<string, number>,
  came: ReadonlySet<string>,
): Promise<readonly MailingFunnel[]> {
  const own = await db
    .select({ id: mailings.id, subject: mailings.subject })
    .from(mailings)
    .where(and(eq(mailings.eventId, about.eventId), inArray(mailings.kind, ["invitation", "note"])))
    .orderBy(desc(mailings.createdAt))
    .limit(20);
  const sent = await db
    .select({ mailingId: messages.mailingId, personId: messages.personId, sentAt: messages.sentAt })
    .from(messages)
    .where(
      and(
        inArray(
          messages.mailingId,
          own.map((one) => one.id),
        ),
        eq(messages.state, "sent"),
        lte(messages.sentAt, about.startAt),
      ),
    )
    .limit(200_000);
  return own.flatMap(({ id, subject }) => {
    const reached = sent.filter((row) => row.mailingId === id);
    if (reached.length === 0) return [];
    const registered = reached.filter((row) => (registeredAt.get(row.personId) ?? -1) >= row.sentAt!);
    return [
      {
        subject,
        sentAt: Math.min(...reached.map((row) => row.sentAt!)),
        reached: reached.length,
        registered: registered.length,
        came: registered.filter((row) => came.has(row.personId)).length,
      },
    ];
  });
}

/** Rule 29 for one date: the steps, and the same by where people came from. */
export async function funnelOfDate(db: Db, about: About, data: DateReport): Promise<DateFunnel> {
  const [known, folk, seen, overflow] = await Promise.all([
    peopleOfFunnel(db, about, data),
    ticketsOf(db, about),
    visitsBefore(db, about),
    overflowOf(db, about.occurrenceId),
  ]);
  const by = new Map(folk.map((row) => [row.personId, row]));
  const cut = (of: (row: (typeof folk)[number]) => string | null) =>
    funnelBy(known, (person) => {
      const row = by.get(person);
      return (row && of(row)) ?? "";
    });
  return {
    lines: funnelOf(known),
    visits: seen,
    overflow,
    stayedPercent: about.thresholdPercent,
    bySource: cut((row) => row.source),
    byLanguage: cut((row) => row.locale),
    byZone: cut((row) => row.zone),
    byMailing: await byMailing(db, about, new Map(folk.map((row) => [row.personId, row.registeredAt])), known.came),
    byDay: registrationsByDay(
      folk.map((row) => row.registeredAt),
      about.startAt,
      leadDays,
    ),
  };
}

async function overflowOf(db: Db, occurrenceId: string): Promise<Overflow | null> {
  const [found] = await db
    .select({ screens: overflowTotals.screens, mostAtOnce: overflowTotals.mostAtOnce })
    .from(overflowTotals)
    .where(eq(overflowTotals.occurrenceId, occurrenceId));
  return found ?? null;
}

/** Visits since the event's date before, to the day of this one. */
async function visitsBefore(db: Db, { eventId, occurrenceId, startAt }: About): Promise<number> {
  const day = (at: number) => new Date(at).toISOString().slice(0, 10);
  const [earlier] = await db
    .select({ startAt: occurrences.startAt })
    .from(occurrences)
    .where(
      and(
        eq(occurrences.eventId, eventId),
        ne(occurrences.id, occurrenceId),
        eq(occurrences.kind, "show"),
        sql`${occurrences.startAt} < ${new Date(startAt).toISOString()}`,
      ),
    )
    .orderBy(desc(occurrences.startAt))
    .limit(1);
  return db.$count(
    visits,
    and(
      eq(visits.eventId, eventId),
      lte(visits.day, day(startAt)),
      earlier ? sql`${visits.day} > ${day(earlier.startAt)}` : undefined,
    ),
  );
}
