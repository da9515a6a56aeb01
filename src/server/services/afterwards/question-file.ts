import type { Db } from "../../db/client";
import { questionVoteCount } from "../../db/queries/counted";
import { tickets, people, occurrences, questions } from "../../db/schema";
import { eq, asc } from "drizzle-orm";
import { type Cell, csvText } from "../ground/delimited";
import { iso } from "./moments";
import { namesByTicket } from "./names-by-ticket";

export async function questionsFile(db: Db, occurrenceId: string): Promise<string> {
  const names = await namesByTicket(db, occurrenceId);
  const stage = await db
    .select({ id: tickets.id, name: people.name })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .innerJoin(occurrences, eq(occurrences.eventId, tickets.eventId))
    .where(eq(occurrences.id, occurrenceId));
  const stageName = new Map(stage.map((row) => [row.id, row.name ?? ""]));
  const asked = await db
    .select({ question: questions, votes: questionVoteCount })
    .from(questions)
    .where(eq(questions.occurrenceId, occurrenceId))
    .orderBy(asc(questions.askedAt), asc(questions.id));
  const byId = new Map(asked.map((row) => [row.question.id, row]));
  const rows = asked.map(({ question, votes }): Cell[] => {
    // what was asked together was answered together, and counted once
    const main = (question.mergedInto && byId.get(question.mergedInto)) || { question, votes };
    const { state, answer, answered, answeredAt, answeredBy } = main.question;
    const asker = question.isAnonymous ? undefined : names.get(question.askerTicketId);
    const by = answeredBy ? (stageName.get(answeredBy) ?? "") : null;
    const said = [question.text, main.votes, state, answer, by, iso(answeredAt), answered];
    return [iso(question.askedAt), asker?.name ?? "", asker?.email ?? "", ...said];
  });
  return csvText(
    ["asked_at", "name", "email", "text", "votes", "state", "answer", "answered_by", "answered_at", "visibility"],
    rows,
  );
}
