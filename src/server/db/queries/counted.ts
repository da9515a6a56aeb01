import { sql, type SQL, type SQLWrapper } from "drizzle-orm";

/** Test guests count in no figure: what they cast is kept for them to see, and left out of every sum. */
export const isCounted = (ticketId: SQLWrapper): SQL<boolean> =>
  sql<boolean>`not exists (select 1 from tickets counted where counted.id = ${ticketId} and counted.role = 'test-guest')`;

// drizzle leaves the table out where a query has one alone; inside, the name would be another's
const here = sql.raw('"questions"."id"');

/** People who voted for a question or for one that is asked together with it, in a query over the questions. */
export const questionVoteCount = sql<number>`(
  select count(distinct v.ticket_id)::int from question_votes v
  where v.question_id in (select ${here} union all select m.id from questions m where m.merged_into = ${here})
    and ${isCounted(sql`v.ticket_id`)})`;
