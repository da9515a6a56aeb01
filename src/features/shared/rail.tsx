import type { ReactNode } from "react";
import { classes } from "@/ui";
import { clockTime } from "@/core/time";

export interface RailBlock {
  readonly id: string;
  readonly title: string;
  readonly startAt: number;
  readonly endAt: number;
  readonly isNow?: boolean;
  readonly isPast?: boolean;
  readonly isFixed?: boolean;
  /** whoever leads it, as a quiet colour along its upper edge */
  readonly tone?: string;
  /** minutes of overlap with the block before */
  readonly overlapMinutes?: number;
}

export interface RailMark {
  readonly at: number;
  readonly label: string;
}

/** Something that happened at an instant: a question, a poll. */
export interface RailTick {
  readonly at: number;
  readonly words: string;
  readonly kind: "question" | "poll";
}

/** Where an instant lies on the rail, in percent. */
export const railPercent = (at: number, from: number, to: number): number =>
  Math.min(100, Math.max(0, ((at - from) / Math.max(1, to - from)) * 100));

/**
 * The rail: one time strip from left to right, segments as blocks of their true length, a hand for
 * now. The same component on the season board, in planning, at the desk and in the report.
 */
export function Rail(props: {
  from: number;
  to: number;
  zone: string;
  blocks: readonly RailBlock[];
  marks?: readonly RailMark[];
  ticks?: readonly RailTick[];
  now?: number | null;
  /** `line`: a thin one in a list, without words in it */
  size?: "line" | "small" | "large";
  /** from when on the team is due: hatched up to the first block */
  call?: number;
  /** what it is, to whoever hears it; English unless given */
  label?: string;
  /** drawn over the blocks: the house curve */
  children?: ReactNode;
}) {
  const { from, to, zone, size = "small" } = props;
  const left = (at: number) => `${railPercent(at, from, to)}%`;
  const height = { line: "h-6", small: "h-9", large: "h-24" }[size];
  const first = props.blocks[0]?.startAt ?? to;
  return (
    <div
      className={classes("relative w-full", size !== "line" && "pb-4")}
      role="img"
      aria-label={props.label ?? `Time from ${clockTime(from, zone)} to ${clockTime(to, zone)}`}
    >
      <div className={classes("relative overflow-hidden border-y border-rule bg-raised", height)}>
        {props.call !== undefined && props.call < first && (
          <div
            title={`Team call ${clockTime(props.call, zone)}`}
            className="absolute inset-y-0"
            style={{
              left: left(props.call),
              width: `${railPercent(first, from, to) - railPercent(props.call, from, to)}%`,
              backgroundImage: "repeating-linear-gradient(90deg, var(--ink-2) 0 1px, transparent 1px 4px)",
              opacity: 0.45,
            }}
          />
        )}
        {props.blocks.map((block) => (
          <div
            key={block.id}
            title={`${clockTime(block.startAt, zone)} ${block.title}`}
            className={classes(
              "@container absolute inset-y-0 overflow-hidden border-l border-ground px-1.5 py-1 text-label leading-tight",
              block.isNow ? "bg-action text-on-action" : block.isPast ? "bg-raised text-ink-2" : "bg-sheet text-ink",
            )}
            style={{
              left: left(block.startAt),
              width: `calc(${railPercent(block.endAt, from, to) - railPercent(block.startAt, from, to)}%)`,
            }}
          >
            {block.tone && <span className="absolute inset-x-0 top-0 h-1" style={{ background: block.tone }} />}
            {block.isFixed && <span className="absolute inset-y-0 left-0 w-0.5 bg-attention" />}
            {(block.overlapMinutes ?? 0) > 0 && (
              <span
                className="absolute inset-y-0 left-0 w-2"
                style={{ backgroundImage: "repeating-linear-gradient(45deg, var(--wrong) 0 2px, transparent 2px 5px)" }}
              />
            )}
            <span
              className={classes(
                "@max-[2.5rem]:hidden",
                size === "line" ? "hidden" : size === "small" ? "line-clamp-1" : "line-clamp-2",
              )}
            >
              {block.title}
            </span>
          </div>
        ))}
        {props.children}
        {(props.ticks ?? []).map((tick, i) => (
          <span
            key={`${tick.at}-${i}`}
            title={`${clockTime(tick.at, zone)} ${tick.words}`}
            className={classes(
              "absolute bottom-0",
              tick.kind === "poll" ? "h-3.5 w-1 bg-attention" : "h-2 w-px bg-ink",
            )}
            style={{ left: left(tick.at) }}
          />
        ))}
        {props.now !== null && props.now !== undefined && props.now >= from && props.now <= to && (
          <span className="absolute inset-y-0 w-0.5 bg-on-air" style={{ left: left(props.now) }} aria-hidden />
        )}
      </div>
      {(props.marks ?? []).map((mark) => (
        <span
          key={`${mark.label}${mark.at}`}
          className={classes(
            "mono absolute bottom-0 text-label whitespace-nowrap text-ink-2",
            railPercent(mark.at, from, to) > 92 && "-translate-x-full",
          )}
          style={{ left: left(mark.at) }}
        >
          {mark.label}
        </span>
      ))}
    </div>
  );
}
