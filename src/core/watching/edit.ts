import { mergedChapters, recordedMs, recordingMsAt, union, without, type Span } from "../programme";
import type { Chapter } from "./chapters";

/** A chapter as it was named and placed by hand: on the original's own clock. */
export interface PlacedChapter {
  readonly title: string;
  readonly startSeconds: number;
}

/** What is done to a recording, as a list over the untouched original: each entry can be taken back. */
export interface RecordingEdit {
  /** left out, in milliseconds of the original */
  readonly cuts: readonly Span[];
  /** in place of those that the hour gave; null: as the hour gave them */
  readonly chapters: readonly PlacedChapter[] | null;
}
export const noEdit: RecordingEdit = { cuts: [], chapters: null };
/** Nobody publishes less than that. */
export const shortestEditedMs = 1000;

/** What stays of an original of so many milliseconds: in order, nothing empty. */
export const keptOf = (durationMs: number, cuts: readonly Span[]): readonly Span[] =>
  without([{ from: 0, to: durationMs }], cuts);

/** Where an instant of the original is in what stays: the time kept before it (rule 25, for cuts as for pauses). */
export const editedSeconds = (kept: readonly Span[], originalSeconds: number): number =>
  recordingMsAt(kept, originalSeconds * 1000) / 1000;

/** Where an instant of what stays is in the original; at a seam it is what follows it. */
export function originalSeconds(kept: readonly Span[], seconds: number): number {
  let left = seconds * 1000;
  const spans = union(kept);
  for (const { from, to } of spans) {
    if (left < to - from) return (from + left) / 1000;
    left -= to - from;
  }
  return (spans.at(-1)?.to ?? 0) / 1000;
}

/** Named and placed by hand: each lasts until the next, the last one until the end. */
export const placedChapters = (placed: readonly PlacedChapter[], durationSeconds: number): readonly Chapter[] =>
  [...placed]
    .filter((one) => one.startSeconds < durationSeconds)
    .sort((a, b) => a.startSeconds - b.startSeconds)
    .map((one, i, all) => ({ ...one, endSeconds: all[i + 1]?.startSeconds ?? durationSeconds }));

/** Chapters of the original, on the clock of what stays: one that was cut is gone, a short rest joins the next (rule 25). */
export function editedChapters(chapters: readonly Chapter[], kept: readonly Span[]): readonly Chapter[] {
  const moved = chapters
    .map(({ title, startSeconds, endSeconds }) => ({
      title,
      fromMs: recordingMsAt(kept, startSeconds * 1000),
      toMs: recordingMsAt(kept, endSeconds * 1000),
    }))
    .filter((one) => one.toMs > one.fromMs);
  return mergedChapters(moved).map(({ title, fromMs, toMs }) => ({
    title,
    startSeconds: fromMs / 1000,
    endSeconds: toMs / 1000,
  }));
}

/** Whether something is left to be watched. */
export const leavesEnough = (durationMs: number, cuts: readonly Span[]): boolean =>
  recordedMs(keptOf(durationMs, cuts)) >= shortestEditedMs;

/** Whether a file of so many seconds runs by the clock of the one that it replaces: to the second, as lengths are kept. */
export const fitsClock = (knownSeconds: number | null, seconds: number): boolean =>
  knownSeconds !== null && Math.abs(knownSeconds - seconds) <= 1;
