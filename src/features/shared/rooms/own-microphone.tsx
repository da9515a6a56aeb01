"use client";
import type { StagePersonItem, StageView } from "@/core/room";
import { Button, Note } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import { useClosedButLoud } from "../devices/use-voices";

/** The desk asks for an open microphone: a question, answered here; nothing opens from outside. */
function AskedToOpen({ send }: { send: RoomLink<StageView>["send"] }) {
  return (
    <div role="alert" className="border-l-4 border-attention bg-sheet p-3">
      <p className="text-lead font-semibold">The desk asks you to open your microphone.</p>
      <div className="mt-2 flex gap-2">
        <Button weight="act" onClick={() => send({ type: "stage.set-microphone", isOpen: true })}>
          Open it
        </Button>
        <Button onClick={() => send({ type: "stage.keep-closed" })}>Keep it closed</Button>
      </div>
    </div>
  );
}

/** Am I heard: one's own microphone, what the desk asks of it, and a hint for whoever speaks into a closed one. */
export function OwnMicrophone(props: {
  own: StagePersonItem | undefined;
  /** of the last 100 ms */
  dbfs: number;
  send: RoomLink<StageView>["send"];
}) {
  const { own, send } = props;
  const isOpen = own?.isMicrophoneOpen ?? false;
  const isLost = useClosedButLoud(props.dbfs, isOpen);
  return (
    <>
      <Button
        weight={isOpen ? "on-air" : "quiet"}
        className="min-h-11"
        aria-pressed={isOpen}
        onClick={() => send({ type: "stage.set-microphone", isOpen: !isOpen })}
      >
        {isOpen ? "Microphone open: close it" : "Microphone closed: open it"}
      </Button>
      {own?.isAskedToOpen && <AskedToOpen send={send} />}
      {isLost && <Note tone="attention">You are muted.</Note>}
    </>
  );
}
