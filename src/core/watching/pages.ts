import { recordingMsAt, type Span } from "../programme";

/** A page of slides that everybody saw, as instants. */
export interface PageOn {
  readonly deckId: string;
  readonly page: number;
  readonly startAt: number;
  readonly endAt: number;
}
/** The same on what is watched, in its seconds. */
export interface PageStretch {
  readonly deckId: string;
  readonly page: number;
  readonly startSeconds: number;
  readonly endSeconds: number;
}
/** A page as it stands beside a stretch of what is watched. */
export interface PageBeside extends Omit<PageStretch, "deckId"> {
  readonly pictureId: string;
  readonly pageCount: number;
}
/** A page was shown, or the slides were put away. */
export interface PageTurn {
  readonly at: number;
  readonly shown: { readonly deckId: string; readonly page: number } | null;
}

/** Each page from its turn until the next. @param turns in their order @param endAt when the hour ended */
export function pagesOn(turns: readonly PageTurn[], endAt: number): readonly PageOn[] {
  return turns.flatMap(({ at, shown }, i) => {
    const until = turns[i + 1]?.at ?? endAt;
    return shown && until > at ? [{ ...shown, startAt: at, endAt: until }] : [];
  });
}

/** What tells where an instant of the hour is in what is watched. */
export interface RecordingClock {
  /** the recording's first instant, where no spans are known */
  readonly startAt: number;
  readonly durationSeconds: number;
  /** of what the room recorded itself: its spans of wall time (rule 25) */
  readonly spans: readonly Span[] | null;
  /** of one that was cut: what stays, on the original's clock */
  readonly kept: readonly Span[] | null;
}

/** Pages beside what is watched: pauses and cuts are left out, a page that goes on over a seam is one stretch. */
export function pageStretches(pages: readonly PageOn[], clock: RecordingClock): readonly PageStretch[] {
  const lengthMs = clock.durationSeconds * 1000;
  const original = (at: number) =>
    clock.spans ? recordingMsAt(clock.spans, at) : Math.min(Math.max(at - clock.startAt, 0), lengthMs);
  const seconds = (at: number) => {
    const ms = original(at);
    return (clock.kept ? recordingMsAt(clock.kept, ms) : ms) / 1000;
  };
  const out: PageStretch[] = [];
  for (const { deckId, page, startAt, endAt } of pages) {
    const [startSeconds, endSeconds] = [seconds(startAt), seconds(endAt)];
    const last = out.at(-1);
    if (endSeconds <= startSeconds) continue;
    if (last?.deckId === deckId && last.page === page && last.endSeconds === startSeconds)
      out[out.length - 1] = { ...last, endSeconds };
    else out.push({ deckId, page, startSeconds, endSeconds });
  }
  return out;
}
