"use client";
import { useEffect, useState } from "react";

/**
 * What was typed or chosen and not sent yet: it outlives a reload of the page, in this tab alone.
 * @returns the value, how to set it, and how to forget it once it has arrived: what stands on the screen stays
 */
export function useKept<T>(key: string, first: T): readonly [T, (next: T) => void, () => void] {
  const [value, setValue] = useState(first);
  useEffect(() => {
    const kept = sessionStorage.getItem(key);
    // what this tab kept can only be looked for once the page runs
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (kept !== null) setValue(JSON.parse(kept) as T);
  }, [key]);
  const forget = () => sessionStorage.removeItem(key);
  return [
    value,
    (next) => {
      sessionStorage.setItem(key, JSON.stringify(next));
      setValue(next);
    },
    forget,
  ];
}
