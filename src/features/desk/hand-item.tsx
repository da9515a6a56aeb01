"use client";
import type { ReactNode } from "react";
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
  const { item, isFirst, scene } = props;
  const { send, may, now } = scene;
  return (
    <div className="flex items-center gap-2">
      <Who name={item.name}>
        hand up for <span className="mono">{spanText(Math.max(0, now - item.raisedAt))}</span>
      </Who>
      {may("floor.offer") && (
        <>
          <Button
            weight={isFirst ? "act" : "quiet"}
            aria-label={`Give the floor: ${item.name}`}
            onClick={() => send({ type: "floor.offer", ticketId: item.ticketId, parts: ["sound"] })}
          >
            Give the floor
          </Button>
          <Button
            weight="plain"
            aria-label={`Lower the hand: ${item.name}`}
            onClick={() => send({ type: "floor.lower-for", ticketId: item.ticketId })}
          >
            Lower
          </Button>
        </>
      )}
    </div>
  );
}

/** Somebody at the door who is to be let in by hand. */
export function DoorItem({ item, scene }: { item: Extract<TrayItem, { kind: "door" }>; scene: DeskScene }) {
  return (
    <div className="flex items-center gap-2">
      <Who name={item.name}>at the door</Who>
      {scene.may("hour.let-in") && (
        <Button
          weight="act"
          aria-label={`Let in: ${item.name}`}
          onClick={() => scene.send({ type: "hour.let-in", ticketIds: [item.ticketId] })}
        >
          Let in
        </Button>
      )}
    </div>
  );
}

/** A side room that asks for help: looking in is the answer. */
export function HelpItem({ item, scene }: { item: Extract<TrayItem, { kind: "help" }>; scene: DeskScene }) {
  const { send, may, now } = scene;
  return (
    <div className="flex items-center gap-2">
      <Who name={item.name}>
        asks for help in side room <bdi>{item.roomName}</bdi> for{" "}
        <span className="mono">{spanText(Math.max(0, now - item.at))}</span>
      </Who>
      {may("sideRooms.visit") && (
        <Button
          weight="act"
          aria-label={`Look in: ${item.roomName}`}
          onClick={() => send({ type: "sideRooms.visit", room: item.room })}
        >
          Look in
        </Button>
      )}
    </div>
  );
}
