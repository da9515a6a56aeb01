"use client";
import { useEffect, useRef, useState } from "react";

interface Cut {
  readonly fromSeconds: number;
  readonly toSeconds: number;
}

/** The instant to go on at where a player stands in something that is left out; null where it does not. */
export function afterCuts(atSeconds: number, cuts: readonly Cut[]): number | null {
  let at = atSeconds;
  for (const { fromSeconds, toSeconds } of [...cuts].sort((a, b) => a.fromSeconds - b.fromSeconds))
    if (at >= fromSeconds && at < toSeconds) at = toSeconds;
  return at === atSeconds ? null : at;
}

/** The original in a player: where it stands, how long it is; it plays across what is left out, as it will be watched. */
export function useEditPlayer(cuts: readonly Cut[], isPlayedAcross: boolean, knownSeconds: number | null) {
  const video = useRef<HTMLVideoElement>(null);
  const [at, setAt] = useState(0);
  const [seconds, setSeconds] = useState(knownSeconds ?? 0);
  const skipped = useRef({ cuts, isPlayedAcross });
  useEffect(() => {
    skipped.current = { cuts, isPlayedAcross };
  }, [cuts, isPlayedAcross]);
  useEffect(() => {
    const one = video.current;
    if (!one) return;
    const events = {
      timeupdate: () => {
        const now = skipped.current;
        const next = now.isPlayedAcross && !one.paused ? afterCuts(one.currentTime, now.cuts) : null;
        if (next !== null) one.currentTime = Math.min(next, one.duration || next);
        setAt(one.currentTime);
      },
      seeked: () => setAt(one.currentTime),
      loadedmetadata: () => Number.isFinite(one.duration) && setSeconds(one.duration),
    };
    for (const [name, act] of Object.entries(events)) one.addEventListener(name, act);
    if (one.readyState > 0) events.loadedmetadata();
    return () => {
      for (const [name, act] of Object.entries(events)) one.removeEventListener(name, act);
    };
  }, []);
  const goTo = (to: number) => {
    if (video.current) video.current.currentTime = Math.max(0, to);
  };
  return { video, at, seconds, goTo };
}
