"use client";
import { useEffect, type RefObject } from "react";
import { mostPlaysAtOnce } from "@/contracts";
import { PlayTracker } from "./play-tracker";

const toldEveryMs = 10_000;

/** Tells what of a recording is played, as it is played, and the rest when the page goes. @param url null: nothing is told */
export function usePlayCount(video: RefObject<HTMLVideoElement | null>, url: string | null): void {
  useEffect(() => {
    const one = video.current;
    if (!one || url === null) return;
    const viewId = crypto.randomUUID();
    const tracker = new PlayTracker(() => crypto.randomUUID());
    const bodyOf = (plays: readonly unknown[]) =>
      new Blob([JSON.stringify({ viewId, plays })], { type: "application/json" });
    const tellNow = async () => {
      const all = tracker.take();
      const plays = all.slice(0, mostPlaysAtOnce);
      tracker.putBack(all.slice(mostPlaysAtOnce));
      if (plays.length === 0) return;
      const answer = await fetch(url, { method: "POST", body: bodyOf(plays) }).catch(() => null);
      if (!answer || answer.status >= 500) tracker.putBack(plays);
    };
    // one after the other: the first answer brings the cookie by which this browser stays one viewer
    let told = Promise.resolve();
    const tell = () => (told = told.then(tellNow));
    const events = {
      timeupdate: () => !one.paused && !one.seeking && tracker.at(one.currentTime, one.playbackRate),
      pause: () => {
        tracker.stop(one.seeking ? null : one.currentTime);
        void tell();
      },
      seeking: () => tracker.stop(),
      ended: () => tracker.stop(one.duration),
    };
    for (const [name, act] of Object.entries(events)) one.addEventListener(name, act);
    const timer = setInterval(() => void tell(), toldEveryMs);
    const leave = () => {
      const plays = tracker.take();
      if (plays.length > 0) navigator.sendBeacon(url, bodyOf(plays.slice(0, mostPlaysAtOnce)));
    };
    window.addEventListener("pagehide", leave);
    return () => {
      clearInterval(timer);
      window.removeEventListener("pagehide", leave);
      for (const [name, act] of Object.entries(events)) one.removeEventListener(name, act);
      leave();
    };
  }, [video, url]);
}
