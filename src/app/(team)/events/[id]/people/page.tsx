import Link from "next/link";
import { FindEventTime } from "@/features/people/find-event-time";
import { PeopleBoard } from "@/features/people/people-board";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { roleMay } from "@/core/rights";
import { wallTimeAt } from "@/core/time";
import { listStagePeople } from "@/server/services/people/stage-people";
import { holdersCount } from "@/server/services/planning/events";
import { workspace, type DateQuery } from "../../../../_lib/workspace";
import { applyExtentAction, undoChangeAction } from "../dates-actions";
import { signOutAction } from "../../../sign-in/actions";
import {
  addBusyCalendarAction,
  addPersonAction,
  findATimeAction,
  inviteStageAction,
  previewStageAction,
  removePersonAction,
  setDutiesAction,
  setReplyAction,
} from "../people-actions";

export const metadata = { title: "People" };

export default async function PeoplePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<DateQuery>;
}) {
  const { id } = await params;
  const { context, member, loaded, spine } = await workspace(id, (await searchParams).date ?? null);
  const people = await listStagePeople(context, member, id);
  const acts = {
    add: addPersonAction.bind(null, id),
    setDuties: setDutiesAction.bind(null, id),
    remove: removePersonAction.bind(null, id),
    preview: previewStageAction.bind(null, id),
    invite: inviteStageAction.bind(null, id),
    setReply: setReplyAction.bind(null, id),
    addCalendar: addBusyCalendarAction.bind(null, id),
  };
  const mayEdit = roleMay(loaded.access.actor, "event.people");
  const { occurrence } = loaded;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={spine} place="people">
        <PeopleBoard people={people} acts={acts} mayEdit={mayEdit} />
        <p className="mt-4 flex gap-5">
          <Link href={`/events/${id}/call-sheet${occurrence ? `?date=${occurrence.id}` : ""}`} prefetch={false}>
            The call sheet
          </Link>
          <Link href="/help" prefetch={false}>
            Who may do what
          </Link>
        </p>
        {mayEdit && occurrence && (
          <FindEventTime
            people={people.map(({ ticketId, name, role }) => ({ id: ticketId, name, isRequired: role !== "crew" }))}
            zone={occurrence.zone}
            fromLocal={`${wallTimeAt(context.clock.now(), occurrence.zone).local.slice(0, 10)}T00:00`}
            durationMinutes={occurrence.durationMinutes}
            find={findATimeAction.bind(null, id)}
            take={
              occurrence.phase === "scheduled" && roleMay(loaded.access.actor, "event.plan")
                ? {
                    occurrenceId: occurrence.id,
                    holders: await holdersCount(context, occurrence),
                    acts: { apply: applyExtentAction.bind(null, id), undo: undoChangeAction.bind(null, id) },
                  }
                : null
            }
          />
        )}
      </Workspace>
    </>
  );
}
