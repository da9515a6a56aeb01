"use client";
import { useEffect, useId, useRef, useState } from "react";

/** Told to the other places of the page that keep the same thing: one of them may have taken over meanwhile. */
interface Told {
  readonly key: string;
  readonly by: string;
  readonly was: unknown;
  readonly value: unknown;
}
const told = "kept-in-tab";

/**
 * What was typed or chosen and not sent yet: it outlives a reload of the page, in this tab alone. Where the place that
 * sent it is gone by the time it has arrived, the place that stands there now is told, and what was typed there since stays.
 * @returns the value, how to set it, and how to forget it once it has arrived: what stands on the screen stays
 */
export function useKept<T>(key: string, first: T): readonly [T, (next: T) => void, () => void] {
  const [value, setValue] = useState(first);
  const by = useId();
  const shown = useRef(value);
  useEffect(() => {
    shown.current = value;
  }, [value]);
  useEffect(() => {
    const kept = sessionStorage.getItem(key);
    // what this tab kept can only be looked for once the page runs
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (kept !== null) setValue(JSON.parse(kept) as T);
  }, [key]);
  useEffect(() => {
    const hear = (event: Event) => {
      const { detail } = event as CustomEvent<Told>;
      if (detail.key === key && detail.by !== by && detail.was === shown.current) setValue(detail.value as T);
    };
    window.addEventListener(told, hear);
    return () => window.removeEventListener(told, hear);
  }, [key, by]);
  const forget = () => sessionStorage.removeItem(key);
  return [
    value,
    (next) => {
      const detail: Told = { key, by, was: value, value: next };
      sessionStorage.setItem(key, JSON.stringify(next));
      setValue(next);
      window.dispatchEvent(new CustomEvent(told, { detail }));
    },
    forget,
  ];
}
