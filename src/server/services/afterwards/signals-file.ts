import { sql } from "drizzle-orm";
import { recordedEveryMs } from "@/core/room";
import type { Db } from "../../db/client";
import { isCounted } from "../../db/queries/counted";
import { csvText } from "../ground/delimited";
import { iso } from "./moments";

/** Signals as counts of ten seconds each, never by name; test guests left out (rule 21). */
export async function signalsFile(db: Db, occurrenceId: string): Promise<string> {
  const seconds = recordedEveryMs / 1000;
  const { rows } = await db.execute(sql`
    select to_timestamp(floor(extract(epoch from s.at) / ${seconds}::int) * ${seconds}::int) as from_at, s.kind, count(*)::int as n
    from signals s join rooms r on r.id = s.room_id and r.occurrence_id = ${occurrenceId}
    where ${isCounted(sql`s.ticket_id`)} group by 1, 2 order by 1, 2 limit 200000`);
  return csvText(
    ["at", "signal", "count"],
    rows.map((row) => [iso(new Date(row["from_at"] as string).getTime()), String(row["kind"]), Number(row["n"])]),
  );
}
