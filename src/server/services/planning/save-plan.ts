import { and, eq, sql } from "drizzle-orm";
import { rulesWithGrant } from "@/core/organisation";
import { isOver } from "@/core/people";
import { planInput, type PlanInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { notifyJournals } from "../../db/notify";
import { anyOf } from "../../db/queries/any-of";
import { events, occurrences } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { oneOf, parse, type Context } from "../ground/context";
import { planChangeNotice } from "../ground/date-notices";
import { replanReminders, writeAnew } from "../ground/mail-plan";
import { organisationOf, requireWithinLimits, rulesOf } from "../organisation/rules";
import { settleSeats } from "../organisation/seats";
import { requireStrongCode } from "./access-codes";
import { instantsOf } from "./dates/lay";
import { datesOf, type OccurrenceRow } from "./dates/load";
import { rowValues, stageTicketsOf, type EventRow } from "./events";
import { moveUpWaiting } from "./waiting-list";

export interface SavedPlan {
  readonly version: number;
  readonly hasMoved: boolean;
  /** people to whom a change notice was planned */
  readonly told: number;
}

/**
 * Saves the plan if nobody else did since `version`. Of a series only what all its dates share is
 * saved here; its dates change by their extents. A moved date lays its reminders anew; the change
 * notice goes only where `tellPeople` asks for it: saving and sending are two acts.
 */
export async function savePlan(
  context: Context,
  member: TeamMember,
  eventId: string,
  version: number,
  input: unknown,
  tellPeople: boolean,
): Promise<SavedPlan> {
  const access = await accessFor(context, member, eventId, "event.plan");
  const plan = parse(planInput, input);
  const { organisationId } = access.event;
  await requireLimits(context, access.event, plan);
  requireStrongCode(context, plan, access.event.accessCodeSealed);
  return context.db.transaction(async (tx) => {
    const conference = plan.soundBy === "computer" ? null : (access.event.conferenceNumber ?? context.ids.digits(9));
    const [saved] = await tx
      .update(events)
      .set({ ...rowValues(context, plan), conferenceNumber: conference, version: version + 1 })
      .where(and(eq(events.id, eventId), eq(events.version, version)))
      .returning();
    if (!saved) throw new Refusal({ code: "edited-meanwhile", currentVersion: access.event.version });
    const dates = await datesOf(tx, eventId);
    const moved =
      saved.shape === "one-date"
        ? await saveSingleDate(context, tx, saved, oneOf(dates, "date"), plan, tellPeople)
        : { hasMoved: false, told: 0 };
    if (saved.title !== access.event.title) await retitle(tx, dates, moved.hasMoved);
    if (saved.shape === "series") await saveCallTime(context, tx, saved, dates, plan.callMinutes);
    const ahead = dates.filter((date) => date.phase === "scheduled");
    const isOtherCall = dates.some((date) => date.phase === "scheduled" && date.callMinutes !== plan.callMinutes);
    if (moved.hasMoved || isOtherCall || plan.houseSize !== access.event.houseSize)
      await settleSeats(context, tx, organisationId, new Set(ahead.map((date) => date.id)));
    for (const date of ahead) await moveUpWaiting(context, tx, saved, date);
    await notifyJournals(
      tx,
      dates.filter((one) => one.phase !== "ended" && one.phase !== "cancelled").map((date) => date.id),
    );
    return { version: saved.version, ...moved };
  });
}

/** The house limits, with what was granted this event; what stood before may be saved again. */
async function requireLimits(context: Context, event: EventRow, plan: PlanInput): Promise<void> {
  const onStage = (await stageTicketsOf(context.db, event.id)).length;
  const rules = rulesWithGrant(rulesOf(await organisationOf(context, event.organisationId)), event.grantedSeats);
  const longest = Math.max(0, ...(await datesOf(context.db, event.id)).map((date) => date.durationMinutes));
  const before = { durationMinutes: longest, houseSize: event.houseSize, onStage };
  requireWithinLimits(rules, { ...plan, onStage }, before);
}

/** Guests' calendars take a new title only as a later version of the entry; mails that wait say the new one too. */
async function retitle(tx: Db, dates: readonly OccurrenceRow[], isCountedAlready: boolean): Promise<void> {
  const ids = dates.filter((date) => !isOver(date.phase)).map((date) => date.id);
  await writeAnew(tx, ids);
  if (isCountedAlready) return;
  await tx
    .update(occurrences)
    .set({ sequence: sql`${occurrences.sequence} + 1` })
    .where(anyOf(occurrences.id, ids));
}

/** When the team is due is one for all coming dates of a series. */
async function saveCallTime(
  context: Context,
  tx: Db,
  event: EventRow,
  dates: readonly OccurrenceRow[],
  callMinutes: number,
): Promise<void> {
  const other = dates.filter((date) => date.phase === "scheduled" && date.callMinutes !== callMinutes);
  if (other.length === 0) return;
  const changed = await tx
    .update(occurrences)
    .set({ callMinutes })
    .where(
      anyOf(
        occurrences.id,
        other.map((date) => date.id),
      ),
    )
    .returning();
  await replanReminders(context, tx, event, changed);
}

async function saveSingleDate(
  context: Context,
  tx: Db,
  event: EventRow,
  before: OccurrenceRow,
  plan: PlanInput,
  tellPeople: boolean,
): Promise<{ hasMoved: boolean; told: number }> {
  const { startLocal, zone, durationMinutes, callMinutes } = plan;
  const date = { startLocal, zone, durationMinutes, callMinutes, ...instantsOf(startLocal, zone, durationMinutes) };
  const hasMoved = date.startAt !== before.startAt || date.endAt !== before.endAt || date.zone !== before.zone;
  if (hasMoved && before.phase !== "scheduled")
    throw new Refusal({ code: "date-fixed", startLocal: before.startLocal, phase: before.phase });
  const sequence = before.sequence + (hasMoved ? 1 : 0);
  const [occurrence] = await tx
    .update(occurrences)
    .set({ ...date, originalStartLocal: startLocal, sequence })
    .where(eq(occurrences.id, before.id))
    .returning();
  if (hasMoved) await writeAnew(tx, [before.id]);
  // the team's reminders hang on the call, not on the start
  if (date.startAt !== before.startAt || date.callMinutes !== before.callMinutes)
    await replanReminders(context, tx, event, [occurrence!]);
  return { hasMoved, told: hasMoved && tellPeople ? await planChangeNotice(context, tx, [occurrence!]) : 0 };
}
