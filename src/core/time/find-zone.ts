/** A place whose clock an event can keep. */
export interface ZoneCity {
  readonly zone: string;
  readonly city: string;
  readonly country: string;
  /** other names of the place or of its zone, old ones among them */
  readonly also: readonly string[];
}

export const cityLabel = ({ city, country }: Pick<ZoneCity, "city" | "country">): string => `${city}, ${country}`;

/** Names as they are compared: in one case, without accents, signs and small words. */
const plain = (text: string): string =>
  text
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/ß/g, "ss")
    .replace(/ø/g, "o")
    .replace(/[^\p{L}\p{N}/+]+/gu, " ")
    .trim();

/** Cities that changed their names, or that many know by another (from memory; CLDR's exemplar cities have the new ones). */
const otherNames: Readonly<Record<string, readonly string[]>> = {
  Mumbai: ["Bombay", "Calcutta", "Chennai", "Madras"],
  Kolkata: ["Calcutta"],
  Chennai: ["Madras"],
  Bengaluru: ["Bangalore"],
  "Ho Chi Minh City": ["Saigon"],
  Beijing: ["Peking"],
  Yangon: ["Rangoon"],
  Kyiv: ["Kiev"],
  Kathmandu: ["Katmandu"],
  "New York City": ["New York", "NYC"],
  Lisbon: ["Lisboa"],
  Vienna: ["Wien"],
  Cologne: ["Köln"],
  Munich: ["München"],
  Rome: ["Roma"],
  Moscow: ["Moskva"],
  Cairo: ["Al Qahirah"],
  Tehran: ["Teheran"],
  Tokyo: ["Tokio"],
  Seville: ["Sevilla"],
  Geneva: ["Genève", "Genf"],
  Istanbul: ["Constantinople"],
  "Saint Petersburg": ["St Petersburg", "Leningrad"],
  Reykjavík: ["Reykjavik"],
};

/** A city with all the names by which it is found. @param windows its zone's names in CLDR's `windowsZones` */
export const withNames = (one: Omit<ZoneCity, "also">, windows: readonly string[] = []): ZoneCity => ({
  ...one,
  also: [...(otherNames[one.city] ?? []), one.zone, one.zone.split("/").at(-1)!.replaceAll("_", " "), ...windows],
});

/**
 * The places that a text may mean, the surest first: the whole name with its country, a city's or zone's whole name,
 * then names that begin so. Nothing for what names no place: the hour before is no answer.
 */
export function findZones(text: string, cities: readonly ZoneCity[], most = 8): readonly ZoneCity[] {
  const wanted = plain(text);
  if (wanted === "") return [];
  const rankOf = (one: ZoneCity): number => {
    if (plain(cityLabel(one)) === wanted) return 0;
    const names = [one.city, ...one.also].map(plain);
    if (names.includes(wanted)) return 1;
    if (names.some((name) => name.startsWith(wanted)) || plain(cityLabel(one)).startsWith(wanted)) return 2;
    return plain(one.country) === wanted ? 3 : 4;
  };
  return cities
    .map((one, i) => ({ one, rank: rankOf(one), i }))
    .filter(({ rank }) => rank < 4)
    .sort((a, b) => a.rank - b.rank || a.i - b.i)
    .slice(0, most)
    .map(({ one }) => one);
}

/** The one place that a text names for certain: by its whole name, or by all that begin so keeping one clock. */
export function zoneNamed(text: string, cities: readonly ZoneCity[]): ZoneCity | null {
  const found = findZones(text, cities, cities.length);
  const [first] = found;
  if (!first) return null;
  const wanted = plain(text);
  const isWhole = [cityLabel(first), first.city, ...first.also].some((name) => plain(name) === wanted);
  return isWhole || new Set(found.map((one) => one.zone)).size === 1 ? first : null;
}
