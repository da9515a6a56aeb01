import type { CaptionRow, LogRow } from "@/contracts";
import { breakCaptions } from "@/core/room";

/** A caption that may be shown: its two lines at most, from when and for how long. */
export interface Shown {
  readonly key: string;
  readonly lines: readonly string[];
  readonly from: number;
  readonly until: number;
}

/** A line that a captioner wrote, with its id. */
export type WrittenLine = CaptionRow & { readonly id: string };
export const linesOf = (rows: readonly LogRow[], language: string): readonly WrittenLine[] =>
  rows.map((row) => ({ id: row.id, ...(row.row as CaptionRow) })).filter((line) => line.language === language);

/**
 * Captions one after the other, as they are read: each waits until the one before has stood, so that nothing is
 * skipped where somebody writes fast; whoever falls far behind catches up with what is said now.
 */
export function shownFrom(lines: readonly WrittenLine[], mostBehindMs = 12_000): readonly Shown[] {
  const out: Shown[] = [];
  let free = -Infinity;
  for (const line of lines) {
    for (const [i, { lines: words, standsMs }] of line.captions.entries()) {
      if (free - line.at > mostBehindMs) free = line.at;
      const from = Math.max(line.at, free);
      free = from + standsMs;
      out.push({ key: `${line.id}/${i}`, lines: words, from, until: free });
    }
  }
  return out;
}

/** The caption that stands at an instant: the latest that has begun and is not over. */
export const standingAt = (shown: readonly Shown[], now: number): Shown | null =>
  shown.findLast((one) => one.from <= now && now < one.until) ?? null;

/** What is being typed shows for so long after the last letter. */
export const typingMs = 4000;

/** The two lines that a reader sees now: the caption that stands, else the end of what is being typed. */
export function linesNow(
  shown: readonly Shown[],
  typed: { readonly text: string; readonly at: number } | undefined,
  { now, ahead }: { readonly now: number; readonly ahead: number },
): readonly string[] {
  const standing = standingAt(shown, now);
  if (standing) return standing.lines;
  const isFresh = typed !== undefined && now - (typed.at + ahead) < typingMs;
  return isFresh ? (breakCaptions(typed.text).at(-1) ?? []) : [];
}

/** What somebody is typing, and when that came, by this browser's clock. */
export interface Typed {
  readonly text: string;
  readonly at: number;
}
/** What stood there at an instant: the last that had come by then. */
export const typedBefore = (typed: readonly Typed[], at: number): Typed | undefined =>
  typed.findLast((one) => one.at <= at);
