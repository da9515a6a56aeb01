import type { CurveStep } from "@/core/attendance";

/** The house curve as a drawing alone, for paper: exact steps from a zero base line over the segments. */
export function CurvePicture(props: {
  steps: readonly CurveStep[];
  peak: number;
  from: number;
  to: number;
  blocks: readonly { readonly title: string; readonly startAt: number; readonly endAt: number }[];
  words: string;
}) {
  const { steps, from, to } = props;
  const x = (at: number) => (((Math.min(to, Math.max(from, at)) - from) / Math.max(1, to - from)) * 1000).toFixed(1);
  const y = (count: number) => (100 - (96 * count) / Math.max(1, props.peak)).toFixed(1);
  const line = steps.map((step, i) => {
    const end = steps[i + 1]?.at ?? to;
    return `L${x(step.at)} ${y(step.count)}L${x(end)} ${y(step.count)}`;
  });
  return (
    <figure>
      <svg
        viewBox="0 0 1000 100"
        preserveAspectRatio="none"
        role="img"
        aria-label={props.words}
        className="block h-28 w-full border-y border-rule"
      >
        {props.blocks.map((block, i) => (
          <rect
            key={block.startAt}
            x={x(block.startAt)}
            y="0"
            width={Math.max(0, Number(x(block.endAt)) - Number(x(block.startAt)) - 1)}
            height="100"
            fill={i % 2 === 0 ? "var(--raised)" : "var(--sheet)"}
          />
        ))}
        <path d={`M0 100${line.join("")}L1000 100Z`} fill="var(--action)" fillOpacity={0.25} />
        <path
          d={`M0 100${line.join("")}`}
          fill="none"
          stroke="var(--action)"
          strokeWidth={1.5}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <figcaption className="relative h-5 text-label text-ink-2">
        {props.blocks.map((block) => (
          <span
            key={block.startAt}
            className="absolute truncate pe-1"
            style={{
              left: `${Number(x(block.startAt)) / 10}%`,
              width: `${(Number(x(block.endAt)) - Number(x(block.startAt))) / 10}%`,
            }}
          >
            <bdi>{block.title}</bdi>
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
