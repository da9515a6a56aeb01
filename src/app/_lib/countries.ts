import "server-only";
import { getTimeZones } from "@vvo/tzdb";

let codes: readonly string[] | null = null;

/** Every country that has a time zone, by its name in a language (ISO 3166 codes, names by CLDR). */
export function countriesIn(locale: string): { code: string; name: string }[] {
  codes ??= [...new Set(getTimeZones({ includeUtc: false }).map((zone) => zone.countryCode))].filter((code) =>
    /^[A-Z]{2}$/.test(code),
  );
  const names = new Intl.DisplayNames(locale, { type: "region" });
  const collator = new Intl.Collator(locale);
  return codes.map((code) => ({ code, name: names.of(code) ?? code })).sort((a, b) => collator.compare(a.name, b.name));
}
