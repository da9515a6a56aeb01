import Link from "next/link";
import type { ReactNode } from "react";
import type { Finding } from "@/core/readiness";
import { clockTime, shortDate } from "@/core/time";
import { DayAndHour } from "./times";
import { classes } from "@/ui";
import { DateChoice } from "./date-choice";
import { Mend, type MendAct } from "./mend";
import { isMendable } from "@/core/readiness";
import { findingWords, hasMend, mendable, severityWords } from "./readiness-words";

export interface SpineState {
  readonly eventId: string;
  readonly title: string;
  /** null: a room without fixed time that nobody opened yet */
  readonly date: {
    readonly id: string;
    readonly startAt: number;
    readonly zone: string;
    readonly phase: string;
  } | null;
  /** all dates of an event that has several */
  readonly dates: readonly { readonly id: string; readonly startAt: number; readonly zone: string }[];
  /** whether the page's address names its date */
  readonly isNamed: boolean;
  readonly findings: readonly Finding[];
  /** a few words under each place of the spine */
  readonly notes: Readonly<Record<string, string>>;
}

function FindingList({
  spine,
  date,
  mend,
  base,
  query,
}: {
  spine: SpineState;
  date: { readonly id: string; readonly startAt: number; readonly zone: string; readonly phase: string } | null;
  mend: MendAct | undefined;
  base: string;
  query: string;
}) {
  return (
    <ul className="mt-1">
      {spine.findings.map((finding) => {
        const words = findingWords(finding);
        const zone = date?.zone ?? "UTC";
        const check = mend && hasMend(finding) && isMendable(finding.check) ? finding.check : null;
        return (
          <li key={finding.check} className="grid gap-x-3 border-t border-rule py-1 md:grid-cols-[13rem_1fr_auto]">
            <span className="text-label text-ink-2">{severityWords[finding.severity]}</span>
            <span>
              {words.missing}{" "}
              <span className="text-label text-ink-2">
                by {shortDate(finding.byAt, zone)} {clockTime(finding.byAt, zone)}
              </span>
            </span>
            <span className="flex items-center gap-4">
              {check && date && <Mend act={mend!.bind(null, date.id, check)} words={mendable[check]} />}
              <Link href={`${base}/${finding.place}${query}#${finding.field}`} prefetch={false}>
                {words.mend}
              </Link>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** The event's workspace: the order of work as a spine on the left, readiness one drawer away. */
export function Workspace({
  spine,
  place,
  mend,
  children,
}: {
  spine: SpineState;
  place: string;
  mend?: MendAct;
  children: ReactNode;
}) {
  const base = `/events/${spine.eventId}`;
  const { date } = spine;
  const query = spine.isNamed && date ? `?date=${date.id}` : "";
  const steps = [
    ["plan", "Plan", `${base}/plan${query}`],
    ["people", "People", `${base}/people${query}`],
    ["run-sheet", "Run sheet", `${base}/run-sheet${query}`],
    ["front-door", "Public page", `${base}/front-door${query}`],
    ["mailings", "Mailings", `${base}/mailings${query}`],
    ["desk", "Desk", date ? `${base}/desk/${date.id}` : null],
    ["afterwards", "Report", date ? `${base}/afterwards/${date.id}` : null],
  ] as const;
  return (
    <div className="grid min-h-[calc(100vh-3rem)] grid-cols-1 md:grid-cols-[11rem_minmax(0,1fr)]">
      <nav aria-label="Order of work" className="border-rule px-4 py-3 max-md:border-b md:border-e md:py-5">
        <ol className="flex max-md:flex-wrap max-md:gap-x-3 md:flex-col md:border-s-2 md:border-rule">
          {steps.map(([key, words, href]) => {
            const missing = spine.findings.filter((finding) => finding.place === key).length;
            return (
              <li key={key}>
                <Link
                  href={href ?? `${base}/plan`}
                  aria-disabled={href === null}
                  prefetch={false}
                  aria-current={key === place ? "page" : undefined}
                  className={classes(
                    "-ml-0.5 block border-l-2 py-1.5 pl-3 text-ink no-underline",
                    key === place ? "border-action font-semibold" : "border-transparent hover:border-ink-2",
                  )}
                >
                  {words}
                  <span
                    className={classes("block text-label font-normal", missing > 0 ? "text-attention" : "text-ink-2")}
                  >
                    {missing > 0 ? `${missing} missing` : (spine.notes[key] ?? "")}
                  </span>
                </Link>
              </li>
            );
          })}
        </ol>
      </nav>
      <main className="min-w-0 px-8 py-5">
        <header className="mb-5 border-b-2 border-ink pb-2">
          <h1 className="text-title leading-tight font-semibold break-words" dir="auto">
            {spine.title}
          </h1>
          {date ? (
            <p className="flex items-baseline gap-3 text-ink-2">
              <span>
                <DayAndHour at={date.startAt} zone={date.zone} />
              </span>
              {spine.dates.length > 1 && (
                <DateChoice eventId={spine.eventId} place={place} currentId={date.id} dates={spine.dates} />
              )}
            </p>
          ) : (
            <p className="text-ink-2">A room without fixed time: it has no date until somebody opens it.</p>
          )}
          {spine.findings.length > 0 && (
            <details className="mt-2" open={place === "plan"}>
              <summary className="cursor-pointer font-medium text-attention">
                Readiness: {spine.findings.length} {spine.findings.length === 1 ? "thing" : "things"} missing
              </summary>
              <FindingList spine={spine} date={date} mend={mend} base={base} query={query} />
            </details>
          )}
        </header>
        {children}
      </main>
    </div>
  );
}
