import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import type { EntryOfPerson, PersonPage } from "@/contracts";
import { keyAfter, spanOf, type Correction } from "@/core/attendance";
import { isUuid } from "@/core/shared";
import { floorRecord } from "@/core/room";
import { rowsOfFloor } from "../../db/queries/floor-rows";
import { anyOf, idArray } from "../../db/queries/any-of";
import type { Db } from "../../db/client";
import { handOuts, handOutTakings, messages, people, questions, tickets } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { notFound, type Context } from "../ground/context";
import type { CorrectionRow } from "../ground/corrections";
import { dateReport, type DateReport } from "../ground/date-report";
import { durationsOf } from "./viewers-file";
import { peopleOfDate } from "./people-of-date";
import { viewersOf } from "./watching";

const most = 200;

/** Choices in polls that are not anonymous, in the words of their options. */
async function ballotsOf(db: Db, occurrenceId: string, ticketIds: readonly string[]) {
  if (ticketIds.length === 0) return [];
  const { rows } = await db.execute(sql`
    select q.value ->> 'text' as poll, b.choice, b.at, q.value -> 'options' as options
    from ballots b join polls p on p.id = b.poll_id and not p.is_anonymous
      cross join lateral jsonb_array_elements(p.questions) q
    where p.occurrence_id = ${occurrenceId} and q.value ->> 'id' = b.question_id
      and b.ticket_id = any(${idArray(ticketIds)})
    order by b.at limit ${most}`);
  return rows.map((row) => {
    const options = new Map(
      ((row["options"] ?? []) as { id: string; label: string }[]).map(({ id, label }) => [id, label]),
    );
    return {
      poll: String(row["poll"] ?? ""),
      answer: [row["choice"] as string | string[]]
        .flat()
        .map((one) => options.get(one) ?? one)
        .join(", "),
      at: new Date(row["at"] as string).getTime(),
    };
  });
}

/** What somebody said and did in the room, by their tickets; a question asked without a name stays without one. */
async function saidBy(db: Db, occurrenceId: string, ticketIds: readonly string[]) {
  const [asked, ballots, lines, floor] = await Promise.all([
    db
      .select({ text: questions.text, state: questions.state, askedAt: questions.askedAt, answer: questions.answer })
      .from(questions)
      .where(
        and(
          eq(questions.occurrenceId, occurrenceId),
          anyOf(questions.askerTicketId, ticketIds),
          eq(questions.isAnonymous, false),
        ),
      )
      .orderBy(asc(questions.askedAt))
      .limit(most),
    ballotsOf(db, occurrenceId, ticketIds),
    db.execute(sql`
      select count(*) filter (where l.target = 'all')::int as lines, count(*) filter (where l.target = 'note')::int as notes
      from chat_lines l join rooms r on r.id = l.room_id
      where r.occurrence_id = ${occurrenceId} and l.state <> 'moved'
        and l.author_ticket_id = any(${idArray(ticketIds)})`),
    rowsOfFloor(db, occurrenceId),
  ]);
  return {
    questions: asked,
    ballots,
    chat: { lines: Number(lines.rows[0]!["lines"]), notes: Number(lines.rows[0]!["notes"]) },
    floor: floorRecord(floor)
      .filter((turn) => ticketIds.includes(turn.ticketId))
      .map(({ acceptedAt, openMs }) => ({ acceptedAt, openMs })),
  };
}

const takenBy = (db: Db, occurrenceId: string, ticketIds: readonly string[]) =>
  db
    .select({ name: handOuts.name, at: handOutTakings.at })
    .from(handOutTakings)
    .innerJoin(handOuts, eq(handOuts.id, handOutTakings.handOutId))
    .where(and(eq(handOuts.occurrenceId, occurrenceId), anyOf(handOutTakings.ticketId, ticketIds)))
    .orderBy(asc(handOutTakings.at))
    .limit(most);

