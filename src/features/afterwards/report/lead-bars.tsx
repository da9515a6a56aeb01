/** Registrations by days before the start, the last day at the end; what was earlier stands in the first. */
export function LeadBars({ byDay }: { byDay: readonly number[] }) {
  const highest = Math.max(1, ...byDay);
  const total = byDay.reduce((sum, one) => sum + one, 0);
  const days = byDay.length;
  const lastWeek = byDay.slice(-7).reduce((sum, one) => sum + one, 0);
  return (
    <figure aria-label={`Registrations in the last ${days} days: ${total}, ${lastWeek} of them in the last week`}>
      <div className="flex h-16 items-end gap-px border-b border-rule" aria-hidden>
        {byDay.map((count, i) => (
          <span
            key={i}
            title={`${days - 1 - i === 0 ? "the last day" : `${days - 1 - i} days before`}: ${count}`}
            className="flex-1 bg-action/70"
            style={{ height: `${(100 * count) / highest}%`, minHeight: count > 0 ? 2 : 0 }}
          />
        ))}
      </div>
      <figcaption className="flex justify-between text-label text-ink-2">
        <span>{days} days before and earlier</span>
        <span>
          <span className="mono">{lastWeek}</span> of <span className="mono">{total}</span> in the last week
        </span>
        <span>start</span>
      </figcaption>
    </figure>
  );
}
