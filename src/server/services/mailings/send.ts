import type { Db } from "../../db/client";
import { and, eq, gt, sql } from "drizzle-orm";
import { audienceInput } from "@/contracts";
import { nobody, type Audience, type ComposedKind } from "@/core/mailings";
import { Refusal } from "@/core/shared";
import { dayMs } from "@/core/time";
import { invitees, mailings, messages } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { dateOf } from "../planning/dates/load";
import { planMessages } from "../ground/mail-plan";
import { countAudience, makePeople, type AudienceCount, type Target } from "./audience";
import { ownMailing } from "./compose";

/** What an audience comes to, with the first of its people by name. */
export type AudienceSummary = Omit<AudienceCount, "targets" | "leftOut"> & {
  readonly count: number;
  readonly first: readonly { personId: string | null; name: string; email: string }[];
};

export async function summariseAudience(
  context: Context,
  member: TeamMember,
  eventId: string,
  kind: ComposedKind,
  rawAudience: unknown,
): Promise<AudienceSummary> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const audience = parse(audienceInput, rawAudience);
  const date = await dateOf(context.db, eventId, context.clock.now(), audience.dateId ?? null);
  const { targets, twice, already, unsubscribed, failed, byHand, unread } = await countAudience(
    context,
    context.db,
    { organisationId: event.organisationId, eventId, dateId: date.id, kind },
    audience,
  );
  return {
    ...{ twice, already, unsubscribed, failed, byHand, unread },
    count: targets.length,
    first: targets.slice(0, 50).map(({ personId, name, email }) => ({ personId, name, email })),
  };
}

const chunkSize = 500;

/**
 * Puts a kept mailing on the plan for everybody it reaches, one message each, due now. Whoever has it
 * already gets none: pressing twice, or again for a longer list, sends nothing twice.
 */
export async function sendMailing(
  context: Context,
  member: TeamMember,
  eventId: string,
  mailingId: string,
): Promise<{ planned: number; already: number }> {
  await accessFor(context, member, eventId, "event.mailings");
  const { kind, audience } = await ownMailing(context, eventId, mailingId);
  return sendTo(context, member, eventId, kind as ComposedKind, mailingId, audience);
}

/** Keeps who was invited, and when: replies and the list of invitees hang on it. */
async function markInvited(
  context: Context,
  tx: Db,
  of: { organisationId: string; eventId: string },
  personIds: readonly string[],
): Promise<void> {
  const invitedAt = context.clock.now();
  for (let from = 0; from < personIds.length; from += chunkSize) {
    const chunk = personIds.slice(from, from + chunkSize);
    await tx
      .insert(invitees)
      .values(chunk.map((personId) => ({ id: context.ids.id(), ...of, personId, invitedAt })))
      .onConflictDoNothing();
  }
}

/** Who has this mailing already; a second reminder to answer on the same day would be one too many. */
async function reachedBefore(
  tx: Db,
  of: { eventId: string; kind: ComposedKind | "invitation-again"; mailingId: string | null; now: number },
): Promise<ReadonlySet<string | null>> {
  const sentBefore =
    of.mailingId === null
      ? and(eq(messages.eventId, of.eventId), eq(messages.kind, of.kind), gt(messages.createdAt, of.now - dayMs))
      : eq(messages.mailingId, of.mailingId);
  return new Set((await tx.select({ id: messages.personId }).from(messages).where(sentBefore)).map((row) => row.id));
}

async function sendTo(
  context: Context,
  member: TeamMember,
  eventId: string,
  kind: ComposedKind | "invitation-again",
  mailingId: string | null,
  audience: Audience,
): Promise<{ planned: number; already: number }> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const { organisationId } = event;
  const now = context.clock.now();
  const date = await dateOf(context.db, eventId, now, audience.dateId ?? null);
  return context.db.transaction(async (tx) => {
    // two who press at the same moment: the second sees what the first has planned
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${mailingId ?? eventId}))`);
    const { targets, already } = await countAudience(
      context,
      tx,
      { organisationId, eventId, dateId: date.id, kind },
      audience,
    );
    const made = await makePeople(
      context,
      tx,
      organisationId,
      targets.filter((one) => one.personId === null),
    );
    const idOf = (one: Target) => one.personId ?? made.get(one.email)!;
    const have = await reachedBefore(tx, { eventId, kind, mailingId, now });
    const fresh = targets.filter((one) => !have.has(idOf(one)));
    if (kind === "invitation") await markInvited(context, tx, { organisationId, eventId }, fresh.map(idOf));
    const planned = await planMessages(
      context,
      tx,
      fresh.map((one) => ({
        organisationId,
        eventId,
        occurrenceId: date.id,
        personId: idOf(one),
        ticketId: one.ticketId,
        kind,
        mailingId,
        dueAt: now,
      })),
    );
    // the pasted people are invitees and contacts now: their addresses need not stand in the mailing too
    if (mailingId)
      await tx
        .update(mailings)
        .set({ audience: { ...audience, pasted: "" } })
        .where(eq(mailings.id, mailingId));
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "mailing.send",
      eventId,
      facts: { kind, planned },
    });
    return { planned, already: already + targets.length - fresh.length };
  });
}

/** One act: reminds only those invitees who have not said anything. */
export const remindUnanswered = (context: Context, member: TeamMember, eventId: string) =>
  sendTo(context, member, eventId, "invitation-again", null, { ...nobody, standing: ["unanswered"] });

/** Stops a mailing: what has not left waits until it is let go on. */
export async function stopMailing(
  context: Context,
  member: TeamMember,
  eventId: string,
  mailingId: string,
): Promise<number> {
  await accessFor(context, member, eventId, "event.mailings");
  await ownMailing(context, eventId, mailingId);
  const held = await context.db
    .update(messages)
    .set({ state: "held" })
    .where(and(eq(messages.mailingId, mailingId), eq(messages.state, "planned")))
    .returning({ id: messages.id });
  return held.length;
}

/** Lets a stopped mailing go on where it stood. */
export async function goOnMailing(
  context: Context,
  member: TeamMember,
  eventId: string,
  mailingId: string,
): Promise<number> {
  await accessFor(context, member, eventId, "event.mailings");
  const { isOff } = await ownMailing(context, eventId, mailingId);
  if (isOff) throw new Refusal({ code: "wrong-state", action: "mailing.send", state: "switched off" });
  const due = await context.db
    .update(messages)
    .set({ state: "planned", dueAt: context.clock.now() })
    .where(and(eq(messages.mailingId, mailingId), eq(messages.state, "held")))
    .returning({ id: messages.id });
  if (due.length > 0) await context.queue.enqueue("send-due-mail");
  return due.length;
}
