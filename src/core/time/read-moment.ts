import { Temporal } from "temporal-polyfill";
import { readDay } from "./read-day";
import { take, type Found, type MomentFault } from "./take-words";

export type ReadMoment =
  | { readonly local: string }
  /** `words`: what was not understood, or the weekday that the date is not */
  | { readonly fault: MomentFault; readonly words?: string };

const hourOf = (hour: number, minute: number): string | null =>
  hour < 24 && minute < 60 ? `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}` : null;

/** "18:00", "18h30", "6 pm", "6:30 p.m.", "noon": an hour that cannot be part of a date. */
function readSureHour(text: string): Found<string> | null {
  return (
    take(text, /(?<![\d.])(\d{1,2})(?:[:.](\d{2}))?\s*([ap])\.?m\b\.?/, ([, h, m, half]) => {
      const hour = Number(h);
      return hour < 1 || hour > 12 ? null : hourOf((hour % 12) + (half === "p" ? 12 : 0), Number(m ?? 0));
    }) ??
    take(text, /(?<![\d:])(\d{1,2})(?::|\s?h\s?)(\d{2})(?::00)?(?![\d:])\s*(?:h|uhr)?\b/, ([, h, m]) =>
      hourOf(Number(h), Number(m)),
    ) ??
    take(text, /(?<![\d:./])(\d{1,2})\s*(?:h|uhr|o'clock)(?!\w)/, ([, h]) => hourOf(Number(h), 0)) ??
    take(text, /\b(?:noon|midday)\b/, () => "12:00") ??
    take(text, /\bmidnight\b/, () => "00:00")
  );
}

/** "19.30" or a bare "9", once the date is out of the text and cannot be meant. */
const readBareHour = (text: string): Found<string> | null =>
  take(text, /(?<![\d.])(\d{1,2})\.(\d{2})(?![\d.])\s*(?:h|uhr)?/, ([, h, m]) => hourOf(Number(h), Number(m))) ??
  take(text, /(?<![\d.:/-])(\d{1,2})(?![\d.:/-])/, ([, h]) => hourOf(Number(h), 0));

const fillers = /\b(?:at|on|the|um|am|den|from|of|o'clock)\b|[,.·]/g;

/** A day and perhaps an hour somewhere in a text, and the text without them; null where no day is named. */
export function findMoment(
  text: string,
  todayLocal: string,
): { readonly day: string; readonly clock: string | null; readonly rest: string } | null {
  const lower = text.toLowerCase().replace(/(\d)t(\d)/, "$1 $2");
  const sure = readSureHour(lower);
  const day = readDay(sure?.rest ?? lower, Temporal.PlainDate.from(todayLocal.slice(0, 10)));
  if (!day || "fault" in day) return null;
  const hour = sure
    ? null
    : take(day.rest, /(?<![\d.])(\d{1,2})\.(\d{2})(?![\d.])/, ([, h, m]) => hourOf(Number(h), Number(m)));
  return { day: day.value.toString(), clock: sure?.value ?? hour?.value ?? null, rest: hour?.rest ?? day.rest };
}

/**
 * A date and hour as people write them: "26 Nov 2026 18:00", "31/12 at noon", "19.30 on 12 May",
 * "tomorrow 9", "in two weeks", "tuesday week". Numbers alone are day before month; "tuesday week" is
 * the Tuesday a week after the coming one, "next tuesday" that of the next calendar week (*common
 * practice*). Without an hour `hourBefore` stays; a date is never guessed, and nothing that was
 * typed is passed over: what is not understood is the fault.
 * @param todayLocal `YYYY-MM-DD…`, today in the event's zone
 */
export function readMoment(typed: string, todayLocal: string, hourBefore: string | null = null): ReadMoment {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(/\s+/g, " ")
    .replace(/(\d)t(\d)/, "$1 $2");
  const sure = readSureHour(text);
  const day = readDay(sure?.rest ?? text, Temporal.PlainDate.from(todayLocal.slice(0, 10)));
  if (!day || "fault" in day) return day ?? { fault: "no-date" };
  const hour = sure ? null : readBareHour(day.rest);
  const left = (hour?.rest ?? day.rest).replace(fillers, " ").trim().replace(/\s+/g, " ");
  if (left !== "") return { fault: "not-understood", words: left };
  const clock = sure?.value ?? hour?.value ?? hourBefore;
  return clock === null ? { fault: "no-hour" } : { local: `${day.value.toString()}T${clock}` };
}
