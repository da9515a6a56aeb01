"use client";
import { useCallback, useEffect, useState } from "react";
import { freshLine, stalled, wentWell, type Variant } from "@/core/programme";
import { useBrowserChoice } from "../use-browser-choice";

const lookEveryMs = 5000;
/** How somebody wants the programme: as their line carries it, or one variant for good. */
export const wishes = ["by-line", "full", "small", "sound"] as const;
export type Wish = (typeof wishes)[number];

/**
 * Which variant plays: chosen by hand, else by what the line has carried.
 * @param lighter those that come beside the whole one just now @param isLate the maker is late: the line is not to blame
 */
export function useVariant(lighter: readonly Variant[], isLate: boolean) {
  const [kept, choose] = useBrowserChoice("programme-variant");
  const wish = wishes.find((one) => one === kept) ?? "by-line";
  const [line, setLine] = useState(() => freshLine(0));
  const isByLine = wish === "by-line";
  useEffect(() => {
    if (!isByLine) return;
    const timer = setInterval(() => setLine((before) => wentWell(before, Date.now())), lookEveryMs);
    return () => clearInterval(timer);
  }, [isByLine]);
  const onStalled = useCallback(() => {
    if (!isLate) setLine((before) => stalled(before, Date.now()));
  }, [isLate]);
  const wanted = isByLine ? line.variant : wish;
  const variant: Variant = lighter.includes(wanted) ? wanted : "full";
  return { wish, variant, choose: (next: Wish) => choose(next === "by-line" ? null : next), onStalled };
}
