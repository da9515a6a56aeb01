import { and, eq, inArray } from "drizzle-orm";
import { tickets } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import { type TeamMember, accessFor } from "../ground/access";
import type { Context } from "../ground/context";
import { allDatesOf, dateOf } from "../planning/dates/load";
import { type FinishedMessage, finish, redactedLinks } from "./links";
import { type MessageRow, loadMessage } from "./load";
import { aboutTicket, planMessages, planReminders, stillAhead } from "../ground/mail-plan";
import { render, standardWords } from "./render";
import { stageTicket } from "../people/stage-people";

/** The stage invitation as this person would get it, link redacted. */

export async function previewStageInvitation(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
): Promise<FinishedMessage> {
  await accessFor(context, member, eventId, "event.people");
  const ticket = await stageTicket(context, eventId, ticketId);
  const date = await dateOf(context.db, eventId, context.clock.now());
  const now = context.clock.now();
  const message = { ...aboutTicket(ticket, date), kind: "stage-invitation", mailingId: null } as MessageRow;
  const facts = await loadMessage(context, context.db, message);
  return finish(render(facts, standardWords("stage-invitation", facts.person.locale), now), redactedLinks);
}
/** Sends the invitation with the personal link to each of these, and plans their call-time reminders for every date to come. */

export async function inviteStagePeople(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketIds: readonly string[],
): Promise<number> {
  const access = await accessFor(context, member, eventId, "event.people");
  const date = await dateOf(context.db, eventId, context.clock.now());
  if (ticketIds.length === 0) return 0;
  return context.db.transaction(async (tx) => {
    const invited = await tx
      .update(tickets)
      .set({ invitedAt: context.clock.now() })
      .where(and(eq(tickets.eventId, eventId), inArray(tickets.id, [...ticketIds]), isEventWide()))
      .returning();
    const dueAt = context.clock.now();
    const sent = await planMessages(
      context,
      tx,
      invited.map((ticket) => ({ ...aboutTicket(ticket, date), kind: "stage-invitation", dueAt })),
    );
    const ahead = stillAhead(await allDatesOf(tx, eventId));
    await planReminders(context, tx, access.event.reminderOffsetsMinutes, ahead, invited);
    return sent;
  });
}
