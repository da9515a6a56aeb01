import { and, eq, isNull } from "drizzle-orm";
import { freshPlan } from "@/contracts";
import { Refusal } from "@/core/shared";
import { cityOf, clockTime, shortDate, wallTimeAt } from "@/core/time";
import { events, organisations, people } from "../../../db/schema";
import { accessFor, type TeamMember } from "../../ground/access";
import { oneOf, type Context } from "../../ground/context";
import { createEvent } from "../events";
import { publishEvent } from "../event-life";
import { organisationOf, rulesOf } from "../../organisation/rules";
import { settleSeats } from "../../organisation/seats";
import { layDates } from "./lay";
import { datesOf } from "./load";

export interface OpenedRoom {
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly slug: string;
  readonly roomCode: string;
}

/** Opens a standing room now: a date of its own without a planned end. A room that is open already stays that one. */
export async function openStanding(context: Context, member: TeamMember, eventId: string): Promise<OpenedRoom> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  if (event.shape !== "standing") throw new Refusal({ code: "wrong-state", action: "room.open", state: event.shape });
  const now = context.clock.now();
  const organisation = await organisationOf(context, event.organisationId);
  const { zone } = organisation;
  return context.db.transaction(async (tx) => {
    await tx.select({ id: events.id }).from(events).where(eq(events.id, eventId)).for("no key update");
    const open = (await datesOf(tx, eventId)).find(
      (date) => date.phase === "scheduled" || date.phase === "backstage" || date.phase === "open",
    );
    const { proposed } = rulesOf(organisation);
    const shape = {
      organisationId: event.organisationId,
      eventId,
      zone,
      durationMinutes: proposed.durationMinutes,
      callMinutes: 0,
    };
    const [occurrenceId] = open
      ? [open.id]
      : await layDates(context, tx, shape, [wallTimeAt(now, zone).local], { hasPlannedEnd: false });
    if (!open) await settleSeats(context, tx, event.organisationId, new Set([occurrenceId!]));
    return { eventId, occurrenceId: occurrenceId!, slug: event.slug, roomCode: event.roomCode! };
  });
}

/** One act from anywhere: a room of one's own, open by its link and by its code, listed nowhere. */
export async function openRoomNow(context: Context, member: TeamMember): Promise<OpenedRoom> {
  const organisation = await organisationOf(context, member.organisationId);
  const [person] = await context.db.select().from(people).where(eq(people.id, member.personId));
  const now = context.clock.now();
  const { zone } = organisation;
  const title = `Room of ${person?.name ?? "the team"}, ${shortDate(now, zone)} ${clockTime(now, zone)} (${cityOf(zone)})`;
  const plan = {
    ...freshPlan(wallTimeAt(now, zone).local, zone, rulesOf(organisation).proposed),
    title,
    shape: "standing" as const,
    entryBy: "open-link" as const,
  };
  const { eventId } = await createEvent(context, member, plan, { isUnplanned: true });
  await publishEvent(context, member, eventId, true);
  return openStanding(context, member, eventId);
}

/** The public page of a room, by the code that was read out. Unknown codes are not found. */
export async function slugOfRoomCode(
  context: Context,
  organisation: typeof organisations.$inferSelect,
  code: string,
): Promise<string> {
  const plain = code.toLowerCase().replace(/[^a-z0-9]/g, "");
  const rows = await context.db
    .select({ slug: events.slug, publishedAt: events.publishedAt })
    .from(events)
    .where(and(eq(events.organisationId, organisation.id), eq(events.roomCode, plain), isNull(events.deletedAt)));
  return oneOf(
    rows.filter((row) => row.publishedAt !== null),
    "room",
  ).slug;
}
