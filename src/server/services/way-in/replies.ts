import { and, eq, isNull } from "drizzle-orm";
import { isOver, isStageRole } from "@/core/people";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { events, invitees, occurrences, people, tickets } from "../../db/schema";
import { notFound, wrongInput, type Context } from "../ground/context";
import { dateOrNull, type OccurrenceRow } from "../planning/dates/load";
import { register } from "./registration";
import { cancelRegistration } from "./registration-changes";
import { holderById } from "./tickets";

export const replyWords = ["coming", "unsure", "not-coming"] as const;
export type Reply = (typeof replyWords)[number];

/** Whoever a reply link asks: an invitee, or somebody of the stage. */
export interface Asked {
  readonly kind: "invitee" | "stage";
  readonly id: string;
  readonly reply: Reply | null;
  /** when that was said last */
  readonly repliedAt: number | null;
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
      repliedAt: stage.ticket.repliedAt,
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
  return {
    kind: "invitee",
    id: guest.invitee.id,
    reply: guest.invitee.reply,
    repliedAt: guest.invitee.repliedAt,
    person: guest.person,
    event,
    occurrence: await dateOrNull(context.db, event.id, context.clock.now()),
    registers: registersAtOnce(event),
  };
}

/** Whether a yes is a registration: where the event asks nothing that only the person can answer. */
const registersAtOnce = (event: typeof events.$inferSelect): boolean =>
  event.entryBy === "registration" && event.publishedAt !== null && !event.formFields.some((field) => field.isRequired);

/** Keeps what somebody answered; the same answer again changes nothing. */
export async function keepReply(
  context: Context,
  db: Db,
  asked: Pick<Asked, "kind" | "id">,
  reply: Reply,
  repliedAt: number = context.clock.now(),
): Promise<void> {
  const values = { reply, repliedAt };
  if (asked.kind === "stage") await db.update(tickets).set(values).where(eq(tickets.id, asked.id));
  else await db.update(invitees).set(values).where(eq(invitees.id, asked.id));
}

type TicketStatus = (typeof tickets.$inferSelect)["status"];

/** What became of an answer, beside its being kept: where the place of whoever gave it stands, and the step that is left. */
export type Answered = TicketStatus | "kept" | "questions";

/** The registration of whom an invitation went to, where there is one. */
export async function registrationOf(
  context: Context,
  { event, occurrence, person }: Pick<Asked, "event" | "occurrence" | "person">,
): Promise<typeof tickets.$inferSelect | null> {
  if (!occurrence) return null;
  const [row] = await context.db
    .select()
    .from(tickets)
    .where(
      and(
        eq(tickets.eventId, event.id),
        eq(tickets.occurrenceId, occurrence.id),
        eq(tickets.personId, person.id),
        eq(tickets.role, "attendee"),
        isNull(tickets.revokedAt),
      ),
    );
  return row ?? null;
}

async function takePlace(context: Context, asked: Asked, occurrence: OccurrenceRow, remote: string): Promise<Answered> {
  const { event, person } = asked;
  if (event.entryBy !== "registration" || event.publishedAt === null) return "kept";
  const known = await registrationOf(context, asked);
  if (known && known.status !== "cancelled") return known.status;
  if (!asked.registers) return "questions";
  const { name, email, zone } = person;
  await register(
    context,
    { event, occurrence },
    { name: name || email, email, zone, hasConsented: true, source: "invitation", answers: {} },
    `reply|${remote}`,
  );
  return (await registrationOf(context, asked))?.status ?? "kept";
}

async function givePlaceBack(context: Context, asked: Asked): Promise<Answered> {
  const known = await registrationOf(context, asked);
  if (!known || known.status === "cancelled" || known.status === "declined") return "kept";
  await cancelRegistration(context, await holderById(context, known.id));
  return "cancelled";
}

/**
 * Takes an answer in: a yes of an invitee takes a place, a no gives theirs back. Answer and registration are one
 * state of a person, whichever way the answer came.
 */
export async function takeAnswer(context: Context, asked: Asked, reply: Reply, remote: string): Promise<Answered> {
  const { occurrence } = asked;
  if (!occurrence || isOver(occurrence.phase))
    throw new Refusal({ code: "wrong-state", action: "reply", state: occurrence?.phase ?? "no date" });
  let became: Answered = "kept";
  // first the place: a refusal must not leave a yes behind that has none
  if (asked.kind === "invitee" && reply === "coming") became = await takePlace(context, asked, occurrence, remote);
  if (asked.kind === "invitee" && reply === "not-coming") became = await givePlaceBack(context, asked);
  await keepReply(context, context.db, asked, reply);
  return became;
}

/** An answer by the link. */
export async function answerByLink(
  context: Context,
  token: string,
  rawReply: string,
  remote: string,
): Promise<Answered> {
  const asked = await askedBy(context, token);
  const reply = replyWords.find((one) => one === rawReply);
  if (!reply) throw wrongInput("reply", "reply-needed");
  return takeAnswer(context, asked, reply, remote);
}

/** The event, and the date where it names one, of a calendar file's UID. */
export async function entryOf(
  context: Context,
  uid: string,
): Promise<{ eventId: string; dateId: string | null } | null> {
  const dateId = /^([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})@/.exec(uid)?.[1];
  const [event] = await context.db.select({ id: events.id }).from(events).where(eq(events.uid, uid));
  if (event) return { eventId: event.id, dateId: null };
  const [date] = dateId
    ? await context.db.select({ eventId: occurrences.eventId }).from(occurrences).where(eq(occurrences.id, dateId))
    : [];
  if (date) return { eventId: date.eventId, dateId: dateId! };
  const [moved] = await context.db
    .select({ eventId: tickets.eventId, dateId: tickets.occurrenceId })
    .from(tickets)
    .where(eq(tickets.calendarUid, uid));
  return moved ?? null;
}

/** Somebody asked to an event, found by the UID of their calendar file: for answers by file. */
export async function askedByFile(context: Context, uid: string, personId: string): Promise<Asked | null> {
  const entry = await entryOf(context, uid);
  if (!entry) return null;
  const [row] = await context.db
    .select({ event: events, person: people })
    .from(events)
    .innerJoin(people, eq(people.id, personId))
    .where(and(eq(events.id, entry.eventId), isNull(events.deletedAt), isNull(people.erasedAt)));
  if (!row) return null;
  const occurrence = await dateOrNull(context.db, entry.eventId, context.clock.now(), entry.dateId);
  const own = and(eq(tickets.eventId, entry.eventId), eq(tickets.personId, personId), isNull(tickets.revokedAt));
  const [stage] = (await context.db.select().from(tickets).where(own)).filter((one) => isStageRole(one.role));
  if (stage)
    return {
      ...row,
      kind: "stage",
      id: stage.id,
      reply: stage.reply,
      repliedAt: stage.repliedAt,
      occurrence,
      registers: false,
    };
  const [guest] = await context.db
    .select()
    .from(invitees)
    .where(and(eq(invitees.eventId, entry.eventId), eq(invitees.personId, personId)));
  return guest
    ? {
        ...row,
        kind: "invitee",
        id: guest.id,
        reply: guest.reply,
        repliedAt: guest.repliedAt,
        occurrence,
        registers: registersAtOnce(row.event),
      }
    : null;
}
