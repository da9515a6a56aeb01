"use client";
import { useEffect, useRef, useState, type RefObject } from "react";

/**
 * Plays the sound alone in place of the picture, and back, at the same instant.
 * @param soundSrc null: there is none @returns what to play, and how to change it
 */
export function useSoundAlone(video: RefObject<HTMLVideoElement | null>, src: string, soundSrc: string | null) {
  const [isAlone, setAlone] = useState(false);
  const left = useRef({ at: 0, wasPlaying: false });
  useEffect(() => {
    const one = video.current;
    const { at, wasPlaying } = left.current;
    if (!one || (at === 0 && !wasPlaying)) return;
    const goOn = () => {
      one.currentTime = at;
      if (wasPlaying) void one.play().catch(() => {});
    };
    one.addEventListener("loadedmetadata", goOn, { once: true });
    return () => one.removeEventListener("loadedmetadata", goOn);
  }, [video, isAlone]);
  const change = (next: boolean) => {
    const one = video.current;
    if (one) left.current = { at: one.currentTime, wasPlaying: !one.paused };
    setAlone(next);
  };
  return { isAlone, change, playing: isAlone && soundSrc !== null ? soundSrc : src };
}
