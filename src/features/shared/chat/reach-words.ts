import { phrase } from "@/contracts/say";
import type { ChatReach } from "@/core/people";

/** Whom the audience may write to, as the team reads it. */
export const reachWords: Readonly<Record<ChatReach, string>> = {
  nobody: phrase("nobody (no chat)"),
  desk: phrase("the team alone"),
  stage: phrase("the team and the stage"),
  all: phrase("everybody"),
};
