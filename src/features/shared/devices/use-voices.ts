"use client";
import { useEffect, useRef, useState } from "react";
import { closedButLoud, nobodySpeaks, quiet, whoSpeaks } from "@/core/room";
import { dbfsOfMeter, measuredEveryMs } from "./level";

const everyMs = 250;

type Heard = Pick<ReturnType<typeof whoSpeaks>, "speaksId" | "pictureId">;

/** Follows who speaks among these people, by their levels (rule 23). */
function useSpeaking(levels: ReadonlyMap<string, number>, openIds: readonly string[]): Heard {
  const [heardNow, setHeard] = useState<Heard>({ speaksId: null, pictureId: null });
  const heard = useRef({ levels, openIds });
  useEffect(() => {
    heard.current = { levels, openIds };
  }, [levels, openIds]);
  useEffect(() => {
    let state = nobodySpeaks;
    const timer = setInterval(() => {
      const now = heard.current;
      const dbfs = now.openIds.map((id) => [id, dbfsOfMeter(now.levels.get(id) ?? 0)] as const);
      state = whoSpeaks(state, new Map(dbfs), performance.now());
      const { speaksId, pictureId } = state;
      setHeard((was) => (was.speaksId === speaksId && was.pictureId === pictureId ? was : { speaksId, pictureId }));
    }, everyMs);
    return () => clearInterval(timer);
  }, []);
  return heardNow;
}

/** Who of these people speaks now; null while nobody does. */
export const useWhoSpeaks = (levels: ReadonlyMap<string, number>, openIds: readonly string[]): string | null =>
  useSpeaking(levels, openIds).speaksId;

/** Who of them has the picture: stays where nobody speaks. */
export const usePictureSpeaker = (levels: ReadonlyMap<string, number>, openIds: readonly string[]): string | null =>
  useSpeaking(levels, openIds).pictureId;

/** Whether one speaks into one's own closed microphone (rule 23). @param dbfs what was measured last, each 100 ms */
export function useClosedButLoud(dbfs: () => number, isOpen: boolean): boolean {
  const [isTold, setTold] = useState(false);
  const isOpenNow = useRef(isOpen);
  useEffect(() => {
    isOpenNow.current = isOpen;
  }, [isOpen]);
  useEffect(() => {
    let state = quiet;
    const timer = setInterval(() => {
      state = closedButLoud(state, dbfs(), isOpenNow.current, performance.now());
      setTold(state.isTold);
    }, measuredEveryMs);
    return () => clearInterval(timer);
  }, [dbfs]);
  return isTold;
}
