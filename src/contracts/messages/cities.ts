import { cityOf } from "@/core/time";
import { formatLocaleOf, localeOf, messagesFor } from "./catalogue";
import names from "./city-names.json" with { type: "json" };

/** Zones that CLDR keeps under their older names (IANA's `backward` file). */
const olderNames: Readonly<Record<string, string>> = {
  "Africa/Asmara": "Africa/Asmera",
  "America/Argentina/Buenos_Aires": "America/Buenos_Aires",
  "America/Argentina/Catamarca": "America/Catamarca",
  "America/Argentina/Cordoba": "America/Cordoba",
  "America/Argentina/Jujuy": "America/Jujuy",
  "America/Argentina/Mendoza": "America/Mendoza",
  "America/Atikokan": "America/Coral_Harbour",
  "America/Indiana/Indianapolis": "America/Indianapolis",
  "America/Kentucky/Louisville": "America/Louisville",
  "America/Nuuk": "America/Godthab",
  "Asia/Ho_Chi_Minh": "Asia/Saigon",
  "Asia/Kathmandu": "Asia/Katmandu",
  "Asia/Kolkata": "Asia/Calcutta",
  "Asia/Yangon": "Asia/Rangoon",
  "Atlantic/Faroe": "Atlantic/Faeroe",
  "Europe/Kyiv": "Europe/Kiev",
  "Pacific/Chuuk": "Pacific/Truk",
  "Pacific/Kanton": "Pacific/Enderbury",
  "Pacific/Pohnpei": "Pacific/Ponape",
};

/**
 * The city whose clock a zone keeps, as it is called in a language: CLDR's exemplar cities (`cldr-dates-full` 48.2.0,
 * `timeZoneNames`), of which the file beside has those that differ from the zone's own name. For the server: the file
 * is too large for a page.
 */
export function cityIn(zone: string, locale: string): string {
  const own: Readonly<Record<string, string>> = names[localeOf(locale)];
  return own[zone] ?? own[olderNames[zone] ?? ""] ?? cityOf(zone);
}

/** The words around an hour of a zone, in a language, its city named in it. */
export const hourWords = (locale: string, zone: string) => ({
  locale: formatLocaleOf(locale),
  forYou: messagesFor(locale).whenWords.forYou,
  inCity: messagesFor(locale).front.inCity.replace("{city}", cityIn(zone, locale)),
});
