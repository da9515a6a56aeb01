import { durationWords } from "./show-time";

const minutesOf: Readonly<Record<string, number>> = {
  d: 1440,
  day: 1440,
  days: 1440,
  h: 60,
  hour: 60,
  hours: 60,
  m: 1,
  min: 1,
  minute: 1,
  minutes: 1,
};

/**
 * A length as people type it, in minutes: "20", "20 min", "24 h", "1 h 30 min", "1:30", "2 days", "1.5 h".
 * Null for anything else.
 */
export function readSpan(text: string): number | null {
  const typed = text.trim().toLowerCase().replace(",", ".");
  if (/^\d+$/.test(typed)) return Number(typed);
  const clock = /^(\d+):([0-5]\d)$/.exec(typed);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]);
  const parts = [...typed.matchAll(/(\d+(?:\.\d+)?)\s*([a-z]+)/g)];
  const isWhole =
    parts.length > 0 &&
    parts
      .map((part) => part[0])
      .join(" ")
      .replaceAll(" ", "") === typed.replaceAll(" ", "");
  if (!isWhole || parts.some((part) => !Object.hasOwn(minutesOf, part[2]!))) return null;
  return Math.round(parts.reduce((sum, part) => sum + Number(part[1]) * minutesOf[part[2]!]!, 0));
}

/** A length as it is read back: "20 min", "24 h", "3 days". */
export const spanWords = (minutes: number): string =>
  minutes >= 2880 && minutes % 1440 === 0 ? `${minutes / 1440} days` : durationWords(minutes);
