import type { Switches } from "@/core/people";
import type { events } from "../schema";

type Columns = Pick<
  typeof events.$inferSelect,
  "questionsOn" | "pollsOn" | "othersQuestionsShown" | "chatTo" | "chatHeld" | "handsOn" | "signalsOn"
>;

/** The audience switches as an event's row has them. */
export const switchesOf = (event: Columns): Switches => ({
  questions: { on: event.questionsOn, othersSee: event.othersQuestionsShown ? "all" : "answered" },
  polls: { on: event.pollsOn },
  chat: { to: event.chatTo, isHeld: event.chatHeld },
  hands: { on: event.handsOn },
  signals: { on: event.signalsOn },
});
