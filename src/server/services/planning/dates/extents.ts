import { and, eq, inArray } from "drizzle-orm";
import { extentInput, type ExtentConsequences, type ExtentInput } from "@/contracts";
import { planExtent, type Extent, type ExtentPlan, type PlannedDate, type PlannedSeries } from "@/core/dates";
import { Refusal, unwrap, type Failure } from "@/core/shared";
import { kindOfWallTime } from "@/core/time";
import type { Db } from "../../../db/client";
import { dateChanges, events, occurrences, series, tickets } from "../../../db/schema";
import { accessFor, type EventAccess, type TeamMember } from "../../ground/access";
import { withdrawNotices } from "../../ground/date-notices";
import { audit } from "../../ground/audit";
import { parse, type Context } from "../../ground/context";
import { settleSeats } from "../../organisation/seats";
import { holdersOf } from "../../ground/mail-plan";
import { appendRows } from "../../ground/room/commands";
import { datesOf, seriesOf, type OccurrenceRow, type SeriesRow } from "./load";
import { write, keepBefore, afterChange, writeDates } from "./write-extent";

const plannedDate = ({
  id,
  seriesId,
  originalStartLocal,
  startLocal,
  durationMinutes,
  startAt,
  phase,
}: OccurrenceRow): PlannedDate => ({ id, seriesId, originalStartLocal, startLocal, durationMinutes, startAt, phase });
const plannedSeries = ({ id, rule, startLocal, zone, exdates, rdates, durationMinutes }: SeriesRow): PlannedSeries => ({
  id,
  rule,
  startLocal,
  zone,
  exdates,
  rdates,
  durationMinutes,
});

export interface ExtentPreview extends ExtentConsequences {
  /** why it cannot be done as it stands */
  readonly refused: Failure | null;
}

interface Loaded {
  readonly access: EventAccess;
  readonly dates: readonly OccurrenceRow[];
  readonly rows: readonly SeriesRow[];
  readonly plan: ExtentPlan;
}

async function planned(context: Context, db: Db, access: EventAccess, input: ExtentInput): Promise<Loaded> {
  const [dates, rows] = [await datesOf(db, access.event.id), await seriesOf(db, access.event.id)];
  const plan = unwrap(
    planExtent(dates.map(plannedDate), rows.map(plannedSeries), input.markedIds, input.change, context.clock.now()),
  );
  return { access, dates, rows, plan };
}

/** Ends a transaction whose outcome is only wanted to be seen. */
class Seen extends Error {
  constructor(readonly licencesMoved: number) {
    super("seen");
  }
}

/** What would follow from a change, before anything is saved: tried in full and taken back. */
export async function previewExtent(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<ExtentPreview> {
  const access = await accessFor(context, member, eventId, "event.plan");
  const input = parse(extentInput, rawInput);
  const { dates, plan } = await planned(context, context.db, access, input);
  const byId = new Map(dates.map((date) => [date.id, date]));
  const touched = [...plan.dates.map((date) => date.id), ...plan.calledOffIds];
  const counted =
    touched.length === 0
      ? 0
      : await context.db.$count(
          tickets,
          and(
            inArray(tickets.occurrenceId, touched),
            inArray(tickets.status, ["registered", "waiting", "pending"]),
            eq(tickets.role, "attendee"),
          ),
        );
  const outcome = await context.db
    .transaction(async (tx) => {
      const licencesMoved = await write(context, tx, access, plan, byId, null);
      throw new Seen(licencesMoved);
    })
    .catch((error: unknown) => error);
  if (!(outcome instanceof Seen) && !(outcome instanceof Refusal)) throw outcome;
  return {
    extent: plan.extent,
    dates: plan.dates
      .filter((date) => byId.get(date.id)!.phase !== "cancelled")
      .map((date) => ({
        id: date.id,
        from: byId.get(date.id)!.startLocal,
        to: date.startLocal,
        kind: kindOfWallTime({ local: date.startLocal, zone: byId.get(date.id)!.zone }),
      })),
    calledOff: plan.calledOffIds.length,
    registrations: counted,
    couldTell: await countHolders(
      context.db,
      touched.map((id) => byId.get(id)!),
    ),
    licencesMoved: outcome instanceof Seen ? outcome.licencesMoved : 0,
    refused: outcome instanceof Refusal ? outcome.failure : null,
  };
}

async function countHolders(db: Db, dates: readonly OccurrenceRow[]): Promise<number> {
  const holders = await holdersOf(db, dates);
  return new Set([...holders.values()].flat().map((ticket) => ticket.personId)).size;
}

export interface ExtentDone {
  readonly changeId: string;
  readonly extent: Extent;
  readonly changed: number;
  readonly told: number;
}

/**
 * Carries a change of marked dates out: dates, series, licences and reminders in one transaction, and
 * what was before kept for an undo. The people hear of it only where that is asked for.
 */
export async function applyExtent(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
  tellPeople: boolean,
): Promise<ExtentDone> {
  const access = await accessFor(context, member, eventId, "event.plan");
  const input = parse(extentInput, rawInput);
  return context.db.transaction(async (tx) => {
    await tx.select({ id: events.id }).from(events).where(eq(events.id, eventId)).for("no key update");
    const { dates, rows, plan } = await planned(context, tx, access, input);
    const byId = new Map(dates.map((date) => [date.id, date]));
    const touchedIds = [...plan.dates.map((date) => date.id), ...plan.calledOffIds];
    const changeId = await keepBefore(
      context,
      tx,
      access,
      rows,
      touchedIds.map((id) => byId.get(id)!),
    );
    const told = tellPeople
      ? await countHolders(
          tx,
          touchedIds.map((id) => byId.get(id)!),
        )
      : 0;
    const why = input.change.kind === "call-off" ? input.change.why || null : null;
    await write(context, tx, access, plan, byId, why);
    await afterChange(context, tx, access, touchedIds, tellPeople);
    await audit(context, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: `dates.${input.change.kind}`,
      eventId,
      facts: { extent: plan.extent, dates: touchedIds.length },
    });
    return { changeId, extent: plan.extent, changed: touchedIds.length, told };
  });
}

