"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { CommandBody } from "@/contracts";
import type { StageView } from "@/core/room";
import type { RoomLink } from "../room-link/use-room";

export interface OwnScreen {
  /** what this page shares now */
  readonly stream: MediaStream | null;
  /** this person shares theirs, from here or elsewhere */
  readonly isShared: boolean;
  readonly canShare: boolean;
  /** the room ended it, not this person: said until the next act */
  readonly wasEnded: boolean;
  /** @param overId whose screen gives way to it; null: beside what is shared */
  share(overId: string | null): void;
  stop(): void;
}

/** Fluent enough for a film, and few enough pictures for a thin line. */
const mostFramesPerSecond = 15;
/** Whoever is not listed for so long shares no more. */
const isMissingForMs = 2000;
const canCapture = (): boolean =>
  typeof navigator !== "undefined" && typeof navigator.mediaDevices?.getDisplayMedia === "function";

/** The browser's own question which screen, window or tab; its sound with it where there is one. */
async function capture(): Promise<MediaStream | null> {
  const wish = { video: { frameRate: { max: mostFramesPerSecond }, width: { max: 1920 } }, audio: true };
  const stream = await navigator.mediaDevices.getDisplayMedia(wish).catch(() => null);
  // letters are worth more than motion
  for (const track of stream?.getVideoTracks() ?? []) track.contentHint = "detail";
  return stream;
}
const end = (stream: MediaStream | null): void => stream?.getTracks().forEach((track) => track.stop());

/**
 * One's own shared screen: captured by the browser first, then told to the room, ended from either side.
 * @param begin the act that shares it from where this person stands
 */
export function useOwnScreen(
  occurrenceId: string,
  me: string,
  screens: StageView["screens"] | undefined,
  send: RoomLink<never>["send"],
  begin: (overId: string | null) => CommandBody,
): OwnScreen {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [wasEnded, setWasEnded] = useState(false);
  const isShared = screens !== undefined && me in screens;
  const isConfirmed = useRef(false);
  const mark = `screen of ${occurrenceId}`;

  const drop = useCallback(() => {
    setStream((now) => {
      end(now);
      return null;
    });
    isConfirmed.current = false;
    sessionStorage.removeItem(mark);
  }, [mark]);
  const stop = useCallback(() => {
    drop();
    void send({ type: "stage.end-screen" });
  }, [drop, send]);
  const share = useCallback(
    async (overId: string | null) => {
      setWasEnded(false);
      const made = await capture();
      if (!made) return;
      // ended by the browser's own bar, or the window was closed
      made.getVideoTracks().forEach((track) => (track.onended = stop));
      const receipt = await send(begin(overId));
      if (!receipt.ok) return end(made);
      sessionStorage.setItem(mark, "1");
      setStream(made);
    },
    [send, begin, stop, mark],
  );

  // the room no longer knows of it: somebody took its place, or the desk ended it
  useEffect(() => {
    if (!stream) return;
    if (isShared) isConfirmed.current = true;
    if (isShared || !isConfirmed.current) return;
    // a line that was lost for a moment leaves its owner out of the room for as long
    const timer = setTimeout(() => {
      drop();
      setWasEnded(true);
    }, isMissingForMs);
    return () => clearTimeout(timer);
  }, [stream, isShared, drop]);
  // a page that was loaded anew has lost what it shared
  const isKnown = screens !== undefined;
  useEffect(() => {
    if (!isKnown || sessionStorage.getItem(mark) === null) return;
    sessionStorage.removeItem(mark);
    void send({ type: "stage.end-screen" });
    // once, when the room is known
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isKnown]);
  const shared = useRef(stream);
  useEffect(() => {
    shared.current = stream;
  });
  useEffect(() => () => end(shared.current), []);
  return { stream, isShared, canShare: canCapture(), wasEnded, share: (overId) => void share(overId), stop };
}
