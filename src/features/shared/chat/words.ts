import type { ChatTarget } from "@/core/room";
import type { Messages } from "@/contracts/messages";

/** What a chat says, in the language of its reader. */
export interface ChatWords extends Omit<Messages["chat"], "newLines" | "left" | "people" | "tabs"> {
  readonly people: Readonly<Record<ChatTarget, string>>;
  newLines(count: number): string;
  left(count: number): string;
}

/** @param t how counts are said in that language */
export const chatWords = (
  messages: Messages["chat"],
  t: (key: "newLines" | "left", values: { count: number }) => string,
): ChatWords => ({
  ...messages,
  newLines: (count) => t("newLines", { count }),
  left: (count) => t("left", { count }),
});
