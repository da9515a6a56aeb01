"use client";
import type { PlacedChapter } from "@/core/watching";
import { spanText } from "@/features/shared/times";
import { Press } from "@/ui";

/** What is left out is hatched: it can be told apart without its colour. */
const hatched = "repeating-linear-gradient(135deg, var(--wrong) 0 2px, transparent 2px 7px)";

/** The whole original from left to right: its chapters, what is left out of it, and where the player stands. */
export function EditRail(props: {
  seconds: number;
  at: number;
  chapters: readonly PlacedChapter[];
  cuts: readonly { readonly fromSeconds: number; readonly toSeconds: number }[];
  goTo: (seconds: number) => void;
}) {
  const { seconds, goTo } = props;
  if (seconds <= 0) return null;
  const share = (at: number) => `${(Math.min(Math.max(at, 0), seconds) / seconds) * 100}%`;
  const chapters = [...props.chapters]
    .filter((one) => one.startSeconds < seconds)
    .sort((a, b) => a.startSeconds - b.startSeconds);
  return (
    <section aria-label="The whole recording" className="mt-3">
      <div className="relative h-14 border-y border-rule bg-sheet">
        {chapters.map((one, i) => (
          <Press
            key={i}
            onClick={() => goTo(one.startSeconds)}
            className="absolute inset-y-0 overflow-hidden border-s border-rule px-1.5 py-1 text-start hover:bg-raised"
            style={{
              insetInlineStart: share(one.startSeconds),
              width: `calc(${share(chapters[i + 1]?.startSeconds ?? seconds)} - ${share(one.startSeconds)})`,
            }}
          >
            <span className="mono block text-label text-ink-2">{spanText(one.startSeconds * 1000)}</span>
            <span className="block truncate" dir="auto">
              {one.title}
            </span>
          </Press>
        ))}
        {props.cuts.map(({ fromSeconds, toSeconds }, i) => (
          <span
            key={i}
            aria-hidden
            data-left-out
            className="pointer-events-none absolute inset-y-0 border-x border-wrong"
            style={{
              insetInlineStart: share(fromSeconds),
              width: `calc(${share(toSeconds)} - ${share(fromSeconds)})`,
              backgroundImage: hatched,
            }}
          />
        ))}
        <span
          aria-hidden
          className="pointer-events-none absolute -inset-y-1 w-0.5 bg-action"
          style={{ insetInlineStart: share(props.at) }}
        />
      </div>
    </section>
  );
}
