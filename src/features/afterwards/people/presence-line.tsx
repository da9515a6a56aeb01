import { clockTime } from "@/core/time";

/** When somebody was there, drawn over the time of the show. @param spans flat pairs of instants */
export function PresenceLine(props: {
  spans: readonly number[];
  from: number;
  to: number;
  zone: string;
  className?: string;
}) {
  const { spans, from, to, zone } = props;
  const length = Math.max(1, to - from);
  const parts: { start: number; end: number }[] = [];
  for (let i = 0; i + 1 < spans.length; i += 2) parts.push({ start: spans[i]!, end: spans[i + 1]! });
  const words = parts.map(({ start, end }) => `${clockTime(start, zone)}–${clockTime(end, zone)}`).join(", ");
  return (
    <svg
      viewBox="0 0 1000 8"
      preserveAspectRatio="none"
      role="img"
      aria-label={words || "was not there"}
      className={props.className ?? "block h-3 w-full"}
    >
      <rect x="0" y="3.4" width="1000" height="1.2" fill="var(--rule)" />
      {parts.map(({ start, end }) => (
        <rect
          key={start}
          x={((start - from) / length) * 1000}
          y="0"
          width={Math.max(2, ((end - start) / length) * 1000)}
          height="8"
          fill="var(--action)"
        />
      ))}
    </svg>
  );
}
