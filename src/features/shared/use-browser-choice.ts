"use client";
import { useCallback, useSyncExternalStore } from "react";

const changed = "browser-choice";

/**
 * What somebody chose for this computer and this browser, kept across visits: a device, a sound. Other places of the
 * page that show the same choice follow.
 * @returns the choice, null where none was made, and how to make it
 */
export function useBrowserChoice(key: string): readonly [string | null, (next: string | null) => void] {
  const value = useSyncExternalStore(
    (tell) => {
      window.addEventListener(changed, tell);
      return () => window.removeEventListener(changed, tell);
    },
    () => localStorage.getItem(key),
    () => null,
  );
  const choose = useCallback(
    (next: string | null) => {
      if (next === null) localStorage.removeItem(key);
      else localStorage.setItem(key, next);
      window.dispatchEvent(new Event(changed));
    },
    [key],
  );
  return [value, choose];
}
