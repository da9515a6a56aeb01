"use client";
import { useEffect, useState } from "react";
import { useBrowserChoice } from "../../use-browser-choice";
import { behind } from "./behind";
import { backgroundOf, type Background } from "./kinds";

/** What of the event may stand behind somebody. */
export interface EventLook {
  readonly colour: string | null;
  readonly pictureId: string | null;
}
export const noLook: EventLook = { colour: null, pictureId: null };

export interface OwnBackground {
  /** kept for this browser */
  readonly background: Background;
  /** this computer does not keep up: one's own room is seen */
  readonly isTooSlow: boolean;
  /** the event has a picture to stand behind one */
  readonly hasPicture: boolean;
  readonly choose: (background: Background) => void;
}

/**
 * One's own picture with something else behind one, once that is worked out; until then as the camera sees it.
 * @param own what the devices give; null: nothing is open
 */
export function useBackground(
  own: MediaStream | null,
  { colour, pictureId }: EventLook,
): OwnBackground & { readonly stream: MediaStream | null } {
  const [kept, keep] = useBrowserChoice("device-background");
  const background = backgroundOf(kept);
  const [isTooSlow, setTooSlow] = useState(false);
  const [worked, setWorked] = useState<{ readonly of: MediaStream; readonly stream: MediaStream } | null>(null);
  useEffect(() => {
    const [camera] = own?.getVideoTracks() ?? [];
    if (!own || !camera || background === "room" || isTooSlow) return;
    const stop = behind(camera, {
      background,
      colour: colour ?? getComputedStyle(document.documentElement).getPropertyValue("--action"),
      pictureUrl: pictureId && `/pictures/${pictureId}`,
      ready: (track) => setWorked({ of: own, stream: new MediaStream([track, ...own.getAudioTracks()]) }),
      tooSlow: () => setTooSlow(true),
    });
    return () => {
      stop();
      setWorked(null);
    };
  }, [own, background, isTooSlow, colour, pictureId]);
  return {
    background,
    isTooSlow,
    hasPicture: pictureId !== null,
    choose: (next) => {
      // another try: the computer may have been busy with something else
      setTooSlow(false);
      keep(next === "room" ? null : next);
    },
    stream: worked && worked.of === own ? worked.stream : own,
  };
}
