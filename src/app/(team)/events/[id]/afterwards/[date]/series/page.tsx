import { AfterNav } from "@/features/afterwards/report/after-nav";
import { Regulars } from "@/features/afterwards/series/regulars";
import { SmallDates } from "@/features/afterwards/series/small-dates";
import { TrendLines } from "@/features/afterwards/series/trend-lines";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { seriesOf } from "@/server/services/overview/series";
import { Empty } from "@/ui";
import { signOutAction } from "../../../../../sign-in/actions";
import { reportPage, type ReportParams } from "../report-page";

export const metadata = { title: "All dates of an event" };

export default async function SeriesPage(props: ReportParams) {
  const { context, member, spine, id, date, base } = await reportPage(props);
  const series = await seriesOf(context, member, id);
  const { dates, heldCount } = series;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav base={base} place="series" />
        {dates.length < 2 ? (
          <Empty title="This event was held once.">
            From its second date on the dates stand here one after the other, with who comes again.
          </Empty>
        ) : (
          <>
            <p className="mb-3 text-ink-2">
              {heldCount > dates.length ? `The latest ${dates.length} of ${heldCount} dates` : `${dates.length} dates`},
              the oldest first; every curve on one scale of people and minutes.
            </p>
            <SmallDates dates={dates} hereId={date} base={`/events/${id}/afterwards`} />
            <section className="mt-6 mb-6 border-s-4 border-rule ps-4">
              <h2 className="mb-1 text-head font-semibold">From date to date</h2>
              <TrendLines trends={series.trends} />
            </section>
            <Regulars {...series} />
          </>
        )}
      </Workspace>
    </>
  );
}
