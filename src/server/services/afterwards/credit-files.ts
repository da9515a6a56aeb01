import { createHash } from "node:crypto";
import { isoUtc } from "@/core/time";
import type { Context } from "../ground/context";
import { csvText } from "../ground/delimited";
import type { DateReport } from "../ground/date-report";
import type { CreditRow } from "./credit";

export interface AboutDate {
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly title: string;
  readonly startAt: number;
  readonly endedAt: number;
  /** of the organisation, without a slash at its end */
  readonly home: string;
}

/** What files of credit say about the date they are of. */
export const aboutOf = (
  context: Context,
  event: { readonly id: string; readonly title: string },
  occurrence: {
    readonly id: string;
    readonly startAt: number;
    readonly endAt: number;
    readonly endedAt: number | null;
  },
): AboutDate => ({
  eventId: event.id,
  occurrenceId: occurrence.id,
  title: event.title,
  startAt: occurrence.startAt,
  endedAt: occurrence.endedAt ?? occurrence.endAt,
  home: context.environment.STAGE_CALL_URL.replace(/\/$/, ""),
});

/** The columns of OneRoster's results (1EdTech, OneRoster 1.2 CSV binding; their order from memory). */
export const resultsHeader = [
  "sourcedId",
  "status",
  "dateLastModified",
  "lineItemSourcedId",
  "studentSourcedId",
  "scoreStatus",
  "score",
  "scoreDate",
  "comment",
] as const;

/** Credit for a gradebook: a line a certificate that stands; in bulk, so that status and its date stay empty. */
export function resultsFile(about: AboutDate, issued: readonly CreditRow[], data: DateReport): string {
  const valid = issued.filter((one) => one.withdrawnAt === null);
  return csvText(
    resultsHeader,
    valid.map((one) => [
      one.id,
      null,
      null,
      about.occurrenceId,
      data.people.get(one.personKey)?.email || one.personKey,
      "fully graded",
      one.points,
      isoUtc(one.issuedAt).slice(0, 10),
      `${about.title}: ${one.points} of ${one.outOf}`,
    ]),
  );
}

/** The same statement has the same id however often it is asked for: a name-based UUID (RFC 9562 §5.5). */
function statementId(text: string): string {
  const bytes = createHash("sha1").update(`stage-call|${text}`).digest().subarray(0, 16);
  bytes[6] = (bytes[6]! & 0x0f) | 0x50;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = bytes.toString("hex");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}
/** ISO 8601, to hundredths of a second, as xAPI wants a duration. */
const durationText = (minutes: number): string => `PT${Math.round(minutes * 6000) / 100}S`;
const adl = "http://adlnet.gov/expapi";
const verb = (name: string) => ({ id: `${adl}/verbs/${name}`, display: { "en-US": name } });

/**
 * What people did as statements for a record store (ADL, xAPI 1.0.3 §2.4): who attended and for how long, and who
 * passed with a certificate that stands. Somebody without an address is named by the line of the report.
 */
export function statementsOf(about: AboutDate, issued: readonly CreditRow[], data: DateReport): readonly object[] {
  const object = {
    objectType: "Activity",
    id: `${about.home}/events/${about.eventId}/dates/${about.occurrenceId}`,
    definition: { type: `${adl}/activities/meeting`, name: { en: about.title } },
  };
  const actorOf = (key: string, name: string) => {
    const email = data.people.get(key)?.email ?? "";
    return {
      objectType: "Agent",
      ...(name && { name }),
      ...(email ? { mbox: `mailto:${email}` } : { account: { homePage: about.home, name: key } }),
    };
  };
  const attended = data.report.lines
    .filter((line) => line.role === "attendee" && line.minutesPresent > 0)
    .map((line) => ({
      id: statementId(`${about.occurrenceId}|attended|${line.personKey}`),
      actor: actorOf(line.personKey, line.name),
      verb: verb("attended"),
      object,
      result: { duration: durationText(line.minutesPresent) },
      timestamp: isoUtc(line.firstInAt ?? about.startAt),
    }));
  const passed = issued
    .filter((one) => one.withdrawnAt === null)
    .map((one) => ({
      id: statementId(`${one.id}|passed|${one.points}`),
      actor: actorOf(one.personKey, one.name),
      verb: verb("passed"),
      object,
      result: {
        score: {
          raw: one.points,
          min: 0,
          max: one.outOf,
          scaled: one.outOf === 0 ? 0 : Math.min(1, one.points / one.outOf),
        },
        success: true,
        completion: true,
        duration: durationText(one.minutesPresent),
      },
      timestamp: isoUtc(one.issuedAt),
    }));
  return [...attended, ...passed];
}
