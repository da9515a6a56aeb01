import { screeningInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import { minuteMs, wallTimeAt } from "@/core/time";
import { and, asc, eq, gt, inArray } from "drizzle-orm";
import { events, occurrences } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { settleSeats } from "../organisation/seats";
import { layDates } from "../planning/dates/lay";
import { dateOf } from "../planning/dates/load";
import { ownRecording, servedSeconds, type RecordingRow } from "./own-recording";

/**
 * A date of the recording's event at which it is watched together: people register for it, and are written to, as for
 * any other. @throws date-past, recording-not-ready
 */
export async function planScreening(
  context: Context,
  member: TeamMember,
  recordingId: string,
  rawInput: unknown,
): Promise<string> {
  const { recording, eventId } = await ownRecording(context, member, recordingId);
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const { startAt } = parse(screeningInput, rawInput);
  const seconds = servedSeconds(recording);
  if (recording.state !== "ready" || !seconds) throw new Refusal({ code: "recording-not-ready" });
  if (startAt <= context.clock.now()) throw new Refusal({ code: "date-past" });
  const { zone } = await dateOf(context.db, eventId, context.clock.now(), recording.occurrenceId);
  const durationMinutes = Math.max(5, Math.ceil((seconds * 1000) / minuteMs));
  const { organisationId } = event;
  return context.db.transaction(async (tx) => {
    await tx.select({ id: events.id }).from(events).where(eq(events.id, eventId)).for("no key update");
    const shape = { organisationId, eventId, zone, durationMinutes, callMinutes: 0 };
    const [id] = await layDates(context, tx, shape, [wallTimeAt(startAt, zone).local], { screeningOf: recordingId });
    await settleSeats(context, tx, organisationId, new Set([id!]));
    const about = { organisationId, actorId: member.userId, eventId, occurrenceId: id! };
    await audit(context, tx, { ...about, action: "screening.plan" });
    return id!;
  });
}

/** When a recording is shown next, and the zone in which its event's hours are meant. */
export async function screeningsAhead(
  context: Context,
  { id, occurrenceId }: RecordingRow,
): Promise<{
  readonly zone: string;
  readonly ahead: readonly { readonly occurrenceId: string; readonly startAt: number }[];
}> {
  const [date] = await context.db
    .select({ zone: occurrences.zone })
    .from(occurrences)
    .where(eq(occurrences.id, occurrenceId));
  const ahead = await context.db
    .select({ occurrenceId: occurrences.id, startAt: occurrences.startAt })
    .from(occurrences)
    .where(
      and(
        eq(occurrences.screeningOf, id),
        inArray(occurrences.phase, ["scheduled", "backstage", "open"]),
        gt(occurrences.endAt, context.clock.now()),
      ),
    )
    .orderBy(asc(occurrences.startAt))
    .limit(50);
  return { zone: date?.zone ?? "UTC", ahead };
}
