import { AfterNav } from "@/features/afterwards/report/after-nav";
import { People } from "@/features/afterwards/people/people";
import { personMarks } from "@/features/afterwards/people/filters";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { peopleOfDate } from "@/server/services/afterwards/people-of-date";
import { dateReport } from "@/server/services/ground/date-report";
import { signOutAction } from "../../../../../sign-in/actions";
import { filePeopleAction, mailPeopleAction, noteOfDateAction } from "../../../report-actions";
import { reportPage, type ReportParams } from "../report-page";

export const metadata = { title: "People of a date" };

export default async function PeopleOfDatePage(props: ReportParams & { searchParams: Promise<{ only?: string }> }) {
  const { context, event, occurrence, spine, id, date, base, mayRead, isOver } = await reportPage(props);
  const { only } = await props.searchParams;
  const data = await dateReport(context, event, occurrence);
  const about = { organisationId: event.organisationId, occurrenceId: date, startAt: occurrence.startAt };
  const people = await peopleOfDate(context.db, about, data);
  const { show } = data.report;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav
          base={base}
          place="people"
          note={isOver ? null : "The date is not over: these are the figures so far."}
        />
        <People
          rows={people}
          base={`${base}/people`}
          from={show.at(0)?.start ?? occurrence.startAt}
          to={show.at(-1)?.end ?? occurrence.endAt}
          zone={occurrence.zone}
          first={personMarks.filter((one) => one === only)}
          mail={mayRead("event.mailings") ? mailPeopleAction.bind(null, id, date) : null}
          note={mayRead("event.people") ? noteOfDateAction.bind(null, id, date) : null}
          file={mayRead("event.exports") ? filePeopleAction.bind(null, id, date) : null}
        />
      </Workspace>
    </>
  );
}
