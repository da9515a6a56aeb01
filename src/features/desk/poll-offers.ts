import { pollTitle } from "@/core/polls";
import type { DeskScene } from "./scene";
import type { Offer } from "./offer";

/** What the desk may do about its polls now; each goes by its number on the list and by its question. */
export function pollOffers({ view, may }: Pick<DeskScene, "view" | "may">): readonly Offer[] {
  if (!may("polls.open")) return [];
  return Object.entries(view.polls).flatMap(([pollId, poll], i): Offer[] => {
    const say = (act: string, command: Offer["command"]): Offer => ({
      words: `Poll ${i + 1}: ${act} (${pollTitle(poll)})`,
      command,
    });
    if (poll.state === "prepared") return [say("open", { type: "polls.open", pollId })];
    return [
      poll.state === "open"
        ? say("close", { type: "polls.close", pollId })
        : say("open it again", { type: "polls.open", pollId }),
      poll.isRevealed
        ? say("hide the results", { type: "polls.hold-back", pollId })
        : say("show the results", { type: "polls.reveal", pollId }),
      say(poll.isOnPicture ? "take it off the picture" : "put it on the picture", {
        type: "polls.show",
        pollId,
        isOnPicture: !poll.isOnPicture,
      }),
    ];
  });
}
