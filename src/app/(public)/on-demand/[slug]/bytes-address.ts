import { soundOf } from "@/server/services/afterwards/make-sounds";
import { fileTag, servedOf, type RecordingRow } from "@/server/services/afterwards/own-recording";

const addressOf = (recording: RecordingRow, fileName: string, ticket: string | null, more: Record<string, string>) => {
  const { slug, occurrenceId } = recording;
  const query = new URLSearchParams({ slug, file: fileTag(fileName), ...more, ...(ticket ? { ticket } : {}) });
  return `/live/${occurrenceId}/on-demand?${query.toString()}`;
};

/**
 * Where the bytes of a recording are, as it is watched: the live edge passes them on.
 * @param ticket the token that a mail's link brought
 */
export const pictureAddress = (recording: RecordingRow, ticket: string | null): string =>
  addressOf(recording, servedOf(recording).fileName, ticket, {});

/** The same of its sound alone; null where there is none. */
export function soundAddress(recording: RecordingRow, ticket: string | null): string | null {
  const sound = soundOf(recording);
  return sound && addressOf(recording, sound.fileName, ticket, { sound: "1" });
}
