import { AfterNav } from "@/features/afterwards/report/after-nav";
import { ShareLinks } from "@/features/afterwards/summary/share-links";
import { SummarySheet } from "@/features/afterwards/summary/summary-sheet";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { afterwards } from "@/server/services/afterwards/summary";
import { summaryLinksOf } from "@/server/services/afterwards/summary-links";
import { orNotFound } from "../../../../../../_lib/request";
import { summarySheet } from "../../../../../../_lib/summary-sheet";
import { signOutAction } from "../../../../../sign-in/actions";
import { makeSummaryLinkAction, revokeSummaryLinkAction } from "../../../report-actions";
import { reportPage, type ReportParams } from "../report-page";

export const metadata = { title: "Summary" };

export default async function SummaryOfDatePage(props: ReportParams) {
  const { context, member, occurrence, spine, id, date, base, mayRead } = await reportPage(props);
  const data = await orNotFound(() => afterwards(context, member, id, date));
  const mayShare = occurrence.phase === "ended" && mayRead("report.share");
  const links = mayShare ? await summaryLinksOf(context, member, id, date) : [];
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav base={base} place="summary" />
        {mayShare && (
          <ShareLinks
            links={links}
            zone={occurrence.zone}
            now={context.clock.now()}
            make={makeSummaryLinkAction.bind(null, id, date)}
            revoke={revokeSummaryLinkAction.bind(null, id, date)}
          />
        )}
        <SummarySheet {...await summarySheet(context, data, false)} />
      </Workspace>
    </>
  );
}
