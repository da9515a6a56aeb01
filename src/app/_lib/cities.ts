import "server-only";
import { getTimeZones } from "@vvo/tzdb";
import type { ZoneCity } from "@/features/plan/zone-picker";

/** Cities with their zones, the larger first, for finding a zone by city. */
export const zoneCities = (): readonly ZoneCity[] => [
  ...getTimeZones({ includeUtc: false }).flatMap((one) =>
    one.mainCities.map((city) => ({ zone: one.name, city, country: one.countryName })),
  ),
  { zone: "UTC", city: "UTC", country: "Universal time" },
];
