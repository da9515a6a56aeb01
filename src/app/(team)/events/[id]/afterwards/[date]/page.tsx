import { ImportEntries } from "@/features/afterwards/import-entries";
import { RecordingDesk } from "@/features/afterwards/recording-desk";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { roleMay } from "@/core/rights";
import { ballotCounts, afterwards } from "@/server/services/afterwards/summary";
import { recordingsOfDate } from "@/server/services/afterwards/recordings";
import { workspace } from "../../../../../_lib/workspace";
import { orNotFound } from "../../../../../_lib/request";
import { signOutAction } from "../../../../sign-in/actions";
import { publishRecordingAction, setDurationAction } from "../../actions";
import { ReportRail, ShowFigures, CurtainSpans, PresenceTable, PollResults, QuestionList } from "./parts";

export const metadata = { title: "Report" };

export default async function AfterwardsPage({ params }: { params: Promise<{ id: string; date: string }> }) {
  const { id, date } = await params;
  const { context, member, loaded, spine } = await workspace(id, date);
  const data = await orNotFound(() => afterwards(context, member, id, date));
  const { occurrence, report, room, segments, polls, questions } = data;
  const { curve, lines, show } = report;
  const recordings = await recordingsOfDate(context, member, id, date);
  const tallies = await ballotCounts(context, date);
  const zone = occurrence.zone;
  const from = Math.min(occurrence.startAt, show[0]?.start ?? occurrence.startAt);
  const to = Math.max(occurrence.endAt, show.at(-1)?.end ?? occurrence.endAt);
  const title = new Map(segments.map((segment) => [segment.id, segment.title]));
  const present = lines
    .filter((line) => line.role === "attendee" && line.minutesPresent > 0)
    .sort((a, b) => b.minutesPresent - a.minutesPresent);
  const file = (name: string) => `/events/${id}/dates/${date}/${name}.csv`;
  const isOver = occurrence.phase === "ended" || occurrence.phase === "not-held";
  const { actor } = loaded.access;
  const mayAnswer = roleMay(actor, "questions.answer");
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        {!isOver && <p className="mb-4 text-attention">The date is not over: these are the figures so far.</p>}
        <ReportRail
          from={from}
          to={to}
          zone={zone}
          report={report}
          title={title}
          curve={curve}
          questions={questions}
          polls={polls}
        />
        <p className="text-label text-ink-2">
          Thin ticks: questions. Broad ticks: polls opened. Point at it to read the hour and the audience.
        </p>
        <ShowFigures report={report} curve={curve} zone={zone} />
        {report.retention.length > 0 && (
          <ul className="mt-5 grid grid-cols-3 gap-x-8">
            {report.retention.map((span, i) => (
              <li key={i} className="flex justify-between border-t border-rule py-1">
                <span className="truncate">{title.get(span.segmentId) ?? "segment"}</span>
                <span className="mono whitespace-nowrap text-ink-2">
                  {span.share === null ? "–" : `${Math.round(span.share * 100)} % of ${span.atStart} stayed`}
                </span>
              </li>
            ))}
          </ul>
        )}
        {room.hour.curtainSpans.length > 0 && roleMay(actor, "hour.strike-curtain") && isOver && (
          <CurtainSpans room={room} zone={zone} id={id} date={date} />
        )}
        <section className="mt-6">
          <h2 className="text-head font-semibold">People</h2>
          <p className="text-ink-2">
            <a href={file("attendance")}>attendance.csv</a> · <a href={file("entries")}>entries.csv</a> ·{" "}
            <a href={file("floor")}>floor.csv</a> · <a href={file("signals")}>signals.csv</a> ·{" "}
            <a href={file("side-rooms")}>side-rooms.csv</a> · <a href={file("credit")}>credit.csv</a> ·{" "}
            <a href={`/events/${id}/registrants.csv`}>registrants.csv</a>
          </p>
          {present.length === 0 ? (
            <p className="mt-2 text-ink-2">Nobody was present during the show.</p>
          ) : (
            <PresenceTable present={present} />
          )}
          {roleMay(actor, "event.import-entries") && isOver && (
            <div className="mt-3">
              <ImportEntries url={`/upload/entries/${id}/${date}`} />
            </div>
          )}
        </section>
        <PollResults file={file} polls={polls} tallies={tallies} data={data} />
        <QuestionList file={file} questions={questions} isOver={isOver} mayAnswer={mayAnswer} id={id} date={date} />
        {roleMay(actor, "recording.upload") && (
          <section className="mt-6">
            <h2 className="text-head font-semibold">Recording</h2>
            {isOver ? (
              <RecordingDesk
                uploadUrl={`/upload/recording/${id}/${date}`}
                zone={zone}
                recordings={recordings}
                publish={publishRecordingAction.bind(null, id)}
                setDuration={setDurationAction}
              />
            ) : (
              <p className="text-ink-2">A recording can be added once the date has ended.</p>
            )}
          </section>
        )}
      </Workspace>
    </>
  );
}
