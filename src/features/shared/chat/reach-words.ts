import type { ChatReach } from "@/core/people";

/** Whom the audience may write to, as the team reads it. */
export const reachWords: Readonly<Record<ChatReach, string>> = {
  nobody: "nobody (no chat)",
  desk: "the team alone",
  stage: "the team and the stage",
  all: "everybody",
};
