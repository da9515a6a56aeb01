import { chatFile } from "./chat-file";
import { signalsFile } from "./signals-file";
import { floorFile } from "./floor-file";
import { sideRoomsFile } from "./side-rooms-file";
import { iso, isoMs } from "./moments";
import { asc, eq, sql } from "drizzle-orm";

import type { Db } from "../../db/client";
import { invitees, occurrences, people, tickets } from "../../db/schema";
import { accessFor, dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import type { Context } from "../ground/context";
import { registrantsOf } from "../way-in/registrants";
import { dateReport, type DateReport } from "../ground/date-report";
import { csvText, minutesCell, type Cell } from "../ground/delimited";
import { entriesHeader } from "./read-entries";
import { ballotsFile, pollsFile } from "./poll-files";
import { questionsFile } from "./question-file";

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

export const dateFiles = [
  "attendance",
  "entries",
  "polls",
  "ballots",
  "questions",
  "chat",
  "floor",
  "signals",
  "credit",
  "side-rooms",
] as const;
export type DateFile = (typeof dateFiles)[number];

/** One of a date's files, exactly as surface.md has it; each export is written to the audit log. */
export async function dateFile(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  file: DateFile,
): Promise<string> {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.exports");
  await noted(context, member, eventId, file, occurrenceId);
  const fromReport = async (make: (data: DateReport) => string) => make(await dateReport(context, event, occurrence));
  const files: Record<DateFile, () => Promise<string>> = {
    attendance: () => fromReport(attendanceFile),
    entries: () => fromReport(entriesFile),
    credit: () => fromReport((data) => creditFile(data, event.creditPoints)),
    polls: () => pollsFile(context.db, occurrenceId),
    ballots: () => ballotsFile(context.db, occurrenceId),
    questions: () => questionsFile(context.db, occurrenceId),
    chat: () => chatFile(context.db, occurrenceId),
    signals: () => signalsFile(context.db, occurrenceId),
    floor: () => floorFile(context.db, occurrenceId),
    "side-rooms": () => sideRoomsFile(context.db, occurrenceId),
  };
  return files[file]();
}

const attendanceHeader = [
  "person",
  "name",
  "email",
  "role",
  "registered",
  "first_in",
  "last_out",
  "minutes_present",
  "percent_present",
  "devices",
  "entries",
  "questions",
  "votes",
  "hands",
  "credit_points",
];

function attendanceFile({ report }: DateReport): string {
  const rows = report.lines.map((line): Cell[] => [
    line.personKey,
    line.name,
    line.email,
    line.role,
    line.isRegistered ? "yes" : "no",
    iso(line.firstInAt),
    iso(line.lastOutAt),
    minutesCell(line.minutesPresent),
    minutesCell(line.percentPresent),
    line.devices,
    line.entries,
    line.questions,
    line.votes,
    line.hands,
    line.creditPoints,
  ]);
  return csvText(attendanceHeader, rows);
}

function entriesFile({ entries, people: folk }: DateReport): string {
  const rows = entries.map((entry): Cell[] => {
    const person = folk.get(entry.personKey);
    const out = Math.max(entry.inAt, entry.outAt ?? entry.lastSignAt);
    return [
      entry.personKey,
      person?.name ?? "",
      person?.email ?? "",
      entry.role,
      entry.device,
      isoMs(entry.inAt),
      isoMs(out),
    ];
  });
  return csvText(entriesHeader, rows);
}

function creditFile({ report }: DateReport, outOf: number | null): string {
  const lines = report.lines.filter((line) => line.creditPoints !== null);
  return csvText(
    ["email", "points", "out_of"],
    lines.map((line) => [line.email || line.personKey, line.creditPoints, outOf]),
  );
}
