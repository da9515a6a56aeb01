"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { pollTitle } from "@/core/polls";
import type { PollItem } from "@/core/room";
import { PollResults } from "@/features/shared/polls/poll-results";
import { settingWords } from "@/features/shared/polls/words";
import { spanText } from "@/features/shared/times";
import { Button, Confirm, Menu, type MenuItem } from "@/ui";
import { useState } from "react";
import type { DeskScene } from "../scene";

const stateWords: Readonly<Record<PollItem["state"], string>> = {
  prepared: phrase("prepared"),
  open: phrase("open"),
  closed: phrase("closed"),
};

/** Of those in the audience now, how many have not answered; a few who did may have left since. */
function stillOut({ view }: Pick<DeskScene, "view">, id: string, poll: PollItem): number {
  const tallies = view.tallies[id]?.byQuestion ?? {};
  const voters = Math.max(0, ...poll.questions.map((question) => tallies[question.id]?.voters ?? 0));
  return Math.max(0, (view.figures["house"]?.count ?? 0) - voters);
}

function StateLine({ scene, id, poll }: { scene: DeskScene; id: string; poll: PollItem }) {
  const say = useSay();
  const { now } = scene;
  const parts = [
    say.of(stateWords[poll.state]),
    poll.state === "open" && poll.closesAt !== null ? say`closes in ${spanText(Math.max(0, poll.closesAt - now))}` : "",
    poll.state === "open" ? say`${stillOut(scene, id, poll)} have not answered` : "",
    poll.state === "prepared" ? "" : poll.isRevealed ? say`results shown` : say`results hidden`,
    poll.isOnPicture ? say`on the picture` : "",
    settingWords(poll, say),
  ];
  return <p className="mb-2 text-label text-ink-2">{parts.filter(Boolean).join(" · ")}</p>;
}

/** The one act that comes next for a poll in this state. */
function NextAct({ scene, id, poll }: { scene: DeskScene; id: string; poll: PollItem }) {
  const say = useSay();
  const { send } = scene;
  if (poll.state === "prepared")
    return (
      <Button weight="act" onClick={() => send({ type: "polls.open", pollId: id })}>
        {say`Open the poll`}
      </Button>
    );
  if (poll.state === "open")
    return <Button onClick={() => send({ type: "polls.close", pollId: id })}>{say`Close the poll`}</Button>;
  return poll.isRevealed ? null : (
    <Button onClick={() => send({ type: "polls.reveal", pollId: id })}>{say`Show the results`}</Button>
  );
}

function furtherActs(
  { send, say }: DeskScene,
  id: string,
  poll: PollItem,
  edit: () => void,
  remove: () => void,
): MenuItem[] {
  if (poll.openedAt === null)
    return [
      { label: say`Edit`, onSelect: edit },
      { label: say`Delete`, isDanger: true, onSelect: remove },
    ];
  const act = (label: string, command: Parameters<typeof send>[0]): MenuItem => ({
    label,
    onSelect: () => void send(command),
  });
  return [
    ...(poll.state === "closed" ? [act(say`Open it again`, { type: "polls.open", pollId: id })] : []),
    ...(poll.state === "open" && !poll.isRevealed
      ? [act(say`Show the results while it is open`, { type: "polls.reveal", pollId: id })]
      : []),
    ...(poll.isRevealed ? [act(say`Hide the results`, { type: "polls.hold-back", pollId: id })] : []),
    poll.isOnPicture
      ? act(say`Take it off the picture`, { type: "polls.show", pollId: id, isOnPicture: false })
      : act(say`Put it on the picture`, { type: "polls.show", pollId: id, isOnPicture: true }),
  ];
}

/** One poll at the desk: how it stands, its bars as they grow, one act, the rest behind it. */
export function PollCard(props: { scene: DeskScene; id: string; poll: PollItem; onEdit: () => void }) {
  const say = useSay();
  const { scene, id, poll } = props;
  const [isAsking, setAsking] = useState(false);
  const title = pollTitle(poll);
  return (
    <li className="bg-sheet p-3">
      <p className="font-medium" dir="auto">
        {title}
      </p>
      <StateLine scene={scene} id={id} poll={poll} />
      {poll.state !== "prepared" && (
        <PollResults
          questions={poll.questions}
          tallies={scene.view.tallies[id]?.byQuestion ?? {}}
          isSample={poll.isSample}
        />
      )}
      {scene.may("polls.open") && (
        <div className="mt-2 flex flex-wrap gap-2">
          <NextAct scene={scene} id={id} poll={poll} />
          <Menu
            trigger={
              <Button weight="plain" aria-label={say`More for the poll: ${title}`}>
                {say`More`}
              </Button>
            }
            items={furtherActs(scene, id, poll, props.onEdit, () => setAsking(true))}
          />
        </div>
      )}
      <Confirm
        isOpen={isAsking}
        onOpenChange={setAsking}
        title={say`Delete this poll?`}
        act={say`Delete`}
        onConfirm={() => void scene.send({ type: "polls.remove", pollId: id })}
      >
        {say`“${title}” was not open yet: nobody has answered it.`}
      </Confirm>
    </li>
  );
}
