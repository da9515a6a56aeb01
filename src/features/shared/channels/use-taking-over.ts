"use client";
import { useEffect, useRef } from "react";
import type { ChannelItem } from "@/core/room";
import type { RoomLink } from "../room-link/use-room";

/**
 * Opens one's own microphone when a hand-over that was agreed on falls due: by the browser of whoever takes over,
 * for nobody opens a microphone from outside.
 */
export function useTakingOver(
  channels: Readonly<Record<string, ChannelItem>>,
  ticketId: string,
  now: number,
  send: RoomLink<never>["send"],
): void {
  const taken = useRef(0);
  const due = Object.entries(channels).find(
    ([, { handOver }]) => handOver?.toId === ticketId && handOver.isAgreed && now >= handOver.takesAt,
  );
  const [language, takesAt] = due ? [due[0], due[1].handOver!.takesAt] : [null, 0];
  useEffect(() => {
    if (language === null || taken.current === takesAt) return;
    taken.current = takesAt;
    void send({ type: "channels.open-microphone", language });
  }, [language, takesAt, send]);
}
