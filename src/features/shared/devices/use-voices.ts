"use client";
import { useEffect, useRef, useState } from "react";
import { closedButLoud, nobodySpeaks, quiet, whoSpeaks } from "@/core/room";
import { dbfsOfMeter } from "./level";

const everyMs = 250;

/** Who of these people speaks now (rule 23); null while nobody does. */
export function useWhoSpeaks(levels: ReadonlyMap<string, number>, openIds: readonly string[]): string | null {
  const [speaksId, setSpeaksId] = useState<string | null>(null);
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
      setSpeaksId(state.speaksId);
    }, everyMs);
    return () => clearInterval(timer);
  }, []);
  return speaksId;
}

/** Whether one speaks into one's own closed microphone (rule 23). @param dbfs measured each 100 ms */
export function useClosedButLoud(dbfs: number, isOpen: boolean): boolean {
  const [state, setState] = useState(quiet);
  const measured = useRef({ dbfs, isOpen });
  useEffect(() => {
    measured.current = { dbfs, isOpen };
  }, [dbfs, isOpen]);
  useEffect(() => {
    const timer = setInterval(() => {
      const { current } = measured;
      setState((was) => closedButLoud(was, current.dbfs, current.isOpen, performance.now()));
    }, 100);
    return () => clearInterval(timer);
  }, []);
  return state.isTold;
}
