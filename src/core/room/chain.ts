import type { EntryBody, RoomCommand } from "./commands";

/**
 * What one act causes in another capability: entry in, further commands out. The one place for it. They
 * run as the same person without a right of their own: whoever may do the one may cause the other.
 */
export function chain(entry: EntryBody): readonly RoomCommand[] {
  switch (entry.type) {
    // a line that became a question: asked by whoever wrote it
    case "chat.line-asked":
      return [{ type: "questions.ask", questionId: entry.questionId, segmentId: null, askerId: entry.authorId }];
    // hands go down with their segment where that is set
    case "cues.given":
      return [{ type: "floor.lower-all", withSegment: true }];
    default:
      return [];
  }
}
