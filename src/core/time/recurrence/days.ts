import { weekdayCodes, type WeekdayCode } from "./rule";

/** Days since 1970-01-01 of the proleptic Gregorian calendar: plain numbers, quick to count with. */
export type DayNumber = number;

const msPerDay = 86_400_000;

/** Month 1–12; day 0 and negative days count back from the first, as `Date.UTC` has it. */
export const dayNumber = (year: number, month: number, day: number): DayNumber =>
  Date.UTC(year, month - 1, day) / msPerDay;

export function civil(day: DayNumber): { year: number; month: number; day: number } {
  const date = new Date(day * msPerDay);
  return { year: date.getUTCFullYear(), month: date.getUTCMonth() + 1, day: date.getUTCDate() };
}

export const daysInMonth = (year: number, month: number): number =>
  dayNumber(year, month + 1, 1) - dayNumber(year, month, 1);

/** 0 is Monday. 1970-01-01 was a Thursday. */
export const weekdayIndex = (day: DayNumber): number => (((day + 3) % 7) + 7) % 7;
export const indexOf = (code: WeekdayCode): number => weekdayCodes.indexOf(code);
export const weekdayOf = (day: DayNumber): WeekdayCode => weekdayCodes[weekdayIndex(day)]!;

/** From `YYYY-MM-DD…`. */
export const dayOfLocal = (local: string): DayNumber =>
  dayNumber(Number(local.slice(0, 4)), Number(local.slice(5, 7)), Number(local.slice(8, 10)));

/** `YYYY-MM-DD`. */
export const dateText = (day: DayNumber): string => new Date(day * msPerDay).toISOString().slice(0, 10);

/** A local date and time moved by whole minutes of wall time, no zone in it. */
export function shiftLocal(local: string, minutes: number): string {
  return new Date(Date.parse(`${local}:00Z`) + minutes * 60_000).toISOString().slice(0, 16);
}

/** Minutes of wall time from one local date and time to another. */
export const minutesBetween = (from: string, to: string): number =>
  (Date.parse(`${to}:00Z`) - Date.parse(`${from}:00Z`)) / 60_000;
