import { answersOf, asOneText, type AnswersAsOne } from "./answers";
import { and, desc, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import { callTimeOf } from "@/core/dates";
import { traitsOf } from "@/core/mailings";
import { isStageRole } from "@/core/people";
import type { Db } from "../../db/client";
import {
  events,
  invitees,
  mailings,
  messages,
  occurrences,
  organisations,
  people,
  recordings,
  tickets,
} from "../../db/schema";
import { notFound, type Context } from "../ground/context";
import { openProofOf } from "../way-in/entry-proofs";
import { rulesOf } from "../organisation/rules";
import { inThrees, phoneDetails, type PhoneDetails } from "../way-in/phone-details";
import { placeholder, type LinkOwner } from "./links";
import { mailboxOf } from "./mailbox";

export type MessageRow = typeof messages.$inferSelect;

/** All that rendering and delivery of one message need. */
export interface MessageFacts {
  readonly message: MessageRow;
  readonly organisation: typeof organisations.$inferSelect;
  readonly event: typeof events.$inferSelect;
  readonly occurrence: typeof occurrences.$inferSelect;
  readonly person: typeof people.$inferSelect;
  readonly ticket: typeof tickets.$inferSelect | null;
  /** the producer's own words: of this very mailing, or of its kind in this event */
  readonly mailing: typeof mailings.$inferSelect | null;
  /** what a mail of the kind "answer" answers */
  readonly question: AnswersAsOne | null;
  readonly callAt: number;
  readonly isForStage: boolean;
  readonly hasAccessCode: boolean;
  readonly phone: PhoneDetails | null;
  readonly owner: LinkOwner;
  /** the other dates that a mail about several is about */
  readonly further: readonly FurtherDate[];
  /** of somebody on the waiting list, in the mail that says so */
  readonly placeInLine: number | null;
}

export interface FurtherDate {
  readonly occurrence: typeof occurrences.$inferSelect;
  readonly ticket: typeof tickets.$inferSelect | null;
}

const present = (ids: readonly (string | null)[]): string[] => [...new Set(ids.filter((id) => id !== null))];
const byId = <R extends { id: string }>(rows: readonly R[]): ReadonlyMap<string, R> =>
  new Map(rows.map((row) => [row.id, row]));

/** What the tables hold about many messages: one read a table, however many there are. */
async function rowsFor(db: Db, wanted: readonly MessageRow[]) {
  const further = wanted.flatMap((one) => one.alsoAbout ?? []);
  const dateIds = present([...wanted, ...further].map((one) => one.occurrenceId));
  const personIds = present(wanted.map((one) => one.personId));
  const dates = await db
    .select({ occurrence: occurrences, event: events })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(inArray(occurrences.id, dateIds));
  const eventIds = [...new Set(dates.map((row) => row.event.id))];
  const ticketIds = present([...wanted, ...further].map((one) => one.ticketId));
  const answerIds = wanted.filter((one) => one.kind === "answer").map((one) => one.id);
  const invited = wanted.some((one) => traitsOf(one.kind).toInvitees);
  const [folk, ticketRows, words, guests, asked] = await Promise.all([
    db
      .select({ person: people, organisation: organisations })
      .from(people)
      .innerJoin(organisations, eq(organisations.id, people.organisationId))
      .where(inArray(people.id, personIds)),
    ticketIds.length === 0 ? [] : db.select().from(tickets).where(inArray(tickets.id, ticketIds)),
    db.select().from(mailings).where(inArray(mailings.eventId, eventIds)).limit(5000),
    invited
      ? db
          .select()
          .from(invitees)
          .where(and(inArray(invitees.eventId, eventIds), inArray(invitees.personId, personIds)))
      : [],
    answersOf(db, answerIds),
  ]);
  return {
    dates: new Map(dates.map((row) => [row.occurrence.id, row])),
    folk: new Map(folk.map((row) => [row.person.id, row])),
    tickets: byId(ticketRows),
    words: byId(words),
    ownWords: new Map(
      words
        .filter((row) => !traitsOf(row.kind).toInvitees && row.kind !== "note")
        .map((row) => [`${row.eventId}|${row.kind}`, row]),
    ),
    guests: new Map(guests.map((row) => [`${row.eventId}|${row.personId}`, row])),
    answers: asked,
  };
}

/** The newest published recording of a date. */
async function recordingOf(db: Db, occurrenceId: string) {
  const [row] = await db
    .select({ recordingSlug: recordings.slug, audience: recordings.audience })
    .from(recordings)
    .where(
      and(eq(recordings.occurrenceId, occurrenceId), isNotNull(recordings.publishedFrom), isNull(recordings.deletedAt)),
    )
    .orderBy(desc(recordings.publishedFrom))
    .limit(1);
  return { recordingSlug: row?.recordingSlug ?? null, isRecordingTheirs: row?.audience === "registrants" };
}

/** How many wait for a date as long as this ticket, itself among them. */
async function placeInLine(db: Db, ticket: typeof tickets.$inferSelect): Promise<number | null> {
  const { occurrenceId, waitingSince } = ticket;
  if (occurrenceId === null || waitingSince === null) return null;
  const isBefore = sql`(${tickets.waitingSince}, ${tickets.id}) <= (${new Date(waitingSince).toISOString()}::timestamptz, ${ticket.id}::uuid)`;
  return db.$count(tickets, and(eq(tickets.occurrenceId, occurrenceId), eq(tickets.status, "waiting"), isBefore));
}

async function factsOf(
  context: Context,
  db: Db,
  message: MessageRow,
  rows: Awaited<ReturnType<typeof rowsFor>>,
): Promise<MessageFacts> {
  const date = message.occurrenceId === null ? undefined : rows.dates.get(message.occurrenceId);
  const who = rows.folk.get(message.personId);
  if (!date || !who) throw notFound("message");
  const { event, occurrence } = date;
  const { organisation, person } = who;
  const ticket = (message.ticketId && rows.tickets.get(message.ticketId)) || null;
  const answers = rows.answers.get(message.id) ?? [];
  const mailing =
    (message.mailingId ? rows.words.get(message.mailingId) : rows.ownWords.get(`${event.id}|${message.kind}`)) ?? null;
  const phone = phoneDetails(context, event, rulesOf(organisation), ticket);
  const further = (message.alsoAbout ?? []).flatMap((one): FurtherDate[] => {
    const other = rows.dates.get(one.occurrenceId);
    return other
      ? [{ occurrence: other.occurrence, ticket: (one.ticketId && rows.tickets.get(one.ticketId)) || null }]
      : [];
  });
  return {
    message,
    organisation,
    event,
    occurrence,
    person,
    ticket,
    mailing,
    question: answers.length > 0 ? asOneText(answers) : null,
    callAt: callTimeOf(occurrence.startAt, occurrence.callMinutes),
    isForStage: ticket !== null && isStageRole(ticket.role),
    hasAccessCode: event.isPrivate && event.accessCodeSealed !== null,
    // an invitee gets a PIN with the ticket: before that the details name nobody
    phone: traitsOf(message.kind).toInvitees || !phone ? null : { ...phone, pin: phone.pin && placeholder.pin },
    owner: {
      ticketId: ticket?.id ?? null,
      linkVersion: ticket?.linkVersion ?? 0,
      proofId: message.kind === "entry-link" ? await openProofOf(db, message.ticketId!) : null,
      ...(message.kind === "recording-ready" ? await recordingOf(db, occurrence.id) : { recordingSlug: null }),
      inviteeId: rows.guests.get(`${event.id}|${person.id}`)?.id ?? null,
      personId: person.id,
      slug: event.slug,
      // a preview is no mail yet
      mailbox: message.id ? mailboxOf(context, organisation.senderEmail, message.id) : organisation.senderEmail,
      accessCode: event.isPrivate && event.accessCodeSealed ? context.secrets.unseal(event.accessCodeSealed) : null,
      pin: phone?.pin ? inThrees(phone.pin) : null,
      further: further.flatMap(({ ticket: other }) => (other && other.id !== ticket?.id ? [other] : [])),
    },
    further,
    placeInLine: message.kind === "waiting-list" && ticket ? await placeInLine(db, ticket) : null,
  };
}

/** Loads what many messages are about, in their order; null for one whose date or person is gone. */
export async function loadMessages(
  context: Context,
  db: Db,
  wanted: readonly MessageRow[],
): Promise<readonly (MessageFacts | null)[]> {
  if (wanted.length === 0) return [];
  const rows = await rowsFor(db, wanted);
  return Promise.all(wanted.map((message) => factsOf(context, db, message, rows).catch(() => null)));
}

/** Loads what a message is about. Every message of this product belongs to a date. */
export const loadMessage = async (context: Context, db: Db, message: MessageRow): Promise<MessageFacts> =>
  factsOf(context, db, message, await rowsFor(db, [message]));
