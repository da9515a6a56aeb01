const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** A count for each month of a year, from a zero base line, each with its figure. */
export function MonthBars({ title, counts }: { title: string; counts: readonly number[] }) {
  const most = Math.max(1, ...counts);
  return (
    <figure>
      <figcaption className="text-head font-semibold">{title}</figcaption>
      <ul className="mt-1 flex h-32 items-end gap-1.5">
        {counts.map((count, i) => (
          <li key={i} className="flex h-full flex-1 flex-col justify-end text-center">
            <span className="mono text-label text-ink-2">{count || ""}</span>
            <span aria-hidden className="block bg-action/75" style={{ height: `${(72 * count) / most}%` }} />
            <span className="border-t border-rule text-label text-ink-2">{months[i]}</span>
          </li>
        ))}
      </ul>
    </figure>
  );
}
