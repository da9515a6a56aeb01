import { and, asc, count, eq, inArray, isNotNull, isNull, lte, min, sql } from "drizzle-orm";
import { followUpInput, reminderOffsetsInput, type TrackMark } from "@/contracts";
import { isFollowUp } from "@/core/mailings";
import { dayMs, minuteMs } from "@/core/time";
import { events, mailings, messages, occurrences } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { allDatesOf } from "../planning/dates/load";
import { planMessages, replanReminders, stillAhead } from "../ground/mail-plan";
import { countAudience } from "./audience";
import { ownMailing } from "./compose";
import { nobody } from "@/core/mailings";

type Planned = readonly [key: string, mark: Omit<TrackMark, "key" | "counts">];

/** The reminders and follow-ups that the plan asks for, sent or not. */
function plannedMarks(
  offsets: readonly number[],
  date: typeof occurrences.$inferSelect,
  own: readonly (typeof mailings.$inferSelect)[],
): Planned[] {
  const reminders = offsets.map((offsetMinutes): Planned => {
    const at = date.startAt - offsetMinutes * minuteMs;
    const move = { kind: "reminder", offsetMinutes } as const;
    return [`reminder:${offsetMinutes}`, { kind: "reminder", at, move, isOff: false, mailingId: null }];
  });
  const followUps = own.flatMap((row): Planned[] => {
    const { afterMinutes, id: mailingId, kind, isOff } = row;
    if (!isFollowUp(kind) || afterMinutes === null) return [];
    const move = { kind: "follow-up", mailingId, afterMinutes } as const;
    return [[`mailing:${mailingId}`, { kind, at: date.endAt + afterMinutes * minuteMs, move, isOff, mailingId }]];
  });
  return [...reminders, ...followUps];
}

/** What goes when for one date: the reminders of its plan, its follow-ups, and what was sent by hand or set off. */
export async function trackOf(
  context: Context,
  member: TeamMember,
  eventId: string,
  date: typeof occurrences.$inferSelect,
): Promise<readonly TrackMark[]> {
  const { event } = await accessFor(context, member, eventId, "event.read");
  const rows = await context.db
    .select({
      kind: messages.kind,
      state: messages.state,
      mailingId: messages.mailingId,
      at: min(messages.plannedDueAt).mapWith(messages.plannedDueAt),
      n: count(),
    })
    .from(messages)
    .where(and(eq(messages.eventId, eventId), eq(messages.occurrenceId, date.id)))
    .groupBy(messages.kind, messages.state, messages.mailingId, sql`date_trunc('hour', ${messages.plannedDueAt})`)
    .orderBy(sql`min(${messages.plannedDueAt})`)
    .limit(400);
  const own = await context.db.select().from(mailings).where(eq(mailings.eventId, eventId)).limit(200);
  const marks = new Map<string, { -readonly [K in keyof TrackMark]: TrackMark[K] }>();
  const add = (key: string, mark: Omit<TrackMark, "key" | "counts">, counts: Record<string, number>) => {
    const known = marks.get(key);
    if (known)
      known.counts = {
        ...known.counts,
        ...Object.fromEntries(Object.entries(counts).map(([state, n]) => [state, (known.counts[state] ?? 0) + n])),
      };
    else marks.set(key, { key, ...mark, counts });
  };
  for (const [key, mark] of plannedMarks(event.reminderOffsetsMinutes, date, own)) add(key, mark, {});
  for (const row of rows) {
    const at = row.at ?? 0;
    const offsetMinutes = Math.round((date.startAt - at) / minuteMs);
    const key = row.mailingId
      ? `mailing:${row.mailingId}`
      : row.kind === "reminder" && event.reminderOffsetsMinutes.includes(offsetMinutes)
        ? `reminder:${offsetMinutes}`
        : `${row.kind}:${Math.floor(at / dayMs)}`;
    add(key, { kind: row.kind, at, move: null, isOff: false, mailingId: row.mailingId }, { [row.state]: row.n });
  }
  return [...marks.values()].sort((a, b) => a.at - b.at);
}

