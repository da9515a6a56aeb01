/**
 * A figure for each stretch of a recording, drawn over its length from a zero base line.
 * @param highest what the top stands for @param words what it says, for whoever does not see it
 */
export function HeatLine(props: { figures: readonly number[]; highest: number; words: string; className?: string }) {
  const { figures, highest } = props;
  const step = 100 / Math.max(1, figures.length);
  const y = (figure: number) => (20 - (18.5 * figure) / Math.max(highest, 1e-9)).toFixed(2);
  const steps = figures.map(
    (figure, i) => `L${(i * step).toFixed(2)} ${y(figure)}L${((i + 1) * step).toFixed(2)} ${y(figure)}`,
  );
  return (
    <svg
      viewBox="0 0 100 20"
      preserveAspectRatio="none"
      role="img"
      aria-label={props.words}
      className={props.className ?? "block h-10 w-full"}
    >
      <path d={`M0 20${steps.join("")}L100 20Z`} fill="var(--action)" fillOpacity={0.25} />
      <path
        d={`M0 ${y(figures[0] ?? 0)}${steps.join("")}`}
        fill="none"
        stroke="var(--action)"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
