import { and, eq, inArray, isNotNull, isNull, lte } from "drizzle-orm";
import { screeningActs, screeningDoorsMs } from "@/core/room";
import { servedSeconds } from "../../db/queries/served";
import { occurrences, recordings } from "../../db/schema";
import { oneOf, type Context } from "../ground/context";
import { appendRows } from "../ground/room/commands";

/** What a screening has to do by itself at this moment. Of several processes that see it the first does it. */
export async function runScreening(context: Context, occurrenceId: string): Promise<void> {
  await context.db.transaction(async (tx) => {
    const found = await tx
      .select({ startAt: occurrences.startAt, recording: recordings })
      .from(occurrences)
      .innerJoin(recordings, and(eq(recordings.id, occurrences.screeningOf), isNull(recordings.deletedAt)))
      .where(eq(occurrences.id, occurrenceId));
    const { startAt, recording } = oneOf(found, "date");
    const about = { startAt, lengthMs: (servedSeconds(recording) ?? 0) * 1000 };
    // by the instant that is written: dropped a millisecond before the end it would never be over
    await appendRows(context, tx, occurrenceId, ({ hour }, now) => screeningActs(hour, about, now));
  });
}

/** Screenings that nobody's screen is open for: their doors open all the same, and they end. @returns how many were looked at */
export async function runScreenings(context: Context): Promise<number> {
  const due = await context.db
    .select({ id: occurrences.id })
    .from(occurrences)
    .innerJoin(recordings, and(eq(recordings.id, occurrences.screeningOf), isNull(recordings.deletedAt)))
    .where(
      and(
        isNotNull(occurrences.screeningOf),
        inArray(occurrences.phase, ["scheduled", "backstage", "open"]),
        lte(occurrences.startAt, context.clock.now() + screeningDoorsMs),
      ),
    )
    .limit(100);
  for (const { id } of due)
    // one that fails holds up no other
    await runScreening(context, id).catch((error: unknown) =>
      context.log.error("a screening did not go on", error, { date: id }),
    );
  return due.length;
}
