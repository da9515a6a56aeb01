import { isoUtc } from "@/core/time";
import type { TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import type { Context } from "../ground/context";
import { csvText } from "../ground/delimited";
import { yearOf } from "./year";

const header = [
  "date_start",
  "event",
  "registered",
  "came",
  "registered_came",
  "stayed",
  "took_part",
  "peak",
  "minutes_present",
  "returning",
  "questions",
  "watched_seconds",
  "viewers",
  "mails_sent",
  "mails_failed",
] as const;

/** The year's dates as a file: `csv` a line a date, `json` the same with the year's own sums. */
export async function yearFile(
  context: Context,
  member: TeamMember,
  wanted: number,
  kind: "csv" | "json",
): Promise<string> {
  const year = await yearOf(context, member, wanted);
  await audit(context, context.db, {
    organisationId: member.organisationId,
    actorId: member.userId,
    action: "export",
    facts: { file: `year-${wanted}.${kind}` },
  });
  if (kind === "json") return JSON.stringify(year, null, 1);
  return csvText(
    [...header],
    year.dates.map((one) => [
      isoUtc(one.startAt),
      one.title,
      one.registered,
      one.came,
      one.registeredCame,
      one.stayed,
      one.tookPart,
      one.peak,
      Math.round(one.presentMinutes * 100) / 100,
      one.returning,
      one.questions,
      Math.round(one.watchedSeconds),
      one.viewers,
      one.mailsSent,
      one.mailsFailed,
    ]),
  );
}
