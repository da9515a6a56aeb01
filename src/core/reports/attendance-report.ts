import {
  corrected,
  creditPoints,
  keyAfter,
  houseCurve,
  measure,
  presenceByPerson,
  retentionOf,
  spanOf,
  type Connection,
  type Correction,
  type CreditRule,
  type CurtainSpan,
  type EntryKeyed,
  type HouseCurve,
  type Retention,
  showOf,
} from "../attendance";
import { countsInFigures, type Role } from "../people";
import { groupBy } from "../shared";
import { intersectionOf, unionOf, type IntervalSet } from "../time";

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
  /** of the segments that carry the credit; of the show where none does */
  readonly creditPercent: number;
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
  readonly connections: readonly EntryKeyed[];
  readonly people: readonly ReportPerson[];
  readonly curtainSpans: readonly CurtainSpan[];
  readonly played: readonly PlayedSpan[];
  readonly credit: CreditRule | null;
  /** segments that carry the credit; none: it is for the whole show */
  readonly creditSegmentIds?: ReadonlySet<string>;
  readonly now: number;
  /** when the server itself was away: nobody could be there, and nobody is missed */
  readonly away?: IntervalSet;
  /** what the producer put right by hand */
  readonly corrections?: readonly Correction[];
}

/** Lines of one person as one: what they did adds up, and a name is taken from where there is one. */
function folded(people: readonly ReportPerson[], corrections: readonly Correction[]): ReportPerson[] {
  if (corrections.length === 0) return [...people];
  const after = keyAfter(corrections);
  const tests = new Set(corrections.flatMap((one) => (one.kind === "test" ? [after(one.personKey)] : [])));
  const lines = new Map<string, ReportPerson>();
  // whom the others were merged into first: name, address and role are theirs
  for (const own of [true, false])
    for (const person of people) {
      const key = after(person.personKey);
      if ((key === person.personKey) !== own) continue;
      const line = lines.get(key);
      lines.set(key, line ? together(line, person) : { ...person, personKey: key });
    }
  return [...lines.values()].map((one) => (tests.has(one.personKey) ? { ...one, role: "test-guest" } : one));
}
const together = (one: ReportPerson, other: ReportPerson): ReportPerson => ({
  ...one,
  name: one.name || other.name,
  email: one.email || other.email,
  isRegistered: one.isRegistered || other.isRegistered,
  questions: one.questions + other.questions,
  votes: one.votes + other.votes,
  hands: one.hands + other.hands,
  checks: one.checks + other.checks,
});

/** What credit is measured against: the show, or what was seen of the segments that carry it, where any was played. */
function creditShowOf({ played, creditSegmentIds }: ReportInput, show: IntervalSet): IntervalSet {
  if (!creditSegmentIds || creditSegmentIds.size === 0) return show;
  const carried = unionOf(
    played
      .filter((span) => creditSegmentIds.has(span.segmentId))
      .map((span) => ({ start: span.startAt, end: span.endAt })),
  );
  const seen = intersectionOf(carried, show);
  return seen.length > 0 ? seen : show;
}

function lineOf(
  person: ReportPerson,
  own: readonly Connection[],
  presence: IntervalSet,
  about: { readonly show: IntervalSet; readonly creditShow: IntervalSet; readonly credit: CreditRule | null },
): AttendanceLine {
  const { show, creditShow, credit } = about;
  const { minutes, percent } = measure(presence, show);
  const creditPercent =
    creditShow === show ? percent : measure(intersectionOf(presence, creditShow), creditShow).percent;
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
    creditPercent,
    devices: new Set(own.map((one) => one.device)).size,
    entries: own.length,
    creditPoints: person.role === "attendee" ? creditPoints(creditPercent, person.checks, credit) : null,
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
  const { corrections = [] } = input;
  const show = showOf(input.curtainSpans, input.now, input.away);
  const connections = corrections.length === 0 ? input.connections : corrected(input.connections, corrections);
  const people = folded(input.people, corrections);
  const presence = presenceByPerson(connections, show);
  const own = groupBy(connections, (one) => one.personKey);
  const about = { show, creditShow: creditShowOf(input, show), credit: input.credit };
  const lines = people.map((person) =>
    lineOf(person, own.get(person.personKey) ?? [], presence.get(person.personKey) ?? [], about),
  );
  const house = people.filter((person) => countsInFigures(person.role));
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
