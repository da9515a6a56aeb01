"use client";
import { useEffect, useRef, useState } from "react";
import { useTranslations } from "use-intl";
import { Button } from "@/ui";
import type { Devices } from "./use-devices";

const recordedMs = 2000;
type Phase = "idle" | "recording" | "playing" | "heard";

/** Two seconds of one's own microphone. Nothing of it leaves this browser. */
function record(stream: MediaStream): Promise<Blob> {
  return new Promise((done, failed) => {
    const recorder = new MediaRecorder(new MediaStream(stream.getAudioTracks()));
    const parts: Blob[] = [];
    recorder.ondataavailable = (event) => parts.push(event.data);
    recorder.onstop = () => done(new Blob(parts, { type: recorder.mimeType }));
    recorder.onerror = failed;
    recorder.start();
    setTimeout(() => recorder.state !== "inactive" && recorder.stop(), recordedMs);
  });
}

async function playBack(
  sound: Blob,
  speakerId: string | null,
  keep: (player: HTMLAudioElement) => void,
): Promise<void> {
  const url = URL.createObjectURL(sound);
  const player = new Audio(url);
  keep(player);
  try {
    if (speakerId && "setSinkId" in player) await player.setSinkId(speakerId).catch(() => {});
    await new Promise<void>((done, failed) => {
      player.onended = () => done();
      player.onerror = () => failed(new Error("not played"));
      void player.play().catch(failed);
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** The one sure way to know how one is heard: speak for two seconds, then listen, before anybody else does. */
export function HearYourself({ devices }: { devices: Devices }) {
  const t = useTranslations("devices");
  const [phase, setPhase] = useState<Phase>("idle");
  const player = useRef<HTMLAudioElement | null>(null);
  useEffect(() => () => player.current?.pause(), []);
  const { stream, isGenerated } = devices;
  if (!stream || isGenerated) return null;
  const run = async () => {
    setPhase("recording");
    try {
      const sound = await record(stream);
      setPhase("playing");
      await playBack(sound, devices.chosen.audiooutput, (one) => (player.current = one));
      setPhase("heard");
    } catch {
      setPhase("idle");
    }
  };
  const isBusy = phase === "recording" || phase === "playing";
  return (
    <div>
      <Button onClick={() => void run()} disabled={isBusy}>
        {t(phase === "heard" ? "again" : "hear")}
      </Button>
      <p role="status" className="mt-1 min-h-5 text-label text-ink-2">
        {phase !== "idle" && t(`phase.${phase}`)}
      </p>
    </div>
  );
}
