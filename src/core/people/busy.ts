import {
  instantOf,
  intersectionOf,
  minuteMs,
  starts,
  unionOf,
  wallTimeAt,
  type Interval,
  type IntervalSet,
  type RecurrenceRule,
} from "../time";

/** One entry of somebody's calendar as it counts for free or busy: once, or by a rule. */
export interface BusyEntry {
  readonly startLocal: string;
  readonly zone: string;
  readonly durationMinutes: number;
  readonly rule: RecurrenceRule | null;
  readonly exdates: readonly string[];
  readonly rdates: readonly string[];
  /** single dates that differ, keyed by their original start; null: called off or free */
  readonly overrides: ReadonlyMap<string, { readonly startLocal: string; readonly durationMinutes: number } | null>;
}

/** What a calendar says: entries in wall time, and spans that it names as busy outright (VFREEBUSY). */
export interface BusyCalendar {
  readonly entries: readonly BusyEntry[];
  readonly spans: readonly Interval[];
}

/** Dates of one entry that are looked at, at most: over half a century of days. */
const mostDates = 20_000;

const spanOf = (startLocal: string, zone: string, durationMinutes: number): Interval => {
  const start = instantOf({ local: startLocal, zone });
  return { start, end: start + Math.max(0, durationMinutes) * minuteMs };
};

/** Original starts of an entry up to a local moment; what EXDATE takes out is left out. */
function originalStarts(entry: BusyEntry, fromLocal: string, lastLocal: string): string[] {
  const gone = new Set(entry.exdates);
  const out = new Set(entry.rdates);
  if (!entry.rule) out.add(entry.startLocal);
  let seen = 0;
  for (const local of entry.rule ? starts(entry.rule, entry.startLocal) : []) {
    seen += 1;
    if (local > lastLocal || seen > mostDates) break;
    if (local >= fromLocal) out.add(local);
  }
  return [...out].filter((local) => !gone.has(local));
}

function entrySpans(entry: BusyEntry, range: Interval): Interval[] {
  const { zone, durationMinutes, overrides } = entry;
  const fromLocal = wallTimeAt(range.start - durationMinutes * minuteMs - 86_400_000, zone).local;
  const plain = originalStarts(entry, fromLocal, wallTimeAt(range.end, zone).local).filter(
    (local) => !overrides.has(local),
  );
  const moved = [...overrides.values()].filter((one) => one !== null);
  return [
    ...plain.map((local) => spanOf(local, zone, durationMinutes)),
    ...moved.map((one) => spanOf(one.startLocal, zone, one.durationMinutes)),
  ];
}

/** Busy times within a range, from any number of calendars, as one interval set. */
export function busyTimes(calendars: readonly BusyCalendar[], range: Interval): IntervalSet {
  const all = calendars.flatMap((one) => [...one.spans, ...one.entries.flatMap((entry) => entrySpans(entry, range))]);
  return intersectionOf(unionOf(all.filter((span) => span.end > range.start && span.start < range.end)), [range]);
}
