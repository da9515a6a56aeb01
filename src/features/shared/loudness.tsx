"use client";
import { useSay } from "@/features/shared/say/say";
import { classes } from "@/ui";

/** How loud somebody is just now, 0–100. */
export function Loudness(props: { level: number; name: string; label?: string; className?: string }) {
  const say = useSay();
  const { level, name, label, className } = props;
  return (
    <div
      role="meter"
      aria-label={label ?? say`Level of ${name}`}
      aria-valuenow={level}
      aria-valuemin={0}
      aria-valuemax={100}
      className={classes("h-1.5 bg-rule", className)}
    >
      <div className="h-full bg-action" style={{ width: `${level}%` }} />
    </div>
  );
}