async function mailsTo(db: Db, occurrenceId: string, personIds: readonly string[]) {
  const rows = await db
    .select({
      kind: messages.kind,
      state: messages.state,
      sentAt: messages.sentAt,
      dueAt: messages.dueAt,
      rendered: messages.rendered,
    })
    .from(messages)
    .where(and(eq(messages.occurrenceId, occurrenceId), anyOf(messages.personId, personIds)))
    .orderBy(desc(messages.dueAt))
    .limit(most);
  return rows.map((row) => ({
    subject: row.rendered?.subject ?? "",
    kind: row.kind,
    state: row.state,
    at: row.sentAt ?? row.dueAt,
  }));
}

/** Each entry as it counts, beside what was written down where it was put right. */
function entriesOf(data: DateReport, personKey: string, standing: readonly CorrectionRow[]): EntryOfPerson[] {
  const fixes = new Map(
    standing.flatMap((one) => (one.correction.kind === "entry" ? [[one.correction.entryKey, one] as const] : [])),
  );
  const raw = new Map(data.rawEntries.map((one) => [one.entryKey, one]));
  return data.entries
    .filter((one) => one.personKey === personKey)
    .slice(0, most)
    .map((one) => {
      const fix = fixes.get(one.entryKey);
      const { start, end } = spanOf(raw.get(one.entryKey)!);
      return {
        entryKey: one.entryKey,
        device: one.device,
        inAt: one.inAt,
        outAt: spanOf(one).end,
        was: fix ? { inAt: start, outAt: end, reason: fix.reason, correctionId: fix.id } : null,
      };
    });
}

/** Everything that is known of one person's evening. */
export async function personOfDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  personKey: string,
): Promise<PersonPage> {
  const { db } = context;
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.read");
  const data = await dateReport(context, event, occurrence);
  const about = { organisationId: event.organisationId, occurrenceId, startAt: occurrence.startAt };
  const person = (await peopleOfDate(db, about, data)).find((one) => one.key === personKey);
  if (!person) throw notFound("person");
  const standing = data.corrections.filter((one) => one.undoneAt === null);
  const after = keyAfter(standing.map((one): Correction => one.correction));
  const keys = [...data.people.keys()].filter((key) => after(key) === personKey);
  const ticketIds = keys.filter(isUuid);
  const personIds = [...new Set(keys.flatMap((key) => data.persons.get(key)?.personId || []))];
  const [own, said, taken, mails, seen] = await Promise.all([
    db
      .select({ answers: tickets.answers, registeredAt: tickets.registeredAt, zone: people.zone })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(inArray(tickets.id, ticketIds.length > 0 ? ticketIds : ["00000000-0000-0000-0000-000000000000"]))
      .limit(1),
    saidBy(db, occurrenceId, ticketIds),
    takenBy(db, occurrenceId, ticketIds),
    mailsTo(db, occurrenceId, personIds),
    viewersOf(db, occurrenceId, await durationsOf(db, occurrenceId)),
  ]);
  const [ticket] = own;
  const watched = person.email === "" ? undefined : seen.find((one) => one.isKnown && one.email === person.email);
  return {
    person,
    zone: ticket?.zone ?? null,
    registeredAt: ticket?.registeredAt ?? null,
    answers: event.formFields.flatMap(({ id, label }) => {
      const answer = ticket?.answers[id];
      return answer ? [{ label, answer }] : [];
    }),
    entries: entriesOf(data, personKey, standing),
    corrections: standing.filter(
      ({ correction }) => correction.kind === "test" && after(correction.personKey) === personKey,
    ),
    mergedFrom: standing.flatMap(({ id, correction }) =>
      correction.kind === "merge" && correction.intoKey === personKey
        ? [{ key: correction.personKey, name: nameOf(data.rawNames, correction.personKey), correctionId: id }]
        : [],
    ),
    ...said,
    taken,
    mails,
    watched: watched
      ? { seconds: watched.seconds, coverage: watched.coverage, views: watched.views, lastAt: watched.lastAt }
      : null,
    show: data.report.show,
  };
}
const nameOf = (names: ReadonlyMap<string, string>, key: string): string => names.get(key) || "unmatched guest";
