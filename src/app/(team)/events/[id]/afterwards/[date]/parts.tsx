import { clockTime } from "@/core/time";
import { StrikeSpan } from "@/features/afterwards/strike-span";
import { pollTitle, type Tallies } from "@/core/polls";
import { PollResults as Results } from "@/features/shared/polls/poll-results";
import { settingWords } from "@/features/shared/polls/words";
import type { Expected } from "@/server/services/overview/expected";
import type { Afterwards } from "@/server/services/afterwards/summary";
import { strikeCurtainAction } from "../../actions";

function Figure({ value, label, note }: { value: string; label: string; note: string }) {
  return (
    <div className="border-l-2 border-rule pl-3">
      <p className="text-label text-ink-2">{label}</p>
      <p className="mono text-title leading-tight">{value}</p>
      <p className="text-label text-ink-2">{note}</p>
    </div>
  );
}
/** What came, beside what was to be expected from the dates before (rule 3). */
function cameNote(report: Afterwards["report"], expected: Expected | null): string {
  const share =
    report.registered > 0
      ? `${Math.round((report.came / report.registered) * 100)} % of ${report.registered}`
      : "no base";
  if (!expected) return share;
  return `${share} · expected ${expected.low}–${expected.high}`;
}
const expectedWords = (expected: Expected): string =>
  expected.isLearnt
    ? `Expected: the middle 80 % of what may come, told from how show-up differed between ${expected.dates} past dates.`
    : expected.dates === 0
      ? "Expected: the middle 80 % of what may come, from common practice alone (8 of 20 who registered come); no past date says more yet."
      : `Expected: the middle 80 % of what may come, from common practice and ${expected.dates} past ${expected.dates === 1 ? "date" : "dates"}.`;

export function ShowFigures({
  report,
  curve,
  zone,
  expected,
}: {
  report: Afterwards["report"];
  curve: Afterwards["report"]["curve"];
  zone: string;
  expected: Expected | null;
}) {
  return (
    <>
      <div className="mt-5 grid grid-cols-5 gap-4 max-lg:grid-cols-2">
        <Figure value={String(report.registered)} label="Registered" note="attendees" />
        <Figure value={String(report.came)} label="Came" note={cameNote(report, expected)} />
        <Figure
          value={String(curve.peak?.count ?? 0)}
          label="Peak"
          note={curve.peak ? `at ${clockTime(curve.peak.at, zone)}` : "nobody"}
        />
        <Figure value={curve.averageHouse.toFixed(1)} label="Average audience" note="over the show" />
        <Figure
          value={`${curve.medianStayMinutes.toFixed(1)}`}
          label="Median stay, min"
          note={`of ${report.came} who came`}
        />
      </div>
      {expected && <p className="mt-1 text-label text-ink-2">{expectedWords(expected)}</p>}
    </>
  );
}
/** Spans in which the server itself was away: what they take from the show, for everybody alike. */
export function AwaySpans({ away, zone }: { away: Afterwards["away"]; zone: string }) {
  if (away.length === 0) return null;
  const minutes = away.reduce((sum, { start, end }) => sum + (end - start), 0) / 60_000;
  return (
    <p className="mt-3 text-attention">
      The server was away{" "}
      {away.map(({ start, end }) => `${clockTime(start, zone)} – ${clockTime(end, zone)}`).join(", ")}:{" "}
      <span className="mono">{minutes.toFixed(1)}</span> min are struck out of the show for everybody, so that nobody
      misses them in their share.
    </p>
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
