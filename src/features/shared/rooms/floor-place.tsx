"use client";
import { useEffect } from "react";
import { useTranslations } from "use-intl";
import type { HouseView, PersonalPart } from "@/core/room";
import { Button, classes } from "@/ui";
import { DeviceChoice } from "../devices/device-choice";
import { Loudness } from "../loudness";
import type { RoomLink } from "../room-link/use-room";
import { useMesh } from "../links/use-mesh";
import { useMeter, type SoundLevel } from "../devices/sound-level";
import { useDevices } from "../devices/use-devices";
import { OwnScreen } from "../screens/own-screen";
import { useOwnScreen } from "../screens/use-own-screen";
import { useOwnLevel } from "./use-own-level";

type Floor = NonNullable<PersonalPart["own"]["floor"]>;
interface Place {
  readonly room: Pick<RoomLink<HouseView>, "send" | "whisper" | "onAside" | "here">;
  readonly occurrenceId: string;
  readonly ticketId: string;
  readonly floor: Floor;
  readonly view: HouseView;
}

function OwnLoudness({ sound, label }: { sound: SoundLevel; label: string }) {
  return <Loudness level={Math.round(useMeter(sound) * 100)} name="" label={label} className="mt-2 w-40" />;
}

/** A microphone of one's own: it opens by this act alone. */
function Microphone({ room, floor, view, occurrenceId, ticketId, screen }: Place & { screen: MediaStream | null }) {
  const t = useTranslations("floor");
  const { send } = room;
  const devices = useDevices(view.look["it"]);
  useOwnLevel(devices.sound.meter, floor.isMicrophoneOpen, room.whisper, "floor.level");
  useMesh(
    occurrenceId,
    ticketId,
    room,
    floor.isMicrophoneOpen ? devices.stream : null,
    { sound: floor.isMicrophoneOpen, picture: floor.isOnStage },
    // the programme shows what others share: their links are for those who make it
    { own: screen, areSeen: false },
  );
  // whoever is not heard is not listened to either: the device is given back
  const { stop } = devices;
  useEffect(() => {
    if (!floor.isMicrophoneOpen) stop();
  }, [floor.isMicrophoneOpen, stop]);
  const open = async () => {
    devices.start();
    if (floor.parts && !floor.hasAccepted) await send({ type: "floor.accept" });
    await send({ type: "floor.set-microphone", isOpen: true });
  };
  if (floor.isMicrophoneOpen)
    return (
      <>
        {devices.gone && <DeviceChoice devices={devices} />}
        <OwnLoudness sound={devices.sound} label={t("isOpen")} />
        <Button weight="on-air" onClick={() => send({ type: "floor.set-microphone", isOpen: false })}>
          {t("close")}
        </Button>
      </>
    );
  return (
    <Button weight="act" className="min-h-10" onClick={() => void open()}>
      {t("open")}
    </Button>
  );
}

const shareFromFloor = (overId: string | null) => ({ type: "floor.share-screen", overId }) as const;

/** What is asked of whoever was offered the floor, or while everyone may speak: on top of the place at hand. */
export function FloorPlace({ room, floor, view, ...who }: Place) {
  const t = useTranslations("floor");
  const ts = useTranslations("screens");
  const isUp = view.status["it"]?.isCurtainUp ?? false;
  const isEveryones = view.everyone["it"]?.isOn ?? false;
  const screen = useOwnScreen(who.occurrenceId, who.ticketId, view.screens, room.send, shareFromFloor);
  if (!floor.parts && !isEveryones) return null;
  const isAsked = floor.parts !== null && !floor.hasAccepted;
  const words = isAsked
    ? t("offered")
    : floor.isMicrophoneOpen
      ? t("isOpen")
      : floor.parts
        ? t("isClosed")
        : t("everyone");
  const title = floor.isOnStage ? t(isAsked ? "stageAsked" : "stageOn") : words;
  return (
    <section
      aria-live="assertive"
      className={classes("border-t-4 bg-sheet p-4", floor.isMicrophoneOpen ? "border-on-air" : "border-attention")}
    >
      <h2 className="text-lead font-semibold">{title}</h2>
      {!floor.isMicrophoneOpen && <p className="text-ink-2">{t("offeredMore")}</p>}
      {floor.parts?.includes("screen") && !screen.isShared && <p className="text-ink-2">{ts("offered")}</p>}
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <Microphone room={room} floor={floor} view={view} {...who} screen={screen.stream} />
        {/* behind the curtain nothing is seen, and nobody is named whose place it could take */}
        {floor.hasAccepted && floor.parts?.includes("screen") && (isUp || screen.isShared) && (
          <OwnScreen screen={screen} screens={view.screens} me={who.ticketId} />
        )}
        {floor.parts && (
          <Button onClick={() => room.send({ type: "floor.give-back" })}>{t(isAsked ? "decline" : "giveBack")}</Button>
        )}
      </div>
    </section>
  );
}

/** The quiet line under the picture: a hand, and who of the house is heard. */
export function HandLine({ room, floor, view }: Pick<Place, "room" | "floor" | "view">) {
  const t = useTranslations("floor");
  const heard = Object.values(view.heard).map((one) => one.name);
  const isUp = floor.handAt !== null;
  const isOn = view.event["it"]?.handsOn ?? false;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      {(isUp || (isOn && !floor.parts)) && (
        <Button
          aria-pressed={isUp}
          weight={isUp ? "act" : "quiet"}
          className="min-h-9"
          onClick={() => room.send({ type: isUp ? "floor.lower-hand" : "floor.raise-hand" })}
        >
          {t(isUp ? "lower" : "raise")}
        </Button>
      )}
      <span role="status" className="text-ink-2">
        {isUp ? t("isUp") : ""}
      </span>
      {heard.length > 0 && <span aria-live="polite">{t("heard", { names: heard.join(", ") })}</span>}
    </div>
  );
}
