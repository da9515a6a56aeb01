import type { Span } from "@/core/programme";

/** Pieces that follow one another without a gap, and what reads them: paths on this machine. */
export interface PieceRun {
  readonly initPath: string;
  readonly piecePaths: readonly string[];
  /** how long its pieces are together */
  readonly seconds: number;
  /** where its first picture belongs on the recording's own clock */
  readonly fromSeconds: number;
}
export interface JoinJob {
  readonly kind: "join";
  readonly runs: readonly PieceRun[];
  readonly outPath: string;
}
/** One file of what stays of another. */
export interface CutJob {
  readonly kind: "cut";
  readonly path: string;
  /** what stays, in milliseconds of the original, in order */
  readonly kept: readonly Span[];
  readonly outPath: string;
}
/** The sound of a file without its picture: nothing is encoded again. */
export interface SoundJob {
  readonly kind: "sound";
  readonly path: string;
  readonly outPath: string;
}
/** How long a file is; nothing is written. */
export interface LengthJob {
  readonly kind: "length";
  readonly path: string;
}
export type MediaJob = JoinJob | CutJob | SoundJob | LengthJob;

/** What the thread says while it works, and at the end. */
export type MediaWord =
  | { readonly kind: "progress"; readonly done: number; readonly all: number }
  | {
      readonly kind: "done";
      readonly durationSeconds: number;
      /** of a cut: what it came to, where pictures begin by themselves; in milliseconds of the original */
      readonly kept?: readonly Span[];
    }
  | { readonly kind: "failed"; readonly why: string };
export type MediaWorker = (job: MediaJob) => AsyncIterable<MediaWord>;
