import "server-only";
import { getTimeZones } from "@vvo/tzdb";
import { findWindows } from "windows-iana";
import { withNames, type ZoneCity } from "@/core/time";

/** Cities with their zones, the larger first, for finding a zone by city; by the name that Windows has for it too (CLDR). */
export const zoneCities = (): readonly ZoneCity[] => [
  ...getTimeZones({ includeUtc: false }).flatMap((one) =>
    one.mainCities.map((city) => {
      const windows = findWindows(one.name) ?? [];
      return withNames({ zone: one.name, city, country: one.countryName }, windows);
    }),
  ),
  withNames({ zone: "UTC", city: "UTC", country: "Universal time" }),
];
