import { and, eq, isNotNull, isNull, or, sql } from "drizzle-orm";
import { minuteMs } from "@/core/time";
import type { Db } from "../../db/client";
import { occurrences, people, tickets } from "../../db/schema";
import type { Context } from "../ground/context";
import { planLetter } from "../ground/letters";
import type { RecordingRow } from "./own-recording";

/** more than run the recordings of any one event */
const mostTold = 20;

/** Word to the event's producers, and to whoever of the crew has its recordings, that one is made or could not be. */
export async function tellOfJoined(
  context: Context,
  tx: Db,
  { organisationId, occurrenceId, title }: RecordingRow,
  { isReady, lastsMs }: { readonly isReady: boolean; readonly lastsMs: number },
): Promise<void> {
  const told = await tx
    .selectDistinct({ name: people.name, email: people.email, eventId: tickets.eventId })
    .from(occurrences)
    .innerJoin(tickets, eq(tickets.eventId, occurrences.eventId))
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(occurrences.id, occurrenceId),
        isNull(tickets.revokedAt),
        isNotNull(people.email),
        or(
          eq(tickets.role, "producer"),
          and(eq(tickets.role, "crew"), sql`${tickets.duties} @> '["recording"]'::jsonb`),
        ),
      ),
    )
    .limit(mostTold);
  const minutes = Math.round(lastsMs / minuteMs);
  for (const { name, email, eventId } of told) {
    const body = { kind: "recording-made", eventId, occurrenceId, title, isReady, minutes } as const;
    await planLetter(context, tx, organisationId, { name: name ?? "", email: email! }, body);
  }
}
