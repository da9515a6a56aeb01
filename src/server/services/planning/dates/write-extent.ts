import type { ExtentPlan, DateChange } from "@/core/dates";
import type { Db } from "../../../db/client";
import { notifyJournals } from "../../../db/notify";
import { dateChanges, series, occurrences } from "../../../db/schema";
import { eq, sql, inArray } from "drizzle-orm";
import type { EventAccess } from "../../ground/access";
import type { Context } from "../../ground/context";
import { settleSeats } from "../../organisation/seats";
import { planCancellation, planChangeNotice } from "../../ground/date-notices";
import { dropPlannedOf, replanReminders, writeAnew } from "../../ground/mail-plan";
import { appendRows } from "../../ground/room/commands";
import { instantsOf } from "./lay";
import type { SeriesRow, OccurrenceRow } from "./load";

export async function keepBefore(
  context: Context,
  tx: Db,
  { event, member }: EventAccess,
  rows: readonly SeriesRow[],
  dates: readonly OccurrenceRow[],
): Promise<string> {
  const id = context.ids.id();
  const before = {
    series: rows.map(({ id: rowId, uid, rule, startLocal, zone, durationMinutes, exdates, rdates }) => ({
      id: rowId,
      uid,
      rule,
      startLocal,
      zone,
      durationMinutes,
      exdates,
      rdates,
    })),
    dates: dates.map(({ id: dateId, seriesId, originalStartLocal, startLocal, durationMinutes, phase }) => ({
      id: dateId,
      seriesId,
      originalStartLocal,
      startLocal,
      durationMinutes,
      phase,
    })),
  };
  await tx.insert(dateChanges).values({
    id,
    organisationId: event.organisationId,
    eventId: event.id,
    at: context.clock.now(),
    actorId: member.userId,
    before,
  });
  return id;
}
/** Writes series and dates, and gives them their licences. @returns how many other dates' licences moved */
export async function write(
  context: Context,
  tx: Db,
  { event, member }: EventAccess,
  plan: ExtentPlan,
  byId: ReadonlyMap<string, OccurrenceRow>,
  why: string | null,
): Promise<number> {
  const { organisationId } = event;
  let newId: string | null = null;
  if (plan.newSeries) {
    newId = context.ids.id();
    const { rule, startLocal, zone, exdates, rdates, durationMinutes } = plan.newSeries;
    const row = {
      rule,
      startLocal,
      zone,
      durationMinutes,
      exdates: [...exdates],
      rdates: [...rdates],
      createdAt: context.clock.now(),
    };
    await tx
      .insert(series)
      .values({ id: newId, organisationId, eventId: event.id, uid: `${newId}@stage-call.example.org`, ...row });
  }
  for (const { id, rule, startLocal, durationMinutes, exdates, rdates } of plan.series) {
    await tx
      .update(series)
      .set({ rule, startLocal, durationMinutes, exdates: [...exdates], rdates: [...rdates] })
      .where(eq(series.id, id));
  }
  await writeDates(tx, plan.dates, byId, newId);
  for (const id of plan.calledOffIds)
    await appendRows(
      context,
      tx,
      id,
      (room) => (room.hour.phase === "cancelled" ? [] : [{ type: "hour.cancelled" }]),
      member.userId,
    );
  if (plan.calledOffIds.length > 0)
    await tx
      .update(occurrences)
      .set({ cancelledWhy: why })
      .where(inArray(occurrences.id, [...plan.calledOffIds]));
  return settleSeats(context, tx, organisationId, new Set(plan.dates.map((date) => date.id)));
}
export async function writeDates(
  tx: Db,
  changes: readonly DateChange[],
  byId: ReadonlyMap<string, OccurrenceRow>,
  newId: string | null,
): Promise<void> {
  if (changes.length === 0) return;
  const rows = changes.map((date) => {
    const before = byId.get(date.id)!;
    const { startAt, endAt } = instantsOf(date.startLocal, before.zone, date.durationMinutes);
    const seriesId = date.seriesId === "new" ? newId : date.seriesId;
    return sql`(${date.id}::uuid, ${date.originalStartLocal}::text, ${date.startLocal}::text, ${date.durationMinutes}::int, ${seriesId}::uuid, ${new Date(startAt).toISOString()}::timestamptz, ${new Date(endAt).toISOString()}::timestamptz)`;
  });
  // originals are unique within an event: out of the way first, so that dates may trade places
  await tx
    .update(occurrences)
    .set({ originalStartLocal: sql`'moving ' || ${occurrences.id}` })
    .where(
      inArray(
        occurrences.id,
        changes.map((date) => date.id),
      ),
    );
  await tx.execute(sql`
    update occurrences as o set original_start_local = v.original, start_local = v.local, duration_minutes = v.minutes, series_id = v.series, start_at = v.start_at, end_at = v.end_at, sequence = o.sequence + 1
    from (values ${sql.join(rows, sql`, `)}) as v (id, original, local, minutes, series, start_at, end_at) where o.id = v.id`);
}
/** Reminders for the new hours, mails where they were asked for, word to open rooms. */
export async function afterChange(
  context: Context,
  tx: Db,
  { event }: EventAccess,
  touchedIds: readonly string[],
  tellPeople: boolean,
): Promise<void> {
  if (touchedIds.length === 0) return;
  const now = await tx
    .select()
    .from(occurrences)
    .where(inArray(occurrences.id, [...touchedIds]));
  const gone = now.filter((date) => date.phase === "cancelled");
  const held = now.filter((date) => date.phase !== "cancelled");
  if (gone.length > 0)
    await dropPlannedOf(
      tx,
      gone.map((date) => date.id),
    );
  await writeAnew(tx, touchedIds);
  await replanReminders(context, tx, event, held);
  if (tellPeople) {
    await planCancellation(context, tx, gone);
    await planChangeNotice(context, tx, held);
  }
  await notifyJournals(tx, touchedIds);
}
