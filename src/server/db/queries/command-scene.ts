import { sql } from "drizzle-orm";
import { callTimeOf } from "@/core/dates";
import { wholeSwitches, type PartialSwitches, type Switches } from "@/core/people";
import type { Scene, SceneKind } from "@/core/room";
import type { Db } from "../client";
import { executeNamed } from "../named";

/** What deciding a command needs to know of a date beside its journal: ids and switches, no names. */
export interface CommandScene extends Omit<Scene, "actor" | "about"> {
  readonly occurrenceId: string;
  readonly eventId: string;
  readonly houseSize: number;
  readonly switches: Switches;
  /** the journal's row of this very command, where it was carried out before */
  readonly repeatOf: number | null;
}

/** One read for all of it: every command of the hour begins with this. Null for an unknown date. */
export async function loadScene(db: Db, occurrenceId: string, commandId?: string): Promise<CommandScene | null> {
  const repeat = commandId
    ? sql`(select j.seq from rooms r join journal j on j.room_id = r.id
        where r.occurrence_id = o.id and r.parent_id is null and j.command_id = ${commandId})`
    : sql`null::int`;
  const { rows } = await executeNamed(
    db,
    sql`
    select ${repeat} as repeat_of, o.event_id, o.start_at, o.end_at, o.call_minutes, e.house_size, e.switches, e.early_entry, not e.is_private and e.published_at is not null as has_event_page, e.stage_microphones_open,
      e.stage_cameras_open,
      array(select s.id from segments s where s.occurrence_id = o.id order by s.position) as segment_ids,
      (select coalesce(json_agg(json_build_array(s.id, array_remove(array[s.leader_ticket_id::text] || array(select jsonb_array_elements_text(s.beside_ticket_ids)), null), s.deck_id, s.deck_page)), '[]')
        from segments s where s.occurrence_id = o.id) as segment_slides,
      (select coalesce(json_agg(json_build_array(d.id, case when d.state = 'ready' then d.page_count
          else (select count(*) from deck_pages p where p.deck_id = d.id) end)), '[]') from decks d
        where d.occurrence_id = o.id and d.state in ('making', 'ready')) as deck_pages,
      (select coalesce(json_agg(json_build_array(s.id, s.scene)), '[]') from segments s where s.occurrence_id = o.id and s.scene is not null) as segment_scenes,
      array(select h.id from hand_outs h where h.occurrence_id = o.id and h.is_shown and h.media_type like 'image/%') as picture_ids,
      e.interpretation_into,
      (select coalesce(json_agg(json_build_array(t.id, t.languages) order by t.registered_at, t.id), '[]') from tickets t where t.event_id = o.event_id
        and t.occurrence_id is null and t.revoked_at is null and t.role = 'interpreter' and t.languages is not null) as pairs,
      array(select p.id from polls p where p.occurrence_id = o.id) as poll_ids,
      array(select t.id from tickets t where t.event_id = o.event_id and t.occurrence_id is null and t.revoked_at is null) as stage_ids
    from occurrences o join events e on e.id = o.event_id where o.id = ${occurrenceId}`,
  );
  const row = rows[0] as Record<string, unknown> | undefined;
  if (!row) return null;
  const at = (value: unknown): number => new Date(value as string | Date).getTime();
  const startAt = at(row["start_at"]);
  return {
    occurrenceId,
    repeatOf: row["repeat_of"] as number | null,
    eventId: row["event_id"] as string,
    houseSize: row["house_size"] as number,
    times: { startAt, endAt: at(row["end_at"]), callAt: callTimeOf(startAt, row["call_minutes"] as number) },
    switches: wholeSwitches(row["switches"] as PartialSwitches),
    earlyEntry: row["early_entry"] as boolean,
    stageMicrophonesOpen: row["stage_microphones_open"] as boolean,
    stageCamerasOpen: row["stage_cameras_open"] as boolean,
    segmentIds: row["segment_ids"] as string[],
    pollIds: new Set(row["poll_ids"] as string[]),
    deckPages: new Map(row["deck_pages"] as [string, number][]),
    segmentSlides: new Map(
      (row["segment_slides"] as [string, string[], string | null, number][]).map(([id, leaderIds, deckId, page]) => [
        id,
        { leaderIds, deckId, page },
      ]),
    ),
    segmentScenes: new Map(row["segment_scenes"] as [string, SceneKind][]),
    hasEventPage: row["has_event_page"] as boolean,
    pictureFileIds: new Set(row["picture_ids"] as string[]),
    interpreting: {
      into: row["interpretation_into"] as string[],
      pairs: new Map(row["pairs"] as [string, string[]][]),
    },
    stageTicketIds: new Set(row["stage_ids"] as string[]),
  };
}
