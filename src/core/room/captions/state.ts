/** A correction within this time takes the place of the line (rule 24). */
export const correctWithinMs = 10_000;
export const mostCaptionLetters = 400;

export interface CaptionsState {
  /** BCP 47, in the order they were opened */
  readonly languages: readonly string[];
}
export const noCaptions: CaptionsState = { languages: [] };
export const mostCaptionLanguages = 6;

/** One caption as it stands: at most two lines. */
export interface CaptionLine {
  readonly id: string;
  readonly language: string;
  readonly lines: readonly string[];
  /** wall time at which it began to stand */
  readonly at: number;
  readonly standsMs: number;
}
