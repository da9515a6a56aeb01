import { sql } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import { playsInput } from "@/contracts";
import type { Span } from "@/core/programme";
import {
  dropOff,
  editedSeconds,
  heatOf,
  originalSeconds,
  watchedOf,
  type Play,
  type Watched,
  type Watching,
} from "@/core/watching";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { parse, type Context } from "../ground/context";

/** Stretches that are kept of one viewer: beyond them only those that are there grow. */
const mostPlays = 500;
const mostViewers = 20_000;
/** Heat and drop-off are drawn of so many stretches. */
export const heatBins = 60;
/** Of fewer than so many viewers the public page shows no heat: it would be somebody's own. */
const fewestShown = 5;

type Who = { readonly ticketId: string } | { readonly browser: string };
interface Of {
  readonly id: string;
  readonly organisationId: string;
  /** what stays of a recording that was cut: what is played is kept on the original's clock */
  readonly kept: readonly Span[] | null;
}

/** The last instant of a stretch is before a seam that it ends at, not behind it. */
const seamSeconds = 0.001;
const onOriginal = <P extends Play>(play: P, kept: readonly Span[]): P => ({
  ...play,
  fromSeconds: originalSeconds(kept, play.fromSeconds),
  toSeconds: originalSeconds(kept, play.toSeconds - seamSeconds) + seamSeconds,
});
const onEdited = (play: Play, kept: readonly Span[]): Play => ({
  fromSeconds: editedSeconds(kept, play.fromSeconds),
  toSeconds: editedSeconds(kept, play.toSeconds),
});

/** Takes what somebody has played; told again it is the same. */
export async function keepPlays(context: Context, recording: Of, who: Who, rawInput: unknown): Promise<void> {
  const { viewId, plays } = parse(playsInput, rawInput);
  const [ticketId, browser] = "ticketId" in who ? [who.ticketId, null] : [null, who.browser];
  const at = new Date(context.clock.now()).toISOString();
  const target = ticketId
    ? sql`(recording_id, ticket_id) where ticket_id is not null`
    : sql`(recording_id, browser) where browser is not null`;
  const forward = plays
    .filter((one) => one.toSeconds > one.fromSeconds)
    .map((one) => (recording.kept ? onOriginal(one, recording.kept) : one));
  // of one stretch that is told twice at once the longer
  const longest = new Map([...forward].sort((a, b) => a.toSeconds - b.toSeconds).map((one) => [one.id, one]));
  const rows = [...longest.values()].map(
    (one) => sql`(${one.id}::uuid, ${one.fromSeconds}::real, ${one.toSeconds}::real)`,
  );
  if (rows.length === 0) return;
  await context.db.execute(sql`
    with viewer as (
      insert into viewers (id, organisation_id, recording_id, ticket_id, browser, first_at, last_at)
      values (${context.ids.id()}, ${recording.organisationId}, ${recording.id}, ${ticketId}, ${browser}, ${at}::timestamptz, ${at}::timestamptz)
      on conflict ${target} do update set last_at = greatest(viewers.last_at, excluded.last_at) returning id),
    told (play_id, from_seconds, to_seconds) as (values ${sql.join(rows, sql`, `)})
    insert into plays (viewer_id, play_id, organisation_id, view_id, from_seconds, to_seconds)
    select viewer.id, told.play_id, ${recording.organisationId}, ${viewId}, told.from_seconds, told.to_seconds from viewer, told
    where (select count(*) from plays p where p.viewer_id = viewer.id) < ${mostPlays}
      or exists (select 1 from plays p where p.viewer_id = viewer.id and p.play_id = told.play_id)
    on conflict (viewer_id, play_id) do update set to_seconds = greatest(plays.to_seconds, excluded.to_seconds)`);
}

/** One viewer of one recording, and what they have seen of it. */
export interface ViewerLine extends Watched {
  readonly recordingId: string;
  /** "" for a browser of which nothing else is known */
  readonly name: string;
  readonly email: string;
  readonly isKnown: boolean;
  readonly firstAt: number;
  readonly lastAt: number;
  /** openings of the page */
  readonly views: number;
  readonly plays: readonly Play[];
}

