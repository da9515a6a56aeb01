import { and, asc, count, eq, inArray, sql } from "drizzle-orm";
import { readyPollInput } from "@/contracts";
import { checkTemplate } from "@/core/mailings";
import { pollTitle } from "@/core/polls";
import { rulesWithGrant } from "@/core/organisation";
import { isStageRole, wholeSwitches } from "@/core/people";
import type { PlanFacts, StageFacts } from "@/core/readiness";
import { groupBy } from "@/core/shared";
import { instantOf, minuteMs, touches, type Interval } from "@/core/time";
import type { Db } from "../../../db/client";
import {
  admissions,
  licences,
  mailings,
  messages,
  occurrences,
  parts,
  people,
  polls,
  seatRequests,
  segments,
  tickets,
} from "../../../db/schema";
import { isEventWide } from "../../../db/queries/event-wide";
import type { Context } from "../../ground/context";
import { stageBusy } from "../../people/busy-times";
import { expect, pastHouse, type PastHouse } from "../forecast";
import { organisationOf, rulesOf } from "../../organisation/rules";
import { timesOf } from "../../hour/entry";
import { timed } from "../../planning/run-sheets";
import { plainText } from "../../ground/sanitise";
import type { EventDate } from "./event-date";
import { holidayOn } from "./holidays";

const countBy = (rows: readonly { key: string | null; n: number }[]): ReadonlyMap<string, number> =>
  new Map(rows.map((row) => [row.key ?? "", row.n]));

async function rowsFor(db: Db, eventIds: string[], dateIds: string[], organisationId: string) {
  const [stage, segmentRows, pollRows, partRows, invitations, owned, siblings] = await Promise.all([
    db
      .select({ ticket: tickets, person: people })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(and(inArray(tickets.eventId, eventIds), isEventWide()))
      .limit(20_000),
    db
      .select()
      .from(segments)
      .where(inArray(segments.occurrenceId, dateIds))
      .orderBy(asc(segments.position))
      .limit(20_000),
    db.select().from(polls).where(inArray(polls.occurrenceId, dateIds)).orderBy(asc(polls.position)).limit(20_000),
    db.select().from(parts).where(inArray(parts.occurrenceId, dateIds)).orderBy(asc(parts.position)).limit(20_000),
    db
      .select()
      .from(mailings)
      .where(and(inArray(mailings.eventId, eventIds), eq(mailings.kind, "invitation")))
      .limit(5000),
    db
      .select({ id: licences.id, size: licences.size })
      .from(licences)
      .where(eq(licences.organisationId, organisationId))
      .orderBy(asc(licences.size))
      .limit(2000),
    db
      .select({ seriesId: occurrences.seriesId, startLocal: occurrences.startLocal })
      .from(occurrences)
      .where(
        and(
          inArray(occurrences.eventId, eventIds),
          sql`${occurrences.seriesId} is not null`,
          eq(occurrences.phase, "scheduled"),
        ),
      )
      .limit(50_000),
  ]);
  return { stage, segmentRows, pollRows, partRows, invitations, owned, siblings };
}

async function countsFor(db: Db, eventIds: string[], dateIds: string[]) {
  const [walked, reminded, failed, pending, registered, requests] = await Promise.all([
    db
      .select({ key: admissions.occurrenceId, n: count() })
      .from(admissions)
      .innerJoin(tickets, eq(tickets.id, admissions.ticketId))
      .where(and(inArray(admissions.occurrenceId, dateIds), eq(tickets.role, "test-guest")))
      .groupBy(admissions.occurrenceId),
    db
      .select({ key: messages.occurrenceId, n: count() })
      .from(messages)
      .where(
        and(
          inArray(messages.occurrenceId, dateIds),
          eq(messages.kind, "reminder"),
          inArray(messages.state, ["sent", "sending"]),
        ),
      )
      .groupBy(messages.occurrenceId),
    db
      .select({ key: messages.eventId, n: count() })
      .from(messages)
      .where(and(inArray(messages.eventId, eventIds), eq(messages.state, "failed")))
      .groupBy(messages.eventId),
    db
      .select({ key: tickets.occurrenceId, n: count() })
      .from(tickets)
      .where(and(inArray(tickets.occurrenceId, dateIds), eq(tickets.status, "pending")))
      .groupBy(tickets.occurrenceId),
    db
      .select({ key: tickets.occurrenceId, n: count() })
      .from(tickets)
      .where(
        and(inArray(tickets.occurrenceId, dateIds), eq(tickets.status, "registered"), eq(tickets.role, "attendee")),
      )
      .groupBy(tickets.occurrenceId),
    db
      .select({ key: seatRequests.eventId, n: count() })
      .from(seatRequests)
      .where(and(inArray(seatRequests.eventId, eventIds), eq(seatRequests.state, "open")))
      .groupBy(seatRequests.eventId),
  ]);
  return {
    walked: countBy(walked),
    reminded: countBy(reminded),
    failed: countBy(failed),
    pending: countBy(pending),
    registered: countBy(registered),
    requests: countBy(requests),
  };
}

type Loaded = Awaited<ReturnType<typeof rowsFor>> & Awaited<ReturnType<typeof countsFor>>;

