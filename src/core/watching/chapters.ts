import { mergedChapters, recordingMsAt, type Span } from "../programme";

/** A chapter on the recording's own clock, in seconds. */
export interface Chapter {
  readonly title: string;
  readonly startSeconds: number;
  readonly endSeconds: number;
}

/** When a segment was on, as instants. */
export interface PlayedSegment {
  readonly title: string;
  readonly startAt: number;
  readonly endAt: number;
}

/** WebVTT time stamp with hours (W3C WebVTT §3.3). */
export function vttTime(seconds: number): string {
  const ms = Math.round(seconds * 1000);
  const part = (value: number, width: number) => String(value).padStart(width, "0");
  return `${part(Math.floor(ms / 3_600_000), 2)}:${part(Math.floor(ms / 60_000) % 60, 2)}:${part(Math.floor(ms / 1000) % 60, 2)}.${part(ms % 1000, 3)}`;
}

/**
 * Chapters of a recording that began at `recordingStartAt` and lasts `durationSeconds`: each segment
 * clipped to the recording; what lies outside falls away.
 */
export function chaptersOf(
  segments: readonly PlayedSegment[],
  recordingStartAt: number,
  durationSeconds: number,
): readonly Chapter[] {
  const seconds = (at: number) => Math.min(Math.max((at - recordingStartAt) / 1000, 0), durationSeconds);
  return segments
    .map((one) => ({ title: one.title, startSeconds: seconds(one.startAt), endSeconds: seconds(one.endAt) }))
    .filter((one) => one.endSeconds > one.startSeconds);
}

/**
 * Chapters of what the room recorded itself, on the recording's clock: recorded time before each segment's edges, with
 * the pauses left out, and what is shorter than 5 s taken into the next (rule 25).
 */
export function clockedChapters(
  segments: readonly PlayedSegment[],
  spans: readonly Span[],
  durationSeconds: number,
): readonly Chapter[] {
  const clocked = segments
    .map(({ title, startAt, endAt }) => ({
      title,
      fromMs: recordingMsAt(spans, startAt),
      toMs: recordingMsAt(spans, endAt),
    }))
    .filter((one) => one.toMs > one.fromMs);
  return mergedChapters(clocked).map(({ title, fromMs, toMs }) => ({
    title,
    startSeconds: Math.min(fromMs / 1000, durationSeconds),
    endSeconds: Math.min(toMs / 1000, durationSeconds),
  }));
}

const escapeCue = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replace(/\s+/g, " ").trim();

/** A WebVTT chapters file (W3C WebVTT: header, blank line, cues; `-->` cannot stand in a payload). */
export function chaptersFile(chapters: readonly Chapter[]): string {
  const cues = chapters.map(
    (one, i) => `${i + 1}\n${vttTime(one.startSeconds)} --> ${vttTime(one.endSeconds)}\n${escapeCue(one.title)}\n`,
  );
  return ["WEBVTT\n", ...cues].join("\n");
}
