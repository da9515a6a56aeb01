"use client";
import { useCallback, useSyncExternalStore } from "react";

const changed = "browser-choice";

/** Chooses for this browser; every place of the page that shows it follows. */
export function chooseForBrowser(key: string, next: string | null): void {
  if (next === null) localStorage.removeItem(key);
  else localStorage.setItem(key, next);
  window.dispatchEvent(new Event(changed));
}

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
  const choose = useCallback((next: string | null) => chooseForBrowser(key, next), [key]);
  return [value, choose];
}