function stageFacts(loaded: Loaded, date: EventDate, busy: ReadonlyMap<string, readonly Interval[]>): StageFacts[] {
  const { callAt, endAt } = timesOf(date.occurrence);
  const own = loaded.segmentRows.filter((row) => row.occurrenceId === date.occurrence.id);
  return loaded.stage
    .filter(({ ticket }) => ticket.eventId === date.event.id && isStageRole(ticket.role))
    .map(({ ticket, person }) => ({
      name: person.name ?? "",
      role: ticket.role,
      duties: ticket.duties,
      wasInvited: ticket.invitedAt !== null,
      reply: ticket.reply,
      hasTechCheck: ticket.techCheckedAt !== null,
      languages: ticket.languages,
      zone: person.zone,
      isBusyThen: touches(busy.get(`${person.id}|${date.occurrence.id}`) ?? [], { start: callAt, end: endAt }),
      leadsSegments: own.filter((row) => row.leaderTicketId === ticket.id).length,
    }));
}

function roomFacts(loaded: Loaded, { event, occurrence }: EventDate, past: PastHouse) {
  const registered = loaded.registered.get(occurrence.id) ?? 0;
  const expected = registered === 0 ? null : expect(past, registered, event.houseSize);
  return {
    licenceSizes: [...new Set(loaded.owned.map((one) => one.size))],
    licenceSize: loaded.owned.find((one) => one.id === occurrence.licenceId)?.size ?? null,
    expected: expected && { peak: expected.peak, fullChance: expected.fullChance },
  };
}

function sheetFacts(loaded: Loaded, { occurrence }: EventDate) {
  const of = <R extends { occurrenceId: string }>(rows: readonly R[]) =>
    rows.filter((row) => row.occurrenceId === occurrence.id);
  const { zone } = occurrence;
  return {
    segments: of(loaded.segmentRows).map((row) => ({
      ...timed(row, zone),
      title: row.title,
      hasLeader: row.leaderTicketId !== null,
      pollId: row.pollId,
    })),
    polls: of(loaded.pollRows).map((poll) => ({
      id: poll.id,
      question: pollTitle(poll),
      isReady: readyPollInput.safeParse(poll).success,
    })),
    parts: of(loaded.partRows).map((part) => {
      const startAt = instantOf({ local: part.startLocal, zone });
      return { title: part.title, startAt, endAt: startAt + part.lengthMinutes * minuteMs };
    }),
  };
}

/** What stands in the event's own row. */
const eventFacts = (context: Context, event: EventDate["event"]) => ({
  hasDescription: plainText(event.descriptionHtml) !== "",
  isPrivate: event.isPrivate,
  accessCode: event.accessCodeSealed ? context.secrets.unseal(event.accessCodeSealed) : null,
  entryBy: event.entryBy,
  registrationLimit: event.registrationLimit,
  houseSize: event.houseSize,
  formFieldCount: event.formFields.length,
  questionsOn: wholeSwitches(event.switches).questions.on,
  pollsOn: wholeSwitches(event.switches).polls.on,
  isRecorded: event.isRecorded,
  consentText: event.consentText,
  interpretationInto: event.interpretationInto,
  creditPoints: event.creditPoints,
  soundBy: event.soundBy,
  picture: event.picture,
  reminderOffsetsMinutes: event.reminderOffsetsMinutes,
  isPublished: event.publishedAt !== null,
});

/** The plans of many dates of one organisation as the checks look at them. */
export async function planFacts(
  context: Context,
  dates: readonly EventDate[],
): Promise<ReadonlyMap<string, PlanFacts>> {
  const { db } = context;
  const { organisationId } = dates[0]!.event;
  const eventIds = [...new Set(dates.map(({ event }) => event.id))];
  const dateIds = dates.map(({ occurrence }) => occurrence.id);
  const [organisation, rows, counts, past, busy] = await Promise.all([
    organisationOf(context, organisationId),
    rowsFor(db, eventIds, dateIds, organisationId),
    countsFor(db, eventIds, dateIds),
    pastHouse(context, organisationId),
    stageBusy(
      context,
      organisationId,
      dates.map(({ occurrence }) => occurrence),
    ),
  ]);
  const loaded: Loaded = { ...rows, ...counts };
  const rules = rulesOf(organisation);
  const seriesStarts = groupBy(rows.siblings, (row) => row.seriesId);
  const invitations = new Map(rows.invitations.map((row) => [row.eventId, row]));
  const now = context.clock.now();
  return new Map(
    dates.map((date) => {
      const { event, occurrence } = date;
      const invitation = invitations.get(event.id);
      const facts: PlanFacts = {
        now,
        ...eventFacts(context, event),
        isScreening: occurrence.screeningOf !== null,
        start: { local: occurrence.startLocal, zone: occurrence.zone },
        ...timesOf(occurrence),
        stagePeople: stageFacts(loaded, date, busy),
        ...sheetFacts(loaded, date),
        ...roomFacts(loaded, date, past),
        hasTestGuestWalkedIn: counts.walked.has(occurrence.id),
        remindersSent: counts.reminded.has(occurrence.id),
        invitationHasJoinBlock: !invitation || checkTemplate("invitation", invitation.subject, invitation.body).ok,
        mailsFailed: counts.failed.get(event.id) ?? 0,
        pendingRegistrations: counts.pending.get(occurrence.id) ?? 0,
        openSeatRequests: counts.requests.get(event.id) ?? 0,
        seriesStarts: occurrence.seriesId
          ? (seriesStarts.get(occurrence.seriesId) ?? []).map((row) => row.startLocal)
          : [],
        holiday: holidayOn(occurrence.zone, occurrence.startLocal),
        limits: rulesWithGrant(rules, event.grantedSeats),
        phoneNumberCount: rules.phoneNumbers.length,
      };
      return [occurrence.id, facts];
    }),
  );
}
