import { eq } from "drizzle-orm";
import type { Db } from "../../db/client";
import { surveys } from "../../db/schema";

export type SurveyRow = typeof surveys.$inferSelect;

/** What an event asks after its dates; null where it asks nothing. */
export async function surveyOf(db: Db, eventId: string): Promise<SurveyRow | null> {
  const [row] = await db.select().from(surveys).where(eq(surveys.eventId, eventId));
  return row ?? null;
}
