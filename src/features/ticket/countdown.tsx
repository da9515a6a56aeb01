"use client";
import { spanText } from "@/features/shared/times";
import { useNow } from "@/features/shared/use-now";

/** A calm countdown to an instant. `now` is the server's, so that a wrong clock at home does no harm. */
export function Countdown({
  at,
  now,
  locale,
  words,
}: {
  at: number;
  now: number;
  locale: string;
  words: { before: string; after: string };
}) {
  const moment = useNow(now);
  const left = at - moment;
  return (
    <div>
      <p className="text-label text-ink-2">{left > 0 ? words.before : words.after}</p>
      {left > 0 && (
        <output className="block text-clock leading-none" aria-live="off">
          {spanText(left, locale)}
        </output>
      )}
    </div>
  );
}
