"use client";
import { useTranslations } from "use-intl";
import type { StagePersonItem, StageView } from "@/core/room";
import { Button, Note } from "@/ui";
import { useClosedButLoud } from "../devices/use-voices";
import type { RoomLink } from "../room-link/use-room";

type Send = RoomLink<StageView>["send"];
/** Acts of the two devices that somebody of the stage opens for themselves, and nobody else for them. */
const devices = {
  microphone: {
    set: (isOpen: boolean) => ({ type: "stage.set-microphone", isOpen }) as const,
    keep: { type: "stage.keep-closed" },
  },
  camera: {
    set: (isOpen: boolean) => ({ type: "stage.set-camera", isOpen }) as const,
    keep: { type: "stage.keep-camera-closed" },
  },
} as const;

/** @param start begins the devices of this computer where they are not on yet */
function OwnDevice(props: {
  device: keyof typeof devices;
  isOpen: boolean;
  isAsked: boolean;
  send: Send;
  start: () => void;
}) {
  const { isOpen, send } = props;
  const t = useTranslations("stage");
  const acts = devices[props.device];
  const set = (open: boolean) => {
    if (open) props.start();
    void send(acts.set(open));
  };
  return (
    <>
      <Button
        weight={isOpen ? "on-air" : "quiet"}
        className="min-h-11"
        aria-pressed={isOpen}
        onClick={() => set(!isOpen)}
      >
        {t(`${props.device}.${isOpen ? "isOpen" : "isClosed"}`)}
      </Button>
      {props.isAsked && (
        <div role="alert" className="border-s-4 border-attention bg-sheet p-3">
          <p className="text-lead font-semibold">{t(`${props.device}.asked`)}</p>
          <div className="mt-2 flex gap-2">
            <Button weight="act" onClick={() => set(true)}>
              {t("openIt")}
            </Button>
            <Button onClick={() => send(acts.keep)}>{t("keepClosed")}</Button>
          </div>
        </div>
      )}
    </>
  );
}

/** Am I heard, am I seen: one's own microphone and camera, and what the desk asks of them. */
export function OwnOpen(props: {
  own: StagePersonItem | undefined;
  /** of the last 100 ms, RMS */
  dbfs: () => number;
  send: Send;
  start: () => void;
}) {
  const { own, send, start } = props;
  const isHeard = own?.isMicrophoneOpen ?? false;
  const t = useTranslations("stage");
  const isLost = useClosedButLoud(props.dbfs, isHeard);
  return (
    <>
      <div className="flex flex-col gap-2">
        <OwnDevice
          device="microphone"
          isOpen={isHeard}
          isAsked={own?.isAskedToOpen ?? false}
          send={send}
          start={start}
        />
        <OwnDevice
          device="camera"
          isOpen={own?.isCameraOpen ?? false}
          isAsked={own?.isAskedForCamera ?? false}
          send={send}
          start={start}
        />
      </div>
      {isLost && <Note tone="attention">{t("muted")}</Note>}
    </>
  );
}
