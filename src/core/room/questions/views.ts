import type { Sight } from "../capability";
import type { Switches } from "../../people";
import type { Book } from "../../shared";
import type { DirectoryQuestion, RoomDirectory, RoomFigures } from "../directory";
import { isCurtainUp } from "../hour/state";
import { sectionOf } from "../section-of";
import type { CountItem, DeskQuestionItem, HouseQuestionItem, Section, StageQuestionItem } from "../views";
import type { QuestionsState, RoomQuestion } from "./state";

type QuestionSight = Sight<QuestionsState>;

type Said = DirectoryQuestion | undefined;
type People = RoomDirectory["people"];
const nameOf = (people: People, id: string): string => people.get(id)?.name ?? "";

const forDesk = sectionOf((question: RoomQuestion, said: Said, people: People): DeskQuestionItem => {
  const { askerId, askedAt, state, segmentId, takenBy, answered } = question;
  const about = { askerId, askedAt, state, segmentId, takenBy, answered, askerName: nameOf(people, askerId) };
  return { ...about, text: said?.text ?? "", answer: said?.answer ?? null };
});
export const deskQuestions = ({ own, words }: QuestionSight): Book<DeskQuestionItem> =>
  forDesk(own.asked, words.questions, words.people);

const forStage = sectionOf((question: RoomQuestion, said: Said, people: People): StageQuestionItem | null => {
  const { state, segmentId, askerId } = question;
  if (state !== "lined-up" && state !== "on-stage") return null;
  return { text: said?.text ?? "", askerName: nameOf(people, askerId), state, segmentId };
});
export const stageQuestions = ({ own, words }: QuestionSight): Book<StageQuestionItem> =>
  forStage(own.asked, words.questions, words.people);

type OthersSee = Switches["questions"]["othersSee"];
const forHouse = sectionOf(
  (question: RoomQuestion, said: Said, isUp: boolean, othersSee: OthersSee): HouseQuestionItem | null => {
    const { state, answered, askedAt } = question;
    const isOnStage = state === "on-stage" && isUp;
    const isAnswered = state === "done" && answered !== "to-one" && answered !== null;
    const isOpen = state === "new" || state === "lined-up" || state === "on-stage";
    if (!isOnStage && !(isAnswered && othersSee !== "none") && !(isOpen && othersSee === "all")) return null;
    const answer = answered === "to-all" ? (said?.answer ?? null) : null;
    return { text: said?.text ?? "", isOnStage, isAnswered, askedAt, answer };
  },
);
/** The house sees what is on stage, and of the others what the switch shows. */
export const houseQuestions = ({ own, hour, switches, words }: QuestionSight): Book<HouseQuestionItem> =>
  forHouse(own.asked, words.questions, isCurtainUp(hour), switches.questions.othersSee);

export function votesOf(figures: RoomFigures, items: Book<unknown>): Section<CountItem> {
  const out: Record<string, CountItem> = {};
  for (const [id, count] of figures.votes) if (items.has(id)) out[id] = { count };
  return out;
}
