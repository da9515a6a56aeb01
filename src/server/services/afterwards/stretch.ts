import { and, between, eq, isNull, sql } from "drizzle-orm";
import { stretchInput } from "@/contracts";
import { stretchOf, type Stretch } from "@/core/reports";
import { countsInFigures } from "@/core/people";
import type { Db } from "../../db/client";
import { questions } from "../../db/schema";
import { accessFor, dateAccess, type TeamMember } from "../ground/access";
import { parse, type Context } from "../ground/context";
import { dateReport, type DateReport } from "../ground/date-report";
import { draftForPeople } from "./draft-for-people";

/** Names that are told of one stretch. */
const mostNamed = 200;

async function stretch(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
): Promise<{ readonly data: DateReport; readonly found: Stretch }> {
  const { from, to } = parse(stretchInput, rawInput);
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.read");
  const data = await dateReport(context, event, occurrence);
  const counted = new Set(data.report.lines.flatMap((one) => (countsInFigures(one.role) ? [one.personKey] : [])));
  const presence = new Map([...data.report.presence].filter(([key]) => counted.has(key)));
  return { data, found: stretchOf(presence, data.report.show, from, to) };
}

/** What the audience did in a stretch, as counts. */
async function doneIn(db: Db, occurrenceId: string, { fromAt, toAt }: Stretch) {
  const [from, to] = [new Date(fromAt).toISOString(), new Date(toAt - 1).toISOString()];
  const asked = await db.$count(
    questions,
    and(
      eq(questions.occurrenceId, occurrenceId),
      isNull(questions.recordingSeconds),
      between(questions.askedAt, fromAt, toAt - 1),
    ),
  );
  const { rows } = await db.execute(sql`
    select (select count(*) from ballots b join polls p on p.id = b.poll_id
        where p.occurrence_id = ${occurrenceId} and b.at between ${from} and ${to})
      + (select count(*) from question_votes v join questions q on q.id = v.question_id
        where q.occurrence_id = ${occurrenceId} and v.at between ${from} and ${to}) as votes,
      (select count(*) from chat_lines l join rooms r on r.id = l.room_id and r.parent_id is null
        where r.occurrence_id = ${occurrenceId} and l.target = 'all' and l.state <> 'moved'
          and l.at between ${from} and ${to}) as lines`);
  return [
    { words: asked === 1 ? "question" : "questions", count: asked },
    { words: "votes", count: Number(rows[0]!["votes"]) },
    { words: "chat lines", count: Number(rows[0]!["lines"]) },
  ];
}

/** The figures of a stretch that was marked on the report's rail, and who left in it. */
export async function stretchOfDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
) {
  const { data, found } = await stretch(context, member, eventId, occurrenceId, rawInput);
  return {
    atStart: found.atStart,
    atEnd: found.atEnd,
    people: found.people,
    averageHouse: found.averageHouse,
    cameCount: found.came.length,
    leftCount: found.left.length,
    left: found.left.slice(0, mostNamed).map((key) => ({
      key,
      name: data.people.get(key)?.name ?? "",
      leftAt: data.report.presence.get(key)!.at(-1)!.end,
    })),
    did: await doneIn(context.db, occurrenceId, found),
  };
}

/** Begins a mail to those who left in a stretch; nothing is sent by it. */
export async function mailWhoLeft(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
): Promise<{ readonly id: string }> {
  await accessFor(context, member, eventId, "event.mailings");
  const { data, found } = await stretch(context, member, eventId, occurrenceId, rawInput);
  return draftForPeople(
    context,
    member,
    { eventId, occurrenceId },
    found.left.flatMap((key) => data.persons.get(key)?.personId ?? []),
  );
}
