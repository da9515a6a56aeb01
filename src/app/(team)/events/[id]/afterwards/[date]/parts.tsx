import { Table } from "@/ui";
import { clockTime } from "@/core/time";
import { AnswerByMail } from "@/features/afterwards/answer-by-mail";
import { HouseCurveLine } from "@/features/afterwards/house-curve";
import { StrikeSpan } from "@/features/afterwards/strike-span";
import { pollTitle, type Tallies } from "@/core/polls";
import { PollResults as Results } from "@/features/shared/polls/poll-results";
import { settingWords } from "@/features/shared/polls/words";
import { Rail, type RailTick } from "@/features/shared/rail";
import { roleWords } from "@/features/shared/role-words";
import type { Afterwards } from "@/server/services/afterwards/summary";
import { strikeCurtainAction, answerByMailAction } from "../../actions";
import { shown } from "./shown";

function Figure({ value, label, note }: { value: string; label: string; note: string }) {
  return (
    <div className="border-l-2 border-rule pl-3">
      <p className="text-label text-ink-2">{label}</p>
      <p className="mono text-title leading-tight">{value}</p>
      <p className="text-label text-ink-2">{note}</p>
    </div>
  );
}
export function ShowFigures({
  report,
  curve,
  zone,
}: {
  report: Afterwards["report"];
  curve: Afterwards["report"]["curve"];
  zone: string;
}) {
  return (
    <div className="mt-5 grid grid-cols-5 gap-4">
      <Figure value={String(report.registered)} label="Registered" note="attendees" />
      <Figure
        value={String(report.came)}
        label="Came"
        note={
          report.registered > 0
            ? `${Math.round((report.came / report.registered) * 100)} % of ${report.registered}`
            : "no base"
        }
      />
      <Figure
        value={String(curve.peak?.count ?? 0)}
        label="Peak"
        note={curve.peak ? `at ${clockTime(curve.peak.at, zone)}` : "nobody"}
      />
      <Figure value={curve.averageHouse.toFixed(1)} label="Average house" note="over the show" />
      <Figure
        value={`${curve.medianStayMinutes.toFixed(1)}`}
        label="Median stay, min"
        note={`of ${report.came} who came`}
      />
    </div>
  );
}
export function CurtainSpans({
  room,
  zone,
  id,
  date,
}: {
  room: Afterwards["room"];
  zone: string;
  id: string;
  date: string;
}) {
  return (
    <section className="mt-5">
      <h2 className="text-head font-semibold">Curtain</h2>
      <ul>
        {room.hour.curtainSpans.map((span, i) => (
          <li key={span.raisedAt} className="flex items-center gap-4 border-t border-rule py-1">
            <span className="mono">
              {clockTime(span.raisedAt, zone)} – {span.droppedAt ? clockTime(span.droppedAt, zone) : "now"}
            </span>
            <span className="text-ink-2">{span.isStruck ? "struck out: counts in no figure" : "show"}</span>
            <StrikeSpan isStruck={span.isStruck} strike={strikeCurtainAction.bind(null, id, date, i)} />
          </li>
        ))}
      </ul>
    </section>
  );
}
export function PresenceTable({ present }: { present: Afterwards["report"]["lines"] }) {
  return (
    <div className="mt-2 max-h-96 overflow-y-auto" tabIndex={0} role="region" aria-label="Presence per person">
      <Table className="w-full text-left">
        <thead className="sticky top-0 bg-ground text-label text-ink-2">
          <tr>
            <th className="py-1 font-medium">Name</th>
            <th className="font-medium">As</th>
            <th className="text-right font-medium">Minutes</th>
            <th className="text-right font-medium">Of the show</th>
            <th className="text-right font-medium">Questions</th>
            <th className="text-right font-medium">Votes</th>
          </tr>
        </thead>
        <tbody>
          {present.slice(0, shown).map((line) => (
            <tr key={line.personKey} className="border-t border-rule">
              <td className="max-w-72 truncate py-1" dir="auto">
                {line.name || "unmatched guest"}
              </td>
              <td className="text-ink-2">{roleWords[line.role]}</td>
              <td className="mono text-right">{line.minutesPresent.toFixed(1)}</td>
              <td className="mono text-right">{Math.round(line.percentPresent)} %</td>
              <td className="mono text-right">{line.questions}</td>
              <td className="mono text-right">{line.votes}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </div>
  );
}
export function PollResults({
  file,
  polls,
  tallies,
  data,
}: {
  file: (name: string) => string;
  polls: Afterwards["polls"];
  tallies: ReadonlyMap<string, Tallies>;
  data: Afterwards;
}) {
  return (
    <section className="mt-6">
      <h2 className="text-head font-semibold">Polls</h2>
      <p className="text-ink-2">
        <a href={file("polls")}>polls.csv</a> · <a href={file("ballots")}>ballots.csv</a>
      </p>
      {polls.length === 0 && <p className="mt-2 text-ink-2">No poll was prepared.</p>}
      <div className="mt-2 grid grid-cols-2 gap-5">
        {polls.map((poll) => (
          <div key={poll.id}>
            <p className="mb-1 font-medium">{pollTitle(poll)}</p>
            <Results questions={poll.questions} tallies={tallies.get(poll.id) ?? {}} isSample={poll.isSample} />
            <p className="text-label text-ink-2">{settingWords(poll)}</p>
            <p className="text-label text-ink-2">{data.turnout.get(poll.id) ?? "never opened"}</p>
          </div>
        ))}
      </div>
    </section>
  );
}
export function QuestionList({
  file,
  questions,
  isOver,
  mayAnswer,
  id,
  date,
}: {
  file: (name: string) => string;
  questions: Afterwards["questions"];
  isOver: boolean;
  mayAnswer: boolean;
  id: string;
  date: string;
}) {
  return (
    <section className="mt-6">
      <h2 className="text-head font-semibold">Questions</h2>
      <p className="text-ink-2">
        <a href={file("questions")}>questions.csv</a> · <a href={file("chat")}>chat.csv</a>
      </p>
      {questions.length === 0 && <p className="mt-2 text-ink-2">No question was asked.</p>}
      <ul className="mt-1">
        {questions.slice(0, 60).map((question) => (
          <li key={question.id} className="grid grid-cols-[3rem_1fr_8rem] gap-3 border-t border-rule py-1.5">
            <span className="mono">{question.votes}</span>
            <div className="min-w-0">
              <p dir="auto" className="break-words">
                {question.text}
              </p>
              {question.answer && (
                <p className="mt-1 border-l-2 border-action pl-2 break-words" dir="auto">
                  {question.answer}
                </p>
              )}
              {isOver && mayAnswer && (question.state === "later" || question.state === "new") && (
                <AnswerByMail send={answerByMailAction.bind(null, id, date, question.id)} />
              )}
            </div>
            <span className="text-ink-2">{question.state.replace("-", " ")}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
export function ReportRail({
  from,
  to,
  zone,
  report,
  title,
  curve,
  questions,
  polls,
}: {
  from: number;
  to: number;
  zone: string;
  report: Afterwards["report"];
  title: Map<string, string>;
  curve: Afterwards["report"]["curve"];
  questions: Afterwards["questions"];
  polls: Afterwards["polls"];
}) {
  return (
    <Rail
      size="large"
      from={from}
      to={to}
      zone={zone}
      blocks={report.retention.map((span, i) => ({
        id: String(i),
        title: title.get(span.segmentId) ?? "",
        startAt: span.startAt,
        endAt: span.endAt,
      }))}
      marks={[
        { at: from, label: clockTime(from, zone) },
        ...(curve.peak ? [{ at: curve.peak.at, label: `peak ${curve.peak.count}` }] : []),
        { at: to, label: clockTime(to, zone) },
      ]}
      ticks={[
        ...questions.map((question): RailTick => ({
          at: question.askedAt,
          words: question.text,
          kind: "question",
        })),
        ...polls.flatMap((poll): RailTick[] =>
          poll.openedAt === null ? [] : [{ at: poll.openedAt, words: pollTitle(poll), kind: "poll" }],
        ),
      ]}
    >
      <HouseCurveLine steps={curve.steps} peak={curve.peak?.count ?? 0} from={from} to={to} zone={zone} />
    </Rail>
  );
}
