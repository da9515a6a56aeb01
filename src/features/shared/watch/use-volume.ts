"use client";
import { useEffect, type RefObject } from "react";
import { amplitudeOf } from "@/core/room";

const setEveryMs = 40;

/** Keeps an element at a level that moves. @param levelDb 0 or less; left out: its own */
export function useVolume(media: RefObject<HTMLMediaElement | null>, levelDb: (() => number) | undefined): void {
  useEffect(() => {
    if (!levelDb) return;
    const timer = setInterval(() => {
      const wanted = amplitudeOf(levelDb());
      if (media.current && media.current.volume !== wanted) media.current.volume = wanted;
    }, setEveryMs);
    return () => clearInterval(timer);
  }, [media, levelDb]);
}
