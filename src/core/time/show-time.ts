import { wallTimeAt } from "./wall-time";

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(locale: string, zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${locale}|${zone}|${JSON.stringify(options)}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat(locale, { ...options, timeZone: zone });
    formats.set(key, format);
  }
  return format;
}

/** "18:00" in the zone; always the 24-hour clock, as on a call sheet. */
export function clockTime(instant: number, zone: string): string {
  return wallTimeAt(instant, zone).local.slice(11, 16);
}

/** "Fri" in the zone. */
export function weekdayName(instant: number, zone: string, locale = "en-GB"): string {
  return formatOf(locale, zone, { weekday: "short" }).format(instant);
}

/** "Thursday 26 November 2026" in the zone. */
export function longDate(instant: number, zone: string, locale = "en-GB"): string {
  return formatOf(locale, zone, { weekday: "long", day: "numeric", month: "long", year: "numeric" }).format(instant);
}

/** "26 Nov" in the zone. */
export function shortDate(instant: number, zone: string, locale = "en-GB"): string {
  return formatOf(locale, zone, { day: "numeric", month: "short" }).format(instant);
}

/** The city of a zone's name: "America/New_York" → "New York". */
export function cityOf(zone: string): string {
  return (zone.split("/").at(-1) ?? zone).replaceAll("_", " ");
}

export interface TwoZoneTime {
  /** the reader's own: "01:00" or "Fri 01:00" when the days differ */
  readonly reader: string;
  /** the event's: "Thu 19:00 in New York", or null where the clocks agree */
  readonly event: string | null;
}

/**
 * An hour for its reader: the reader's zone first, the event's beside it when they differ, each with
 * its day when the days differ. "Fri 01:00 for you · Thu 19:00 in New York".
 */
export function twoZoneTime(
  instant: number,
  readerZone: string,
  eventZone: string,
  locale = "en-GB",
  inCity = "{time} in {city}",
): TwoZoneTime {
  const mine = wallTimeAt(instant, readerZone).local;
  const theirs = wallTimeAt(instant, eventZone).local;
  if (mine === theirs) return { reader: mine.slice(11), event: null };
  const differentDay = mine.slice(0, 10) !== theirs.slice(0, 10);
  const part = (local: string, zone: string) =>
    differentDay ? `${weekdayName(instant, zone, locale)} ${local.slice(11)}` : local.slice(11);
  return {
    reader: part(mine, readerZone),
    event: inCity.replace("{time}", part(theirs, eventZone)).replace("{city}", cityOf(eventZone)),
  };
}

/** A length in a language, short: "1 h 5 min", "1 Std. 5 Min.". */
export function lengthIn(minutes: number, locale: string): string {
  const unit = (value: number, name: "hour" | "minute") =>
    new Intl.NumberFormat(locale, { style: "unit", unit: name, unitDisplay: "short" }).format(value);
  const [hours, rest] = [Math.floor(Math.round(minutes) / 60), Math.round(minutes) % 60];
  return [hours > 0 && unit(hours, "hour"), (rest > 0 || hours === 0) && unit(rest, "minute")]
    .filter(Boolean)
    .join(" ");
}

/** "1 h 05 min" from minutes; "45 min" below the hour. */
export function durationWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0
    ? `${Math.floor(whole / 60)} h`
    : `${Math.floor(whole / 60)} h ${String(rest).padStart(2, "0")} min`;
}

/** ISO 8601 in UTC for files: whole seconds unless `milliseconds` is asked for. */
export function isoUtc(instant: number, precision: "seconds" | "milliseconds" = "seconds"): string {
  const text = new Date(instant).toISOString();
  return precision === "milliseconds" ? text : text.replace(/\.\d{3}Z$/, "Z");
}

/** "Thu 26 Nov 2026, 18:00" from a local date and time, as it is typed and read back. */
export function localWords(local: string, locale = "en-GB"): string {
  // a wall time without zone: UTC only carries its figures
  const at = Date.parse(`${local}:00Z`);
  const date = formatOf(locale, "UTC", { weekday: "short", day: "numeric", month: "short", year: "numeric" })
    .format(at)
    .replace(",", "")
    .replace("Sept", "Sep");
  return `${date}, ${local.slice(11)}`;
}
