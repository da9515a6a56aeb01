"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import type { PollPlanInput } from "@/contracts";
import type { PollItem } from "@/core/room";
import { useKept } from "@/features/shared/use-kept";
import { freshPoll, pollShapes } from "@/features/shared/polls/plan";
import { Button, Menu } from "@/ui";
import type { DeskScene } from "../scene";
import { PollCard } from "./poll-card";
import { PollSheet, type PollBegun } from "./poll-sheet";

const orderOf: Readonly<Record<PollItem["state"], number>> = { open: 0, prepared: 1, closed: 2 };

const planOf = ({ questions, isAnonymous, isLocked, limitSeconds, isSample }: PollItem): PollPlanInput => ({
  questions: questions.map((one) => ({ ...one, options: [...one.options], rightIds: [...one.rightIds] })),
  isAnonymous,
  isLocked,
  limitSeconds,
  isSample,
});

/** The date's polls: prepare, open, live bars, close, show. */
export function PollDesk({ scene, dateId }: { scene: DeskScene; dateId: string }) {
  const say = useSay();
  const { view, may } = scene;
  const [begun, setBegun] = useKept<PollBegun | null>(`desk-poll-${dateId}`, null);
  const [isOpen, setOpen] = useState(false);
  if (!view.event["it"]?.pollsOn) return null;
  const polls = Object.entries(view.polls).sort(([, a], [, b]) => orderOf[a.state] - orderOf[b.state]);
  const begin = (next: PollBegun) => {
    setBegun(next);
    setOpen(true);
  };
  return (
    <section aria-label={say`Polls`}>
      <div className="mb-1 flex items-center gap-2">
        <h2 className="flex-1 text-label font-medium text-ink-2">{say`Polls`}</h2>
        {may("polls.add") && (
          <>
            <Button size="small" onClick={() => begin({ pollId: null, poll: freshPoll() })}>
              {say`New poll`}
            </Button>
            <Menu
              trigger={
                <Button size="small" weight="plain">
                  {say`Begin with …`}
                </Button>
              }
              items={pollShapes.map(({ label, make }) => ({
                label,
                onSelect: () => begin({ pollId: null, poll: make() }),
              }))}
            />
          </>
        )}
      </div>
      {polls.length === 0 && <p className="text-ink-2">{say`No poll is prepared.`}</p>}
      <ul className="flex flex-col gap-3">
        {polls.map(([id, poll]) => (
          <PollCard
            key={id}
            scene={scene}
            id={id}
            poll={poll}
            onEdit={() => begin({ pollId: id, poll: planOf(poll) })}
          />
        ))}
      </ul>
      {begun && !isOpen && (
        <Button weight="plain" size="small" onClick={() => setOpen(true)}>
          {say`Go on with the poll that was begun`}
        </Button>
      )}
      {begun && isOpen && (
        <PollSheet
          begun={begun}
          send={scene.send}
          onChange={setBegun}
          onClose={() => setOpen(false)}
          onDone={() => {
            setOpen(false);
            setBegun(null);
          }}
        />
      )}
    </section>
  );
}
