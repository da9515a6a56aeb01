import { cva, type VariantProps } from "class-variance-authority";
import type { ReactNode } from "react";
import { X } from "lucide-react";
import { classes } from "./classes";
import { IconButton } from "./press";

const badge = cva("inline-flex items-center gap-1 rounded-control border px-1.5 text-label font-medium", {
  variants: {
    tone: {
      plain: "border-rule text-ink-2",
      action: "border-action text-action",
      attention: "border-attention bg-attention-ground text-attention",
      wrong: "border-wrong text-wrong",
      "on-air": "border-on-air text-on-air",
    },
  },
  defaultVariants: { tone: "plain" },
});

/** One state in one word. */
export const Badge = ({ tone, children }: VariantProps<typeof badge> & { children: ReactNode }) => (
  <span className={badge({ tone })}>{children}</span>
);

/** A share of a whole, drawn: the figure stands beside it in words. */
export function Bar({
  value,
  most,
  label,
  tone = "action",
}: {
  value: number;
  most: number;
  label: string;
  tone?: "action" | "attention";
}) {
  const percent = most > 0 ? Math.min(100, (100 * value) / most) : 0;
  return (
    <span role="img" aria-label={label} className="block h-1.5 w-full rounded-[2px] bg-raised">
      <span
        className={classes("block h-full rounded-[2px]", tone === "attention" ? "bg-attention" : "bg-action")}
        style={{ width: `${percent}%` }}
      />
    </span>
  );
}

/** How far long work has come. */
export function Progress({ done, all, label }: { done: number; all: number; label: string }) {
  return (
    <div className="flex items-center gap-3">
      <progress value={done} max={all} aria-label={label} className="h-1.5 flex-1" />
      <span className="mono text-label text-ink-2">{Math.round((100 * done) / Math.max(1, all))} %</span>
    </div>
  );
}

/** Nothing there yet: what will stand here, and the act that brings it. */
export const Empty = ({ title, children, act }: { title: string; children?: ReactNode; act?: ReactNode }) => (
  <div className="rounded-sheet border border-dashed border-rule px-5 py-6">
    <p className="text-lead font-medium">{title}</p>
    {children && <div className="mt-1 max-w-prose text-ink-2">{children}</div>}
    {act && <div className="mt-3">{act}</div>}
  </div>
);

/** One of several chosen things, with the act that takes it out again. */
export const Tag = ({ label, removal, onRemove }: { label: string; removal: string; onRemove: () => void }) => (
  <span className="inline-flex items-center gap-1 rounded-control border border-rule bg-raised ps-2">
    {label}
    <IconButton label={removal} icon={<X size={14} aria-hidden />} onClick={onRemove} />
  </span>
);
