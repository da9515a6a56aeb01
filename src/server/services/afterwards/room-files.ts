import { tallyOneChoice, share } from "@/core/polls";
import type { Db } from "../../db/client";
import { isCounted, questionVoteCount } from "../../db/queries/counted";
import { ballots, tickets, people, occurrences, questions } from "../../db/schema";
import { eq, asc, and, inArray } from "drizzle-orm";
import { polls } from "../../db/schema";
import { type Cell, csvText } from "../ground/delimited";
import { iso } from "./moments";

async function pollRows(db: Db, occurrenceId: string) {
  const prepared = await db
    .select()
    .from(polls)
    .where(eq(polls.occurrenceId, occurrenceId))
    .orderBy(asc(polls.position))
    .limit(100);
  const ids = prepared.map((poll) => poll.id);
  const cast =
    ids.length === 0
      ? []
      : await db
          .select()
          .from(ballots)
          .where(and(inArray(ballots.pollId, ids), isCounted(ballots.ticketId)))
          .orderBy(asc(ballots.at));
  return { prepared, cast };
}
export async function pollsFile(db: Db, occurrenceId: string): Promise<string> {
  const { prepared, cast } = await pollRows(db, occurrenceId);
  const rows = prepared.flatMap((poll, i) => {
    const votes: Record<string, number> = {};
    for (const ballot of cast)
      if (ballot.pollId === poll.id) votes[ballot.optionId] = (votes[ballot.optionId] ?? 0) + 1;
    const result = tallyOneChoice(
      poll.options.map((option) => option.id),
      votes,
    );
    return poll.options.map((option, o): Cell[] => {
      const line = result.options[o]!;
      return [
        i + 1,
        poll.kind,
        poll.question,
        option.label,
        line.votes,
        share(line.votes, result.voters, 1),
        result.voters,
      ];
    });
  });
  return csvText(["poll", "kind", "question", "option", "votes", "percent", "voters"], rows);
}

async function namesByTicket(
  db: Db,
  occurrenceId: string,
): Promise<ReadonlyMap<string, { name: string; email: string }>> {
  const rows = await db
    .select({ id: tickets.id, name: people.name, email: people.email })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(eq(tickets.occurrenceId, occurrenceId));
  return new Map(rows.map((row) => [row.id, { name: row.name ?? "", email: row.email ?? "" }]));
}
export async function ballotsFile(db: Db, occurrenceId: string): Promise<string> {
  const { prepared, cast } = await pollRows(db, occurrenceId);
  const names = await namesByTicket(db, occurrenceId);
  const rows = prepared.flatMap((poll, i) =>
    cast
      .filter((ballot) => ballot.pollId === poll.id)
      .map((ballot): Cell[] => {
        const voter = names.get(ballot.ticketId);
        const label = poll.options.find((option) => option.id === ballot.optionId)?.label ?? ballot.optionId;
        return [i + 1, poll.question, voter?.name ?? "", voter?.email ?? "", label, iso(ballot.at)];
      }),
  );
  return csvText(["poll", "question", "name", "email", "choice", "at"], rows);
}
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
  const rows = asked.map(({ question, votes: n }): Cell[] => {
    const asker = names.get(question.askerTicketId);
    const by = question.answeredBy ? (stageName.get(question.answeredBy) ?? "") : null;
    return [
      iso(question.askedAt),
      asker?.name ?? "",
      asker?.email ?? "",
      question.text,
      n,
      question.state,
      question.answer,
      by,
      iso(question.answeredAt),
      question.answered,
    ];
  });
  return csvText(
    ["asked_at", "name", "email", "text", "votes", "state", "answer", "answered_by", "answered_at", "visibility"],
    rows,
  );
}
