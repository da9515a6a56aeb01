import type { UnreadPart } from "@/contracts";

const words: Record<UnreadPart["part"], (detail: string) => string> = {
  zone: (detail) => `the time zone “${detail}”`,
  start: () => "the date and hour: none was found",
  "hour-of-whole-day": () => "the hour: the entry is for a whole day",
  hour: (detail) => `the hour: none stands in “${detail}”`,
  repetition: (detail) => `the repetition “${detail}”`,
  "single-dates": () => "single dates taken out of or put into the series",
  attachments: () => "attached files",
  "more-entries": (detail) =>
    `${detail} more ${detail === "1" ? "entry" : "entries"} of the file: the first alone is taken`,
  length: () => "the length: none was found",
};

/** What of an entry was not taken over. */
export const unreadWords = (unread: readonly UnreadPart[]): string =>
  unread.length === 0
    ? "Everything was taken over."
    : `Taken over, except ${unread.map((one) => words[one.part](one.detail ?? "")).join("; ")}.`;
