import slugify from "@sindresorhus/slugify";
import { and, eq } from "drizzle-orm";
import { planInput, type PlanInput } from "@/contracts";
import { standardRules } from "@/core/organisation";
import { isStageRole, wholeSwitches } from "@/core/people";
import { wallTimeAt, type RecurrenceRule } from "@/core/time";
import type { Db } from "../../db/client";
import { events, tickets } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import { accessFor, type EventAccess, type TeamMember, requireStanding } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { requireStrongCode } from "./access-codes";
import { layDates, laySeries } from "./dates/lay";
import { dateOrNull, datesOf, seriesOf, type OccurrenceRow } from "./dates/load";
import { organisationOf, requireWithinLimits, rulesOf } from "../organisation/rules";
import { settleSeats } from "../organisation/seats";
import { hearersCount } from "../ground/date-notices";
import { cleanHtml } from "../ground/sanitise";

export type EventRow = typeof events.$inferSelect;

/** A readable address from the title, other scripts transliterated, made unique by a short code. */
const slugOf = (title: string, code: string): string =>
  `${slugify(title, { decamelize: false }).slice(0, 60).replace(/-+$/, "") || "event"}-${code}`;

/** What of a plan stands in the event's own row. */
export function rowValues(context: Context, plan: PlanInput) {
  return {
    title: plan.title,
    descriptionHtml: cleanHtml(plan.descriptionHtml),
    isPrivate: plan.isPrivate,
    accessCodeSealed: plan.isPrivate && plan.accessCode ? context.secrets.seal(plan.accessCode) : null,
    houseSize: plan.houseSize,
    registrationLimit: plan.registrationLimit,
    switches: plan.switches,
    creditChecks: plan.creditChecks,
    creditIsPartial: plan.creditIsPartial,
    entryBy: plan.entryBy,
    approval: plan.approval,
    approvedDomains: plan.approvedDomains,
    provesAddress: plan.provesAddress,
    foyerOn: plan.foyerOn,
    earlyEntry: plan.earlyEntry,
    stageMicrophonesOpen: plan.stageMicrophonesOpen,
    stageCamerasOpen: plan.stageCamerasOpen,
    soundBy: plan.soundBy,
    overflow: plan.overflow,
    isRecorded: plan.isRecorded,
    consentText: plan.consentText,
    place: plan.place,
    interpretationInto: plan.interpretationInto,
    picture: plan.picture,
    creditPoints: plan.creditPoints,
    creditThresholdPercent: plan.creditThresholdPercent,
    formFields: plan.formFields,
  };
}

/** What chance makes of an event: its address, its room's code, its number on the phone (dialled after the line's own). */
const namesOf = ({ ids }: Context, plan: PlanInput) => ({
  slug: slugOf(plan.title, ids.code(4)),
  roomCode: plan.shape === "standing" ? ids.code(6) : null,
  conferenceNumber: plan.soundBy === "computer" ? null : ids.digits(9),
});
const mostTries = 10;

/** Lays the event's row under names that nobody has: of two hundred with one title two may well get the same four letters. */
async function layUnderFreeNames(
  context: Context,
  tx: Db,
  plan: PlanInput,
  row: Omit<typeof events.$inferInsert, keyof ReturnType<typeof namesOf>>,
): Promise<void> {
  for (let tries = 0; tries < mostTries; tries += 1) {
    const values = { ...row, ...namesOf(context, plan) };
    const laid = await tx.insert(events).values(values).onConflictDoNothing().returning({ id: events.id });
    if (laid.length > 0) return;
  }
  throw new Error("no free name for an event");
}

