import { and, eq, inArray, or } from "drizzle-orm";
import { minuteMs } from "@/core/time";
import type { Db } from "../../../db/client";
import { messages, occurrences, questions, tickets } from "../../../db/schema";
import type { Context } from "../context";
import { aboutTicket, planMessages } from "../mail-plan";

/** Answers that are written soon after one another go in one mail. */
const gatheredMinutes = 10;

/** Plans one mail for each person who asked one of these questions; one that waits already takes the answers with it. */
export async function mailAnswers(context: Context, tx: Db, questionIds: readonly string[]): Promise<void> {
  const ids = [...questionIds];
  const asked = await tx
    .select({ questionId: questions.id, ticket: tickets, occurrence: occurrences })
    .from(questions)
    .innerJoin(tickets, eq(tickets.id, questions.askerTicketId))
    .innerJoin(occurrences, eq(occurrences.id, questions.occurrenceId))
    .where(or(inArray(questions.id, ids), inArray(questions.mergedInto, ids)))
    .limit(5000);
  if (asked.length === 0) return;
  const waiting = await tx
    .select({ personId: messages.personId })
    .from(messages)
    .where(
      and(
        eq(messages.occurrenceId, asked[0]!.occurrence.id),
        eq(messages.kind, "answer"),
        eq(messages.state, "planned"),
      ),
    )
    .limit(5000);
  const has = new Set(waiting.map((one) => one.personId));
  const dueAt = context.clock.now() + gatheredMinutes * minuteMs;
  const wanted = asked.flatMap(({ questionId, ticket, occurrence }) => {
    if (has.has(ticket.personId)) return [];
    has.add(ticket.personId);
    return [{ ...aboutTicket(ticket, occurrence), kind: "answer" as const, questionId, dueAt }];
  });
  await planMessages(context, tx, wanted);
}
