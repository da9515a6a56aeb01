import { useEffect, useRef, type RefObject } from "react";
import { againAfterMs } from "./again-after";
import type { RegisterState } from "./types";

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
    const timer = setTimeout(() => form.current?.requestSubmit(), againAfterMs(state, tries.current, Math.random()));
    tries.current += 1;
    return () => clearTimeout(timer);
  }, [state, isPending]);
  return form;
}
