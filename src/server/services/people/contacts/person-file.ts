import { and, eq, sql, type SQL } from "drizzle-orm";
import { isoUtc } from "@/core/time";
import type { Db } from "../../../db/client";
import { people } from "../../../db/schema";
import { requireStanding, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { notFound, type Context } from "../../ground/context";
import { inBook } from "./book";

/** The most rows of each part: nobody has more, and no file grows without end. */
const mostRows = 20_000;

type Rows = readonly Readonly<Record<string, unknown>>[];
/** One person's data, part by part; each part a list of rows whose names say what they hold. */
export type PersonFile = Readonly<Record<string, unknown>> & { readonly format: "stage-call-person/1" };

/** An instant as ISO 8601 in UTC, null kept. */
const utc = (column: string): SQL => sql.raw(`to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`);

interface Whose {
  readonly personId: SQL;
  readonly tickets: SQL;
  /** whether the person reads it: what they gave without their name is theirs, and nobody else's */
  readonly isOwn: SQL;
}

const wayIn = ({ personId, tickets }: Whose): Readonly<Record<string, SQL>> => ({
  groups: sql`select g.name from group_members m join contact_groups g on g.id = m.group_id where m.person_id = ${personId}`,
  invitations: sql`select e.title as event, ${utc("i.invited_at")} as "invitedAt", i.reply, ${utc("i.replied_at")} as "repliedAt"
    from invitees i join events e on e.id = i.event_id where i.person_id = ${personId} order by i.invited_at`,
  tickets: sql`select e.title as event, ${utc("o.start_at")} as "startsAt", o.zone, t.role, t.status, ${utc("t.registered_at")} as "registeredAt",
      t.source, t.about_line as "aboutLine", t.languages, t.reply, t.portrait_id is not null as "hasPortrait",
      coalesce((select jsonb_object_agg(f.value ->> 'label', t.answers -> (f.value ->> 'id'))
        from jsonb_array_elements(e.form_fields) f where t.answers ? (f.value ->> 'id')), '{}') as answers
    from tickets t join events e on e.id = t.event_id left join occurrences o on o.id = t.occurrence_id
    where t.person_id = ${personId} order by t.registered_at`,
  consents: sql`select kind, wording, ${utc("given_at")} as "givenAt" from consents
    where person_id = ${personId} or ticket_id in ${tickets} order by given_at`,
  mails: sql`select m.kind, m.rendered ->> 'subject' as subject, m.rendered ->> 'text' as text, m.state, ${utc("coalesce(m.sent_at, m.due_at)")} as at
    from messages m where m.person_id = ${personId} order by m.due_at`,
  letters: sql`select l.body ->> 'kind' as kind, l.state, ${utc("coalesce(l.sent_at, l.due_at)")} as at
    from letters l join people p on p.id = ${personId} and p.organisation_id = l.organisation_id and p.email = l.to_email order by l.due_at`,
  calledBack: sql`select number, ${utc("asked_at")} as "askedAt" from call_backs where ticket_id in ${tickets} order by asked_at`,
  provenDevices: sql`select ${utc("asked_at")} as "askedAt", ${utc("used_at")} as "usedAt" from entry_proofs where ticket_id in ${tickets} order by asked_at`,
  busyCalendars: sql`select name, body, ${utc("read_at")} as "readAt" from busy_calendars where person_id = ${personId}`,
});

const inTheRoom = ({ personId, tickets, isOwn }: Whose): Readonly<Record<string, SQL>> => ({
  presence: sql`select e.title as event, ${utc("s.from_at")} as "from", ${utc("coalesce(s.to_at, s.last_sign_at)")} as "to", s.device, s.place, s.role
    from stays s join occurrences o on o.id = s.occurrence_id join events e on e.id = o.event_id
    where s.ticket_id in ${tickets} or s.person_id = ${personId} order by s.from_at`,
  acts: sql`select ${utc("j.at")} as at, j.body ->> 'type' as act from journal j where j.actor_id in (select id::text from tickets where person_id = ${personId}) order by j.at`,
  questions: sql`select text, ${utc("asked_at")} as "askedAt", is_anonymous as "withoutName", state, answer from questions
    where asker_ticket_id in ${tickets} and (${isOwn} or not is_anonymous) order by asked_at`,
  questionVotes: sql`select q.text as question, ${utc("v.at")} as at from question_votes v join questions q on q.id = v.question_id
    where v.ticket_id in ${tickets} order by v.at`,
  questionComments: sql`select q.text as question, c.text, ${utc("c.at")} as at from question_comments c join questions q on q.id = c.question_id
    where c.ticket_id in ${tickets} order by c.at`,
  answers: sql`select q.value ->> 'text' as question, b.choice, (select jsonb_agg(o.value ->> 'label') from jsonb_array_elements(q.value -> 'options') o
        where b.choice @> to_jsonb(o.value ->> 'id')) as options, p.is_anonymous as "withoutName", ${utc("b.at")} as at
    from ballots b join polls p on p.id = b.poll_id cross join lateral jsonb_array_elements(p.questions) q
    where b.ticket_id in ${tickets} and q.value ->> 'id' = b.question_id and (${isOwn} or not p.is_anonymous) order by b.at`,
  chatLines: sql`select text, target as "to", state, ${utc("at")} as at from chat_lines
    where author_ticket_id in ${tickets} and state <> 'moved' and (${isOwn} or target <> 'note') order by at`,
  drawnWords: sql`select body -> 'mark' ->> 'text' as text, ${utc("at")} as at from ink_acts
    where author_ticket_id in ${tickets} and body -> 'mark' ->> 'tool' = 'text' order by at`,
  captions: sql`select language, text, ${utc("at")} as at from caption_lines where author_ticket_id in ${tickets} order by at`,
  signals: sql`select kind, ${utc("at")} as at from signals where ticket_id in ${tickets} order by at`,
  files: sql`select name, 'hand-out' as kind, ${utc("created_at")} as at from hand_outs where ticket_id in ${tickets}
    union all select title, 'slides', ${utc("created_at")} from decks where ticket_id in ${tickets}`,
});

/** What they took with them, and what they did once the hour was over. */
const afterwards = ({ personId, tickets }: Whose): Readonly<Record<string, SQL>> => ({
  watched: sql`select r.title as recording, p.from_seconds as "fromSeconds", p.to_seconds as "toSeconds", ${utc("v.first_at")} as "firstAt"
    from viewers v join recordings r on r.id = v.recording_id join plays p on p.viewer_id = v.id where v.ticket_id in ${tickets} order by v.first_at, p.from_seconds`,
  filesTaken: sql`select h.name, ${utc("k.at")} as at from hand_out_takings k join hand_outs h on h.id = k.hand_out_id
    where k.ticket_id in ${tickets} order by k.at`,
  certificates: sql`select e.title as event, c.name, c.points, c.out_of as "outOf", c.minutes_present as "minutesPresent", c.number, ${utc("c.issued_at")} as "issuedAt",
      ${utc("c.withdrawn_at")} as "withdrawnAt" from credits c join occurrences o on o.id = c.occurrence_id join events e on e.id = o.event_id
    where c.person_id = ${personId} or c.ticket_id in ${tickets} order by c.issued_at`,
  surveyAnswers: sql`select e.title as event, (select jsonb_object_agg(q.value ->> 'label', a.answers -> (q.value ->> 'id'))
        from jsonb_array_elements(s.questions) q where a.answers ? (q.value ->> 'id')) as answers, ${utc("a.at")} as at
    from survey_answers a join occurrences o on o.id = a.occurrence_id join events e on e.id = o.event_id join surveys s on s.event_id = e.id
    where a.ticket_id in ${tickets} order by a.at`,
  corrections: sql`select kind, ${utc("in_at")} as "from", ${utc("out_at")} as "to", reason, ${utc("at")} as at, ${utc("undone_at")} as "undoneAt"
    from corrections where person_key in (select id::text from tickets where person_id = ${personId}) order by at`,
});

async function partsOf(db: Db, queries: Readonly<Record<string, SQL>>): Promise<Readonly<Record<string, Rows>>> {
  const out: Record<string, Rows> = {};
  // one after the other: a file that is asked for once a year takes one connection, not all of them
  for (const [name, query] of Object.entries(queries)) {
    const { rows } = await db.execute(sql`select * from (${query}) as part limit ${mostRows}`);
    out[name] = rows;
  }
  return out;
}

/**
 * Everything that is kept of one person, as one JSON document (`docs/formats.md`). What was given without a name
 * stands in it only where the person reads it; an anonymous survey is joined to nobody and stands in none.
 */
export async function personFile(
  context: Context,
  { id, organisationId }: { readonly id: string; readonly organisationId: string },
  reader: "the person" | "the team",
): Promise<PersonFile> {
  const { db, clock } = context;
  const [person] = await db
    .select()
    .from(people)
    .where(and(eq(people.id, id), eq(people.organisationId, organisationId)));
  if (!person) throw notFound("contact");
  const personId = sql`${id}::uuid`;
  const whose: Whose = {
    personId,
    tickets: sql`(select id from tickets where person_id = ${personId})`,
    isOwn: reader === "the person" ? sql`true` : sql`false`,
  };
  const at = (instant: number | null) => (instant === null ? null : isoUtc(instant));
  const { name, email, zone, locale, company, phone, tags } = person;
  return {
    format: "stage-call-person/1",
    madeAt: isoUtc(clock.now()),
    reader,
    person: {
      ...{ name, email, zone, locale, company, phone, tags, note: person.note },
      knownSince: at(person.createdAt),
      wantsNoMailSince: at(person.unsubscribedAt),
      mailCameBackAt: at(person.addressFailedAt),
    },
    ...(await partsOf(db, { ...wayIn(whose), ...inTheRoom(whose), ...afterwards(whose) })),
  };
}

/** The same for the team, written to the audit log. */
export async function contactFile(context: Context, member: TeamMember, personId: string): Promise<PersonFile> {
  requireStanding(member, "contacts.export");
  const { organisationId } = member;
  if ((await context.db.$count(people, and(inBook(organisationId), eq(people.id, personId)))) === 0)
    throw notFound("contact");
  await audit(context, context.db, {
    organisationId,
    actorId: member.userId,
    action: "contacts.export",
    facts: { contact: personId },
  });
  return personFile(context, { id: personId, organisationId }, "the team");
}
