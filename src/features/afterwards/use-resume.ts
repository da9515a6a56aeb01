"use client";
import { useEffect, useState, type RefObject } from "react";
import { useBrowserChoice } from "@/features/shared/use-browser-choice";

/** Less is not worth coming back to; so near the end it is over. */
const leastSeconds = 20;
const keptEveryMs = 5000;

/** Where to offer to go on; null where somebody was at the beginning, or through. */
export function resumeAt(keptSeconds: number, durationSeconds: number): number | null {
  return keptSeconds >= leastSeconds && keptSeconds < durationSeconds - leastSeconds ? keptSeconds : null;
}

/** Remembers in this browser alone where a recording was left. @returns where to go on, until it is played */
export function useResume(video: RefObject<HTMLVideoElement | null>, name: string, seconds: number): number | null {
  const [kept, keep] = useBrowserChoice(`watched-${name}`);
  const [hasPlayed, setPlayed] = useState(false);
  useEffect(() => {
    const one = video.current;
    if (!one) return;
    const play = () => setPlayed(true);
    const note = () => one.currentTime > 0 && keep(String(Math.floor(one.currentTime)));
    const timer = setInterval(() => !one.paused && note(), keptEveryMs);
    one.addEventListener("play", play);
    one.addEventListener("pause", note);
    return () => {
      clearInterval(timer);
      one.removeEventListener("play", play);
      one.removeEventListener("pause", note);
    };
  }, [video, keep]);
  return hasPlayed ? null : resumeAt(Number(kept ?? 0), seconds);
}
