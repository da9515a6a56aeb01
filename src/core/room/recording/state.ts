import { Book } from "../../shared";
import type { Span } from "../../programme";

/** How it begins and pauses: with the curtain, or by hand alone (rule 25). */
export const recordingWays = ["curtain", "hand"] as const;
export type RecordingWay = (typeof recordingWays)[number];

export interface RecordingState {
  /** null: nothing is recorded */
  readonly way: RecordingWay | null;
  readonly isPaused: boolean;
  /** what was recorded, in wall time */
  readonly spans: readonly Span[];
  readonly openedAt: number | null;
  readonly isCurtainUp: boolean;
  /** the desk asked everybody on stage */
  readonly isAsked: boolean;
  /** who agreed */
  readonly agreed: Book<true>;
}
export const noRecording: RecordingState = {
  way: null,
  isPaused: false,
  spans: [],
  openedAt: null,
  isCurtainUp: false,
  isAsked: false,
  agreed: Book.empty(),
};

/** Whether what happens at this moment is kept. */
export const isRecorded = (own: RecordingState): boolean => own.openedAt !== null;
const isDue = ({ way, isPaused, isCurtainUp }: RecordingState): boolean =>
  way !== null && !isPaused && (way === "hand" || isCurtainUp);

/** Opens or closes the span as the state asks for at an instant. */
export function settled(own: RecordingState, at: number): RecordingState {
  if (isDue(own)) return own.openedAt === null ? { ...own, openedAt: at } : own;
  return own.openedAt === null
    ? own
    : { ...own, openedAt: null, spans: [...own.spans, { from: own.openedAt, to: at }] };
}
/** Every span, the one that still runs up to an instant. */
export const spansUntil = ({ spans, openedAt }: RecordingState, now: number): readonly Span[] =>
  openedAt === null ? spans : [...spans, { from: openedAt, to: Math.max(now, openedAt) }];
