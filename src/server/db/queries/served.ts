import { recordedMs, type Span } from "@/core/programme";
import type { recordings } from "../schema";

export type RecordingRow = typeof recordings.$inferSelect;

/** What is watched of a recording: the original, or the file of what stays of it. */
export interface Served {
  readonly fileName: string;
  readonly sizeBytes: number;
  /** what stays, on the original's clock; null: all of it */
  readonly kept: readonly Span[] | null;
}
export function servedOf(recording: RecordingRow): Served {
  const { editedFile, editedBytes, kept, fileName, sizeBytes } = recording;
  if (editedFile === null || editedBytes === null || kept === null) return { fileName, sizeBytes, kept: null };
  return { fileName: editedFile, sizeBytes: editedBytes, kept };
}

/** Tells a file apart from the one before it, in addresses: what a browser kept of one is never played as the other. */
export const fileTag = (fileName: string): string => fileName.slice(0, 8);

/** How long what is watched lasts; null where nobody has told yet. */
export const servedSeconds = (recording: RecordingRow): number | null => {
  const { kept } = servedOf(recording);
  return kept ? recordedMs(kept) / 1000 : recording.durationSeconds;
};
