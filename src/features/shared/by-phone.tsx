/** How to come in by phone, line by line, on paper. */
export function ByPhone({ rows }: { rows: readonly (readonly [label: string, value: string])[] }) {
  if (rows.length === 0) return null;
  return (
    <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
      {rows.map(([label, value]) => (
        <div key={label} className="contents">
          <dt className="text-ink-2">{label}</dt>
          <dd className="font-mono">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
