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
    // hands go down with their segment where that is set; its deck opens, its leader turns
    case "cues.given":
      return [
        { type: "floor.lower-all", withSegment: true },
        { type: "slides.follow", segmentId: entry.segmentId },
        { type: "scenes.follow", segmentId: entry.segmentId },
      ];
    // what opens is seen, unless the scene shows it already; what goes leaves no empty picture
    case "slides.shown":
      return entry.opens ? [{ type: "scenes.release", opens: "document" }] : [];
    case "slides.taken-down":
    case "board.closed":
      return [{ type: "scenes.release", opens: null }];
    // the floor was given with a screen: the stage keeps whose are shared
    case "floor.screen-begun":
      return [{ type: "stage.put-screen", ticketId: entry.ticketId, overId: entry.overId }];
    case "floor.ended":
      return [{ type: "stage.drop-screen", ticketId: entry.ticketId }];
    case "stage.screen-begun":
      return [{ type: "scenes.release", opens: "screen" }];
    case "stage.screen-ended":
      return entry.isLast ? [{ type: "scenes.release", opens: null }] : [];
    case "board.opened":
      return [{ type: "scenes.release", opens: "board" }];
    // back in the segment before: its leader turns again
    case "cues.taken-back":
      return entry.nowSegmentId
        ? [
            { type: "slides.follow", segmentId: entry.nowSegmentId },
            { type: "scenes.follow", segmentId: entry.nowSegmentId },
          ]
        : [];
    default:
      return [];
  }
}
