"use client";
import type { DeskScene } from "../scene";
import { PollCard } from "./poll-card";

/** The polls that the house answers now, in the middle of the desk; all of them stand in the deeper list. */
export function OpenPoll({ scene }: { scene: DeskScene }) {
  const open = Object.entries(scene.view.polls).filter(([, poll]) => poll.state === "open" || poll.isOnPicture);
  if (open.length === 0) return null;
  return (
    <section aria-label="The poll that is open" className="border-t border-rule pt-2">
      <ul className="flex flex-col gap-2">
        {open.map(([id, poll]) => (
          <PollCard key={id} scene={scene} id={id} poll={poll} onEdit={() => {}} />
        ))}
      </ul>
    </section>
  );
}
