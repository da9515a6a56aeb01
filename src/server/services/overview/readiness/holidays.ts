import { getTimeZones } from "@vvo/tzdb";
import Holidays from "date-holidays";
import { LRUCache } from "lru-cache";

const countries = new Map(
  getTimeZones().flatMap((zone) => zone.group.map((name) => [name, zone.countryCode] as const)),
);

/** Public holidays of a country in a year, by local day. Reckoning one year takes milliseconds, and a season asks hundreds of times. */
const known = new LRUCache<string, ReadonlyMap<string, string>>({ max: 500 });

function publicHolidays(country: string, year: string): ReadonlyMap<string, string> {
  const key = `${country} ${year}`;
  const kept = known.get(key);
  if (kept) return kept;
  const days = new Map<string, string>();
  for (const { type, date, name } of new Holidays(country).getHolidays(Number(year), "en")) {
    const day = date.slice(0, 10);
    if (type === "public" && !days.has(day)) days.set(day, name);
  }
  known.set(key, days);
  return days;
}

/** The public holiday of a zone's country on a local day, by name; null for a working day or an unknown country. */
export function holidayOn(zone: string, local: string): string | null {
  const country = countries.get(zone);
  return country ? (publicHolidays(country, local.slice(0, 4)).get(local.slice(0, 10)) ?? null) : null;
}
