import { and, eq, inArray, isNull, ne } from "drizzle-orm";
import { ownDetailsInput } from "@/contracts";
import { stageRoles } from "@/core/people";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { members, people, tickets } from "../../db/schema";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { planLetter } from "../ground/letters";
import { countTry } from "../ground/tries";
import { renewLinks } from "./renew-links";
import { tokenOf, type Holder } from "./tickets";

const canCorrect = new Set(["registered", "waiting", "pending"]);

/**
 * Whether an address can become this person's. Somebody else's cannot; and a personal link must never become the way
 * to a stage seat or to the team's own sign-in. One refusal for all: a guest learns nothing of others.
 */
async function requireFreeAddress(db: Db, { person }: Holder, email: string): Promise<void> {
  const [other] = await db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.organisationId, person.organisationId), eq(people.email, email), ne(people.id, person.id)));
  const ofStage = and(
    eq(tickets.personId, person.id),
    inArray(tickets.role, [...stageRoles]),
    isNull(tickets.revokedAt),
  );
  const isOfTeam =
    (await db.$count(tickets, ofStage)) > 0 || (await db.$count(members, eq(members.personId, person.id))) > 0;
  if (other || isOfTeam) throw new Refusal({ code: "not-welcome", domains: [] });
}

/**
 * Registrants mend their own name and address. With another address every link sent so far is dead, a new one goes
 * there, and the old address hears of it.
 * @returns the token that opens the ticket from now on: the same one, or that of the new address
 */
export async function correctOwnDetails(context: Context, holder: Holder, rawInput: unknown): Promise<string> {
  const { ticket, person, event } = holder;
  if (ticket.role !== "attendee" || !canCorrect.has(ticket.status))
    throw new Refusal({ code: "wrong-state", action: "ticket.details", state: ticket.status });
  const { name, email } = parse(ownDetailsInput, rawInput);
  const isOtherAddress = email !== person.email;
  if (isOtherAddress) await countTry(context, "mail-to-address", email);
  return context.db.transaction(async (tx) => {
    await tx.update(people).set({ name }).where(eq(people.id, person.id));
    if (!isOtherAddress) return tokenOf(context, ticket);
    await requireFreeAddress(tx, holder, email);
    await tx
      .update(people)
      .set({ email, addressFailedAt: null, addressFailedReason: null })
      .where(eq(people.id, person.id));
    await renewLinks(context, tx, person.id);
    if (person.email)
      await planLetter(
        context,
        tx,
        event.organisationId,
        { name, email: person.email },
        { kind: "address-changed", title: event.title, slug: event.slug, locale: person.locale },
      );
    await audit(context, tx, {
      organisationId: event.organisationId,
      actorId: person.id,
      action: "ticket.own-address",
      eventId: event.id,
      facts: { ticketId: ticket.id },
    });
    return tokenOf(context, { ...ticket, linkVersion: ticket.linkVersion + 1 });
  });
}
