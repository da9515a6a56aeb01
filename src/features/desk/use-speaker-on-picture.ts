import { useEffect } from "react";
import type { DeskView } from "@/core/room";
import { usePictureSpeaker } from "@/features/shared/devices/use-voices";
import type { RoomLink } from "@/features/shared/room-link/use-room";

/** Tells the room who took the picture by speaking (rule 23), as this desk hears it; of several desks the first is right. */
export function useSpeakerOnPicture(
  view: DeskView | null,
  levels: ReadonlyMap<string, number>,
  mayTell: boolean,
  send: RoomLink<DeskView>["send"],
): void {
  const onStage = Object.entries(view?.stage ?? {}).filter(([, one]) => one.place === "stage" && one.isMicrophoneOpen);
  const speakerId = usePictureSpeaker(
    levels,
    onStage.map(([id]) => id),
  );
  const known = view?.scene["it"]?.speakerId ?? null;
  const isUp = view?.status["it"]?.isCurtainUp ?? false;
  useEffect(() => {
    if (!mayTell || !isUp || speakerId === null || speakerId === known) return;
    void send({ type: "scenes.put-speaker", personId: speakerId, seen: known });
    // once for each who takes it: what is known changes by the act itself
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [speakerId, mayTell, isUp, send]);
}
