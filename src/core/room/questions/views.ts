import type { Sight } from "../capability";
import type { RoomFigures } from "../directory";
import { isCurtainUp } from "../hour/state";
import type { CountItem, DeskQuestionItem, HouseQuestionItem, Section, StageQuestionItem } from "../views";
import type { QuestionsState } from "./state";

type QuestionSight = Sight<QuestionsState>;

export function deskQuestions({ own, words }: QuestionSight): Section<DeskQuestionItem> {
  const out: Record<string, DeskQuestionItem> = {};
  for (const [id, question] of own.asked) {
    const said = words.questions.get(id);
    const { askerId, askedAt, state, segmentId, takenBy, answered } = question;
    const askerName = words.people.get(askerId)?.name ?? "";
    const about = { askerId, askedAt, state, segmentId, takenBy, answered, askerName };
    out[id] = { ...about, text: said?.text ?? "", answer: said?.answer ?? null };
  }
  return out;
}

export function stageQuestions({ own, words }: QuestionSight): Section<StageQuestionItem> {
  const out: Record<string, StageQuestionItem> = {};
  for (const [id, { state, segmentId, askerId }] of own.asked) {
    if (state !== "lined-up" && state !== "on-stage") continue;
    const askerName = words.people.get(askerId)?.name ?? "";
    out[id] = { text: words.questions.get(id)?.text ?? "", askerName, state, segmentId };
  }
  return out;
}

/** The house sees what is on stage, and of the others what the switch shows. */
export function houseQuestions({ own, hour, switches, words }: QuestionSight): Section<HouseQuestionItem> {
  const out: Record<string, HouseQuestionItem> = {};
  const { othersSee } = switches.questions;
  for (const [id, question] of own.asked) {
    const isOnStage = question.state === "on-stage" && isCurtainUp(hour);
    const isAnswered = question.state === "done" && question.answered !== "to-one" && question.answered !== null;
    const isOpen = question.state === "new" || question.state === "lined-up" || question.state === "on-stage";
    const isShown = isOnStage || (isAnswered && othersSee !== "none") || (isOpen && othersSee === "all");
    if (!isShown) continue;
    const said = words.questions.get(id);
    const answer = question.answered === "to-all" ? (said?.answer ?? null) : null;
    out[id] = { text: said?.text ?? "", isOnStage, isAnswered, askedAt: question.askedAt, answer };
  }
  return out;
}

export function votesOf(figures: RoomFigures, items: Section<unknown>): Section<CountItem> {
  const out: Record<string, CountItem> = {};
  for (const [id, count] of figures.votes) if (items[id]) out[id] = { count };
  return out;
}
