import { chooseAnswer, type Chance, type CrowdAct } from "../core/crowd";
import type { PollQuestion } from "../core/polls";
import { signalKinds } from "../core/room";
import type { SimulatedGuest } from "./crowd";

/** What invented people say. */
export interface CrowdTexts {
  readonly questions: readonly string[];
  readonly lines: readonly string[];
  /** answers in words, to polls that ask for some */
  readonly words: readonly string[];
}

const pleasant = signalKinds.filter((kind) => kind !== "cannot-hear" && kind !== "too-fast");

/**
 * One act of one invented person, by the same commands as everybody's.
 * @param view the room as one of them sees it: of a large house not each follows it
 */
export async function oneAct(
  guest: SimulatedGuest,
  view: SimulatedGuest["view"],
  act: CrowdAct,
  chance: Chance,
  texts: CrowdTexts,
): Promise<void> {
  switch (act) {
    case "question":
      await guest.send({ type: "questions.ask", text: chance.pick(texts.questions), segmentId: null });
      return;
    case "vote": {
      const asked = Object.keys(view["questions"] ?? {});
      if (asked.length > 0) await guest.send({ type: "questions.vote", questionId: chance.pick(asked), isFor: true });
      return;
    }
    case "hand":
      await guest.send({ type: "floor.raise-hand" });
      return;
    case "signal":
      await guest.send({ type: "signals.give", kind: chance.pick(pleasant) });
      return;
    case "line":
      await guest.send({ type: "chat.say", to: "all", withId: null, text: chance.pick(texts.lines) });
  }
}

/** Answers a poll that is open. @returns whether there was one */
export async function answerPoll(
  guest: SimulatedGuest,
  view: SimulatedGuest["view"],
  chance: Chance,
  texts: CrowdTexts,
): Promise<boolean> {
  const open = Object.entries(view["polls"] ?? {}).find(([, poll]) => poll["state"] === "open");
  if (!open) return false;
  const questions = open[1]["questions"] as PollQuestion[];
  const answers = Object.fromEntries(
    questions.map((question) => [question.id, [...chooseAnswer(chance, question, texts.words)]]),
  );
  await guest.send({ type: "polls.vote", pollId: open[0], answers });
  return true;
}
