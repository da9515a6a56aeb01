import { and, eq, sql } from "drizzle-orm";
import { currentCue, type RoomQuestion } from "@/core/room";
import { Book, Refusal } from "@/core/shared";
import type { CommandBody, FactBody } from "@/contracts";
import type { Db } from "../../db/client";
import { questionComments, questions } from "../../db/schema";
import type { RoomPlace, RoomServer, Said } from "../room-server";
import { ownQuestions, peopleOf, voteQuestion } from "./facts";

type Vote = Extract<FactBody, { type: "questions.vote" }>;
type Answer = Extract<CommandBody, { type: "questions.answer" }>;

async function writeAnswer(tx: Db, occurrenceId: string, { questionId, how, text }: Answer): Promise<void> {
  if (how === "aloud") return;
  if (!text) {
    throw new Refusal({ code: "invalid-input", issues: [{ path: "text", code: "answer-without-words", facts: {} }] });
  }
  await tx
    .update(questions)
    .set({ answer: text })
    .where(and(eq(questions.id, questionId), eq(questions.occurrenceId, occurrenceId)));
}

/** Words of a command into their erasable tables. */
async function write(tx: Db, place: RoomPlace, { commandId, body, actorId }: Said): Promise<void> {
  const { organisationId, occurrenceId, now } = place;
  if (body.type === "questions.ask") {
    const about = { id: commandId, organisationId, occurrenceId, askerTicketId: actorId };
    const { segmentId, text, isAnonymous = false } = body;
    await tx.insert(questions).values({ ...about, segmentId, text, isAnonymous, askedAt: now });
  }
  if (body.type === "questions.ask-afterwards") {
    const about = { id: commandId, organisationId, occurrenceId, askerTicketId: actorId };
    await tx.insert(questions).values({ ...about, text: body.text, askedAt: now, recordingSeconds: body.atSeconds });
  }
  if (body.type === "questions.comment") {
    const about = { id: commandId, organisationId, questionId: body.questionId, ticketId: actorId };
    await tx.insert(questionComments).values({ ...about, text: body.text, at: now });
  }
  if (body.type === "questions.answer") await writeAnswer(tx, occurrenceId, body);
}

const mirrored = (id: string, is: RoomQuestion) => ({
  id,
  state: is.state,
  segment: is.segmentId,
  answered: is.answered,
  taken: is.takenBy,
  answered_at: is.answeredAt === null ? null : new Date(is.answeredAt).toISOString(),
  by_mail: is.isByMail ?? false,
  merged: is.mergedIntoId ?? null,
});

export const questionsServer: RoomServer = {
  command({ commandId, body }, room) {
    switch (body.type) {
      case "questions.ask": {
        // meant for the segment that was chosen, else for the one during which it was asked
        const segmentId = body.segmentId ?? currentCue(room.cues)?.segmentId ?? null;
        const { type, isAnonymous = false } = body;
        return { type, questionId: commandId, segmentId, isAnonymous };
      }
      case "questions.ask-afterwards":
        return { type: body.type, questionId: commandId };
      case "questions.answer":
        return { type: body.type, questionId: body.questionId, how: body.how };
      case "questions.comment":
        return { type: body.type, questionId: body.questionId, commentId: commandId };
      default:
        return null;
    }
  },
  write,
  async keep(tx, _place, before, after) {
    const changed = [...Book.changes(before.questions.asked, after.questions.asked)].flatMap(([id, , is]) =>
      is ? [mirrored(id, is)] : [],
    );
    if (changed.length === 0) return;
    await tx.execute(sql`
      update questions q set state = c.state, segment_id = c.segment, answered = c.answered,
        answered_by = case when c.answered is null then null else coalesce(c.taken, q.answered_by) end,
        answered_at = c.answered_at, is_by_mail = c.by_mail, merged_into = c.merged
      from jsonb_to_recordset(${JSON.stringify(changed)}::jsonb)
        as c(id uuid, state text, segment uuid, answered text, taken text, answered_at timestamptz, by_mail boolean, merged uuid)
      where q.id = c.id`);
  },
  fact: (db, place, fact) => voteQuestion(db, place, (fact as Vote).questionId, (fact as Vote).isFor),
  own: ownQuestions,
  wants(body) {
    switch (body.type) {
      case "questions.asked":
        return [
          { part: "questions", ids: [body.questionId] },
          { part: "people", ids: [body.askerId] },
        ];
      case "questions.answered":
      case "questions.commented":
        return [{ part: "questions", ids: [body.questionId] }];
      default:
        return [];
    }
  },
  // the union of those who voted is another figure, and their own marks with it
  recounts: (body) => body.type === "questions.merged" || body.type === "questions.parted",
  async concerns(db, body, room) {
    if (body.type === "questions.merged") return peopleOf(db, [body.questionId, body.intoId]);
    if (body.type === "questions.parted") return peopleOf(db, [body.questionId]);
    // whoever asked the same hears of it too
    const about = "questionId" in body ? body.questionId : null;
    return about === null
      ? []
      : [...room.questions.asked].flatMap(([, one]) => (one.mergedIntoId === about ? [one.askerId] : []));
  },
};
