import { and, eq } from "drizzle-orm";
import { currentDate } from "@/core/dates";
import { isStageRole, type Actor } from "@/core/people";
import { Refusal } from "@/core/shared";
import { events, invitees, occurrences, people, tickets } from "../../db/schema";
import { notFound, type Context } from "../ground/context";
import { messagesFor } from "@/contracts/messages";
import { organisationOf, rulesOf } from "../organisation/rules";
import { phoneDetails, phoneRows } from "./phone-details";
import { allDatesOf } from "../planning/dates/load";

type Ticket = typeof tickets.$inferSelect;
type Occurrence = typeof occurrences.$inferSelect;

/** Whoever a personal link belongs to, with what it opens. */
export interface Holder {
  readonly ticket: Ticket;
  readonly person: typeof people.$inferSelect;
  readonly event: typeof events.$inferSelect;
  readonly occurrence: Occurrence;
  readonly actor: Actor;
}

/** The date that a stage person's link opens: the one that is on, else the next, else the last; rehearsals count (rule 5). */
async function dateFor(context: Context, ticket: Ticket): Promise<Occurrence | undefined> {
  if (ticket.occurrenceId) {
    const [own] = await context.db.select().from(occurrences).where(eq(occurrences.id, ticket.occurrenceId));
    return own;
  }
  return currentDate(await allDatesOf(context.db, ticket.eventId), context.clock.now());
}

/** The holder of a ticket by id, or not found: for cookies and the room. */
export async function holderById(
  context: Context,
  ticketId: string,
  { ofDeleted = false }: { readonly ofDeleted?: boolean } = {},
): Promise<Holder> {
  const [row] = await context.db
    .select({ ticket: tickets, person: people, event: events })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .innerJoin(events, eq(events.id, tickets.eventId))
    .where(eq(tickets.id, ticketId));
  if (!row || row.ticket.revokedAt !== null || (row.event.deletedAt !== null && !ofDeleted)) throw notFound("ticket");
  const occurrence = await dateFor(context, row.ticket);
  if (!occurrence) throw notFound("ticket");
  return { ...row, occurrence, actor: { role: row.ticket.role, duties: row.ticket.duties } };
}

/**
 * The holder behind a token. Unknown, forged and revoked ones are refused alike.
 * @param options.ofDeleted also of an event in the bin: a ticket then says that it is cancelled, not that its link is wrong
 */
export async function holderOf(
  context: Context,
  token: string,
  options: { readonly ofDeleted?: boolean } = {},
): Promise<Holder> {
  const claim = context.secrets.readToken(token);
  if (!claim) throw notFound("ticket");
  const holder = await holderById(context, claim.ticketId, options);
  if (!claim.matches(holder.ticket.linkVersion)) throw notFound("ticket");
  return holder;
}

/**
 * The ticket of this event among the links that a browser came in by; null where there is none.
 * @param fits further asked of it: of a series a browser may hold one for each date
 */
export async function ticketAmong(
  context: Context,
  eventId: string,
  tokens: readonly string[],
  fits: (ticket: Ticket) => boolean = () => true,
): Promise<Ticket | null> {
  for (const token of tokens) {
    const holder = await holderOf(context, token).catch(() => null);
    if (holder?.event.id === eventId && fits(holder.ticket)) return holder.ticket;
  }
  return null;
}

export const tokenOf = (context: Context, ticket: Pick<Ticket, "id" | "linkVersion">): string =>
  context.secrets.tokenFor(ticket.id, ticket.linkVersion);

/** How this holder comes in by phone, in their own language; none where nobody can. */
export async function phoneRowsFor(
  context: Context,
  { event, ticket, person }: Holder,
): Promise<[label: string, value: string][]> {
  if (event.soundBy === "computer") return [];
  const rules = rulesOf(await organisationOf(context, event.organisationId));
  return phoneRows(messagesFor(person.locale).joinBlock, phoneDetails(context, event, rules, ticket));
}

/** Whether this holder may go to the room at all. */
export function requireWayIn(holder: Holder): void {
  if (isStageRole(holder.actor.role)) return;
  if (holder.ticket.status !== "registered")
    throw new Refusal({ code: "wrong-state", action: "house.enter", state: holder.ticket.status });
}

/** The invitee that a registration link names, for prefilling; null for anything else. */
export async function inviteeOf(
  context: Context,
  eventId: string,
  token: string | null,
): Promise<{ name: string; email: string } | null> {
  const claim = token ? context.secrets.readToken(token) : null;
  if (!claim || !claim.matches(0)) return null;
  const [row] = await context.db
    .select({ name: people.name, email: people.email })
    .from(invitees)
    .innerJoin(people, eq(people.id, invitees.personId))
    .where(and(eq(invitees.id, claim.ticketId), eq(invitees.eventId, eventId)));
  return row?.email ? { name: row.name ?? "", email: row.email } : null;
}
