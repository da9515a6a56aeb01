import { and, eq, sql } from "drizzle-orm";
import { currentCue } from "@/core/room";
import { Book, Refusal } from "@/core/shared";
import { questions } from "../../db/schema";
import type { FactBody } from "@/contracts";
import type { RoomServer } from "../room-server";
import { ownQuestions, voteQuestion } from "./facts";

type Vote = Extract<FactBody, { type: "questions.vote" }>;

export const questionsServer: RoomServer = {
  command({ commandId, body }, room) {
    if (body.type === "questions.ask") {
      // meant for the segment that was chosen, else for the one during which it was asked
      const segmentId = body.segmentId ?? currentCue(room.cues)?.segmentId ?? null;
      return { type: body.type, questionId: commandId, segmentId };
    }
    if (body.type === "questions.answer") return { type: body.type, questionId: body.questionId, how: body.how };
    return null;
  },
  async write(tx, { organisationId, occurrenceId, now }, { commandId, body, actorId }) {
    if (body.type === "questions.ask") {
      const about = { id: commandId, organisationId, occurrenceId, askerTicketId: actorId };
      await tx.insert(questions).values({ ...about, segmentId: body.segmentId, text: body.text, askedAt: now });
    }
    if (body.type === "questions.answer" && body.how !== "aloud") {
      if (!body.text) {
        throw new Refusal({
          code: "invalid-input",
          issues: [{ path: "text", code: "answer-without-words", facts: {} }],
        });
      }
      await tx
        .update(questions)
        .set({ answer: body.text })
        .where(and(eq(questions.id, body.questionId), eq(questions.occurrenceId, occurrenceId)));
    }
  },
  async keep(tx, _place, before, after) {
    const changed = [...Book.changes(before.questions.asked, after.questions.asked)].flatMap(([id, , is]) =>
      is ? [{ id, ...is, answered_at: is.answeredAt === null ? null : new Date(is.answeredAt).toISOString() }] : [],
    );
    if (changed.length === 0) return;
    await tx.execute(sql`
      update questions q set state = c.state, segment_id = c."segmentId", answered = c.answered,
        answered_by = case when c.answered is null then null else coalesce(c."takenBy", q.answered_by) end, answered_at = c.answered_at
      from jsonb_to_recordset(${JSON.stringify(changed)}::jsonb)
        as c(id uuid, state text, "segmentId" uuid, answered text, "takenBy" text, answered_at timestamptz)
      where q.id = c.id`);
  },
  fact: (db, place, fact) => voteQuestion(db, place, (fact as Vote).questionId, (fact as Vote).isFor),
  own: ownQuestions,
  wants(body) {
    if (body.type === "questions.asked") {
      return [
        { part: "questions", ids: [body.questionId] },
        { part: "people", ids: [body.askerId] },
      ];
    }
    return body.type === "questions.answered" ? [{ part: "questions", ids: [body.questionId] }] : [];
  },
};
