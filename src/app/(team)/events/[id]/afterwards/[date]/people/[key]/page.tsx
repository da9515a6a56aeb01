import Link from "next/link";
import type { PersonPage } from "@/contracts";
import { clockTime, shortDate } from "@/core/time";
import { AfterNav } from "@/features/afterwards/report/after-nav";
import { MergeInto, OneAct } from "@/features/afterwards/people/person-acts";
import { PersonDetails } from "@/features/afterwards/people/person-details";
import { PresenceLine } from "@/features/afterwards/people/presence-line";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { personOfDate } from "@/server/services/afterwards/person-of-date";
import { Badge, Person } from "@/ui";
import { orNotFound } from "../../../../../../../_lib/request";
import { signOutAction } from "../../../../../../sign-in/actions";
import {
  correctEntryAction,
  findLinesAction,
  markAsTestAction,
  mergeLinesAction,
  undoCorrectionAction,
} from "../../../../report-actions";
import { reportPage, type ReportParams } from "../../report-page";

export const metadata = { title: "One person’s evening" };

function Acts(props: { found: PersonPage; id: string; date: string }) {
  const { found, id, date } = props;
  const { person, corrections, mergedFrom } = found;
  const undo = (correctionId: string) => undoCorrectionAction.bind(null, id, date, correctionId);
  return (
    <div className="flex flex-wrap items-center gap-2">
      <MergeInto
        name={person.name || "This guest"}
        personKey={person.key}
        find={findLinesAction.bind(null, id, date, person.key)}
        merge={mergeLinesAction.bind(null, id, date)}
      />
      {corrections.length === 0 ? (
        <OneAct
          act={markAsTestAction.bind(null, id, date, { personKey: person.key })}
          words="Only tried: count in no figure"
          done="They count in no figure any more."
        />
      ) : (
        corrections.map((one) => (
          <OneAct key={one.id} act={undo(one.id)} words="Count them again" done="They count again." />
        ))
      )}
      {mergedFrom.map((one) => (
        <OneAct
          key={one.correctionId}
          act={undo(one.correctionId)}
          words={`Undo the merge with ${one.name}`}
          done="Two people again."
        />
      ))}
    </div>
  );
}

export default async function PersonOfDatePage(props: ReportParams & { params: Promise<{ key: string }> }) {
  const { context, member, occurrence, spine, id, date, base, mayRead, isOver } = await reportPage(props);
  const key = decodeURIComponent((await props.params).key);
  const found = await orNotFound(() => personOfDate(context, member, id, date, key));
  const { person, show } = found;
  const { zone } = occurrence;
  const mayCorrect = isOver && mayRead("report.correct");
  const [from, to] = [show.at(0)?.start ?? occurrence.startAt, show.at(-1)?.end ?? occurrence.endAt];
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav base={base} place="people" />
        <p className="mb-2">
          <Link href={`${base}/people`}>All people</Link>
        </p>
        <header className="flex flex-wrap items-center gap-4">
          <Person name={person.name || "unmatched guest"} about={person.email || "no address"} />
          {person.role === "test-guest" && <Badge>only tried</Badge>}
          {person.isReturning && <Badge tone="action">came to an earlier date</Badge>}
          {person.couldNotHear && <Badge tone="attention">could not hear</Badge>}
          <span className="ms-auto" />
          {mayCorrect && <Acts {...{ found, id, date }} />}
        </header>
        <div className="mt-4">
          <PresenceLine spans={person.presence} from={from} to={to} zone={zone} className="block h-6 w-full" />
          <p className="mono flex justify-between text-label text-ink-2">
            <span>{clockTime(from, zone)}</span>
            <span>
              {person.minutes.toFixed(1)} min · {person.percent.toFixed(1)} % of the show
            </span>
            <span>{clockTime(to, zone)}</span>
          </p>
        </div>
        <PersonDetails
          found={found}
          zone={zone}
          correct={mayCorrect ? correctEntryAction.bind(null, id, date) : null}
          undo={mayCorrect ? undoCorrectionAction.bind(null, id, date) : null}
          registered={
            found.registeredAt !== null && person.isRegistered
              ? `${shortDate(found.registeredAt, zone)} ${clockTime(found.registeredAt, zone)}`
              : null
          }
        />
      </Workspace>
    </>
  );
}
