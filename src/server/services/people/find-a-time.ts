import { and, eq, inArray } from "drizzle-orm";
import type { z } from "zod";
import { slotQuestionAheadInput, slotQuestionInput, type SlotGrid } from "@/contracts";
import { busyTimes, slotGridMinutes, slotReasons, type SlotPerson } from "@/core/people";
import { dayMs, instantOf, intersectionOf, minuteMs, unionOf } from "@/core/time";
import { people, tickets } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import { accessFor, requireStanding, type TeamMember } from "../ground/access";
import { parse, type Context } from "../ground/context";
import { dateOrNull } from "../planning/dates/load";
import { calendarsOf, stageDates } from "./busy-times";
import { inBook } from "./contacts/book";

const gridMs = slotGridMinutes * minuteMs;
const longestRangeDays = 92;
const shownSlots = 12;
/** A start every quarter of an hour would fill the list with one morning: those shown do not overlap. */
function apart<S extends { startAt: number; endAt: number }>(slots: readonly S[]): S[] {
  const kept: S[] = [];
  for (const slot of slots) {
    if (kept.length === shownSlots) break;
    if (kept.every((one) => one.endAt <= slot.startAt || slot.endAt <= one.startAt)) kept.push(slot);
  }
  return kept;
}

interface Somebody {
  readonly id: string;
  readonly personId: string;
  readonly name: string | null;
  readonly zone: string | null;
}
interface Search {
  readonly organisationId: string;
  readonly folk: readonly Somebody[];
  readonly zone: string;
  /** the date that is being moved is no reason against itself */
  readonly ownDateId: string | null;
}

/** Rule 4: people's busy times and the best slots, with the reason of each. */
async function search(
  context: Context,
  question: z.infer<typeof slotQuestionInput>,
  { organisationId, folk, zone, ownDateId }: Search,
): Promise<SlotGrid> {
  const now = Math.ceil(context.clock.now() / gridMs) * gridMs;
  const from = Math.max(now, instantOf({ local: question.fromLocal, zone }));
  const until = Math.min(instantOf({ local: question.untilLocal, zone }), from + longestRangeDays * dayMs);
  const range = { start: from, end: Math.max(from, until) };
  const ids = folk.map((one) => one.personId);
  const [calendars, others] = await Promise.all([
    calendarsOf(context.db, ids),
    stageDates(context.db, organisationId, ids, range),
  ]);
  const people = folk.map(({ id, personId, name, zone: ownZone }) => {
    const own = calendars.get(personId) ?? [];
    const elsewhere = others
      .filter((one) => one.personId === personId && one.occurrenceId !== ownDateId)
      .map((one) => one.span);
    const busy = intersectionOf(unionOf([...busyTimes(own, range), ...elsewhere]), [range]);
    const isRequired = question.requiredIds.includes(id);
    return { id, name: name ?? "", zone: ownZone ?? zone, isRequired, busy, calendars: own.length };
  });
  const asked = people.map(({ id, zone, isRequired, busy }): SlotPerson => ({ id, zone, isRequired, busy }));
  const nameOf = new Map(people.map((one) => [one.id, one.name]));
  const names = (list: readonly string[]) => list.map((id) => nameOf.get(id) ?? "");
  const { durationMinutes, workDays } = question;
  const found = await context.sums.run("free-slots", [asked, durationMinutes, range, undefined, workDays]);
  const slots = apart(found).map((slot) => {
    const { busyIds, outsideHoursIds } = slotReasons(asked, slot, workDays);
    return { ...slot, busyNames: names(busyIds), outsideNames: names(outsideHoursIds) };
  });
  return { people, slots, from: range.start, until: range.end };
}

/** When an event's stage people are free. The event's own date is free for them. */
export async function findATime(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<SlotGrid> {
  const { event } = await accessFor(context, member, eventId, "event.people");
  const question = parse(slotQuestionInput, rawInput);
  const own = await dateOrNull(context.db, eventId, context.clock.now());
  const folk = await context.db
    .select({ id: tickets.id, personId: people.id, name: people.name, zone: people.zone })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.eventId, eventId), isEventWide()))
    .limit(100);
  const { organisationId } = event;
  return search(context, question, { organisationId, folk, zone: own?.zone ?? "UTC", ownDateId: own?.id ?? null });
}

/** When chosen contacts are free, before there is an event. Nothing is kept. */
export async function findATimeAhead(context: Context, member: TeamMember, rawInput: unknown): Promise<SlotGrid> {
  requireStanding(member, "event.make");
  const question = parse(slotQuestionAheadInput, rawInput);
  const { organisationId } = member;
  const folk = await context.db
    .select({ id: people.id, personId: people.id, name: people.name, zone: people.zone })
    .from(people)
    .where(and(inBook(organisationId), inArray(people.id, question.personIds)))
    .limit(100);
  return search(context, question, { organisationId, folk, zone: question.zone, ownDateId: null });
}