/**
 * Takes the last change of an event's dates back, if none of them has begun since. Mails that left
 * stay sent; people can be told of the old hour again as an act of its own.
 */
export async function undoChange(
  context: Context,
  member: TeamMember,
  eventId: string,
  changeId: string,
): Promise<number> {
  const access = await accessFor(context, member, eventId, "event.plan");
  return context.db.transaction(async (tx) => {
    await tx.select({ id: events.id }).from(events).where(eq(events.id, eventId)).for("no key update");
    const rows = await tx.select().from(dateChanges).where(eq(dateChanges.eventId, eventId)).orderBy(dateChanges.at);
    const change = rows.findLast((row) => row.undoneAt === null);
    if (!change || change.id !== changeId) throw new Refusal({ code: "nothing-to-undo" });
    const ids = change.before.dates.map((date) => date.id);
    const current = new Map(
      (await tx.select().from(occurrences).where(inArray(occurrences.id, ids))).map((date) => [date.id, date]),
    );
    const isFixed = [...current.values()].some(
      (date) =>
        (date.phase !== "scheduled" && date.phase !== "cancelled") ||
        (date.phase === "scheduled" && date.startAt <= context.clock.now()),
    );
    if (isFixed) throw new Refusal({ code: "nothing-to-undo" });
    for (const row of change.before.series) {
      const { id, ...values } = row;
      await tx.update(series).set(values).where(eq(series.id, id));
    }
    await writeDates(tx, change.before.dates, current, null);
    const restored = change.before.dates.filter((date) => date.phase === "scheduled").map((date) => date.id);
    if (restored.length > 0)
      await tx.update(occurrences).set({ cancelledWhy: null }).where(inArray(occurrences.id, restored));
    for (const date of change.before.dates) {
      if (date.phase === "scheduled")
        await appendRows(
          context,
          tx,
          date.id,
          (room) => (room.hour.phase === "cancelled" ? [{ type: "hour.restored" }] : []),
          member.userId,
        );
    }
    const kept = new Set(change.before.series.map((row) => row.id));
    for (const row of await seriesOf(tx, eventId))
      if (!kept.has(row.id)) await tx.delete(series).where(eq(series.id, row.id));
    await settleSeats(context, tx, access.event.organisationId, new Set(ids));
    await tx.update(dateChanges).set({ undoneAt: context.clock.now() }).where(eq(dateChanges.id, changeId));
    await withdrawNotices(context, tx, eventId, ids);
    await afterChange(context, tx, access, ids, false);
    await audit(context, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: "dates.undo",
      eventId,
      facts: { dates: ids.length },
    });
    return ids.length;
  });
}
