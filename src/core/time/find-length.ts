import { take } from "./take-words";

const hourMinutes = 60;
const counts: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4 };
const number = "(\\d{1,3}(?:[.,]\\d)?|an?|one|two|three|four)";
const amount = (words: string): number => counts[words] ?? Number(words.replace(",", "."));

/** "75 min", "1 h 30", "hour and a half", "two hours", "half an hour": a length in minutes, and the text without it. */
export function findLength(text: string): { readonly minutes: number; readonly rest: string } | null {
  const lower = text.toLowerCase();
  const found =
    take(lower, /\bthree[- ]quarters of an hour\b/, () => 45) ??
    take(lower, /\bhalf an hour\b|\bhalf[- ]hour\b/, () => hourMinutes / 2) ??
    take(
      lower,
      new RegExp(`\\b(?:${number} )?hours? and a half\\b`),
      ([, n]) => (amount(n ?? "one") + 0.5) * hourMinutes,
    ) ??
    take(lower, new RegExp(`\\b${number} and a half hours?\\b`), ([, n]) => (amount(n!) + 0.5) * hourMinutes) ??
    take(
      lower,
      /\b(\d{1,2})\s*(?:h|hrs?|hours?)\s*(?:and )?(\d{1,2})(?:\s*(?:m|min|mins|minutes))?\b/,
      ([, h, m]) => Number(h) * hourMinutes + Number(m),
    ) ??
    take(lower, new RegExp(`\\b${number}\\s*(?:h|hrs?|hours?)\\b`), ([, n]) => amount(n!) * hourMinutes) ??
    take(lower, /\b(\d{1,3})\s*(?:m|min|mins|minutes)\b/, ([, m]) => Number(m));
  return found && Number.isInteger(found.value) ? { minutes: found.value, rest: found.rest } : null;
}
