import { useEffect, useRef, useState } from "react";
import { breakCaptions, standsMs } from "@/core/room";

/** A text fed line by line: each goes out while somebody speaks, and the next waits until it has stood. */
export interface Manuscript {
  readonly captions: readonly (readonly string[])[];
  /** the one that goes out next */
  readonly at: number;
  readonly isRunning: boolean;
}

/** What the next step of a manuscript is: pure, so that it can be tried without a voice. @param heardMs how long somebody has spoken since the last line went out */
export const isDue = (lines: readonly string[] | undefined, heardMs: number): boolean =>
  lines === undefined ? false : heardMs >= standsMs(lines.join(" "));

const tickMs = 200;

/** Feeds a manuscript by voice activity (rule 24): time runs while anybody is heard, and stands while nobody is. */
export function useManuscript(isHeard: boolean, say: (text: string) => void) {
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const [isRunning, setRunning] = useState(false);
  const captions = breakCaptions(text);
  const now = useRef({ isHeard, captions, at, say });
  useEffect(() => {
    now.current = { isHeard, captions, at, say };
  });
  const heardMs = useRef(Infinity);
  const step = (to: number) => {
    const lines = now.current.captions[to];
    if (!lines) return setRunning(false);
    now.current.say(lines.join(" "));
    heardMs.current = 0;
    setAt(to + 1);
  };
  const stepped = useRef(step);
  useEffect(() => {
    stepped.current = step;
  });
  useEffect(() => {
    if (!isRunning) return;
    const timer = setInterval(() => {
      const { isHeard: heard, captions: all, at: next } = now.current;
      if (!heard) return;
      heardMs.current += tickMs;
      // the one that stands is the one before
      if (next === 0 || isDue(all[next - 1], heardMs.current)) stepped.current(next);
    }, tickMs);
    return () => clearInterval(timer);
  }, [isRunning]);
  return {
    text,
    setText: (next: string) => {
      setText(next);
      setAt(0);
      setRunning(false);
    },
    captions,
    at,
    isRunning,
    run: (on: boolean) => {
      heardMs.current = Infinity;
      setRunning(on);
    },
    /** to another line by hand: it goes out at once */
    jump: (to: number) => step(to),
  };
}
