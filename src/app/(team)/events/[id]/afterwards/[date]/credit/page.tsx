import Link from "next/link";
import { printedNumber } from "@/core/attendance";
import { Issued } from "@/features/afterwards/credit/issued";
import { IssueCredit } from "@/features/afterwards/credit/issue";
import { PostStatements } from "@/features/afterwards/credit/post-statements";
import { WhatIfTable } from "@/features/afterwards/credit/what-if";
import { AfterNav } from "@/features/afterwards/report/after-nav";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { creditPage } from "@/server/services/afterwards/credit";
import { recordStoreOf, statementPostOf } from "@/server/services/afterwards/record-store";
import { Empty } from "@/ui";
import { signOutAction } from "../../../../../sign-in/actions";
import { changeCreditAction, issueCreditAction, postStatementsAction } from "../../../report-actions";
import { reportPage, type ReportParams } from "../report-page";

export const metadata = { title: "Credit" };

export default async function CreditOfDatePage(props: ReportParams) {
  const { context, member, occurrence, spine, id, date, base, mayRead } = await reportPage(props);
  const { rule, whatIf, issued, due, isOfSegments } = await creditPage(context, member, id, date);
  const store = await recordStoreOf(context, member);
  const mayIssue = occurrence.phase === "ended" && mayRead("credit.issue");
  const folder = `/events/${id}/dates/${date}`;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav base={base} place="credit" />
        {rule === null ? (
          <Empty title="This event gives no credit.">
            How much it gives, and for how long people must be there, is set in{" "}
            <Link href={`/events/${id}/plan#room`}>its plan</Link>.
          </Empty>
        ) : (
          <>
            <p className="mb-3">
              <span className="mono">{rule.points}</span> points for being there{" "}
              <span className="mono">{rule.thresholdPercent} %</span>{" "}
              {isOfSegments ? "of the segments that carry the credit" : "of the show"}
              {rule.checks !== null && `, with ${rule.checks} presence checks answered`}
              {rule.isPartial && "; below that a part of them, in proportion"}.
            </p>
            <div className="grid items-start gap-8 lg:grid-cols-[1fr_auto]">
              <WhatIfTable
                lines={whatIf}
                thresholdPercent={rule.thresholdPercent}
                isPartial={rule.isPartial === true}
              />
              {mayIssue && <IssueCredit due={due} issue={issueCreditAction.bind(null, id, date)} />}
            </div>
            <section className="mt-6">
              <h2 className="text-head font-semibold">Certificates</h2>
              {issued.length > 0 && (
                <p className="flex gap-4 text-ink-2">
                  <a href={`${folder}/credit.csv`}>credit.csv</a>
                  <a href={`${folder}/results.csv`}>results.csv for a gradebook</a>
                  <a href={`${folder}/statements.json`}>statements.json for a record store</a>
                </p>
              )}
              {issued.length > 0 && mayIssue && store && (
                <PostStatements
                  post={await statementPostOf(context.db, date)}
                  ask={postStatementsAction.bind(null, id, date)}
                />
              )}
              <Issued
                rows={issued.map((one) => ({
                  id: one.id,
                  name: one.name,
                  number: one.number,
                  printed: printedNumber(one.number),
                  points: one.points,
                  outOf: one.outOf,
                  isWithdrawn: one.withdrawnAt !== null,
                  issuedAt: one.issuedAt,
                  trail: one.trail,
                }))}
                folder={folder}
                zone={occurrence.zone}
                change={mayIssue ? changeCreditAction.bind(null, id, date) : null}
              />
            </section>
          </>
        )}
      </Workspace>
    </>
  );
}
