import { useEffect, useRef, type RefObject } from "react";
import type { RegisterState } from "./types";

const firstWaitMs = 1500;
const longestWaitMs = 15_000;

/** How long to wait before the n-th next try: twice as long each time, anywhere within, so that a crowd spreads out. */
export const waitBeforeMs = (tries: number, chance: number): number => {
  const most = Math.min(longestWaitMs, firstWaitMs * 2 ** tries);
  return Math.round(most / 2 + (most / 2) * chance);
};

/** Sends a form again by itself for as long as the answer is "one moment". */
export function useAgainByItself(state: RegisterState, isPending: boolean): RefObject<HTMLFormElement | null> {
  const form = useRef<HTMLFormElement>(null);
  const tries = useRef(0);
  useEffect(() => {
    if (isPending) return;
    if (state.status !== "busy") {
      tries.current = 0;
      return;
    }
    const timer = setTimeout(() => form.current?.requestSubmit(), waitBeforeMs(tries.current, Math.random()));
    tries.current += 1;
    return () => clearTimeout(timer);
  }, [state, isPending]);
  return form;
}
