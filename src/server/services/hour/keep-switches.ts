import { and, eq, inArray, sql } from "drizzle-orm";
import { running, type Switches } from "@/core/people";
import { switchesNow } from "@/core/room";
import { notifyJournals } from "../../db/notify";
import { loadRoom } from "../../db/queries/journal";
import { switchesOf } from "../../db/queries/switches";
import { events, occurrences, rooms } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, type Context } from "../ground/context";

/**
 * Keeps the audience's settings as they were turned during an hour: the event's further dates begin with them.
 * @returns the settings that are kept
 */
export async function keepSwitches(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<Switches> {
  const { event } = await dateAccess(context, member, eventId, occurrenceId, "event.plan");
  const { organisationId } = event;
  return context.db.transaction(async (tx) => {
    // the room first, as everywhere: nobody turns a switch meanwhile
    const [room] = await tx
      .select({ id: rooms.id })
      .from(rooms)
      .where(eq(rooms.occurrenceId, occurrenceId))
      .for("no key update");
    if (!room) throw notFound("date");
    const kept = switchesNow((await loadRoom(tx, room.id)).hour, switchesOf(event));
    await tx
      .update(events)
      .set({ switches: kept, version: sql`${events.version} + 1` })
      .where(eq(events.id, eventId));
    const others = await tx
      .select({ id: occurrences.id })
      .from(occurrences)
      .where(and(eq(occurrences.eventId, eventId), inArray(occurrences.phase, [...running])));
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "switches.keep",
      eventId,
      occurrenceId,
    });
    await notifyJournals(
      tx,
      others.map(({ id }) => id),
    );
    return kept;
  });
}
