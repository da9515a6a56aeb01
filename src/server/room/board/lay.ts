import { sql } from "drizzle-orm";
import type { Mark } from "@/core/room";
import type { Db } from "../../db/client";

/** Marks onto a new board all at once, as if somebody had drawn them behind the stage one after the other. */
export async function layMarks(
  tx: Db,
  at: {
    readonly roomId: string;
    readonly organisationId: string;
    readonly boardId: string;
    readonly actorId: string;
    readonly now: number;
  },
  marks: readonly (readonly [actId: string, mark: Mark])[],
): Promise<void> {
  const { roomId, organisationId, boardId, actorId } = at;
  const count = marks.length;
  const head = (topic: string) => sql`insert into log_heads (room_id, topic, organisation_id, head)
    values (${roomId}, ${topic}, ${organisationId}, ${count}::int)
    on conflict (room_id, topic) do update set head = log_heads.head + ${count}::int returning head - ${count}::int as before`;
  const bodies = marks.map(([, mark]) => JSON.stringify({ do: "draw", mark, continues: null }));
  await tx.execute(sql`
    with place as (${head(`ink:${boardId}:0`)}), feed as (${head("board:behind")})
    insert into ink_acts (room_id, surface_id, page, n, topic, rev, organisation_id, act_id, author_ticket_id, body, at)
    select ${roomId}, ${boardId}, 0, place.before + m.i, 'board:behind', feed.before + m.i, ${organisationId}, m.id, ${actorId}, m.body::jsonb,
      ${new Date(at.now).toISOString()}::timestamptz
    from place, feed, unnest(${sql.param(marks.map(([id]) => id))}::uuid[], ${sql.param(bodies)}::text[]) with ordinality as m(id, body, i)`);
}

/** Takes marks away that belong to no board. */
export const dropMarks = (db: Db, roomId: string, boardId: string) =>
  db.execute(sql`delete from ink_acts where room_id = ${roomId} and surface_id = ${boardId}`);
