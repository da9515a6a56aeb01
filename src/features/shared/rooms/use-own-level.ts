import { useEffect, useRef } from "react";
import type { WhisperBody } from "@/contracts";

const everyMs = 250;
/** smaller steps than this are not worth a request */
const leastStep = 2;

/** What is worth saying after what was said last: a step that can be seen, and silence once. */
export const levelToSay = (said: number, level: number): number | null =>
  Math.abs(level - said) >= leastStep || (level === 0 && said !== 0) ? level : null;

/** Tells team and stage how loud one is, while the microphone is open. @param level what the device measures now, 0–1 */
export function useOwnLevel(
  level: () => number,
  isOpen: boolean,
  whisper: (body: WhisperBody) => void,
  type: Extract<WhisperBody, { level: number }>["type"] = "stage.level",
): void {
  const isOpenNow = useRef(isOpen);
  useEffect(() => {
    isOpenNow.current = isOpen;
  }, [isOpen]);
  useEffect(() => {
    let said = 0;
    const timer = setInterval(() => {
      const next = levelToSay(said, isOpenNow.current ? Math.round(level() * 100) : 0);
      if (next === null) return;
      said = next;
      whisper({ type, level: next });
    }, everyMs);
    return () => clearInterval(timer);
  }, [whisper, type, level]);
}
