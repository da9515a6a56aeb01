import { filesOfDate, type DateFile } from "./date-files";
import { iso } from "./moments";
import { asc, eq, sql } from "drizzle-orm";
import type { Db } from "../../db/client";
import { invitees, occurrences, people, tickets } from "../../db/schema";
import { accessFor, dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import type { Context } from "../ground/context";
import { registrantsOf } from "../way-in/registrants";
import { csvText, type Cell } from "../ground/delimited";

async function noted(
  context: Context,
  member: TeamMember,
  eventId: string,
  file: string,
  occurrenceId?: string,
): Promise<void> {
  const { organisationId, userId } = member;
  await audit(context, context.db, {
    organisationId,
    actorId: userId,
    action: "export",
    eventId,
    occurrenceId,
    facts: { file },
  });
}

/** Files of the whole event. */
export async function eventFile(
  context: Context,
  member: TeamMember,
  eventId: string,
  file: "registrants" | "invitees",
): Promise<string> {
  const { event } = await accessFor(context, member, eventId, "event.exports");
  await noted(context, member, eventId, file);
  return file === "registrants" ? registrantsFile(context, event) : inviteesFile(context.db, eventId);
}

async function registrantsFile(
  context: Context,
  event: { id: string; formFields: readonly { id: string; label: string }[] },
): Promise<string> {
  const dates = await context.db.select().from(occurrences).where(eq(occurrences.eventId, event.id)).limit(366);
  const startOf = new Map(dates.map((date) => [date.id, date.startAt]));
  const rows = (await registrantsOf(context, event.id, 200_000)).map(({ ticket, name, email, zone }): Cell[] => [
    name,
    email,
    ticket.status,
    iso(ticket.registeredAt),
    ticket.source,
    zone,
    iso(ticket.occurrenceId ? (startOf.get(ticket.occurrenceId) ?? null) : null),
    ...event.formFields.map((field) => ticket.answers[field.id] ?? null),
  ]);
  const header = [
    "name",
    "email",
    "status",
    "registered_at",
    "source",
    "time_zone",
    "date_start",
    ...event.formFields.map((field) => `answer_${field.id}`),
  ];
  return csvText(header, rows);
}

async function inviteesFile(db: Db, eventId: string): Promise<string> {
  const rows = await db
    .select({
      name: people.name,
      email: people.email,
      invitedAt: invitees.invitedAt,
      reply: invitees.reply,
      repliedAt: invitees.repliedAt,
      isRegistered: sql<boolean>`exists (select 1 from ${tickets} where ${tickets.eventId} = ${invitees.eventId} and ${tickets.personId} = ${invitees.personId} and ${tickets.status} = 'registered')`,
    })
    .from(invitees)
    .innerJoin(people, eq(people.id, invitees.personId))
    .where(eq(invitees.eventId, eventId))
    .orderBy(asc(invitees.invitedAt), asc(people.email));
  const header = ["name", "email", "reply", "invited_at", "replied_at", "registered"];
  return csvText(
    header,
    rows.map((row) => [
      row.name,
      row.email,
      row.reply,
      iso(row.invitedAt),
      row.repliedAt === null ? null : iso(row.repliedAt),
      row.isRegistered ? "yes" : "no",
    ]),
  );
}

/** One of a date's files, exactly as surface.md has it; each export is written to the audit log. */
export async function dateFile(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  file: DateFile | "statements",
): Promise<string> {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.exports");
  await noted(context, member, eventId, file, occurrenceId);
  return filesOfDate(context, event, occurrence)(file);
}

/** All of them, for an archive or a workbook: written to the audit log as the one export that it is. */
export async function allFiles(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  as: string,
) {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.exports");
  await noted(context, member, eventId, as, occurrenceId);
  return { ofDate: filesOfDate(context, event, occurrence), registrants: () => registrantsFile(context, event) };
}
