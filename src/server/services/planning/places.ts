import { eq, sql } from "drizzle-orm";
import type { Db } from "../../db/client";
import { datePlaces } from "../../db/schema";

/** Registered attendees of a date. Test guests take no place. */
export async function placesTaken(db: Db, occurrenceId: string): Promise<number> {
  const [row] = await db
    .select({ taken: datePlaces.taken })
    .from(datePlaces)
    .where(eq(datePlaces.occurrenceId, occurrenceId));
  return row?.taken ?? 0;
}

/**
 * The same, held until the transaction ends: whoever gives or takes places of this date after us waits. Taken
 * as late in a transaction as can be.
 */
export async function holdPlaces(tx: Db, occurrenceId: string): Promise<number> {
  const { rows } = await tx.execute(
    sql`select taken from date_places where occurrence_id = ${occurrenceId} for no key update`,
  );
  return Number(rows[0]?.["taken"] ?? 0);
}
