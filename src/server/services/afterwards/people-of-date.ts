import { and, eq, gte, inArray, lt, ne, sql } from "drizzle-orm";
import type { PersonOfDate } from "@/contracts";
import { countsInFigures } from "@/core/people";
import { holdsWords } from "@/core/shared";
import { dayMs, type IntervalSet } from "@/core/time";
import type { Db } from "../../db/client";
import { anyOf } from "../../db/queries/any-of";
import { occurrences, stays, tickets } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { dateReport, type DateReport } from "../ground/date-report";

/** So long ago is an earlier date that somebody came to still remembered (rule 29). */
const returningDays = 365;

/** People who came to an earlier date of the organisation within a year, of those given. */
export async function returningOf(
  db: Db,
  organisationId: string,
  before: number,
  occurrenceId: string,
  personIds: readonly string[],
): Promise<ReadonlySet<string>> {
  if (personIds.length === 0) return new Set();
  const rows = await db
    .selectDistinct({ id: sql<string>`coalesce(${tickets.personId}, ${stays.personId})` })
    .from(stays)
    .innerJoin(occurrences, eq(occurrences.id, stays.occurrenceId))
    .leftJoin(tickets, eq(tickets.id, stays.ticketId))
    .where(
      and(
        eq(occurrences.organisationId, organisationId),
        eq(occurrences.kind, "show"),
        lt(occurrences.startAt, before),
        gte(occurrences.startAt, before - returningDays * dayMs),
        ne(occurrences.id, occurrenceId),
        ne(stays.place, "foyer"),
        eq(stays.role, "attendee"),
        sql`(${anyOf(tickets.personId, personIds)} or ${anyOf(stays.personId, personIds)})`,
      ),
    );
  return new Set(rows.map((row) => row.id));
}

/** Of some tickets: who said that they cannot hear, who had the floor, where they registered from. */
async function marksOf(db: Db, occurrenceId: string) {
  const [deaf, spoke, from] = await Promise.all([
    db.execute(sql`
      select distinct s.ticket_id as id from signals s join rooms r on r.id = s.room_id
      where r.occurrence_id = ${occurrenceId} and s.kind = 'cannot-hear'`),
    db.execute(sql`
      select distinct j.body ->> 'ticketId' as id from journal j join rooms r on r.id = j.room_id
      where r.occurrence_id = ${occurrenceId} and j.body ->> 'type' in ('floor.accepted', 'floor.brought-on-stage')`),
    db
      .select({ id: tickets.id, source: tickets.source })
      .from(tickets)
      .where(and(eq(tickets.occurrenceId, occurrenceId), inArray(tickets.role, ["attendee", "test-guest"])))
      .limit(200_000),
  ]);
  const ids = (rows: readonly Record<string, unknown>[]) => new Set(rows.map((row) => String(row["id"])));
  return { deaf: ids(deaf.rows), spoke: ids(spoke.rows), source: new Map(from.map((row) => [row.id, row.source])) };
}

const pairs = (set: IntervalSet): number[] => set.flatMap(({ start, end }) => [start, end]);
/** Going so short before the show's end is no leaving. */
const endGraceMs = 60_000;

/** Everybody of a date's audience, in the order of their names. */
export async function peopleOfDate(
  db: Db,
  about: { readonly organisationId: string; readonly occurrenceId: string; readonly startAt: number },
  data: DateReport,
): Promise<readonly PersonOfDate[]> {
  const lines = data.report.lines.filter((line) => countsInFigures(line.role) || line.role === "test-guest");
  const ids = lines.flatMap((line) => data.persons.get(line.personKey)?.personId ?? []);
  const [marks, returning] = await Promise.all([
    marksOf(db, about.occurrenceId),
    returningOf(db, about.organisationId, about.startAt, about.occurrenceId, ids),
  ]);
  const endOfShow = data.report.show.at(-1)?.end ?? 0;
  return lines
    .map((line): PersonOfDate => {
      const set = data.report.presence.get(line.personKey) ?? [];
      const personId = data.persons.get(line.personKey)?.personId ?? null;
      return {
        key: line.personKey,
        personId,
        name: line.name,
        email: line.email,
        role: line.role,
        source: marks.source.get(line.personKey) ?? "",
        isRegistered: line.isRegistered,
        minutes: line.minutesPresent,
        percent: line.percentPresent,
        presence: pairs(set),
        questions: line.questions,
        votes: line.votes,
        hands: line.hands,
        spoke: marks.spoke.has(line.personKey),
        couldNotHear: marks.deaf.has(line.personKey),
        leftEarly: set.length > 0 && set.at(-1)!.end < endOfShow - endGraceMs,
        cameBack: set.length > 1,
        isReturning: personId !== null && returning.has(personId),
        creditPoints: line.creditPoints,
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name) || (a.key < b.key ? -1 : 1));
}

const mostFound = 30;

/** Lines of a date that another could be the same person as, by a few letters of a name or an address. */
export async function findLines(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  notKey: string,
  words: string,
): Promise<readonly { value: string; label: string; hint: string }[]> {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "report.correct");
  const { report } = await dateReport(context, event, occurrence);
  return report.lines
    .filter((one) => one.personKey !== notKey && holdsWords(`${one.name} ${one.email}`, words))
    .sort((a, b) => a.name.localeCompare(b.name))
    .slice(0, mostFound)
    .map(({ personKey, name, email }) => ({ value: personKey, label: name || "unmatched guest", hint: email }));
}
