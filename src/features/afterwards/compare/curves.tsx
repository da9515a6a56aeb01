import type { ComparedDate } from "@/contracts";
import { shortDate } from "@/core/time";

type Curve = Pick<ComparedDate, "id" | "title" | "startAt" | "zone" | "curve" | "lengthMs" | "peak">;

/** The first date in petrol, the second in brass, the rest in greys: told apart by their dash and their label too. */
const strokes = [
  { colour: "var(--action)", dash: "" },
  { colour: "var(--attention)", dash: "" },
  { colour: "var(--ink)", dash: "5 3" },
  { colour: "var(--ink-2)", dash: "2 3" },
] as const;
export const strokeOf = (i: number) => strokes[Math.min(i, strokes.length - 1)]!;

const width = 1000;
const height = 220;

/** House curves of several dates on one clock: minutes since each curtain rose, one scale from zero. */
export function Curves({ dates }: { dates: readonly Curve[] }) {
  const longest = Math.max(60_000, ...dates.map((one) => one.lengthMs));
  const most = Math.max(1, ...dates.map((one) => one.peak));
  const x = (ms: number) => ((Math.min(longest, Math.max(0, ms)) / longest) * width).toFixed(1);
  const y = (count: number) => (height - ((height - 8) * count) / most).toFixed(1);
  const minutes = Math.round(longest / 60_000);
  const ticks = [0, 0.25, 0.5, 0.75, 1].map((part) => Math.round(part * minutes));
  return (
    <figure>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={dates
          .map((one) => `${one.title}, ${shortDate(one.startAt, one.zone)}: at most ${one.peak} at once`)
          .join("; ")}
        className="block h-56 w-full border-y border-rule bg-sheet"
      >
        {[0.25, 0.5, 0.75].map((part) => (
          <line key={part} x1={part * width} x2={part * width} y1="0" y2={height} stroke="var(--rule)" />
        ))}
        {[...dates].reverse().map((date, back) => {
          const i = dates.length - 1 - back;
          const { colour, dash } = strokeOf(i);
          const path = date.curve.map(([at, count], k) => {
            const end = date.curve[k + 1]?.[0] ?? date.lengthMs;
            return `L${x(at)} ${y(count)}L${x(end)} ${y(count)}`;
          });
          return (
            <path
              key={date.id}
              d={`M0 ${height}${path.join("")}`}
              fill="none"
              stroke={colour}
              strokeWidth={i === 0 ? 2.5 : 1.5}
              strokeDasharray={dash}
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
      </svg>
      <figcaption className="mono flex justify-between text-label text-ink-2">
        {ticks.map((one, i) => (
          <span key={i}>{one} min</span>
        ))}
      </figcaption>
    </figure>
  );
}

/** One date's curve by itself, small, on the scale that all share. */
export function SmallCurve({
  date,
  most,
  longestMs,
}: {
  date: Pick<Curve, "curve" | "lengthMs">;
  most: number;
  longestMs: number;
}) {
  const x = (ms: number) => ((Math.max(0, ms) / Math.max(1, longestMs)) * 100).toFixed(2);
  const y = (count: number) => (24 - (23 * count) / Math.max(1, most)).toFixed(2);
  const path = date.curve.map(([at, count], k) => {
    const end = date.curve[k + 1]?.[0] ?? date.lengthMs;
    return `L${x(at)} ${y(count)}L${x(end)} ${y(count)}`;
  });
  return (
    <svg viewBox="0 0 100 24" preserveAspectRatio="none" aria-hidden className="block h-8 w-full bg-sheet">
      <path d={`M0 24${path.join("")}V24Z`} fill="var(--action)" fillOpacity={0.3} />
    </svg>
  );
}
