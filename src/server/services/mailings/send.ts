import { and, eq, gt, sql } from "drizzle-orm";
import { audienceInput } from "@/contracts";
import { nobody, type Audience, type ComposedKind } from "@/core/mailings";
import { Refusal } from "@/core/shared";
import { dayMs } from "@/core/time";
import { invitees, mailings, messages } from "../../db/schema";
import { accessFor, type TeamMember } from "../access";
import { audit } from "../audit";
import { parse, type Context } from "../context";
import { dateOf } from "../dates/load";
import { planMessages } from "../mail/plan";
import { countAudience, makePeople, type AudienceCount, type Target } from "./audience";
import { ownMailing } from "./compose";

/** What an audience comes to, with the first of its people by name. */
export type AudienceSummary = Omit<AudienceCount, "targets"> & {
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
  const date = await dateOf(context.db, eventId, context.clock.now());
  const { targets, ...rest } = await countAudience(
    context,
    context.db,
    { organisationId: event.organisationId, eventId, dateId: date.id, kind },
    audience,
  );
  return {
    ...rest,
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
  const date = await dateOf(context.db, eventId, now);
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
    // a second reminder to answer on the same day would be one too many
    const sentBefore =
      mailingId === null
        ? and(eq(messages.eventId, eventId), eq(messages.kind, kind), gt(messages.createdAt, now - dayMs))
        : eq(messages.mailingId, mailingId);
    const have = new Set(
      (await tx.select({ id: messages.personId }).from(messages).where(sentBefore)).map((row) => row.id),
    );
    const fresh = targets.filter((one) => !have.has(idOf(one)));
    if (kind === "invitation") {
      for (let from = 0; from < fresh.length; from += chunkSize) {
        await tx
          .insert(invitees)
          .values(
            fresh
              .slice(from, from + chunkSize)
              .map((one) => ({ id: context.ids.id(), organisationId, eventId, personId: idOf(one), invitedAt: now })),
          )
          .onConflictDoNothing();
      }
    }
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
