import ICAL from "ical.js";
import { Refusal } from "@/core/shared";
import { canNeverMatch, instantOf, isZone, localFrom, parseRule, type RecurrenceRule } from "@/core/time";

const maxBytes = 5_000_000;
const mostComponents = 20_000;

/** The components of a calendar file, or a refusal: too large, not readable, nothing in it. */
export function componentsOf(bytes: Uint8Array): readonly ICAL.Component[] {
  if (bytes.byteLength > maxBytes) throw new Refusal({ code: "bad-calendar", reason: "too-large" });
  let root: ICAL.Component;
  try {
    const text = new TextDecoder("utf-8", { fatal: true }).decode(bytes);
    const parsed = ICAL.parse(text) as unknown[];
    root = new ICAL.Component((Array.isArray(parsed[0]) ? parsed[0] : parsed) as never);
  } catch {
    throw new Refusal({ code: "bad-calendar", reason: "unreadable" });
  }
  if (root.name !== "vcalendar") throw new Refusal({ code: "bad-calendar", reason: "unreadable" });
  return root.getAllSubcomponents().slice(0, mostComponents);
}

/** A moment as the file has it: local time in a zone. Dates without an hour begin at midnight. */
export interface FileMoment {
  readonly local: string;
  readonly zone: string;
  readonly isDate: boolean;
}

/** The zone that a TZID means here; null where it is no name of the zone database. */
function zoneOf(tzid: string | null, floating: string): string | null {
  if (!tzid) return floating;
  // some programs put a path before the name
  const name = tzid.replace(
    /^\/?(freeassociation\.sourceforge\.net|citadel\.org|softwarestudio\.org)?\/?(?:\d{8}_\d\/)?/,
    "",
  );
  return isZone(tzid) ? tzid : isZone(name) ? name : null;
}

/** Moments of a property (DTSTART, EXDATE, …), each in its own zone; null where the zone is unknown. */
export function momentsOf(property: ICAL.Property | null, floating: string): FileMoment[] | null {
  if (!property) return [];
  const zone = zoneOf((property.getFirstParameter("tzid") as string | undefined) ?? null, floating);
  if (!zone) return null;
  return (property.getValues() as unknown[]).flatMap((value) => {
    const text = String((value as { toICALString?: () => string }).toICALString?.() ?? value);
    const isUtc = text.endsWith("Z");
    const own = isUtc && !property.getFirstParameter("tzid") ? "UTC" : zone;
    const local = localFrom(text, own);
    return local ? [{ local, zone: own, isDate: text.length === 8 }] : [];
  });
}

/** Minutes from a start to an end, by DTEND or DURATION; a day for a date, nothing for a moment (RFC 5545 §3.6.1). */
export function durationOf(event: ICAL.Component, start: FileMoment): number {
  const duration = event.getFirstPropertyValue("duration") as ICAL.Duration | null;
  if (duration) return Math.round(duration.toSeconds() / 60);
  const end = momentsOf(event.getFirstProperty("dtend"), start.zone)?.[0];
  if (!end) return start.isDate ? 1440 : 0;
  // days are days whatever the clocks do; hours may begin by one zone's clock and end by another's
  const at = ({ local, zone }: FileMoment) => (start.isDate ? Date.parse(`${local}:00Z`) : instantOf({ local, zone }));
  return Math.max(0, (at(end) - at(start)) / 60_000);
}

/** RRULE of an event: none, a rule, or the part of it that cannot be kept. */
export function ruleOf(event: ICAL.Component, zone: string): { rule: RecurrenceRule | null; unread: string | null } {
  const value = event.getFirstPropertyValue("rrule") as { toString(): string } | null;
  if (!value) return { rule: null, unread: null };
  const parsed = parseRule(value.toString(), zone);
  // no day of any calendar: said instead of being searched for through centuries
  if (parsed.ok && canNeverMatch(parsed.value)) return { rule: null, unread: value.toString() };
  return parsed.ok
    ? { rule: parsed.value, unread: null }
    : { rule: null, unread: parsed.failure.code === "rule-part-unknown" ? parsed.failure.part : value.toString() };
}

export const textOf = (event: ICAL.Component, name: string): string =>
  String(event.getFirstPropertyValue(name) ?? "").trim();
