"use client";
import { useEffect, useState } from "react";

/**
 * The moment, ticking each second, in the server's time.
 * @param startAt what it is until the first tick; 0 while that is not known yet: then nothing ticks
 */
export function useNow(startAt: number, aheadMs: number | null = null, everyMs = 1000): number {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    if (startAt === 0 && aheadMs === null) return;
    const ahead = aheadMs ?? startAt - Date.now();
    const tick = () => setNow(Date.now() + ahead);
    const first = setTimeout(tick, 0);
    const timer = setInterval(tick, everyMs);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [startAt, aheadMs, everyMs]);
  return now ?? startAt;
}
