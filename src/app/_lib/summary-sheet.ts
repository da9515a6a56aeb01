import { drawnSteps } from "@/core/attendance";
import "server-only";
import { pollTitle } from "@/core/polls";
import type { SummaryProps } from "@/features/afterwards/summary/summary-sheet";
import { funnelOfDate, stayedPercent } from "@/server/services/afterwards/funnel";
import type { Afterwards } from "@/server/services/afterwards/summary";
import type { Context } from "@/server/services/ground/context";

const mostQuestions = 8;
const mostNamed = 2000;

/** A date's summary as its sheet shows it. */
export async function summarySheet(context: Context, data: Afterwards, withNames: boolean): Promise<SummaryProps> {
  const { event, occurrence, report, segments, questions, polls, turnout } = data;
  const { curve, show } = report;
  const title = new Map(segments.map((segment) => [segment.id, segment.title]));
  const thresholdPercent = event.creditPoints === null ? stayedPercent : event.creditThresholdPercent;
  const about = { eventId: event.id, occurrenceId: occurrence.id, startAt: occurrence.startAt, thresholdPercent };
  const { lines, visits, overflow } = await funnelOfDate(context.db, about, data);
  const came = report.lines.filter((line) => line.role === "attendee" && line.minutesPresent > 0);
  return {
    title: event.title,
    startAt: occurrence.startAt,
    zone: occurrence.zone,
    from: show.at(0)?.start ?? occurrence.startAt,
    to: show.at(-1)?.end ?? occurrence.endAt,
    figures: { registered: report.registered, came: report.came, ...curve },
    steps: drawnSteps(curve.steps),
    blocks: report.retention.map((span) => ({ ...span, title: title.get(span.segmentId) ?? "segment" })),
    funnel: { lines, visits, overflow, stayedPercent: thresholdPercent },
    questions: questions.slice(0, mostQuestions).map(({ id, text, votes }) => ({ id, text, votes })),
    questionCount: questions.length,
    polls: polls.flatMap((poll) => {
      const words = turnout.get(poll.id);
      return words ? [{ id: poll.id, title: pollTitle(poll), turnout: words }] : [];
    }),
    people: withNames
      ? came
          .sort((a, b) => a.name.localeCompare(b.name))
          .slice(0, mostNamed)
          .map((line) => ({ key: line.personKey, name: line.name, minutes: line.minutesPresent }))
      : null,
  };
}
