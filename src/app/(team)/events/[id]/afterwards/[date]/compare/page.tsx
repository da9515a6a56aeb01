import { ChooseDates } from "@/features/afterwards/compare/choose-dates";
import { CompareTable } from "@/features/afterwards/compare/compare-table";
import { Curves } from "@/features/afterwards/compare/curves";
import { AfterNav } from "@/features/afterwards/report/after-nav";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { compareDates, mostCompared } from "@/server/services/overview/compare";
import { Empty } from "@/ui";
import { orNotFound } from "../../../../../../_lib/request";
import { signOutAction } from "../../../../../sign-in/actions";
import { reportPage, type ReportParams } from "../report-page";

export const metadata = { title: "Compare dates" };

export default async function ComparePage(props: ReportParams & { searchParams: Promise<{ with?: string }> }) {
  const { context, member, spine, id, date, base } = await reportPage(props);
  const chosen = ((await props.searchParams).with ?? "").split(",").filter(Boolean);
  const { dates, offered, always, alwaysCount } = await orNotFound(() =>
    compareDates(context, member, id, date, chosen),
  );
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav base={base} place="compare" />
        {dates.length < 2 && offered.length === 0 ? (
          <Empty title="There is no other date that was held yet.">
            As soon as there is, its curve and figures stand here beside this one’s.
          </Empty>
        ) : (
          <>
            <div className="mb-3 flex items-center gap-4">
              <ChooseDates offered={offered} chosen={dates.slice(1).map((one) => one.id)} most={mostCompared - 1} />
              <p className="text-ink-2">
                Minutes since each curtain rose. Small figures: this date against the other, with the 95 % interval.
              </p>
            </div>
            <Curves dates={dates} />
            <div className="mt-4 overflow-x-auto">
              <CompareTable dates={dates} />
            </div>
            {dates.length > 1 && (
              <section className="mt-5">
                <h2 className="text-head font-semibold">
                  Came to every one of them <span className="mono text-ink-2">{alwaysCount}</span>
                </h2>
                <p className="text-ink-2">{alwaysCount === 0 ? "Nobody." : always.join(", ")}</p>
              </section>
            )}
          </>
        )}
      </Workspace>
    </>
  );
}
