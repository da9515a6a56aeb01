import type { KeptSpace } from "./space";
import type { RecordingWay } from "./state";

/** The sign on every screen. */
export interface RecordingSignItem {
  readonly isOn: boolean;
  readonly isPaused: boolean;
}
/** For the stage side: whether they are asked. */
export interface RecordingAskItem {
  readonly isAsked: boolean;
  /** the event's own words; empty: the product's */
  readonly words: string;
}
/** For the desk. */
export interface RecordingItem {
  readonly way: RecordingWay | null;
  readonly isPaused: boolean;
  /** wall time of the span that runs; null while nothing is kept */
  readonly openedAt: number | null;
  /** recorded before it, in milliseconds */
  readonly keptMs: number;
  readonly isAsked: boolean;
  /** people on the stage side who are there and have not agreed yet */
  readonly missing: readonly { readonly id: string; readonly name: string }[];
  readonly space: KeptSpace | null;
}
/** One's own, of people on the stage side. */
export interface OwnRecording {
  readonly hasAgreed: boolean;
}
