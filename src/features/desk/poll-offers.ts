import { pollTitle } from "@/core/polls";
import type { DeskScene } from "./scene";
import type { Offer } from "./offer";

/** What the desk may do about its polls now; each goes by its number on the list and by its question. */
export function pollOffers({ view, may, say }: Pick<DeskScene, "view" | "may" | "say">): readonly Offer[] {
  if (!may("polls.open")) return [];
  return Object.entries(view.polls).flatMap(([pollId, poll], i): Offer[] => {
    const offer = (act: string, command: Offer["command"]): Offer => ({
      words: say`Poll ${i + 1}: ${act} (${pollTitle(poll)})`,
      command,
    });
    if (poll.state === "prepared") return [offer(say`open`, { type: "polls.open", pollId })];
    return [
      poll.state === "open"
        ? offer(say`close`, { type: "polls.close", pollId })
        : offer(say`open it again`, { type: "polls.open", pollId }),
      poll.isRevealed
        ? offer(say`hide the results`, { type: "polls.hold-back", pollId })
        : offer(say`show the results`, { type: "polls.reveal", pollId }),
      offer(poll.isOnPicture ? say`take it off the picture` : say`put it on the picture`, {
        type: "polls.show",
        pollId,
        isOnPicture: !poll.isOnPicture,
      }),
    ];
  });
}
