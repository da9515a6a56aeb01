import { and, desc, eq } from "drizzle-orm";
import type { Series, SeriesDate } from "@/contracts";
import { trendOf } from "@/core/reports";
import { occurrences } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { countedDate, type Counted } from "./counted-date";

/** So many dates at most stand side by side: the latest. */
export const mostInSeries = 24;
const mostRegulars = 40;

/** Who came how often, the most faithful first. */
function timesOf(dates: readonly Counted[]): { name: string; times: number }[] {
  const times = new Map<string, { name: string; times: number }>();
  for (const { people, names } of dates)
    for (const id of people) {
      const known = times.get(id);
      times.set(id, { name: names.get(id) || known?.name || "", times: (known?.times ?? 0) + 1 });
    }
  return [...times.values()].sort((a, b) => b.times - a.times || a.name.localeCompare(b.name));
}

function inOrder(dates: readonly Counted[]): SeriesDate[] {
  const seen = new Set<string>();
  return dates.map(({ date, people }) => {
    const firstTime = [...people].filter((id) => !seen.has(id)).length;
    for (const id of people) seen.add(id);
    return { ...date, firstTime };
  });
}

/** Rule 17 over time: an event's held dates one after the other, what changes from one to the next, and who comes every time. */
export async function seriesOf(context: Context, member: TeamMember, eventId: string): Promise<Series> {
  const { event } = await accessFor(context, member, eventId, "event.read");
  const held = and(eq(occurrences.eventId, eventId), eq(occurrences.kind, "show"), eq(occurrences.phase, "ended"));
  const rows = await context.db
    .select()
    .from(occurrences)
    .where(held)
    .orderBy(desc(occurrences.startAt), desc(occurrences.id))
    .limit(mostInSeries);
  const counted: Counted[] = [];
  for (const row of rows.toReversed()) counted.push(await countedDate(context, event, row, new Map()));
  const dates = inOrder(counted);
  const people = timesOf(counted);
  const stays = dates.flatMap(({ meanStayMinutes }) => meanStayMinutes ?? []);
  const shares = dates.flatMap((one) => (one.registered === 0 ? [] : (100 * one.registeredCame) / one.registered));
  return {
    dates,
    heldCount: await context.db.$count(occurrences, held),
    trends: {
      came: trendOf(dates.map((one) => one.came)),
      showUpPercent: trendOf(shares),
      meanStayMinutes: trendOf(stays),
    },
    people: people.length,
    byTimes: dates.map((_, i) => people.filter((one) => one.times === i + 1).length),
    regulars: people.filter((one) => one.times > 1 && one.name !== "").slice(0, mostRegulars),
  };
}
