import { and, asc, desc, eq, isNull, lt, sql } from "drizzle-orm";
import { docFromTemplate, docHtml, docText, plainValue, type MergeValues } from "@/core/mailings";
import { messagesFor } from "@/contracts/messages";
import { cityOf, clockTime, longDate, shortDate, weekdayName } from "@/core/time";
import { isCountedRole } from "../../db/queries/roles";
import { contactGroups, events, groupMembers, invitees, mailings, occurrences, people, tickets } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { dateOf, datesOf } from "../planning/dates/load";
import { organisationOf, rulesOf } from "../organisation/rules";
import { standardWords } from "./render";
import { phoneDetails, phoneRows } from "../way-in/phone-details";
import { plainText } from "../ground/sanitise";

/** What an audience can be chosen from. */
export async function audienceChoices(context: Context, member: TeamMember, eventId: string) {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const { db } = context;
  const [dates, groups, tags, past] = await Promise.all([
    event.shape === "one-date" ? [] : datesOf(db, eventId),
    db
      .select({ name: contactGroups.name, count: sql<number>`count(${groupMembers.personId})::int` })
      .from(contactGroups)
      .leftJoin(groupMembers, eq(groupMembers.groupId, contactGroups.id))
      .where(eq(contactGroups.organisationId, event.organisationId))
      .groupBy(contactGroups.name)
      .orderBy(asc(contactGroups.name))
      .limit(200),
    db.execute(
      sql`select tag as name, count(*)::int as count from people, unnest(tags) as tag where organisation_id = ${event.organisationId} and erased_at is null group by tag order by tag limit 100`,
    ),
    db
      .select({
        id: events.id,
        title: events.title,
        at: sql<string>`max(${occurrences.startAt})`,
        zone: sql<string>`max(${occurrences.zone})`,
      })
      .from(events)
      .innerJoin(occurrences, eq(occurrences.eventId, events.id))
      .where(
        and(
          eq(events.organisationId, event.organisationId),
          isNull(events.deletedAt),
          lt(occurrences.endAt, context.clock.now()),
          sql`${events.id} <> ${eventId}`,
        ),
      )
      .groupBy(events.id)
      .orderBy(desc(sql`max(${occurrences.startAt})`))
      .limit(60),
  ]);
  return {
    // the nearest ones first: one writes to the last date's people or the next one's
    dates: dates
      .filter((one) => one.phase !== "cancelled")
      .sort((a, b) => Math.abs(a.startAt - context.clock.now()) - Math.abs(b.startAt - context.clock.now()))
      .slice(0, 60)
      .sort((a, b) => a.startAt - b.startAt)
      .map((one) => ({
        id: one.id,
        words: `${weekdayName(one.startAt, one.zone)} ${shortDate(one.startAt, one.zone)} ${clockTime(one.startAt, one.zone)}`,
      })),
    groups,
    tags: tags.rows.map((row) => ({ name: String(row["name"]), count: Number(row["count"]) })),
    pastEvents: past.map((row) => ({
      id: row.id,
      title: row.title,
      day: shortDate(new Date(row.at).getTime(), row.zone),
    })),
  };
}

const shown = 400;

/** What the invited have said: counts, and the first of them by name. */
export async function repliesOf(context: Context, member: TeamMember, eventId: string) {
  await accessFor(context, member, eventId, "event.read");
  const registered = sql<boolean>`exists (select 1 from ${tickets} where ${tickets.eventId} = ${invitees.eventId} and ${tickets.personId} = ${invitees.personId} and ${isCountedRole(tickets.role)} and ${tickets.status} = 'registered')`;
  const rows = await context.db
    .select({ name: people.name, email: people.email, reply: invitees.reply, isRegistered: registered })
    .from(invitees)
    .innerJoin(people, eq(people.id, invitees.personId))
    .where(and(eq(invitees.eventId, eventId), isNull(people.erasedAt)))
    .orderBy(asc(people.name))
    .limit(20_000);
  const counts: Record<string, number> = {};
  for (const row of rows) {
    const key = row.reply ?? (row.isRegistered ? "coming" : "open");
    counts[key] = (counts[key] ?? 0) + 1;
  }
  return {
    counts,
    lines: rows.slice(0, shown).map((row) => ({
      name: row.name ?? "",
      email: row.email ?? "",
      reply: row.reply,
      isRegistered: row.isRegistered,
    })),
  };
}

/** "Hello ," where a name was left out is "Hello,". */
const ungreeted = (text: string): string => text.replace(/[ \u00a0]+([,،、!])/g, "$1");

/** The invitation, the link, the dial-in and a post, for places outside: the event's own link, never a person's. */
export async function copyTexts(context: Context, member: TeamMember, eventId: string) {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const date = await dateOf(context.db, eventId, context.clock.now());
  const organisation = await organisationOf(context, event.organisationId);
  const link = `${context.environment.STAGE_CALL_URL}/front/${event.slug}`;
  const when = `${longDate(date.startAt, date.zone)}, ${clockTime(date.startAt, date.zone)} in ${cityOf(date.zone)}`;
  const words = messagesFor("en").joinBlock;
  const phone = phoneRows(words, phoneDetails(context, event, rulesOf(organisation), null));
  const rows = [[words.when, when], [words.register, link], ...phone];
  const details = {
    text: rows.map(([label, value]) => `${label}: ${value}`).join("\n"),
    html: `<ul>${rows.map(([label, value]) => `<li>${plainValue(`${label}: ${value}`).html}</li>`).join("")}</ul>`,
  };
  const [own] = await context.db
    .select()
    .from(mailings)
    .where(and(eq(mailings.eventId, eventId), eq(mailings.kind, "invitation")))
    .orderBy(desc(mailings.createdAt))
    .limit(1);
  const blank = plainValue("");
  const values: MergeValues = {
    // a text for many greets nobody by name, in whatever language it is
    name: blank,
    event: plainValue(event.title),
    when: plainValue(when),
    starts_in: plainValue(when),
    producer: plainValue(organisation.senderName),
    question: blank,
    answer: blank,
    entry_link: blank,
    event_link: plainValue(link),
    recording_link: blank,
    place_in_line: blank,
    ticket_link: blank,
    survey_link: blank,
    reason: blank,
    join_details: details,
  };
  const doc = own?.doc ?? docFromTemplate(own?.body ?? standardWords("invitation", "en").body);
  const about = plainText(event.descriptionHtml).split("\n")[0] ?? "";
  return {
    invitation: { text: ungreeted(docText(doc, values)), html: ungreeted(docHtml(doc, values)) },
    link,
    dialIn: phone.length > 0 ? phone.map(([label, value]) => `${label}: ${value}`).join("\n") : null,
    post: [event.title, when, about, link].filter(Boolean).join("\n"),
  };
}
