import type ICAL from "ical.js";
import { busyTimes, type BusyCalendar, type BusyEntry } from "@/core/people";
import { Refusal } from "@/core/shared";
import { instantOf, type Interval, type IntervalSet } from "@/core/time";
import { componentsOf, durationOf, momentsOf, ruleOf, textOf } from "./read";

export interface ReadBusy {
  readonly calendar: BusyCalendar;
  /** what could not be read, said by its title or rule */
  readonly unread: readonly string[];
}

const isFree = (event: ICAL.Component): boolean =>
  textOf(event, "transp").toUpperCase() === "TRANSPARENT" || textOf(event, "status").toUpperCase() === "CANCELLED";

interface Draft extends BusyEntry {
  readonly uid: string;
  readonly overrides: Map<string, { startLocal: string; durationMinutes: number } | null>;
}

function master(event: ICAL.Component, floating: string): Draft | string {
  const start = momentsOf(event.getFirstProperty("dtstart"), floating)?.[0];
  if (!start) return textOf(event, "summary") || "an entry without a readable start";
  const { rule, unread } = ruleOf(event, start.zone);
  if (unread) return `${textOf(event, "summary")} (${unread})`;
  const list = (name: string) =>
    event
      .getAllProperties(name)
      .flatMap((property) => momentsOf(property, start.zone) ?? [])
      .map((moment) => moment.local);
  return {
    uid: textOf(event, "uid"),
    startLocal: start.local,
    zone: start.zone,
    durationMinutes: durationOf(event, start),
    rule,
    exdates: list("exdate"),
    rdates: list("rdate"),
    overrides: new Map(),
  };
}

/** VFREEBUSY's periods that are not FREE (RFC 5545 §3.8.2.6). */
function namedSpans(component: ICAL.Component): Interval[] {
  return component.getAllProperties("freebusy").flatMap((property) => {
    if (String(property.getFirstParameter("fbtype") ?? "BUSY").toUpperCase() === "FREE") return [];
    return (property.getValues() as { start?: { toJSDate(): Date }; getEnd?: () => { toJSDate(): Date } }[]).flatMap(
      (period) => {
        const [start, end] = [period.start?.toJSDate().getTime(), period.getEnd?.().toJSDate().getTime()];
        return start !== undefined && end !== undefined && start <= end ? [{ start, end }] : [];
      },
    );
  });
}

/**
 * Busy times of a calendar file: events that are neither transparent nor called off, with their rules,
 * exceptions and moved dates, and the periods of VFREEBUSY. Titles are not kept.
 * @param floating the zone of times without one
 */
export function readBusyCalendar(bytes: Uint8Array, floating = "UTC"): ReadBusy {
  const components = componentsOf(bytes);
  const unread: string[] = [];
  const entries: Draft[] = [];
  const events = components.filter((one) => one.name === "vevent");
  for (const event of events.filter((one) => !one.getFirstProperty("recurrence-id"))) {
    if (isFree(event)) continue;
    const entry = master(event, floating);
    if (typeof entry === "string") unread.push(entry.slice(0, 200));
    else entries.push(entry);
  }
  for (const event of events.filter((one) => one.getFirstProperty("recurrence-id"))) {
    const entry = entries.find((one) => one.uid === textOf(event, "uid"));
    const original = momentsOf(event.getFirstProperty("recurrence-id"), entry?.zone ?? floating)?.[0];
    const start = momentsOf(event.getFirstProperty("dtstart"), entry?.zone ?? floating)?.[0];
    if (!entry || !original) continue;
    entry.overrides.set(
      original.local,
      isFree(event) || !start ? null : { startLocal: start.local, durationMinutes: durationOf(event, start) },
    );
  }
  const spans = components.filter((one) => one.name === "vfreebusy").flatMap(namedSpans);
  if (entries.length === 0 && spans.length === 0 && unread.length === 0)
    throw new Refusal({ code: "bad-calendar", reason: "nothing-in-it" });
  // an hour that does not exist in its zone must not stop the reading of the others
  const readable = entries.filter((entry) => Number.isFinite(instantOf({ local: entry.startLocal, zone: entry.zone })));
  return { calendar: { entries: readable, spans }, unread: unread.slice(0, 50) };
}

/** The same, its rules laid out over a span of time: what is kept of a file. */
export function busyFile(
  bytes: Uint8Array,
  range: Interval,
): { readonly spans: IntervalSet; readonly entries: number; readonly unread: readonly string[] } {
  const { calendar, unread } = readBusyCalendar(bytes);
  const entries = calendar.entries.length + calendar.spans.length;
  return { spans: busyTimes([calendar], range), entries, unread };
}
