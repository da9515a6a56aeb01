import type { LaneKind } from "@/core/reports";

/** What each lane shows, as the report calls it. */
export const laneWords: Readonly<Record<LaneKind, string>> = {
  questions: "Questions",
  votes: "Votes",
  hands: "Raised hands",
  floor: "Took the floor",
  chat: "Chat lines",
  signals: "Signals",
  polls: "Polls opened",
  entries: "Came in",
  leavings: "Went out",
  mails: "Mails sent",
  watched: "Watched on demand",
};
/** Lanes that stand there before anything is chosen. */
export const lanesAtFirst: readonly LaneKind[] = ["questions", "votes", "leavings"];
