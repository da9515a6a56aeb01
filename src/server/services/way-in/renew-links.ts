import { and, eq, inArray, isNull } from "drizzle-orm";
import { running } from "@/core/people";
import type { Db } from "../../db/client";
import { events, occurrences, tickets } from "../../db/schema";
import type { Context } from "../ground/context";
import { aboutTicket, planMessages } from "../ground/mail-plan";
import { newLinks } from "../people/contacts/foreign-stage";

const mostTickets = 200;
/** The mail that carries a ticket's link, by how the ticket stands; one that was given back or declined has none. */
const linkMail = { registered: "confirmation", waiting: "waiting-list", pending: "pending" } as const;

/**
 * Somebody's address is another one: every link sent so far is dead, and each place of theirs that is still to come
 * gets its new one by mail.
 */
export async function renewLinks(context: Context, tx: Db, personId: string): Promise<void> {
  await newLinks(tx, [personId]);
  const rows = await tx
    .select({ ticket: tickets, occurrence: occurrences })
    .from(tickets)
    .innerJoin(occurrences, eq(occurrences.id, tickets.occurrenceId))
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(
      and(
        eq(tickets.personId, personId),
        inArray(tickets.status, ["registered", "waiting", "pending"]),
        isNull(tickets.revokedAt),
        isNull(events.deletedAt),
        inArray(occurrences.phase, [...running]),
      ),
    )
    .limit(mostTickets);
  const dueAt = context.clock.now();
  const mails = rows.flatMap(({ ticket, occurrence }) =>
    ticket.status in linkMail
      ? [{ ...aboutTicket(ticket, occurrence), kind: linkMail[ticket.status as keyof typeof linkMail], dueAt }]
      : [],
  );
  await planMessages(context, tx, mails);
}
