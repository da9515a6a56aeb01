"use client";
import type { Say } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import type { HolderItem } from "@/core/room";
import { Loudness } from "@/features/shared/loudness";
import { Button, Confirm } from "@/ui";
import type { DeskScene } from "./scene";

const stateWords = ({ hasAccepted, isMicrophoneOpen, isOfEveryone, isOnStage }: HolderItem, say: Say): string => {
  if (!hasAccepted) return isOnStage ? say`asked on stage, not yet there` : say`offered, not yet accepted`;
  const parts = [
    isOnStage && say`on stage`,
    isMicrophoneOpen ? say`microphone open` : say`microphone closed`,
    isOfEveryone && say`as everyone may`,
  ];
  return parts.filter(Boolean).join(" · ");
};

/** Whether everyone may speak: asks first, with the number; taken back by one act. */
function Everyone({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send, may } = scene;
  const count = view.figures["house"]?.count ?? 0;
  if (view.everyone["it"]?.isOn)
    return (
      <Button
        weight="on-air"
        disabled={!may("floor.end-everyone")}
        onClick={() => send({ type: "floor.end-everyone" })}
      >
        {say`End that everyone may speak`}
      </Button>
    );
  return (
    <Confirm
      trigger={
        <Button weight="plain" disabled={!may("floor.let-everyone-speak") || count === 0}>
          {say`Let everyone speak`}
        </Button>
      }
      title={say`Let everyone speak`}
      act={say`Let ${count} speak`}
      weight="act"
      onConfirm={() => send({ type: "floor.let-everyone-speak" })}
    >
      <p>
        {say`Each of ${count} in the audience may open their own microphone. None opens by itself, and one act takes it all back.`}
      </p>
    </Confirm>
  );
}

/** Who of the audience has the floor, or was offered it. */
export function FloorShelf({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send, may, levels } = scene;
  const holders = Object.entries(view.floor);
  return (
    <div className="grid grid-cols-[5.5rem_1fr] border-t border-rule pt-2">
      <h2 className="text-label font-medium text-ink-2">{say`The floor`}</h2>
      <div className="flex flex-wrap items-center gap-2">
        {holders.length === 0 && <p className="text-ink-2">{say`Nobody of the audience has it.`}</p>}
        <ul className="contents">
          {holders.map(([id, holder]) => (
            <li key={id} className="min-w-52 border-s-2 border-attention bg-sheet px-2.5 py-1.5">
              <p className="font-medium" dir="auto">
                {holder.name}
              </p>
              <p className="text-label text-ink-2">{stateWords(holder, say)}</p>
              {holder.isMicrophoneOpen && (
                <Loudness
                  level={view.audience[id]?.callerLevel ?? levels.get(id) ?? 0}
                  name={holder.name}
                  className="mt-1"
                />
              )}
              {may("floor.withdraw") && (
                <div className="mt-1 flex gap-1">
                  {holder.isOfEveryone && may("floor.offer") && (
                    <Button
                      aria-label={say`Give the floor: ${holder.name}`}
                      onClick={() => send({ type: "floor.offer", ticketId: id, parts: ["sound"] })}
                    >
                      {say`Give the floor`}
                    </Button>
                  )}
                  {!holder.isOnStage && may("floor.bring-on-stage") && (
                    <Button
                      aria-label={say`Bring on stage: ${holder.name}`}
                      onClick={() => send({ type: "floor.bring-on-stage", ticketId: id })}
                    >
                      {say`On stage`}
                    </Button>
                  )}
                  {holder.isMicrophoneOpen && (
                    <Button
                      aria-label={say`Close the microphone: ${holder.name}`}
                      onClick={() => send({ type: "floor.close-microphone", ticketId: id })}
                    >
                      {say`Close microphone`}
                    </Button>
                  )}
                  <Button
                    aria-label={
                      holder.isOnStage
                        ? say`Back to the audience: ${holder.name}`
                        : say`Take the floor back: ${holder.name}`
                    }
                    onClick={() => send({ type: "floor.withdraw", ticketId: id })}
                  >
                    {holder.isOnStage ? say`Back to the audience` : say`Take back`}
                  </Button>
                </div>
              )}
            </li>
          ))}
        </ul>
        <Everyone scene={scene} />
      </div>
    </div>
  );
}
