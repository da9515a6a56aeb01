import { and, asc, eq, gt, isNull } from "drizzle-orm";
import { events, occurrences } from "../../../db/schema";
import type { Context } from "../../ground/context";
import { replanReminders, writeAnew } from "../../ground/mail-plan";
import { notifyJournals } from "../../../db/notify";
import { instantsOf } from "./lay";

const chunk = 2000;

/**
 * Brings the instants of coming dates in step with the zone database of this machine (rule 1): a country changes its
 * clock, the hour that was announced stays. Dates that are live or past keep theirs. Safe to run at every start.
 * @returns how many dates moved
 */
export async function rederiveInstants(context: Context): Promise<number> {
  let moved = 0;
  for (let after = "00000000-0000-0000-0000-000000000000"; ;) {
    const rows = await context.db
      .select({ date: occurrences, event: events })
      .from(occurrences)
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .where(and(eq(occurrences.phase, "scheduled"), isNull(events.deletedAt), gt(occurrences.id, after)))
      .orderBy(asc(occurrences.id))
      .limit(chunk);
    if (rows.length === 0) return moved;
    for (const { date, event } of rows) {
      const { startAt, endAt } = instantsOf(date.startLocal, date.zone, date.durationMinutes);
      if (startAt === date.startAt && endAt === date.endAt) continue;
      await context.db.transaction(async (tx) => {
        const set = { startAt, endAt, sequence: date.sequence + 1 };
        const [changed] = await tx.update(occurrences).set(set).where(eq(occurrences.id, date.id)).returning();
        await writeAnew(tx, [date.id]);
        await replanReminders(context, tx, event, [changed!]);
        await notifyJournals(tx, [date.id]);
      });
      context.log.info("a date's instant follows its zone", { date: date.id, zone: date.zone });
      moved += 1;
    }
    after = rows.at(-1)!.date.id;
  }
}
