import { clockTime, longDate } from "@/core/time";
import type { CurveStep } from "@/core/attendance";
import { FunnelLines } from "../report/funnel";
import { CurvePicture } from "./curve-picture";

export interface SummaryProps {
  readonly title: string;
  readonly startAt: number;
  readonly zone: string;
  readonly from: number;
  readonly to: number;
  readonly figures: {
    readonly registered: number;
    readonly came: number;
    readonly peak: { readonly count: number; readonly at: number } | null;
    readonly averageHouse: number;
    readonly medianStayMinutes: number;
  };
  readonly steps: readonly CurveStep[];
  readonly blocks: readonly {
    readonly title: string;
    readonly startAt: number;
    readonly endAt: number;
    readonly share: number | null;
    readonly atStart: number;
  }[];
  readonly funnel: Parameters<typeof FunnelLines>[0];
  /** of all that were asked, those that most voted for */
  readonly questions: readonly { readonly id: string; readonly text: string; readonly votes: number }[];
  readonly questionCount: number;
  readonly polls: readonly { readonly id: string; readonly title: string; readonly turnout: string }[];
  /** who came, and for how long; null where names are left out */
  readonly people: readonly { readonly key: string; readonly name: string; readonly minutes: number }[] | null;
}

const Figure = ({ value, label, note }: { value: string; label: string; note: string }) => (
  <div className="border-s-2 border-rule ps-3">
    <p className="text-label text-ink-2">{label}</p>
    <p className="mono text-head leading-tight">{value}</p>
    <p className="text-label text-ink-2">{note}</p>
  </div>
);

function Figures({ figures, zone }: Pick<SummaryProps, "figures" | "zone">) {
  const { registered, came, peak } = figures;
  return (
    <div className="mt-3 grid grid-cols-5 gap-3 max-sm:grid-cols-2 print:grid-cols-5">
      <Figure value={String(registered)} label="Registered" note="people" />
      <Figure
        value={String(came)}
        label="Came"
        note={registered > 0 ? `${Math.round((100 * came) / registered)} % of ${registered}` : "no base"}
      />
      <Figure value={String(peak?.count ?? 0)} label="Peak" note={peak ? `at ${clockTime(peak.at, zone)}` : "nobody"} />
      <Figure value={figures.averageHouse.toFixed(1)} label="Average audience" note="over the show" />
      <Figure value={figures.medianStayMinutes.toFixed(1)} label="Median stay, min" note={`of ${came} who came`} />
    </div>
  );
}

function People({ people }: { people: NonNullable<SummaryProps["people"]> }) {
  return (
    <section className="mt-5 break-before-page">
      <h2 className="text-lead font-semibold">Who came</h2>
      <ul className="columns-3 gap-6 max-sm:columns-1 print:columns-3">
        {people.map((one) => (
          <li key={one.key} className="flex gap-2 border-t border-rule">
            <bdi className="min-w-0 flex-1 truncate">{one.name || "unmatched guest"}</bdi>
            <span className="mono text-ink-2">{Math.round(one.minutes)} min</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A date on one sheet of paper: what came of it, for somebody who has no sign-in. */
export function SummarySheet(props: SummaryProps) {
  const { zone, figures, blocks, people } = props;
  return (
    <article aria-label="Summary" className="bg-sheet p-6 print:p-0">
      <h1 className="text-title leading-tight font-semibold">
        <bdi>{props.title}</bdi>
      </h1>
      <p className="mb-3 text-ink-2">
        {longDate(props.startAt, zone)}, {clockTime(props.startAt, zone)}
      </p>
      <CurvePicture
        steps={props.steps}
        peak={figures.peak?.count ?? 0}
        from={props.from}
        to={props.to}
        blocks={blocks}
        words={`The audience over the hour: at most ${figures.peak?.count ?? 0} at once`}
      />
      <Figures figures={figures} zone={zone} />
      <div className="mt-5 grid gap-x-8 gap-y-4 lg:grid-cols-2 print:grid-cols-2">
        <FunnelLines {...props.funnel} />
        <section>
          <h2 className="text-head font-semibold">Who stayed through each segment</h2>
          <ul>
            {blocks.map((block) => (
              <li key={block.startAt} className="flex gap-2 border-t border-rule py-0.5">
                <bdi className="min-w-0 flex-1 truncate">{block.title}</bdi>
                <span className="mono text-ink-2">
                  {block.share === null ? "–" : `${Math.round(block.share * 100)} % of ${block.atStart}`}
                </span>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className="text-head font-semibold">
            Questions <span className="mono text-ink-2">{props.questionCount}</span>
          </h2>
          <ul>
            {props.questions.map((question) => (
              <li key={question.id} className="flex gap-3 border-t border-rule py-0.5">
                <span className="mono text-ink-2">{question.votes}</span>
                <span dir="auto" className="line-clamp-2 min-w-0 break-words">
                  {question.text}
                </span>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className="text-head font-semibold">Polls</h2>
          <ul>
            {props.polls.map((poll) => (
              <li key={poll.id} className="border-t border-rule py-0.5">
                <bdi>{poll.title}</bdi> <span className="block text-label text-ink-2">{poll.turnout}</span>
              </li>
            ))}
          </ul>
        </section>
      </div>
      {people && <People people={people} />}
    </article>
  );
}
