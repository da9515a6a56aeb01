import { sql, type SQL } from "drizzle-orm";
import type { InkRow, LogRow } from "@/contracts";
import type { InkAct, InkBody, Surface } from "@/core/room";
import type { Db } from "../../db/client";
import type { LogReader } from "../room-server";

interface Row {
  surface_id: string;
  page: number;
  n: number;
  rev: number;
  act_id: string;
  author_ticket_id: string;
  body: InkBody;
  at: string;
}
const columns = sql`surface_id, page, n, rev, act_id, author_ticket_id, body, at`;

const toAct = (row: Row): InkAct => ({
  n: row.n,
  id: row.act_id,
  authorId: row.author_ticket_id,
  at: new Date(row.at).getTime(),
  body: row.body,
});

async function logRows(db: Db, query: SQL): Promise<LogRow[]> {
  const { rows } = await db.execute(query);
  return (rows as unknown as Row[]).map((row) => {
    const act: InkRow = { ...toAct(row), surface: { id: row.surface_id, page: row.page } };
    return { id: row.act_id, seq: row.rev, rev: row.rev, row: act };
  });
}

/** The act that a command wrote, as its feed carries it. */
export const actAt = (db: Db, roomId: string, actId: string): Promise<LogRow[]> =>
  logRows(db, sql`select ${columns} from ink_acts where room_id = ${roomId} and act_id = ${actId}`);

export const inkLogs: LogReader = {
  after: (db, roomId, topic, rev, limit) =>
    logRows(
      db,
      sql`select ${columns} from ink_acts where room_id = ${roomId} and topic = ${topic} and rev > ${rev} order by rev limit ${limit}`,
    ),
  async before(db, roomId, topic, seq, limit) {
    const bound = seq === null ? sql`true` : sql`rev < ${seq}`;
    const rows = await logRows(
      db,
      sql`select ${columns} from ink_acts where room_id = ${roomId} and topic = ${topic} and ${bound} order by rev desc limit ${limit}`,
    );
    return rows.reverse();
  },
};

/** Acts on one surface: a surface that has so many takes no more. */
export const mostActs = 20_000;

/** Everything that was done on one surface, in its order: what its picture is made from. */
export async function surfaceActs(db: Db, roomId: string, { id, page }: Surface): Promise<readonly InkAct[]> {
  const { rows } = await db.execute(sql`
    select ${columns} from ink_acts where room_id = ${roomId} and surface_id = ${id} and page = ${page} order by n limit ${mostActs}`);
  return (rows as unknown as Row[]).map(toAct);
}
