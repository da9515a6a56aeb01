import { phrase } from "@/contracts/say";
import type { Markers, QuestionView, Switches } from "@/core/people";
import { reachWords } from "./chat/reach-words";

/** What the house sees of others' questions. */
export const othersSeeWords: Readonly<Record<QuestionView, string>> = {
  none: phrase("nothing"),
  answered: phrase("what was answered to all"),
  all: phrase("every question"),
};

/** Who draws on the slides. */
export const markersWords: Readonly<Record<Markers, string>> = {
  nobody: phrase("nobody"),
  leader: phrase("whoever turns them, and the team"),
  stage: phrase("everybody on the stage side"),
  all: phrase("everybody"),
};

/** All switches in one line: "questions, polls; chat to everybody; …", what is off left out. */
export function switchesWords({
  questions,
  polls,
  chat,
  hands,
  signals,
  names,
  count,
  rename,
  paging,
  marking,
  door,
}: Switches): string {
  const asked = [
    "questions",
    questions.anonymous ? "without names too" : "",
    questions.isHeld ? "looked at first" : "",
    `others see ${othersSeeWords[questions.othersSee]}`,
    questions.votes ? "votes" : "",
    questions.comments ? "comments" : "",
    questions.tellsNotTaken ? "who asked is told when not taken" : "",
  ];
  const said = [
    questions.on ? asked.filter(Boolean).join(", ") : "",
    polls.on ? "polls" : "",
    `chat: ${reachWords[chat.to]}${chat.isHeld ? ", looked at first" : ""}`,
    hands.on ? `hands${hands.endsWithSegment ? " until the segment ends" : ""}` : "",
    signals.on ? "signals" : "",
    names.on ? "names seen" : "",
    count.on ? "count seen" : "",
    rename.on ? "renaming" : "",
    paging.on ? "slides turned for oneself" : "",
    marking.who === "nobody" ? "" : `drawing on slides: ${markersWords[marking.who]}`,
    door.on ? "let in one by one" : "",
  ];
  return said.filter(Boolean).join("; ");
}
