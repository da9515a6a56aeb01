"use client";
import { useEffect, useState } from "react";

/** The moment, ticking each second, in the server's time. */
export function useNow(startAt: number, aheadMs: number | null = null): number {
  const [now, setNow] = useState(startAt);
  useEffect(() => {
    const ahead = aheadMs ?? startAt - Date.now();
    const timer = setInterval(() => setNow(Date.now() + ahead), 1000);
    return () => clearInterval(timer);
  }, [startAt, aheadMs]);
  return now;
}
