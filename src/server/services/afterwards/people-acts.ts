import { sql } from "drizzle-orm";
import { chosenPeopleInput, noteOnPeopleInput } from "@/contracts";
import { countsInFigures } from "@/core/people";
import { anyOf } from "../../db/queries/any-of";
import { people } from "../../db/schema";
import { accessFor, dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, wrongInput, type Context } from "../ground/context";
import { dateReport } from "../ground/date-report";
import { draftForPeople } from "./draft-for-people";
import { attendanceFile } from "./date-files";

const longestNote = 4000;

/** People of a date by their lines; lines of nobody that the book knows are left out. */
async function chosen(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  keys: readonly string[],
) {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.read");
  const data = await dateReport(context, event, occurrence);
  const wanted = new Set(keys);
  const lines = data.report.lines.filter(
    (line) => wanted.has(line.personKey) && (countsInFigures(line.role) || line.role === "test-guest"),
  );
  return { data, lines, personIds: lines.flatMap((line) => data.persons.get(line.personKey)?.personId || []) };
}

/** Begins a mail to just those of a list that was filtered. */
export async function draftForPeopleOfDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawKeys: unknown,
): Promise<{ readonly id: string }> {
  await accessFor(context, member, eventId, "event.mailings");
  const { personIds } = await chosen(context, member, eventId, occurrenceId, parse(chosenPeopleInput, rawKeys));
  return draftForPeople(context, member, { eventId, occurrenceId }, personIds);
}

/** Writes one line more into what the team remembers of each. @returns how many it was written for */
export async function noteOfDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
): Promise<number> {
  const { keys, text } = parse(noteOnPeopleInput, rawInput);
  await dateAccess(context, member, eventId, occurrenceId, "event.people");
  const { personIds } = await chosen(context, member, eventId, occurrenceId, keys);
  if (personIds.length === 0) throw wrongInput("people", "no-person-at-all");
  await context.db.transaction(async (tx) => {
    await tx
      .update(people)
      .set({
        note: sql`left(case when ${people.note} = '' then ${text}::text else ${people.note} || E'\\n' || ${text}::text end, ${longestNote})`,
      })
      .where(anyOf(people.id, personIds));
    await audit(context, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: "report.note",
      eventId,
      occurrenceId,
      facts: { people: personIds.length },
    });
  });
  return personIds.length;
}

/** The lines of just those, with the columns of attendance.csv. */
export async function fileOfPeople(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawKeys: unknown,
): Promise<string> {
  const keys = parse(chosenPeopleInput, rawKeys);
  await dateAccess(context, member, eventId, occurrenceId, "event.exports");
  const { data, lines } = await chosen(context, member, eventId, occurrenceId, keys);
  await audit(context, context.db, {
    organisationId: member.organisationId,
    actorId: member.userId,
    action: "export",
    eventId,
    occurrenceId,
    facts: { file: "people", people: lines.length },
  });
  return attendanceFile({ ...data, report: { ...data.report, lines } });
}
