import { and, eq, inArray, isNull, or, sql } from "drizzle-orm";
import { remindersFor, type MailingKind } from "@/core/mailings";
import { isStageRole } from "@/core/people";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { events, messages, occurrences, tickets, type AlsoAbout } from "../../db/schema";
import type { Context } from "./context";

const iso = (ms: number): string => new Date(ms).toISOString();

export interface NewMessage {
  readonly organisationId: string;
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly personId: string;
  readonly ticketId: string | null;
  readonly kind: MailingKind;
  readonly mailingId?: string | null;
  readonly questionId?: string;
  readonly alsoAbout?: readonly AlsoAbout[];
  readonly dueAt: number;
}

/**
 * Puts messages on the plan. One per (mailing, date, recipient, planned due): a repeat adds nothing. The job
 * process looks for due ones each second; no job is enqueued with them, since the queue keeps one of a kind
 * and all who register at the same moment would wait for one another there.
 */
export async function planMessages(context: Context, db: Db, wanted: readonly NewMessage[]): Promise<number> {
  if (wanted.length === 0) return 0;
  const host = new URL(context.environment.STAGE_CALL_URL).hostname;
  const domain = host === "127.0.0.1" ? "stage-call.example.org" : host;
  const now = iso(context.clock.now());
  let made = 0;
  for (let from = 0; from < wanted.length; from += 500) {
    const some = wanted.slice(from, from + 500);
    const ids = some.map(() => context.ids.id());
    const list = (of: (one: NewMessage, i: number) => string | null) => sql.param(some.map(of));
    // one parameter a column, however many rows: a registration plans three mails under the date's lock
    const { rowCount } = await db.execute(sql`
      insert into messages (id, organisation_id, event_id, occurrence_id, person_id, ticket_id, kind, mailing_id, question_id, also_about,
        planned_due_at, due_at, state, message_id, created_at)
      select id, organisation_id, event_id, occurrence_id, person_id, ticket_id, kind, mailing_id, question_id, also_about::jsonb, due_at, due_at,
        'planned', '<' || id || '@' || ${domain}::text || '>', ${now}::timestamptz
      from unnest(${sql.param(ids)}::uuid[], ${list((one) => one.organisationId)}::uuid[], ${list((one) => one.eventId)}::uuid[],
        ${list((one) => one.occurrenceId)}::uuid[], ${list((one) => one.personId)}::uuid[], ${list((one) => one.ticketId)}::uuid[],
        ${list((one) => one.kind)}::text[], ${list((one) => one.mailingId ?? null)}::uuid[],
        ${list((one) => one.questionId ?? null)}::uuid[], ${list((one) => JSON.stringify(one.alsoAbout ?? []))}::text[], ${list((one) => iso(one.dueAt))}::timestamptz[])
        as wanted(id, organisation_id, event_id, occurrence_id, person_id, ticket_id, kind, mailing_id, question_id, also_about, due_at)
      on conflict do nothing`);
    made += rowCount ?? 0;
  }
  return made;
}

type Ticket = typeof tickets.$inferSelect;
type Occurrence = typeof occurrences.$inferSelect;

/** What a message about a ticket needs of it. */
export type Addressed = Pick<Ticket, "id" | "organisationId" | "eventId" | "personId" | "role">;

/** What every message about this ticket's date begins with. */
export const aboutTicket = (ticket: Addressed, occurrence: Pick<Occurrence, "id">) => ({
  organisationId: ticket.organisationId,
  eventId: ticket.eventId,
  occurrenceId: occurrence.id,
  personId: ticket.personId,
  ticketId: ticket.id,
});

/** The reminders still ahead of one ticket's date. */
export const remindersOf = (
  ticket: Addressed,
  occurrence: Occurrence,
  offsetsMinutes: readonly number[],
  now: number,
): NewMessage[] => {
  const kind = isStageRole(ticket.role) ? "call-time-reminder" : "reminder";
  const offsets = kind === "reminder" ? offsetsMinutes : [24 * 60, occurrence.callMinutes + 10];
  return remindersFor(occurrence.startAt, offsets, now).map((one) => ({
    ...aboutTicket(ticket, occurrence),
    kind,
    dueAt: one.plannedDueAt,
  }));
};

