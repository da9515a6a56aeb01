"use client";
import { useEffect, useState } from "react";

/** Words that were typed and not sent yet: they outlive a reload of the page, in this tab alone. */
export function useKept(key: string, first: string): readonly [string, (next: string) => void] {
  const [value, setValue] = useState(first);
  useEffect(() => {
    const kept = sessionStorage.getItem(key);
    // what this tab kept can only be looked for once the page runs
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (kept !== null) setValue(kept);
  }, [key]);
  return [
    value,
    (next) => {
      if (next === first) sessionStorage.removeItem(key);
      else sessionStorage.setItem(key, next);
      setValue(next);
    },
  ];
}
