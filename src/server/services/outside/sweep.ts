import { and, eq, inArray, isNotNull, isNull, lt, lte, sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { binDays, callTimeOf, stepDue } from "@/core/dates";
import { dayMs } from "@/core/time";
import {
  deckPages,
  decks,
  auditLog,
  stays,
  eventFiles,
  eventPictures,
  events,
  handOuts,
  occurrences,
  recordings,
} from "../../db/schema";
import { emptyRecordingBin, filesOfRecording } from "../afterwards/bin-recording";
import { deckFiles } from "../hour/decks";
import { handOutFile } from "../hour/hand-outs";
import { isStage } from "../../db/queries/roles";
import { erasePeople, noteErased } from "../people/contacts/erase";
import type { Context } from "../ground/context";
import type { OccurrenceRow } from "../planning/dates/load";
import { fileName } from "../way-in/front/files";
import { pictureName } from "../way-in/front/pictures";
import { appendRows } from "../ground/room/commands";
import { forgetTries } from "../ground/tries";

async function stagePresence(
  context: Context,
  occurrenceId: string,
): Promise<{ isStagePresent: boolean; lastStageLeftAt: number | null }> {
  const alive = context.clock.now() - signLostAfterMs;
  const rows = await context.db
    .select({ toAt: stays.toAt, lastSignAt: stays.lastSignAt })
    .from(stays)
    .where(and(eq(stays.occurrenceId, occurrenceId), isStage(stays.role)));
  const isStagePresent = rows.some((row) => row.toAt === null && row.lastSignAt > alive);
  const lastStageLeftAt = rows.length === 0 ? null : Math.max(...rows.map((row) => row.toAt ?? row.lastSignAt));
  return { isStagePresent, lastStageLeftAt };
}

async function sweepOne(context: Context, occurrence: OccurrenceRow): Promise<boolean> {
  const { startAt, endAt } = occurrence;
  const times = { startAt, endAt, callAt: callTimeOf(startAt, occurrence.callMinutes) };
  const step = stepDue({
    phase: occurrence.phase,
    times,
    now: context.clock.now(),
    ...(await stagePresence(context, occurrence.id)),
  });
  if (!step) return false;
  await context.db.transaction(async (tx) => {
    await appendRows(context, tx, occurrence.id, (room) => {
      // the row may have changed since it was read: the journal has the last word
      if (room.hour.phase !== occurrence.phase) return [];
      if (step.step === "end") return [{ type: "hour.ended", curtainFellAt: step.curtainFellAt }];
      return [step.step === "not-held" ? { type: "hour.not-held" } : { type: "hour.backstage-opened" }];
    });
  });
  return true;
}

/** What the passing of time does to dates (rule 5). Safe to run twice and by several processes. */
export async function sweepDates(context: Context): Promise<number> {
  const due = await context.db
    .select()
    .from(occurrences)
    .where(
      and(
        inArray(occurrences.phase, ["scheduled", "backstage", "open"]),
        lte(occurrences.startAt, context.clock.now() + 4 * 3_600_000),
      ),
    )
    .orderBy(occurrences.startAt)
    .limit(500);
  let moved = 0;
  for (const occurrence of due) {
    try {
      if (await sweepOne(context, occurrence)) moved += 1;
    } catch (error) {
      context.log.error("sweep failed", error, { occurrence: occurrence.id });
    }
  }
  return moved;
}

/** Events a week in the bin go with their rows, and the files that belonged to them with them. */
/** How long an unplanned room stands among the past dates. */
const unplannedKeptDays = 30;
/** An unplanned room whose last date was over a month ago goes into the bin, from which it can still be brought back. */
const tidyUnplanned = (context: Context, now: number) =>
  context.db
    .update(events)
    .set({ deletedAt: now })
    .where(
      and(
        eq(events.isUnplanned, true),
        isNull(events.deletedAt),
        sql`not exists (select 1 from occurrences o where o.event_id = ${events.id}
        and (o.phase not in ('ended', 'cancelled', 'not-held') or o.end_at > ${new Date(now - unplannedKeptDays * dayMs).toISOString()}))`,
      ),
    );

const { fileName: originalFile, editedFile, soundFile, pictureId } = recordings;
const namesOfRecording = { fileName: originalFile, editedFile, soundFile, pictureId };

async function dropBinned(context: Context, now: number): Promise<void> {
  const isOver = and(isNotNull(events.deletedAt), lt(events.deletedAt, now - binDays * dayMs));
  const [pictures, files, films, given, pages] = await Promise.all([
    context.db
      .select({ id: eventPictures.id })
      .from(eventPictures)
      .innerJoin(events, eq(events.id, eventPictures.eventId))
      .where(isOver)
      .limit(5000),
    context.db
      .select({ id: eventFiles.id })
      .from(eventFiles)
      .innerJoin(events, eq(events.id, eventFiles.eventId))
      .where(isOver)
      .limit(5000),
    context.db
      .select(namesOfRecording)
      .from(recordings)
      .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .where(isOver)
      .limit(5000),
    context.db
      .select({ id: handOuts.id })
      .from(handOuts)
      .innerJoin(occurrences, eq(occurrences.id, handOuts.occurrenceId))
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .where(isOver)
      .limit(5000),
    context.db
      .select({ deckId: decks.id, id: deckPages.id, notesId: deckPages.notesId })
      .from(decks)
      .innerJoin(occurrences, eq(occurrences.id, decks.occurrenceId))
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .leftJoin(deckPages, eq(deckPages.deckId, decks.id))
      .where(isOver)
      .limit(50_000),
  ]);
  await context.db.transaction(async (tx) => {
    await tx.execute(sql`
      insert into date_records (id, organisation_id, title, start_at, zone, registered_count, came_count, peak_count)
      select o.id, o.organisation_id, events.title, o.start_at, o.zone, o.registered_count, o.came_count, coalesce(o.peak_count, 0)
      from occurrences o join events on events.id = o.event_id
      where o.came_count is not null and o.registered_count is not null and ${isOver} on conflict do nothing`);
    await tx.delete(events).where(isOver);
  });
  for (const name of [
    ...pictures.map(({ id }) => pictureName(id)),
    ...files.map(({ id }) => fileName(id)),
    ...films.flatMap(filesOfRecording),
    ...given.map(({ id }) => handOutFile(id)),
    ...deckFiles(
      [...new Set(pages.map((page) => page.deckId))],
      pages.flatMap(({ id, notesId }) => (id ? [{ id, notesId }] : [])),
    ),
  ])
    await context.storage.remove(name);
}

/**
 * Personal data whose time is over goes: people of dates past the organisation's retention, and
 * everything of events a week in the bin. Figures stand: rows keep their ids without names.
 */
export async function purge(context: Context): Promise<number> {
  const now = context.clock.now();
  await tidyUnplanned(context, now);
  await dropBinned(context, now);
  await emptyRecordingBin(context, now);
  const past = await context.db.execute(sql`
    select p.id from people p join organisations o on o.id = p.organisation_id
    where p.erased_at is null
      and p.created_at < ${new Date(now).toISOString()}::timestamptz - make_interval(days => o.retention_days)
      and not exists (select 1 from members m where m.person_id = p.id)
      and not exists (select 1 from tickets t join events e on e.id = t.event_id join occurrences c on c.event_id = e.id
        where t.person_id = p.id and c.end_at > ${new Date(now).toISOString()}::timestamptz - make_interval(days => o.retention_days))
      and not exists (select 1 from invitees i join events e on e.id = i.event_id and e.deleted_at is null join occurrences c on c.event_id = e.id
        where i.person_id = p.id and c.end_at > ${new Date(now).toISOString()}::timestamptz - make_interval(days => o.retention_days))
    limit 5000`);
  const ids = past.rows.map((row) => String(row["id"]));
  await context.db.transaction((tx) => erasePeople(tx, ids, now));
  await noteErased(context, ids);
  // where somebody signed in from is looked at for a month, and an ended session says nothing more
  await context.db.execute(sql`delete from session where expires_at < ${new Date(now).toISOString()}::timestamptz`);
  await context.db.execute(
    sql`update session set ip_address = null where created_at < ${new Date(now - 30 * dayMs).toISOString()}::timestamptz`,
  );
  await context.db.delete(auditLog).where(lt(auditLog.at, now - 3 * 365 * dayMs));
  // a letter and its invitation say nothing more once the link in them is long over
  const longOver = new Date(now - 90 * dayMs).toISOString();
  await context.db.execute(sql`delete from letters where created_at < ${longOver}::timestamptz`);
  await context.db.execute(sql`delete from password_resets where created_at < ${longOver}::timestamptz`);
  await context.db.execute(sql`delete from team_invitations where created_at < ${longOver}::timestamptz`);
  await forgetTries(context);
  return past.rows.length;
}
