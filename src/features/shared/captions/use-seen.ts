"use client";
import { useEffect, useRef, useState } from "react";
import type { SeenClock } from "../watch/programme-video";
import { typedBefore, type Typed } from "./rows";

const lookEveryMs = 250;
/** a viewer is behind by seconds: what was typed before that is of no use any more */
const keptMs = 20_000;

/**
 * The instant that the picture shows, in the server's time: captions stand under what was said then. The moment itself
 * where no picture plays. What is being typed waits for its picture too.
 * @param ahead server time minus this browser's; null: nothing is read, nothing ticks
 */
export function useSeen(
  seen: SeenClock,
  ahead: number | null,
  typed: Typed | undefined,
): { readonly now: number; readonly typedThen: Typed | undefined } {
  const [then, setThen] = useState<{ now: number; typedThen: Typed | undefined }>({ now: 0, typedThen: undefined });
  const kept = useRef<Typed[]>([]);
  useEffect(() => {
    if (typed) kept.current = [...kept.current.filter(({ at }) => typed.at - at < keptMs), typed];
    else kept.current = [];
  }, [typed]);
  useEffect(() => {
    if (ahead === null) return;
    const look = () => {
      const now = seen.current?.() ?? Date.now() + ahead;
      setThen({ now, typedThen: typedBefore(kept.current, now - ahead) });
    };
    const first = setTimeout(look, 0);
    const timer = setInterval(look, lookEveryMs);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [seen, ahead]);
  return then;
}
