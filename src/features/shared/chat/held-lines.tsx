"use client";
import { useSay } from "@/features/shared/say/say";
import type { AnyView } from "@/core/room";
import { Button } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import { linesOf } from "./rows";

/** Lines that wait until somebody has looked at them: one act lets each through. */
export function HeldLines({ room, mayHandle }: { room: RoomLink<AnyView>; mayHandle: boolean }) {
  const say = useSay();
  const held = linesOf(room.logs.get("chat:held"));
  if (held.length === 0) return null;
  return (
    <section aria-label={say`Waiting to be let through`} className="mb-3">
      <h2 className="text-label font-medium text-ink-2">
        {say`Waiting to be let through`} <span className="mono">{held.length}</span>
      </h2>
      <ul>
        {held.slice(0, 20).map((line) => (
          <li key={line.id} className="border-s-2 border-b border-s-attention border-b-rule py-2 ps-2">
            <p dir="auto" className="break-words whitespace-pre-wrap">
              {line.text}
            </p>
            <p className="mb-1 text-label text-ink-2">
              <bdi>{line.name}</bdi>
              {say` · in the chat`}
            </p>
            {mayHandle && (
              <span className="flex gap-1">
                <Button
                  size="small"
                  weight="act"
                  onClick={() => void room.send({ type: "chat.let-through", lineId: line.id })}
                >
                  {say`Let through`}
                </Button>
                <Button size="small" onClick={() => void room.send({ type: "chat.take-away", lineId: line.id })}>
                  {say`Remove`}
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