/** Sets when reminders go, in minutes before the start; those not sent yet are laid anew for every coming date. */
export async function setReminders(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawOffsets: unknown,
): Promise<readonly number[]> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const offsets = [...new Set(parse(reminderOffsetsInput, rawOffsets))].sort((a, b) => b - a);
  await context.db.transaction(async (tx) => {
    await tx.update(events).set({ reminderOffsetsMinutes: offsets }).where(eq(events.id, eventId));
    const ahead = stillAhead(await allDatesOf(tx, eventId));
    await replanReminders(context, tx, { ...event, reminderOffsetsMinutes: offsets }, ahead);
    await audit(context, tx, {
      organisationId: event.organisationId,
      actorId: member.userId,
      action: "mailing.reminders",
      eventId,
      facts: { offsets: offsets.join(" ") },
    });
  });
  return offsets;
}

/** Moves a follow-up to another distance from the end, or switches it. */
export async function setFollowUp(
  context: Context,
  member: TeamMember,
  eventId: string,
  mailingId: string,
  rawChange: unknown,
): Promise<void> {
  await accessFor(context, member, eventId, "event.mailings");
  const change = parse(followUpInput, rawChange);
  const row = await ownMailing(context, eventId, mailingId);
  const afterMinutes = change.afterMinutes ?? row.afterMinutes ?? 60;
  await context.db
    .update(mailings)
    .set({ afterMinutes, isOff: change.isOff ?? row.isOff, version: row.version + 1 })
    .where(eq(mailings.id, mailingId));
}

/** Follow-ups of dates that ended within this time are still sent; older ones are let be. */
const followUpWithinMs = 3 * dayMs;

/**
 * Plans the follow-ups that are due: who came and who did not is known only after the end. Safe to run
 * twice and by several: one message a mailing, date and person.
 */
export async function planFollowUps(context: Context): Promise<number> {
  const now = context.clock.now();
  const due = await context.db
    .select({ mailing: mailings, date: occurrences })
    .from(mailings)
    .innerJoin(occurrences, eq(occurrences.eventId, mailings.eventId))
    .innerJoin(events, eq(events.id, mailings.eventId))
    .where(
      and(
        inArray(mailings.kind, ["follow-up-came", "follow-up-missed"]),
        eq(mailings.isOff, false),
        isNotNull(mailings.afterMinutes),
        isNull(events.deletedAt),
        eq(occurrences.phase, "ended"),
        lte(sql`${occurrences.endAt} + make_interval(mins => ${mailings.afterMinutes})`, new Date(now).toISOString()),
        sql`${occurrences.endAt} > ${new Date(now - followUpWithinMs).toISOString()}::timestamptz - make_interval(mins => ${mailings.afterMinutes})`,
        sql`not (${mailings.id} = any(${occurrences.followedUp}))`,
      ),
    )
    .orderBy(asc(occurrences.endAt))
    .limit(20);
  let planned = 0;
  for (const { mailing, date } of due) {
    const standing = mailing.kind === "follow-up-came" ? ("came" as const) : ("missed" as const);
    const about = {
      organisationId: mailing.organisationId,
      eventId: mailing.eventId,
      dateId: date.id,
      kind: mailing.kind as "follow-up-came",
    };
    planned += await context.db.transaction(async (tx) => {
      const { targets } = await countAudience(context, tx, about, { ...nobody, standing: [standing] });
      const dueAt = date.endAt + mailing.afterMinutes! * minuteMs;
      await tx
        .update(occurrences)
        .set({ followedUp: sql`array_append(${occurrences.followedUp}, ${mailing.id}::uuid)` })
        .where(eq(occurrences.id, date.id));
      return planMessages(
        context,
        tx,
        targets.map((one) => ({
          organisationId: about.organisationId,
          eventId: about.eventId,
          occurrenceId: date.id,
          personId: one.personId!,
          ticketId: one.ticketId,
          kind: mailing.kind,
          mailingId: mailing.id,
          dueAt,
        })),
      );
    });
  }
  return planned;
}
