import { and, asc, eq, gte, isNull, lt, sql } from "drizzle-orm";
import type { Forecast, Year, YearDate } from "@/contracts";
import { monthIn, peakUse, yearIn } from "@/core/reports";
import { toldDates } from "@/core/seats";
import { callTimeOf } from "@/core/dates";
import { instantOf, minuteMs } from "@/core/time";
import type { Db } from "../../db/client";
import { dateFigures, events, licences, occurrences } from "../../db/schema";
import { requireStanding, type TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { organisationOf, rulesOf } from "../organisation/rules";
import { pastDates } from "./forecast";

const mostDates = 5000;

/** From the year's first instant to the next one's, where the organisation is. */
const boundsOf = (year: number, zone: string) => ({
  from: instantOf({ local: `${year}-01-01T00:00`, zone }),
  to: instantOf({ local: `${year + 1}-01-01T00:00`, zone }),
});
const iso = (at: number): string => new Date(at).toISOString();

async function datesOfYear(db: Db, organisationId: string, from: number, to: number): Promise<readonly YearDate[]> {
  const rows = await db
    .select({ figures: dateFigures, title: events.title, eventId: events.id, zone: occurrences.zone })
    .from(dateFigures)
    .innerJoin(occurrences, eq(occurrences.id, dateFigures.occurrenceId))
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(
      and(
        eq(dateFigures.organisationId, organisationId),
        eq(occurrences.kind, "show"),
        gte(dateFigures.startAt, from),
        lt(dateFigures.startAt, to),
        isNull(events.deletedAt),
      ),
    )
    .orderBy(asc(dateFigures.startAt))
    .limit(mostDates);
  return rows.map(({ figures, ...about }) => ({ ...about, ...figures }));
}

async function leadOfYear(db: Db, organisationId: string, from: number, to: number): Promise<Year["lead"]> {
  const { rows } = await db.execute(sql`
    select r.place::int as place, sum(r.n::int)::int as registered, sum((f.came_by_lead ->> (r.place::int - 1))::int)::int as came
    from date_figures f cross join lateral jsonb_array_elements_text(f.registered_by_lead) with ordinality r(n, place)
    where f.organisation_id = ${organisationId} and f.start_at >= ${iso(from)} and f.start_at < ${iso(to)}
    group by 1 order by 1`);
  return rows.map((row) => ({ registered: Number(row["registered"]), came: Number(row["came"]) }));
}

/** By the tag of the link: a share of those who registered came, at whichever date. */
async function sourcesOfYear(db: Db, organisationId: string, from: number, to: number): Promise<Year["sources"]> {
  // who came is found once for all: asked ticket by ticket, a large date is read anew for each of its people
  const { rows } = await db.execute(sql`
    with shows as (select id from occurrences where organisation_id = ${organisationId} and kind = 'show'
        and phase = 'ended' and start_at >= ${iso(from)} and start_at < ${iso(to)}),
      came as (select distinct s.ticket_id, s.occurrence_id from shows join stays s on s.occurrence_id = shows.id
        where s.place <> 'foyer' and s.ticket_id is not null)
    select coalesce(t.source, '') as source, count(*)::int as registered, count(came.ticket_id)::int as came
    from tickets t join shows on shows.id = t.occurrence_id
      left join came on came.ticket_id = t.id and came.occurrence_id = t.occurrence_id
    where t.role = 'attendee' and t.status = 'registered' and t.source is distinct from 'import'
    group by 1 order by 2 desc limit 20`);
  return rows.map((row) => ({
    source: String(row["source"]),
    registered: Number(row["registered"]),
    came: Number(row["came"]),
  }));
}

async function peopleOfYear(db: Db, organisationId: string, from: number, to: number): Promise<number> {
  const { rows } = await db.execute(sql`
    select count(distinct coalesce(t.person_id, s.person_id))::int as n from stays s
      join occurrences o on o.id = s.occurrence_id and o.kind = 'show' left join tickets t on t.id = s.ticket_id
    where s.organisation_id = ${organisationId} and s.role = 'attendee' and s.place <> 'foyer'
      and o.start_at >= ${iso(from)} and o.start_at < ${iso(to)}`);
  return Number(rows[0]!["n"]);
}

async function newContacts(db: Db, organisationId: string, from: number, to: number, zone: string) {
  const { rows } = await db.execute(sql`
    select extract(month from created_at at time zone ${zone})::int as month, count(*)::int as n from people
    where organisation_id = ${organisationId} and created_at >= ${iso(from)} and created_at < ${iso(to)} and erased_at is null
    group by 1`);
  const months = new Array<number>(12).fill(0);
  for (const row of rows) months[Number(row["month"]) - 1] = Number(row["n"]);
  return months;
}

async function stageOfYear(db: Db, organisationId: string, from: number, to: number): Promise<Year["stage"]> {
  const { rows } = await db.execute(sql`
    select p.name, count(distinct s.occurrence_id)::int as dates,
      round(sum(extract(epoch from greatest(coalesce(s.to_at, s.last_sign_at), s.from_at) - s.from_at)) / 60)::int as minutes
    from stays s join tickets t on t.id = s.ticket_id join people p on p.id = t.person_id
      join occurrences o on o.id = s.occurrence_id and o.kind = 'show'
    where s.organisation_id = ${organisationId} and s.place = 'stage' and o.start_at >= ${iso(from)} and o.start_at < ${iso(to)}
    group by p.id, p.name order by 3 desc limit 12`);
  return rows.map((row) => ({
    name: String(row["name"] ?? ""),
    dates: Number(row["dates"]),
    minutes: Number(row["minutes"]),
  }));
}

async function licencesOfYear(
  context: Context,
  organisationId: string,
  from: number,
  to: number,
): Promise<Year["licences"]> {
  const { db } = context;
  const rows = await db
    .select()
    .from(occurrences)
    .where(
      and(
        eq(occurrences.organisationId, organisationId),
        gte(occurrences.startAt, from),
        lt(occurrences.startAt, to),
        sql`${occurrences.licenceId} is not null and ${occurrences.phase} <> 'cancelled'`,
      ),
    )
    .limit(mostDates);
  const { overrunMinutes } = rulesOf(await organisationOf(context, organisationId));
  return {
    owned: await db.$count(licences, eq(licences.organisationId, organisationId)),
    peak: peakUse(
      rows.map((row) => ({
        start: callTimeOf(row.startAt, row.callMinutes),
        end: row.endAt + overrunMinutes * minuteMs,
      })),
    ),
  };
}

/** The forecast held to account over the organisation's last fifty dates: told from those before each alone. */
async function forecastOf(context: Context, organisationId: string): Promise<Forecast | null> {
  const told = toldDates((await pastDates(context, organisationId)).toReversed());
  if (told.length === 0) return null;
  return {
    dates: told.length,
    within: told.filter((one) => one.isWithin).length,
    missedBy: told.reduce((sum, one) => sum + Math.abs(one.attended - one.expected), 0) / told.length,
    learnt: told.filter((one) => one.isLearnt).length,
  };
}

/** A year of the organisation, from the figures that are kept of each date. @param wanted null: the running one */
export async function yearOf(context: Context, member: TeamMember, wanted: number | null): Promise<Year> {
  requireStanding(member, "contacts.read");
  const { db } = context;
  const { organisationId } = member;
  const { zone } = await organisationOf(context, organisationId);
  const { rows } = await db.execute(sql`
    select distinct extract(year from start_at at time zone ${zone})::int as year from date_figures
    where organisation_id = ${organisationId} order by 1 desc limit 50`);
  const years = rows.map((row) => Number(row["year"]));
  const year = wanted ?? years[0] ?? yearIn(context.clock.now(), zone);
  const { from, to } = boundsOf(year, zone);
  const dates = await datesOfYear(db, organisationId, from, to);
  const [people, lead, sources, newContactsByMonth, used, stage, forecast] = await Promise.all([
    peopleOfYear(db, organisationId, from, to),
    leadOfYear(db, organisationId, from, to),
    sourcesOfYear(db, organisationId, from, to),
    newContacts(db, organisationId, from, to, zone),
    licencesOfYear(context, organisationId, from, to),
    stageOfYear(db, organisationId, from, to),
    forecastOf(context, organisationId),
  ]);
  const cameByMonth = new Array<number>(12).fill(0);
  for (const date of dates) cameByMonth[monthIn(date.startAt, zone)]! += date.came;
  return {
    year,
    zone,
    years: years.includes(year) ? years : [year, ...years],
    dates,
    events: new Set(dates.map((one) => one.eventId)).size,
    people,
    cameByMonth,
    lead,
    sources,
    newContactsByMonth,
    licences: used,
    stage,
    forecast,
  };
}
