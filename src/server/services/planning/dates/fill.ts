import { and, asc, eq, isNull, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { longestSeries, starts } from "@/core/time";
import type { Db } from "../../../db/client";
import { events, occurrences, series } from "../../../db/schema";
import type { Context } from "../../ground/context";
import { settleSeats } from "../../organisation/seats";
import { anyOf } from "../../../db/queries/any-of";
import { replanReminders } from "../../ground/mail-plan";
import { horizonOf, layDates } from "./lay";
import type { SeriesRow } from "./load";

/** Starts that an open-ended series still lacks: up to two years or 366 dates ahead (rule 2). */
async function missingStarts(
  context: Context,
  tx: Db,
  row: SeriesRow,
): Promise<{ missing: string[]; callMinutes: number }> {
  const now = context.clock.now();
  const horizon = horizonOf(now, row.zone);
  const laid = await tx
    .select()
    .from(occurrences)
    .where(eq(occurrences.seriesId, row.id))
    .orderBy(asc(occurrences.originalStartLocal));
  const last = laid.at(-1);
  const ahead = laid.filter((date) => date.startAt > now).length;
  const missing: string[] = [];
  for (const local of starts(row.rule, row.startLocal)) {
    if (local > horizon || ahead + missing.length >= longestSeries) break;
    if (last && local <= last.originalStartLocal) continue;
    if (!row.exdates.includes(local)) missing.push(local);
  }
  return { missing, callMinutes: last?.callMinutes ?? 0 };
}

async function fillOne(context: Context, row: SeriesRow, withSeats: boolean): Promise<number> {
  return context.db.transaction(async (tx) => {
    await tx.select({ id: events.id }).from(events).where(eq(events.id, row.eventId)).for("no key update");
    const { missing, callMinutes } = await missingStarts(context, tx, row);
    if (missing.length === 0) return 0;
    const { organisationId, eventId, zone, durationMinutes } = row;
    const ids = await layDates(context, tx, { organisationId, eventId, zone, durationMinutes, callMinutes }, missing, {
      seriesId: row.id,
    });
    if (withSeats) await settleSeats(context, tx, organisationId, new Set(ids));
    const [event] = await tx.select().from(events).where(eq(events.id, eventId));
    const fresh = await tx.select().from(occurrences).where(anyOf(occurrences.id, ids));
    // whoever is on stage is due at these as well
    await replanReminders(context, tx, event!, fresh);
    return ids.length;
  });
}

/** Keeps open-ended series filled. Dates for which no seat licence is left are laid all the same: readiness says so. */
export async function fillSeries(context: Context, limit = 500): Promise<number> {
  const open = await context.db
    .select({ row: series })
    .from(series)
    .innerJoin(events, eq(events.id, series.eventId))
    .where(
      and(isNull(events.deletedAt), sql`${series.rule} ->> 'count' is null`, sql`${series.rule} ->> 'until' is null`),
    )
    .orderBy(asc(series.id))
    .limit(limit);
  let laid = 0;
  for (const { row } of open) {
    try {
      laid += await fillOne(context, row, true);
    } catch (error) {
      if (error instanceof Refusal) laid += await fillOne(context, row, false);
      else context.log.error("series not filled", error, { series: row.id });
    }
  }
  return laid;
}
