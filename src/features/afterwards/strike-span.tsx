"use client";
import { ActButton } from "@/features/shared/act-button";

/** Strikes an accidental rise of the curtain out of every figure, or puts it back. */
export function StrikeSpan({
  isStruck,
  strike,
}: {
  isStruck: boolean;
  strike: (isStruck: boolean) => Promise<{ ok: true } | { ok: false; words: string }>;
}) {
  return (
    <ActButton
      act={() => strike(!isStruck)}
      words={isStruck ? "Count it again" : "It was an accident: strike it out"}
    />
  );
}
