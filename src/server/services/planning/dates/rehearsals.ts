import { and, eq } from "drizzle-orm";
import { rehearsalInput } from "@/contracts";
import { isStageRole } from "@/core/people";
import { Refusal } from "@/core/shared";
import { instantOf } from "@/core/time";
import { tickets } from "../../../db/schema";
import { isEventWide } from "../../../db/queries/event-wide";
import { accessFor, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { parse, type Context } from "../../ground/context";
import { aboutTicket, dropPlannedOf, planMessages } from "../../ground/mail-plan";
import { appendRows } from "../../ground/room/commands";
import { layDates } from "./lay";
import { allDatesOf, dateOf, type OccurrenceRow } from "./load";

/** A rehearsal on a date of its own, for stage people alone. Nothing is sent. */
export async function addRehearsal(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<string> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const input = parse(rehearsalInput, rawInput);
  const show = await dateOf(context.db, eventId, context.clock.now());
  if (instantOf({ local: input.startLocal, zone: show.zone }) <= context.clock.now())
    throw new Refusal({ code: "date-past" });
  const shape = {
    organisationId: event.organisationId,
    eventId,
    zone: show.zone,
    durationMinutes: input.durationMinutes,
    callMinutes: 0,
  };
  return context.db.transaction(async (tx) => {
    const [id] = await layDates(context, tx, shape, [input.startLocal], { kind: "rehearsal" });
    await audit(context, tx, {
      organisationId: event.organisationId,
      actorId: member.userId,
      action: "rehearsal.add",
      eventId,
      occurrenceId: id!,
    });
    return id!;
  });
}

/** Sends the invitation to a rehearsal to everybody of the stage who is on the list. */
export async function inviteToRehearsal(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<number> {
  await accessFor(context, member, eventId, "event.people");
  const rehearsal = await dateOf(context.db, eventId, context.clock.now(), occurrenceId);
  if (rehearsal.kind !== "rehearsal") throw new Refusal({ code: "not-found", what: "rehearsal" });
  return context.db.transaction(async (tx) => {
    const folk = await tx
      .select()
      .from(tickets)
      .where(and(eq(tickets.eventId, eventId), isEventWide()));
    const dueAt = context.clock.now();
    return planMessages(
      context,
      tx,
      folk
        .filter((one) => isStageRole(one.role) && one.role !== "producer")
        .map((ticket) => ({ ...aboutTicket(ticket, rehearsal), kind: "rehearsal-invitation", dueAt })),
    );
  });
}

export async function cancelRehearsal(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<void> {
  await accessFor(context, member, eventId, "event.plan");
  await context.db.transaction(async (tx) => {
    const rehearsal = await dateOf(tx, eventId, context.clock.now(), occurrenceId);
    if (rehearsal.kind !== "rehearsal" || rehearsal.phase !== "scheduled")
      throw new Refusal({ code: "wrong-state", action: "rehearsal.cancel", state: rehearsal.phase });
    await appendRows(context, tx, occurrenceId, () => [{ type: "hour.cancelled" }], member.userId);
    await dropPlannedOf(tx, [occurrenceId]);
  });
}

export const rehearsalsOf = async (context: Context, eventId: string): Promise<readonly OccurrenceRow[]> =>
  (await allDatesOf(context.db, eventId)).filter((date) => date.kind === "rehearsal" && date.phase !== "cancelled");
