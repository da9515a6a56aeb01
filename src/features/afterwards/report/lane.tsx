import type { Lane } from "@/core/reports";
import { laneWords } from "./lane-words";

const barHeight = 16;

/** One lane under the curve: how often something happened in each step, from a base line of zero. */
export function LaneLine({ lane }: { lane: Lane }) {
  const { counts, highest, total, kind } = lane;
  const isHeat = kind === "watched";
  const bars = counts.flatMap((count, i) => {
    if (count === 0) return [];
    const height = Math.max(2, (barHeight * count) / Math.max(1, highest));
    return [`M${i} ${barHeight}v${-height}h0.86v${height}z`];
  });
  const words = isHeat
    ? `${laneWords[kind]}: at most ${highest} times`
    : `${laneWords[kind]}: ${total} in all, at most ${highest} at once`;
  return (
    <div className="relative border-b border-rule" title={words}>
      <svg
        viewBox={`0 0 ${counts.length} ${barHeight}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={words}
        className="block h-6 w-full"
      >
        <path d={bars.join("")} fill={isHeat ? "var(--attention)" : "var(--ink-2)"} />
      </svg>
      <span className="pointer-events-none absolute start-1 top-0 text-label leading-6 text-ink">
        <span className="bg-ground/80 px-1">
          {laneWords[kind]} <span className="mono">{isHeat ? `≤ ${highest}` : total}</span>
        </span>
      </span>
    </div>
  );
}
