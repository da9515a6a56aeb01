"use client";
import { useSay } from "@/features/shared/say/say";
import type { PollItem } from "@/core/room";
import type { DeskScene } from "../scene";
import { PollCard } from "./poll-card";

/** Polls at hand: open ones, what is on the picture, and the last one that was closed with its results still hidden. */
export function pollsAtHand(polls: DeskScene["view"]["polls"]): readonly (readonly [string, PollItem])[] {
  const all = Object.entries(polls);
  const last = all
    .filter(([, poll]) => poll.state === "closed")
    .sort(([, a], [, b]) => (b.openedAt ?? 0) - (a.openedAt ?? 0))[0];
  return all.filter(
    ([id, poll]) => poll.state === "open" || poll.isOnPicture || (id === last?.[0] && !poll.isRevealed),
  );
}

/** The polls at hand, in the middle of the desk; all of them stand in the deeper list. */
export function OpenPoll({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const polls = pollsAtHand(scene.view.polls);
  if (polls.length === 0) return null;
  return (
    <section aria-label={say`The poll at hand`} className="border-t border-rule pt-2">
      <ul className="flex flex-col gap-2">
        {polls.map(([id, poll]) => (
          <PollCard key={id} scene={scene} id={id} poll={poll} onEdit={() => {}} />
        ))}
      </ul>
    </section>
  );
}
