import { WatchedOnDemand } from "@/features/afterwards/watched";
import { servedSeconds, type RecordingRow } from "@/server/services/afterwards/own-recording";
import { watchingOfDate } from "@/server/services/afterwards/watching";
import { DrawnBoards } from "@/features/afterwards/board-list";
import { ImportEntries } from "@/features/afterwards/import-entries";
import { drawnSteps } from "@/core/attendance";
import { cityOf } from "@/core/time";
import { AfterNav } from "@/features/afterwards/report/after-nav";
import { FunnelCuts, FunnelLines, FunnelMailings } from "@/features/afterwards/report/funnel";
import { LeadBars } from "@/features/afterwards/report/lead-bars";
import { ReportRail } from "@/features/afterwards/report/report-rail";
import { languageName } from "@/features/shared/languages";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { expectedOf } from "@/server/services/overview/expected";
import { funnelOfDate, stayedPercent, type DateFunnel } from "@/server/services/afterwards/funnel";
import { lanesOfDate } from "@/server/services/afterwards/lanes";
import { ballotCounts, afterwards } from "@/server/services/afterwards/summary";
import { boardsOfDate } from "@/server/services/afterwards/board-files";
import { recordingsOfDate } from "@/server/services/afterwards/recordings";
import { orNotFound } from "../../../../../_lib/request";
import { signOutAction } from "../../../../sign-in/actions";
import { mailLeftAction, stretchAction } from "../../report-actions";
import { AwaySpans, ShowFigures, CurtainSpans, PollResults } from "./parts";
import { DateFiles } from "./date-files";
import { QuestionList } from "./question-list";
import { RecordingSection } from "./recording-section";
import { reportPage, type ReportParams } from "./report-page";

export const metadata = { title: "Report" };

const served = (one: RecordingRow) => ({ id: one.id, durationSeconds: servedSeconds(one) });

function FunnelOf({ funnel }: { funnel: DateFunnel }) {
  return (
    <div className="mt-6 grid gap-x-10 gap-y-5 lg:grid-cols-2">
      <div className="flex min-w-0 flex-col gap-6">
        <FunnelLines
          lines={funnel.lines}
          visits={funnel.visits}
          overflow={funnel.overflow}
          stayedPercent={funnel.stayedPercent}
        />
        <LeadBars byDay={funnel.byDay} />
      </div>
      <div className="flex min-w-0 flex-col gap-4">
        <FunnelCuts head="Came from" nameless="no tag" cuts={funnel.bySource} />
        <FunnelMailings mailings={funnel.byMailing} />
        <FunnelCuts head="Language" nameless="not known" cuts={funnel.byLanguage} nameOf={(tag) => languageName(tag)} />
        <FunnelCuts head="By the clock of" nameless="not known" cuts={funnel.byZone} nameOf={cityOf} />
      </div>
    </div>
  );
}

export default async function AfterwardsPage(props: ReportParams) {
  const { context, member, spine, id, date, base, isOver, mayRead } = await reportPage(props);
  const data = await orNotFound(() => afterwards(context, member, id, date));
  const { event, occurrence, report, room, segments, polls, questions } = data;
  const { curve, show } = report;
  const { zone } = occurrence;
  const from = Math.min(occurrence.startAt, show[0]?.start ?? occurrence.startAt);
  const to = Math.max(occurrence.endAt, show.at(-1)?.end ?? occurrence.endAt);
  const recordings = await recordingsOfDate(context, member, id, date);
  const watched = await watchingOfDate(context.db, date, recordings.map(served));
  const thresholdPercent = event.creditPoints === null ? stayedPercent : event.creditThresholdPercent;
  const { organisationId, houseSize } = event;
  const [boards, tallies, lanes, funnel, expected] = await Promise.all([
    boardsOfDate(context, member, id, date),
    ballotCounts(context, date),
    lanesOfDate(context.db, date, data, watched, from, to),
    funnelOfDate(context.db, { eventId: id, occurrenceId: date, startAt: occurrence.startAt, thresholdPercent }, data),
    expectedOf(context, { organisationId, startAt: occurrence.startAt, houseSize }, data),
  ]);
  const title = new Map(segments.map((segment) => [segment.id, segment.title]));
  const file = (name: string) => `/events/${id}/dates/${date}/${name}.csv`;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav base={base} place="" note={isOver ? null : "The date is not over: these are the figures so far."} />
        <ReportRail
          from={from}
          to={to}
          zone={zone}
          blocks={report.retention.map((span, i) => ({
            id: String(i),
            title: title.get(span.segmentId) ?? "segment",
            startAt: span.startAt,
            endAt: span.endAt,
            stayed: { share: span.share, of: span.atStart },
          }))}
          steps={drawnSteps(curve.steps)}
          peak={curve.peak}
          lanes={lanes}
          away={data.away}
          ask={stretchAction.bind(null, id, date)}
          mail={mayRead("event.mailings") ? mailLeftAction.bind(null, id, date) : null}
        />
        <ShowFigures report={report} curve={curve} zone={zone} expected={expected} />
        <AwaySpans away={data.away} zone={zone} />
        <FunnelOf funnel={funnel} />
        {room.hour.curtainSpans.length > 0 && mayRead("hour.strike-curtain") && isOver && (
          <CurtainSpans room={room} zone={zone} id={id} date={date} />
        )}
        <DateFiles file={file} id={id} date={date} isOver={isOver} />
        {mayRead("event.import-entries") && isOver && (
          <div className="mt-3">
            <ImportEntries url={`/upload/entries/${id}/${date}`} />
          </div>
        )}
        <PollResults file={file} polls={polls} tallies={tallies} data={data} />
        <QuestionList
          file={file}
          questions={questions}
          isOver={isOver}
          mayAnswer={mayRead("questions.answer")}
          id={id}
          date={date}
        />
        <DrawnBoards boards={boards} folder={`/events/${id}/dates/${date}`} />
        {mayRead("recording.upload") && (
          <RecordingSection
            {...{ id, date, zone, isOver, recordings }}
            now={context.clock.now()}
            watched={<WatchedOnDemand lines={watched} file={file("viewers")} />}
          />
        )}
      </Workspace>
    </>
  );
}
