"use client";
import { useSay } from "@/features/shared/say/say";
import type { ReactNode } from "react";
import { useTranslations } from "use-intl";
import type { TrayItem } from "@/core/room";
import { spanText } from "@/features/shared/times";
import { Button } from "@/ui";
import type { DeskScene } from "./scene";

const Who = ({ name, children }: { name: string; children: ReactNode }) => (
  <span className="min-w-0 flex-1">
    <span className="block truncate" dir="auto">
      {name}
    </span>
    <span className="text-label text-ink-2">{children}</span>
  </span>
);

/** A raised hand in the in-tray: for how long, and its one act. */
export function HandItem(props: { item: Extract<TrayItem, { kind: "hand" }>; isFirst: boolean; scene: DeskScene }) {
  const say = useSay();
  const { item, isFirst, scene } = props;
  const { send, may, now } = scene;
  return (
    <div className="flex items-center gap-2">
      <Who name={item.name}>{say`hand up for ${spanText(Math.max(0, now - item.raisedAt))}`}</Who>
      {may("floor.offer") && (
        <>
          <Button
            weight={isFirst ? "act" : "quiet"}
            aria-label={say`Give the floor: ${item.name}`}
            onClick={() => send({ type: "floor.offer", ticketId: item.ticketId, parts: ["sound"] })}
          >
            {say`Give the floor`}
          </Button>
          <Button
            weight="plain"
            aria-label={say`Lower the hand: ${item.name}`}
            onClick={() => send({ type: "floor.lower-for", ticketId: item.ticketId })}
          >
            {say`Lower`}
          </Button>
        </>
      )}
    </div>
  );
}

/** Somebody at the door who is to be let in by hand. */
export function DoorItem({ item, scene }: { item: Extract<TrayItem, { kind: "door" }>; scene: DeskScene }) {
  const say = useSay();
  return (
    <div className="flex items-center gap-2">
      <Who name={item.name}>{say`at the door`}</Who>
      {scene.may("hour.let-in") && (
        <Button
          weight="act"
          aria-label={say`Let in: ${item.name}`}
          onClick={() => scene.send({ type: "hour.let-in", ticketIds: [item.ticketId] })}
        >
          {say`Let in`}
        </Button>
      )}
    </div>
  );
}

/** Somebody who would show what they see: taking it opens their screen in words. */
export function SightItem({ item, scene }: { item: Extract<TrayItem, { kind: "sight" }>; scene: DeskScene }) {
  const t = useTranslations("help");
  return (
    <div className="flex items-center gap-2">
      <Who name={item.name}>
        {t("asksSince")} <span className="mono">{spanText(Math.max(0, scene.now - item.at))}</span>
      </Who>
      {scene.may("help.take") && (
        <Button
          weight="act"
          aria-label={t("takeWho", { name: item.name })}
          onClick={() => scene.send({ type: "help.take", ticketId: item.ticketId })}
        >
          {t("take")}
        </Button>
      )}
    </div>
  );
}

/** A side room that asks for help: looking in is the answer. */
export function HelpItem({ item, scene }: { item: Extract<TrayItem, { kind: "help" }>; scene: DeskScene }) {
  const say = useSay();
  const { send, may, now } = scene;
  return (
    <div className="flex items-center gap-2">
      <Who name={item.name}>
        {say`asks for help in side room ${item.roomName} for ${spanText(Math.max(0, now - item.at))}`}
      </Who>
      {may("sideRooms.visit") && (
        <Button
          weight="act"
          aria-label={say`Look in: ${item.roomName}`}
          onClick={() => send({ type: "sideRooms.visit", room: item.room })}
        >
          {say`Look in`}
        </Button>
      )}
    </div>
  );
}
