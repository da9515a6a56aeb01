"use client";
import { useEffect } from "react";
import type { StageView } from "@/core/room";
import type { Devices } from "../devices/use-devices";
import { ChannelSender } from "./channel-sender";

/** Sends what this interpreter says on the channel that is theirs now; their devices are opened for it. */
export function useChannelSender(
  at: { readonly occurrenceId: string; readonly ticketId: string; readonly device: string },
  channels: StageView["channels"],
  { stream, isGenerated, start }: Pick<Devices, "stream" | "isGenerated" | "start">,
): void {
  const { occurrenceId, ticketId, device } = at;
  const [language] = Object.entries(channels).find(([, one]) => one.speakerId === ticketId) ?? [null];
  useEffect(() => {
    if (language !== null && stream === null) start();
    // asked once each time a channel is opened: a device that is closed on purpose stays so
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [language]);
  useEffect(() => {
    const microphone = stream?.getAudioTracks()[0];
    // a tone that stands in for a microphone is nobody's voice
    if (language === null || !microphone || isGenerated || typeof AudioEncoder !== "function") return;
    const voice = microphone.clone() as MediaStreamAudioTrack;
    // closed to the stage is not closed to the channel
    voice.enabled = true;
    const sender = new ChannelSender({ occurrenceId, as: ticketId, device, language }, voice);
    return () => sender.close();
  }, [language, stream, isGenerated, occurrenceId, ticketId, device]);
}
