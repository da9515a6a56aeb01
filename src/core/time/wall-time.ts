import { Temporal } from "temporal-polyfill";

/** A future hour as people agreed on it: local date and time, and the IANA zone it is meant in. */
export interface WallTime {
  /** `YYYY-MM-DDTHH:mm`, without offset */
  readonly local: string;
  readonly zone: string;
}

export type WallTimeKind = "plain" | "gap" | "fold";

const minutePrecision = { smallestUnit: "minute" } as const;

/**
 * The instant of a wall time, in milliseconds since the epoch. In a spring gap the offset before the
 * gap counts; of an hour that comes twice the first is meant (RFC 5545 §3.3.5).
 * @example instantOf({ local: "2027-03-28T02:30", zone: "Europe/Madrid" }) // 2027-03-28T01:30Z
 */
export function instantOf(wall: WallTime): number {
  return Temporal.PlainDateTime.from(wall.local).toZonedDateTime(wall.zone, { disambiguation: "compatible" })
    .epochMilliseconds;
}

/** The wall time that a zone shows at an instant, to the minute. */
export function wallTimeAt(instant: number, zone: string): WallTime {
  const zoned = Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(zone);
  return { local: zoned.toPlainDateTime().toString(minutePrecision), zone };
}

/** Whether the wall time exists once, not at all (gap) or twice (fold). */
export function kindOfWallTime(wall: WallTime): WallTimeKind {
  const plain = Temporal.PlainDateTime.from(wall.local);
  const earlier = plain.toZonedDateTime(wall.zone, { disambiguation: "earlier" });
  const later = plain.toZonedDateTime(wall.zone, { disambiguation: "later" });
  if (earlier.epochMilliseconds === later.epochMilliseconds) return "plain";
  return earlier.toPlainDateTime().equals(plain) ? "fold" : "gap";
}

/** Offset from UTC in minutes at an instant; positive east of Greenwich. */
export function offsetMinutesAt(instant: number, zone: string): number {
  const zoned = Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(zone);
  return zoned.offsetNanoseconds / 60e9;
}

/** The next instant after `instant` at which the zone's offset changes, or null for none. */
export function nextTransition(instant: number, zone: string): number | null {
  const zoned = Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(zone);
  return zoned.getTimeZoneTransition("next")?.epochMilliseconds ?? null;
}

/** names that were asked before and are zones: there are some hundreds, and asking costs as much as a registration */
const knownZones = new Set<string>();

/** Whether the name is an IANA zone that this machine's database knows. Fixed offsets are refused. */
export function isZone(name: string): boolean {
  if (knownZones.has(name)) return true;
  if (/^[+-]/.test(name)) return false;
  try {
    new Intl.DateTimeFormat("en", { timeZone: name });
    // names are known in any case of their letters: only the usual ones are kept
    if (knownZones.size < 1000) knownZones.add(name);
    return true;
  } catch {
    return false;
  }
}

/** Whether the text is a real local date and time in the shape `YYYY-MM-DDTHH:mm`. */
export function isLocalDateTime(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(text)) return false;
  try {
    Temporal.PlainDateTime.from(text, { overflow: "reject" });
    return true;
  } catch {
    return false;
  }
}
