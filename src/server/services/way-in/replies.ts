import { and, eq } from "drizzle-orm";
import { isOver, isStageRole } from "@/core/people";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { events, invitees, occurrences, people, tickets } from "../../db/schema";
import { notFound, wrongInput, type Context } from "../ground/context";
import { dateOrNull } from "../planning/dates/load";
import { register } from "./registration";

export const replyWords = ["coming", "unsure", "not-coming"] as const;
export type Reply = (typeof replyWords)[number];

/** Whoever a reply link asks: an invitee, or somebody of the stage. */
export interface Asked {
  readonly kind: "invitee" | "stage";
  readonly id: string;
  readonly reply: Reply | null;
  readonly person: typeof people.$inferSelect;
  readonly event: typeof events.$inferSelect;
  readonly occurrence: typeof occurrences.$inferSelect | null;
  /** an invitee who says yes is registered by the same act, where no answer is required of them */
  readonly registers: boolean;
}

/** The asked one behind a reply link. Unknown, forged and revoked links are refused alike. */
export async function askedBy(context: Context, token: string): Promise<Asked> {
  const claim = context.secrets.readToken(token);
  if (!claim) throw notFound("ticket");
  const [stage] = await context.db
    .select({ ticket: tickets, person: people, event: events })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .innerJoin(events, eq(events.id, tickets.eventId))
    .where(eq(tickets.id, claim.ticketId));
  if (
    stage &&
    claim.matches(stage.ticket.linkVersion) &&
    stage.ticket.revokedAt === null &&
    stage.event.deletedAt === null &&
    isStageRole(stage.ticket.role)
  ) {
    return {
      kind: "stage",
      id: stage.ticket.id,
      reply: stage.ticket.reply,
      person: stage.person,
      event: stage.event,
      occurrence: await dateOrNull(context.db, stage.event.id, context.clock.now()),
      registers: false,
    };
  }
  const [guest] = await context.db
    .select({ invitee: invitees, person: people, event: events })
    .from(invitees)
    .innerJoin(people, eq(people.id, invitees.personId))
    .innerJoin(events, eq(events.id, invitees.eventId))
    .where(eq(invitees.id, claim.ticketId));
  if (!guest || !claim.matches(0) || guest.event.deletedAt !== null || guest.person.erasedAt !== null)
    throw notFound("ticket");
  const { event } = guest;
  const registers =
    event.entryBy === "registration" &&
    event.publishedAt !== null &&
    !event.formFields.some((field) => field.isRequired);
  return {
    kind: "invitee",
    id: guest.invitee.id,
    reply: guest.invitee.reply,
    person: guest.person,
    event,
    occurrence: await dateOrNull(context.db, event.id, context.clock.now()),
    registers,
  };
}

/** Keeps what somebody answered; the same answer again changes nothing. */
export async function keepReply(
  context: Context,
  db: Db,
  asked: Pick<Asked, "kind" | "id">,
  reply: Reply,
): Promise<void> {
  const values = { reply, repliedAt: context.clock.now() };
  if (asked.kind === "stage") await db.update(tickets).set(values).where(eq(tickets.id, asked.id));
  else await db.update(invitees).set(values).where(eq(invitees.id, asked.id));
}

/** An answer by the link: kept, and a yes of an invitee registers them. @returns whether it did */
export async function answerByLink(
  context: Context,
  token: string,
  rawReply: string,
  remote: string,
): Promise<boolean> {
  const asked = await askedBy(context, token);
  const reply = replyWords.find((one) => one === rawReply);
  if (!reply) throw wrongInput("reply", "reply-needed");
  const { occurrence } = asked;
  if (!occurrence || isOver(occurrence.phase))
    throw new Refusal({ code: "wrong-state", action: "reply", state: occurrence?.phase ?? "no date" });
  const registers = reply === "coming" && asked.registers && asked.kind === "invitee";
  const { name, email, zone } = asked.person;
  // first the place: a refusal must not leave a yes behind that has none
  if (registers)
    await register(
      context,
      { event: asked.event, occurrence },
      { name: name || email, email, zone, hasConsented: true, source: "invitation", answers: {} },
      `reply|${remote}`,
    );
  await keepReply(context, context.db, asked, reply);
  return registers;
}

/** Somebody asked to an event, found by the UID of their calendar file and their address: for answers by file. */
export async function askedByFile(
  context: Context,
  uid: string,
  email: string,
): Promise<{ kind: "invitee" | "stage"; id: string } | null> {
  const dateId = /^([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})@/.exec(uid)?.[1];
  const [event] = await context.db.select({ id: events.id }).from(events).where(eq(events.uid, uid));
  const [date] =
    !event && dateId
      ? await context.db.select({ eventId: occurrences.eventId }).from(occurrences).where(eq(occurrences.id, dateId))
      : [];
  const eventId = event?.id ?? date?.eventId;
  if (!eventId) return null;
  const [stage] = await context.db
    .select({ id: tickets.id, role: tickets.role })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.eventId, eventId), eq(people.email, email)));
  if (stage && isStageRole(stage.role)) return { kind: "stage", id: stage.id };
  const [guest] = await context.db
    .select({ id: invitees.id })
    .from(invitees)
    .innerJoin(people, eq(people.id, invitees.personId))
    .where(and(eq(invitees.eventId, eventId), eq(people.email, email)));
  return guest ? { kind: "invitee", id: guest.id } : null;
}