/** Everybody who watched a recording of a date. @param durations by recording, in seconds */
async function viewerLines(
  db: Db,
  occurrenceId: string,
  durations: ReadonlyMap<string, number>,
): Promise<readonly ViewerLine[]> {
  const { rows } = await db.execute(sql`
    select v.id, v.recording_id, r.kept, v.ticket_id, v.first_at, v.last_at, pe.name, pe.email,
      count(distinct pl.view_id)::int as views,
      json_agg(json_build_array(pl.from_seconds, pl.to_seconds) order by pl.from_seconds) as plays
    from viewers v join recordings r on r.id = v.recording_id and r.occurrence_id = ${occurrenceId}
      join plays pl on pl.viewer_id = v.id
      left join tickets t on t.id = v.ticket_id left join people pe on pe.id = t.person_id
    group by v.id, r.kept, pe.name, pe.email order by v.first_at, v.id limit ${mostViewers}`);
  return rows.map((row) => {
    const kept = row["kept"] as readonly Span[] | null;
    const told = (row["plays"] as [number, number][]).map(([fromSeconds, toSeconds]) => ({ fromSeconds, toSeconds }));
    const plays = kept ? told.map((one) => onEdited(one, kept)) : told;
    const recordingId = String(row["recording_id"]);
    return {
      // of unknown length: seconds are counted, shares are not
      ...watchedOf(plays, durations.get(recordingId) || Infinity),
      recordingId,
      plays,
      isKnown: row["ticket_id"] !== null,
      name: (row["name"] as string | null) ?? "",
      email: (row["email"] as string | null) ?? "",
      firstAt: new Date(row["first_at"] as string).getTime(),
      lastAt: new Date(row["last_at"] as string).getTime(),
      views: Number(row["views"]),
    };
  });
}

/** Known people first, by their name; then browsers, by when they came. */
export async function viewersOf(
  db: Db,
  occurrenceId: string,
  durations: ReadonlyMap<string, number>,
): Promise<readonly ViewerLine[]> {
  const lines = await viewerLines(db, occurrenceId, durations);
  return [...lines].sort(
    (a, b) => Number(b.isKnown) - Number(a.isKnown) || a.name.localeCompare(b.name) || a.firstAt - b.firstAt,
  );
}

export function watchingFrom(lines: readonly ViewerLine[], durationSeconds: number): Watching {
  const known = lines.filter((one) => one.isKnown).length;
  const sum = (of: (one: ViewerLine) => number) => lines.reduce((total, one) => total + of(one), 0);
  return {
    knownCount: known,
    browserCount: lines.length - known,
    viewCount: sum((one) => one.views),
    completeCount: lines.filter((one) => one.isComplete).length,
    meanCoverage: lines.length === 0 ? null : sum((one) => one.coverage) / lines.length,
    heat: heatOf(
      lines.flatMap((one) => one.plays),
      durationSeconds,
      heatBins,
    ),
    dropOff: dropOff(
      lines.map((one) => one.furthestSeconds),
      durationSeconds,
      heatBins + 1,
    ),
  };
}

/** What came of each recording of a date. */
export async function watchingOfDate(
  db: Db,
  occurrenceId: string,
  recordings: readonly { readonly id: string; readonly durationSeconds: number | null }[],
): Promise<readonly (Watching & { readonly id: string; readonly durationSeconds: number })[]> {
  const durations = new Map(recordings.map((one) => [one.id, one.durationSeconds ?? 0]));
  const by = groupBy(await viewerLines(db, occurrenceId, durations), (one) => one.recordingId);
  return [...durations].map(([id, durationSeconds]) => ({
    ...watchingFrom(by.get(id) ?? [], durationSeconds),
    id,
    durationSeconds,
  }));
}

const shownForMs = 60_000;
const shown = new LRUCache<string, readonly number[]>({ max: 500, ttl: shownForMs });

/** How often each part was watched, for the public page: counted anew each minute; empty of a few viewers. */
export async function shownHeat(db: Db, occurrenceId: string, id: string, seconds: number): Promise<readonly number[]> {
  const known = shown.get(id);
  if (known) return known;
  const lines = await viewerLines(db, occurrenceId, new Map([[id, seconds]]));
  const own = lines.filter((one) => one.recordingId === id);
  const heat = own.length < fewestShown ? [] : watchingFrom(own, seconds).heat;
  shown.set(id, heat);
  return heat;
}
