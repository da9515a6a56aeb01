/** A key, or keys pressed together: "Ctrl K". */
export function Shortcut({ keys }: { keys: string }) {
  return (
    <kbd className="mono inline-flex gap-0.5 text-label text-ink-2">
      {keys.split(" ").map((key) => (
        <span key={key} className="rounded-control border border-rule px-1 leading-4">
          {key}
        </span>
      ))}
    </kbd>
  );
}
