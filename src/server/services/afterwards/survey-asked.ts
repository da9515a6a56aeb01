import { sql, type SQL } from "drizzle-orm";
import { docFromTemplate } from "@/core/mailings";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { dateAccess, type TeamMember } from "../ground/access";
import { wrongInput, type Context } from "../ground/context";
import { draftForPeople } from "./draft-for-people";
import { surveyOf } from "./survey-kept";

const mostAsked = 20_000;

/**
 * Who was asked: people of the audience who were there, have watched the recording, or were sent what follows the date;
 * mails that came back left out (rule 30).
 */
const asked = (occurrenceId: string): SQL => sql`
  from tickets t join people p on p.id = t.person_id
  where t.occurrence_id = ${occurrenceId} and t.role = 'attendee' and (
    exists (select 1 from survey_replies r where r.occurrence_id = t.occurrence_id and r.ticket_id = t.id)
    or t.id in (select s.ticket_id from stays s where s.occurrence_id = ${occurrenceId} and s.place <> 'foyer')
    or exists (select 1 from viewers v join recordings c on c.id = v.recording_id
      where v.ticket_id = t.id and c.occurrence_id = t.occurrence_id)
    or (p.address_failed_at is null and exists (select 1 from messages m where m.ticket_id = t.id
      and m.occurrence_id = t.occurrence_id and m.kind in ('follow-up-came', 'follow-up-missed') and m.state = 'sent')))`;

export async function askedCount(db: Db, occurrenceId: string): Promise<number> {
  const { rows } = await db.execute(sql`select count(*)::int as n ${asked(occurrenceId)}`);
  return Number(rows[0]!["n"]);
}

/** The people who were asked, can be written to, and have not answered. */
export async function unanswered(db: Db, occurrenceId: string): Promise<readonly string[]> {
  const { rows } = await db.execute(sql`
    select distinct t.person_id as id ${asked(occurrenceId)}
      and p.email is not null and p.address_failed_at is null and p.unsubscribed_at is null
      and not exists (select 1 from survey_replies r where r.occurrence_id = t.occurrence_id and r.ticket_id = t.id)
    limit ${mostAsked}`);
  return rows.map((row) => String(row["id"]));
}

const reminder = `Hello {{name}},

a few questions about {{event}} are still open for you. They take a minute or two:

{{survey_link}}

Thank you!`;

/**
 * Begins a reminder to whoever was asked and has not answered. Only where answers bear names: of an anonymous survey
 * nobody is to be told apart, not even by having answered.
 */
export async function remindOfSurvey(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<{ readonly id: string }> {
  await dateAccess(context, member, eventId, occurrenceId, "event.mailings");
  const survey = await surveyOf(context.db, eventId);
  if (!survey?.isOn || survey.isAnonymous) throw new Refusal({ code: "survey-closed" });
  const ids = await unanswered(context.db, occurrenceId);
  if (ids.length === 0) throw wrongInput("people", "no-person-at-all");
  return draftForPeople(context, member, { eventId, occurrenceId }, ids, {
    subject: "A few questions about {{event}}",
    doc: docFromTemplate(reminder),
  });
}
