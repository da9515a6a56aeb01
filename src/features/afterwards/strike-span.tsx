"use client";
import type { Done } from "@/contracts";
import { ActButton } from "@/features/shared/act-button";

/** Strikes an accidental rise of the curtain out of every figure, or puts it back. */
export function StrikeSpan({
  isStruck,
  strike,
}: {
  isStruck: boolean;
  strike: (isStruck: boolean) => Promise<Done<unknown>>;
}) {
  return (
    <ActButton
      act={() => strike(!isStruck)}
      words={isStruck ? "Count it again" : "It was an accident: strike it out"}
    />
  );
}