/** A new event in the shape that was planned: one date, a series, or a room without fixed time. Its maker is its producer. */
export async function createEvent(
  context: Context,
  member: TeamMember,
  input: unknown,
  { isUnplanned = false }: { readonly isUnplanned?: boolean } = {},
): Promise<{ eventId: string; occurrenceId: string | null }> {
  requireStanding(member, "event.make");
  const plan = parse(planInput, input);
  const { organisationId } = member;
  const rules = rulesOf(await organisationOf(context, organisationId));
  requireWithinLimits(rules, { ...plan, onStage: 1 }, null);
  requireStrongCode(context, plan, null);
  const now = context.clock.now();
  const eventId = context.ids.id();
  return context.db.transaction(async (tx) => {
    const row = {
      id: eventId,
      organisationId,
      uid: `${eventId}@stage-call.example.org`,
      createdAt: now,
    };
    const values = { ...row, isUnplanned, shape: plan.shape, ...rowValues(context, plan) };
    await layUnderFreeNames(context, tx, plan, values);
    const shape = {
      organisationId,
      eventId,
      zone: plan.zone,
      durationMinutes: plan.durationMinutes,
      callMinutes: plan.callMinutes,
    };
    if (plan.shape === "one-date") await layDates(context, tx, shape, [plan.startLocal]);
    if (plan.shape === "series") await laySeries(context, tx, shape, plan.rule!, plan.startLocal);
    const ticket = {
      id: context.ids.id(),
      organisationId,
      eventId,
      personId: member.personId,
      role: "producer" as const,
    };
    await tx.insert(tickets).values({ ...ticket, registeredAt: now, invitedAt: now });
    const dates = await datesOf(tx, eventId);
    await settleSeats(context, tx, organisationId, new Set(dates.map((date) => date.id)));
    await audit(context, tx, { organisationId, actorId: member.userId, action: "event.create", eventId });
    return { eventId, occurrenceId: dates[0]?.id ?? null };
  });
}

export interface LoadedPlan {
  readonly access: EventAccess;
  readonly event: EventRow;
  /** the date that the pages are about; null for a room without fixed time that nobody opened */
  readonly occurrence: OccurrenceRow | null;
  readonly plan: PlanInput;
}

export function planOf(
  context: Context,
  event: EventRow,
  occurrence: OccurrenceRow | null,
  rule: RecurrenceRule | null,
): PlanInput {
  const { zone, proposed } = { zone: occurrence?.zone ?? "UTC", proposed: standardRules.proposed };
  return {
    title: event.title,
    descriptionHtml: cleanHtml(event.descriptionHtml),
    shape: event.shape,
    startLocal: occurrence?.startLocal ?? wallTimeAt(context.clock.now(), zone).local,
    rule: rule && { ...rule, byMonth: [...rule.byMonth], byMonthDay: [...rule.byMonthDay], byDay: [...rule.byDay] },
    zone,
    durationMinutes: occurrence?.durationMinutes ?? proposed.durationMinutes,
    callMinutes: occurrence?.callMinutes ?? proposed.callMinutes,
    houseSize: event.houseSize,
    registrationLimit: event.registrationLimit,
    isPrivate: event.isPrivate,
    accessCode: event.accessCodeSealed ? context.secrets.unseal(event.accessCodeSealed) : null,
    switches: wholeSwitches(event.switches),
    creditChecks: event.creditChecks,
    creditIsPartial: event.creditIsPartial,
    entryBy: event.entryBy,
    approval: event.approval,
    approvedDomains: event.approvedDomains,
    provesAddress: event.provesAddress,
    foyerOn: event.foyerOn,
    earlyEntry: event.earlyEntry,
    stageMicrophonesOpen: event.stageMicrophonesOpen,
    stageCamerasOpen: event.stageCamerasOpen,
    soundBy: event.soundBy,
    overflow: event.overflow,
    isRecorded: event.isRecorded,
    consentText: event.consentText,
    place: event.place,
    interpretationInto: event.interpretationInto,
    picture: event.picture,
    creditPoints: event.creditPoints,
    creditThresholdPercent: event.creditThresholdPercent,
    formFields: event.formFields.map((field) => ({ ...field, options: [...field.options] })),
  };
}

export async function loadPlan(
  context: Context,
  member: TeamMember,
  eventId: string,
  dateId: string | null = null,
): Promise<LoadedPlan> {
  const access = await accessFor(context, member, eventId, "event.read");
  const occurrence = await dateOrNull(context.db, eventId, context.clock.now(), dateId);
  const rows = access.event.shape === "series" ? await seriesOf(context.db, eventId) : [];
  const plan = planOf(context, access.event, occurrence, rows.at(-1)?.rule ?? null);
  const seesCode = access.actor.role === "producer";
  return { access, event: access.event, occurrence, plan: seesCode ? plan : { ...plan, accessCode: null } };
}

/** How many would hear of a move. */
export const holdersCount = async (context: Context, occurrence: OccurrenceRow | null): Promise<number> =>
  occurrence ? hearersCount(context.db, [occurrence]) : 0;

/** The event's stage people with their tickets. */
export const stageTicketsOf = (db: Db, eventId: string) =>
  db
    .select()
    .from(tickets)
    .where(and(eq(tickets.eventId, eventId), isEventWide()))
    .then((rows) => rows.filter((row) => isStageRole(row.role)));
