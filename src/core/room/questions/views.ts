import type { Sight } from "../capability";
import type { Switches } from "../../people";
import type { Book } from "../../shared";
import type { DirectoryQuestion, RoomDirectory, RoomFigures } from "../directory";
import { isCurtainUp } from "../hour/state";
import { sectionOf } from "../section-of";
import type { CommentItem, DeskQuestionItem, HouseQuestionItem, StageQuestionItem } from "./items";
import type { CountItem, Section } from "../views";
import type { QuestionsState, RoomQuestion } from "./state";

type QuestionSight = Sight<QuestionsState>;

type Said = DirectoryQuestion | undefined;
type People = RoomDirectory["people"];
const nameOf = (people: People, id: string): string => people.get(id)?.name ?? "";
/** Who asked; nobody is told of an anonymous one. */
const askerOf = (question: RoomQuestion, people: People): string =>
  question.isAnonymous ? "" : nameOf(people, question.askerId);

const commentsOf = (question: RoomQuestion, said: Said, people: People | null): readonly CommentItem[] =>
  (question.comments ?? []).map(({ id, byId, at }) => ({
    id,
    text: said?.comments?.get(id) ?? "",
    name: people === null ? "" : nameOf(people, byId),
    at,
  }));

const forDesk = sectionOf((question: RoomQuestion, said: Said, people: People): DeskQuestionItem => {
  const { askerId, askedAt, state, segmentId, takenBy, answered } = question;
  return {
    askerId: question.isAnonymous ? "" : askerId,
    askerName: askerOf(question, people),
    isAnonymous: question.isAnonymous ?? false,
    isHeld: question.isHeld ?? false,
    mergedIntoId: question.mergedIntoId ?? null,
    forId: question.forId ?? null,
    ...{ askedAt, state, segmentId, takenBy, answered },
    comments: commentsOf(question, said, people),
    text: said?.text ?? "",
    answer: said?.answer ?? null,
  };
});
export const deskQuestions = ({ own, words }: QuestionSight): Book<DeskQuestionItem> =>
  forDesk(own.asked, words.questions, words.people);

const forStage = sectionOf((question: RoomQuestion, said: Said, people: People): StageQuestionItem | null => {
  const { state, segmentId, forId } = question;
  if ((state !== "lined-up" && state !== "on-stage") || question.mergedIntoId) return null;
  const isFor = forId ? { forId, forName: nameOf(people, forId) } : { forId: null, forName: "" };
  return { text: said?.text ?? "", askerName: askerOf(question, people), state, segmentId, ...isFor };
});
export const stageQuestions = ({ own, words }: QuestionSight): Book<StageQuestionItem> =>
  forStage(own.asked, words.questions, words.people);

type OthersSee = Switches["questions"]["othersSee"];
const forHouse = sectionOf(
  (
    question: RoomQuestion,
    said: Said,
    /** null where names are not shown: newcomers then change nothing here */
    people: People | null,
    isUp: boolean,
    othersSee: OthersSee,
    areCommentsShown: boolean,
  ): HouseQuestionItem | null => {
    const { state, answered, askedAt } = question;
    if (question.mergedIntoId) return null;
    const isOnStage = state === "on-stage" && isUp;
    const isAnswered = state === "done" && answered !== "to-one" && answered !== null;
    const isOpen = (state === "new" || state === "lined-up" || state === "on-stage") && !question.isHeld;
    if (!isOnStage && !(isAnswered && othersSee !== "none") && !(isOpen && othersSee === "all")) return null;
    const answer = answered === "to-all" ? (said?.answer ?? null) : null;
    const comments = areCommentsShown ? commentsOf(question, said, people) : [];
    const askerName = people === null ? "" : askerOf(question, people);
    return { text: said?.text ?? "", isOnStage, isAnswered, askedAt, answer, askerName, comments };
  },
);
/** The house sees what is on stage, and of the others what the switches show. */
export const houseQuestions = ({ own, hour, switches, words }: QuestionSight): Book<HouseQuestionItem> => {
  const { othersSee, comments } = switches.questions;
  const people = switches.names.on ? words.people : null;
  return forHouse(own.asked, words.questions, people, isCurtainUp(hour), othersSee, comments);
};

export function votesOf(figures: RoomFigures, items: Book<unknown>): Section<CountItem> {
  const out: Record<string, CountItem> = {};
  for (const [id, count] of figures.votes) if (items.has(id)) out[id] = { count };
  return out;
}
