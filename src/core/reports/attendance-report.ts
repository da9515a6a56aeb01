import {
  creditPoints,
  houseCurve,
  measure,
  presenceByPerson,
  retentionOf,
  spanOf,
  type Connection,
  type CreditRule,
  type CurtainSpan,
  type HouseCurve,
  type Retention,
  showOf,
} from "../attendance";
import { countsInFigures, type Role } from "../people";
import { groupBy } from "../shared";
import { intersectionOf, type IntervalSet } from "../time";

/** What is known of somebody beside their connections. */
export interface ReportPerson {
  readonly personKey: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly isRegistered: boolean;
  readonly questions: number;
  readonly votes: number;
  readonly hands: number;
  /** presence checks that they answered */
  readonly checks: number;
}

export interface AttendanceLine extends ReportPerson {
  readonly firstInAt: number | null;
  readonly lastOutAt: number | null;
  readonly minutesPresent: number;
  readonly percentPresent: number;
  readonly devices: number;
  readonly entries: number;
  readonly creditPoints: number | null;
}

export interface PlayedSpan {
  readonly segmentId: string;
  readonly startAt: number;
  readonly endAt: number;
}

export interface AttendanceReport {
  readonly show: IntervalSet;
  readonly lines: readonly AttendanceLine[];
  /** attendees only: stage people and test guests count in no figure */
  readonly curve: HouseCurve;
  readonly registered: number;
  readonly came: number;
  readonly retention: readonly (PlayedSpan & Retention)[];
  readonly presence: ReadonlyMap<string, IntervalSet>;
}

export interface ReportInput {
  readonly connections: readonly Connection[];
  readonly people: readonly ReportPerson[];
  readonly curtainSpans: readonly CurtainSpan[];
  readonly played: readonly PlayedSpan[];
  readonly credit: CreditRule | null;
  readonly now: number;
}

function lineOf(
  person: ReportPerson,
  own: readonly Connection[],
  presence: IntervalSet,
  show: IntervalSet,
  credit: CreditRule | null,
): AttendanceLine {
  const { minutes, percent } = measure(presence, show);
  let firstInAt: number | null = null;
  let lastOutAt: number | null = null;
  for (const span of own.map(spanOf)) {
    firstInAt = firstInAt === null ? span.start : Math.min(firstInAt, span.start);
    lastOutAt = lastOutAt === null ? span.end : Math.max(lastOutAt, span.end);
  }
  return {
    ...person,
    firstInAt,
    lastOutAt,
    minutesPresent: minutes,
    percentPresent: percent,
    devices: new Set(own.map((one) => one.device)).size,
    entries: own.length,
    creditPoints: person.role === "attendee" ? creditPoints(percent, person.checks, credit) : null,
  };
}

/**
 * A segment's stay with the house: counted from the first to the last instant of it that the house saw. One that was
 * cued a moment before the curtain rose begins for the house with the rise.
 */
function retained(span: PlayedSpan, show: IntervalSet, presences: readonly IntervalSet[]): PlayedSpan & Retention {
  const seen = intersectionOf([{ start: span.startAt, end: span.endAt }], show);
  return {
    ...span,
    ...retentionOf(presences, seen.at(0)?.start ?? span.startAt, seen.at(-1)?.end ?? span.endAt),
  };
}

/** Rule 13 as a whole: one line a person, the house curve and its figures, retention by segment. */
export function attendanceReport(input: ReportInput): AttendanceReport {
  const show = showOf(input.curtainSpans, input.now);
  const presence = presenceByPerson(input.connections, show);
  const own = groupBy(input.connections, (one) => one.personKey);
  const lines = input.people.map((person) =>
    lineOf(person, own.get(person.personKey) ?? [], presence.get(person.personKey) ?? [], show, input.credit),
  );
  const house = input.people.filter((person) => countsInFigures(person.role));
  const presences = house.map((person) => presence.get(person.personKey) ?? []);
  return {
    show,
    lines,
    curve: houseCurve(presences, show),
    registered: house.filter((person) => person.isRegistered).length,
    came: presences.filter((set) => set.length > 0).length,
    retention: input.played.map((span) => retained(span, show, presences)),
    presence,
  };
}