/**
 * The reminders still ahead for these tickets (rule 7): a later sign-up gets none that had passed. Stage people are
 * of every date that is given, registrants of their own alone.
 */
export async function planReminders(
  context: Context,
  db: Db,
  offsetsMinutes: readonly number[],
  dates: readonly Occurrence[],
  holders: readonly Ticket[],
): Promise<void> {
  const now = context.clock.now();
  await planMessages(
    context,
    db,
    dates.flatMap((date) =>
      holders
        .filter((ticket) => ticket.occurrenceId === null || ticket.occurrenceId === date.id)
        .flatMap((ticket) => remindersOf(ticket, date, offsetsMinutes, now)),
    ),
  );
}

/** Dates that are still to come: what is planned for people goes for each of them. */
export const stillAhead = (dates: readonly Occurrence[]): Occurrence[] =>
  dates.filter((date) => date.phase === "scheduled" || date.phase === "backstage");

/** Those who hear of each of an event's dates: registered for it, or on stage and already invited. One read for all. */
export async function holdersOf(db: Db, dates: readonly Occurrence[]): Promise<ReadonlyMap<string, readonly Ticket[]>> {
  const eventId = dates[0]?.eventId;
  if (!eventId) return new Map();
  const ids = dates.map((date) => date.id);
  const rows = await db
    .select()
    .from(tickets)
    .where(
      and(
        eq(tickets.eventId, eventId),
        eq(tickets.status, "registered"),
        isNull(tickets.revokedAt),
        or(inArray(tickets.occurrenceId, ids), isNull(tickets.occurrenceId)),
      ),
    );
  const byDate = groupBy(
    rows.filter((row) => !isStageRole(row.role) || row.invitedAt !== null),
    (row) => row.occurrenceId,
  );
  return new Map(ids.map((id) => [id, [...(byDate.get(id) ?? []), ...(byDate.get(null) ?? [])]]));
}

export const dropKinds = async (db: Db, dates: readonly Occurrence[], kinds: MailingKind[]): Promise<void> => {
  if (dates.length === 0) return;
  await db.delete(messages).where(
    and(
      inArray(
        messages.occurrenceId,
        dates.map((date) => date.id),
      ),
      eq(messages.state, "planned"),
      inArray(messages.kind, kinds),
    ),
  );
};

/** After a move: reminders not yet sent are laid anew for the new hours. */
export async function replanReminders(
  context: Context,
  db: Db,
  event: typeof events.$inferSelect,
  dates: readonly Occurrence[],
): Promise<void> {
  await dropKinds(db, dates, ["reminder", "call-time-reminder"]);
  const holders = await holdersOf(db, dates);
  const now = context.clock.now();
  await planMessages(
    context,
    db,
    dates.flatMap((date) =>
      (holders.get(date.id) ?? []).flatMap((ticket) => remindersOf(ticket, date, event.reminderOffsetsMinutes, now)),
    ),
  );
}

/** What was written and put off says the old hour: it is written again when it leaves. */
export const writeAnew = async (db: Db, occurrenceIds: readonly string[]): Promise<void> => {
  if (occurrenceIds.length === 0) return;
  const isWaiting = inArray(messages.state, ["planned", "held"]);
  await db
    .update(messages)
    .set({ rendered: null })
    .where(and(inArray(messages.occurrenceId, [...occurrenceIds]), isWaiting));
};

/** Takes what is planned for dates off the plan. */
export const dropPlannedOf = (db: Db, occurrenceIds: readonly string[]) =>
  db.delete(messages).where(and(inArray(messages.occurrenceId, [...occurrenceIds]), eq(messages.state, "planned")));

/** Takes what is planned for a ticket off the plan. */
export const dropPlanned = (db: Db, ticketId: string) =>
  db.delete(messages).where(and(eq(messages.ticketId, ticketId), eq(messages.state, "planned")));
