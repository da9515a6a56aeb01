"use client";
import { useKitWords } from "./kit-words";

/** Holds the place of what is still being loaded. */
export const Skeleton = ({ lines = 3 }: { lines?: number }) => (
  <div role="status" aria-label={useKitWords().loading} className="flex flex-col gap-2">
    {Array.from({ length: lines }, (_, i) => (
      <span key={i} className="block h-4 rounded-control bg-raised" style={{ width: `${90 - 12 * (i % 4)}%` }} />
    ))}
  </div>
);
