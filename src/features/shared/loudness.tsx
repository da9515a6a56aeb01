/** How loud somebody is just now, 0–100. */
export function Loudness({ level, name }: { level: number; name: string }) {
  return (
    <div
      role="meter"
      aria-label={`Level of ${name}`}
      aria-valuenow={level}
      aria-valuemin={0}
      aria-valuemax={100}
      className="mt-1 h-1.5 bg-rule"
    >
      <div className="h-full bg-action" style={{ width: `${level}%` }} />
    </div>
  );
}
