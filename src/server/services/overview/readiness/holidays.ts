import { getTimeZones } from "@vvo/tzdb";
import Holidays from "date-holidays";

const countries = new Map(
  getTimeZones().flatMap((zone) => zone.group.map((name) => [name, zone.countryCode] as const)),
);
const calendars = new Map<string, Holidays>();

/** The public holiday of a zone's country on a local day, by name; null for a working day or an unknown country. */
export function holidayOn(zone: string, local: string): string | null {
  const country = countries.get(zone);
  if (!country) return null;
  let calendar = calendars.get(country);
  if (!calendar) {
    calendar = new Holidays(country);
    calendars.set(country, calendar);
  }
  const day = local.slice(0, 10);
  const hit = calendar
    .getHolidays(Number(day.slice(0, 4)), "en")
    .find((one) => one.type === "public" && one.date.slice(0, 10) === day);
  return hit?.name ?? null;
}
