import { sql } from "drizzle-orm";
import type { Db } from "../../../db/client";

/** How a ticket of the invented house is known. */
export const crowdSource = "crowd";

/** Takes an invented house out of every table: whatever it did, asked or wrote. Nothing of it stands in any figure. */
export async function removeCrowd(db: Db, occurrenceId: string): Promise<void> {
  const gone = sql`select id from tickets where occurrence_id = ${occurrenceId} and source = ${crowdSource}`;
  const { rows } = await db.execute(sql`delete from crowds where occurrence_id = ${occurrenceId} returning 1`);
  if (rows.length === 0) return;
  await db.execute(sql`delete from question_votes where ticket_id in (${gone})`);
  await db.execute(sql`delete from question_comments where ticket_id in (${gone})`);
  await db.execute(sql`delete from questions where asker_ticket_id in (${gone})`);
  await db.execute(sql`delete from ballots where ticket_id in (${gone})`);
  await db.execute(sql`delete from chat_lines where author_ticket_id in (${gone}) or with_ticket_id in (${gone})`);
  await db.execute(sql`delete from caption_lines where author_ticket_id in (${gone})`);
  await db.execute(sql`delete from ink_acts where author_ticket_id in (${gone})`);
  await db.execute(sql`delete from stays where ticket_id in (${gone})`);
  await db.execute(sql`delete from admissions where ticket_id in (${gone})`);
  await db.execute(sql`
    with invented as (
      delete from tickets where occurrence_id = ${occurrenceId} and source = ${crowdSource} returning person_id)
    delete from people where id in (select person_id from invented) and email is null`);
}
