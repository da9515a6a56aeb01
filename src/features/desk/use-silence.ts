"use client";
import { useEffect, useState } from "react";
import type { DeskView } from "@/core/room";
import { isAnybodyHeard } from "@/features/shared/devices/heard";

/**
 * For how long nobody has been heard before an open curtain, by this desk's own ears: counted from the rise, the cue
 * or the last sound, whichever came last.
 */
export function useSilence(view: DeskView | null, levels: ReadonlyMap<string, number>, now: number): number {
  const isUp = view?.status["it"]?.isCurtainUp ?? false;
  const cuedAt = view?.cue["it"]?.cuedAt ?? null;
  const [since, setSince] = useState<number | null>(null);
  const isHeard = view !== null && isUp && isAnybodyHeard(view, levels);
  useEffect(() => {
    // what was heard is an event of the outside, told once a second at most
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setSince(isUp ? now : null);
    // the clock alone is no sound
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isUp, cuedAt, isHeard, isHeard ? now : 0]);
  return isUp && since !== null ? Math.max(0, now - since) : 0;
}
