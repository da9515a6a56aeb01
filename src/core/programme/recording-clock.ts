/** A half-open span of wall time, in milliseconds. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** In order, without overlap, nothing empty. */
export function union(spans: readonly Span[]): readonly Span[] {
  const out: Span[] = [];
  for (const { from, to } of [...spans].filter((one) => one.to > one.from).sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && from <= last.to) out[out.length - 1] = { from: last.from, to: Math.max(last.to, to) };
    else out.push({ from, to });
  }
  return out;
}

/** What is in `spans` and in none of `cuts`. */
export function without(spans: readonly Span[], cuts: readonly Span[]): readonly Span[] {
  return union(cuts).reduce<readonly Span[]>(
    (left, cut) =>
      left.flatMap(({ from, to }) =>
        [
          { from, to: Math.min(to, cut.from) },
          { from: Math.max(from, cut.to), to },
        ].filter((one) => one.to > one.from),
      ),
    union(spans),
  );
}

/** How long a recording is, in milliseconds. */
export const recordedMs = (spans: readonly Span[]): number =>
  union(spans).reduce((sum, { from, to }) => sum + to - from, 0);

/** Recording time of an instant: recorded time before it; an instant in a pause is the pause's point (rule 25). */
export const recordingMsAt = (spans: readonly Span[], at: number): number =>
  union(spans).reduce((sum, { from, to }) => sum + Math.max(0, Math.min(at, to) - from), 0);

/** The same after the recording was trimmed to a…b of its own time. */
export const trimmedMs = (recordingMs: number, { from, to }: Span): number =>
  Math.min(Math.max(recordingMs - from, 0), to - from);

/** A chapter on the recording's own clock. */
export interface ClockedChapter {
  readonly title: string;
  readonly fromMs: number;
  readonly toMs: number;
}
const shortestChapterMs = 5000;

/** Chapters of less than 5 s are merged with the next; the last one with the one before it (rule 25). */
export function mergedChapters(chapters: readonly ClockedChapter[]): readonly ClockedChapter[] {
  const out: ClockedChapter[] = [];
  let fromMs: number | null = null;
  for (const one of chapters) {
    const from: number = fromMs ?? one.fromMs;
    if (one.toMs - from >= shortestChapterMs) {
      out.push({ ...one, fromMs: from });
      fromMs = null;
    } else fromMs = from;
  }
  const last = out.at(-1);
  const end = chapters.at(-1)?.toMs;
  if (fromMs !== null && end !== undefined) {
    if (last) out[out.length - 1] = { ...last, toMs: end };
    else out.push({ title: chapters.at(-1)!.title, fromMs, toMs: end });
  }
  return out;
}
