import { sql, type SQL, type SQLWrapper } from "drizzle-orm";
import { questions } from "../schema";

/** Test guests count in no figure: what they cast is kept for them to see, and left out of every sum. */
export const isCounted = (ticketId: SQLWrapper): SQL<boolean> =>
  sql<boolean>`not exists (select 1 from tickets counted where counted.id = ${ticketId} and counted.role = 'test-guest')`;

/** Votes for a question, in a query over the questions. */
export const questionVoteCount = sql<number>`(select count(*)::int from question_votes v where v.question_id = ${questions.id} and ${isCounted(sql`v.ticket_id`)})`;
