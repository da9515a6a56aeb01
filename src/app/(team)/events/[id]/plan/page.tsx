import type { SeatRequestLine } from "@/contracts";
import type { Context } from "@/server/services/ground/context";
import type { OccurrenceRow } from "@/server/services/planning/dates/load";
import type { EventRow } from "@/server/services/planning/events";
import { EndEvent } from "@/features/plan/end-event";
import { EventActs } from "@/features/plan/event-acts";
import { PlanForm } from "@/features/plan/plan-form";
import { Rehearsals } from "@/features/plan/rehearsals";
import { SeriesStrip } from "@/features/plan/series-strip";
import { Expectation } from "@/features/plan/expectation";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { roleMay } from "@/core/rights";
import { ruleSentence, shiftLocal, wallTimeAt } from "@/core/time";
import { datesOf, seriesOf } from "@/server/services/planning/dates/load";
import { rehearsalsOf } from "@/server/services/planning/dates/rehearsals";
import { registeredByDate } from "@/server/services/planning/dates/counts";
import { hearersOfEvent } from "@/server/services/planning/event-life";
import { holdersCount, stageTicketsOf } from "@/server/services/planning/events";
import { expect, pastHouse } from "@/server/services/overview/forecast";
import { outletsFor } from "@/server/services/hour/outlets";
import { seatRequestsOf } from "@/server/services/planning/seat-requests";
import { Button } from "@/ui";
import { zoneCities } from "../../../../_lib/cities";
import { workspace, type DateQuery } from "../../../../_lib/workspace";
import { askSeatsAction } from "../../../house-actions";
import { signOutAction } from "../../../sign-in/actions";
import {
  deleteAction,
  duplicateAction,
  mendAction,
  requestSeatsAction,
  currentPlanAction,
  savePlanAction,
  saveTemplateAction,
} from "../actions";
import {
  addRehearsalAction,
  applyExtentAction,
  cancelRehearsalAction,
  inviteToRehearsalAction,
  openStandingAction,
  previewExtentAction,
  undoChangeAction,
} from "../dates-actions";

import { OutletsOf } from "./outlets-of";

export const metadata = { title: "Plan" };

function RoomCode({
  event,
  context,
  mayEdit,
  id,
  occurrence,
}: {
  event: EventRow;
  context: Context;
  mayEdit: boolean;
  id: string;
  occurrence: OccurrenceRow | null;
}) {
  return (
    <section className="mb-5 flex items-center gap-4 border-l-4 border-action bg-sheet p-4">
      <p>
        Code <span className="mono text-head">{event.roomCode}</span>{" "}
        <span className="text-ink-2">
          to type on the public page · {context.environment.STAGE_CALL_URL}/front/{event.slug}
        </span>
        {event.publishedAt === null && (
          <span className="block text-attention">The code opens nothing until the event is published.</span>
        )}
      </p>
      {mayEdit && (
        <form action={openStandingAction.bind(null, id)} className="ml-auto">
          <Button type="submit" weight="act">
            {occurrence && occurrence.phase !== "ended" ? "To the open room" : "Open the room now"}
          </Button>
        </form>
      )}
    </section>
  );
}

function RehearsalsOf({
  rehearsals,
  occurrence,
  todayLocal,
  id,
}: {
  rehearsals: readonly OccurrenceRow[];
  occurrence: OccurrenceRow;
  todayLocal: string;
  id: string;
}) {
  return (
    <Rehearsals
      rehearsals={rehearsals.map(({ id: dateId, startLocal, durationMinutes, phase }) => ({
        id: dateId,
        startLocal,
        durationMinutes,
        phase,
      }))}
      proposedLocal={shiftLocal(occurrence.startLocal, -24 * 60)}
      todayLocal={todayLocal}
      deskBase={`/events/${id}/desk`}
      acts={{
        add: addRehearsalAction.bind(null, id),
        invite: inviteToRehearsalAction.bind(null, id),
        cancel: cancelRehearsalAction.bind(null, id),
      }}
    />
  );
}

function ActsAndRequests({
  event,
  id,
  requests,
  occurrence,
  holders,
}: {
  event: EventRow;
  id: string;
  requests: readonly SeatRequestLine[];
  occurrence: OccurrenceRow | null;
  holders: { readonly ofDate: number; readonly ofEvent: number };
}) {
  return (
    <>
      <EventActs
        title={event.title}
        houseSize={event.houseSize}
        saveTemplate={saveTemplateAction.bind(null, id)}
        requestSeats={requestSeatsAction.bind(null, id)}
        requests={requests}
      />
      <div className="mt-8 flex items-center gap-4 border-t border-rule pt-3">
        <form action={duplicateAction.bind(null, id)}>
          <Button type="submit" weight="quiet">
            Duplicate
          </Button>
        </form>
        <EndEvent
          holders={holders}
          dateId={event.shape === "one-date" && occurrence?.phase === "scheduled" ? occurrence.id : null}
          acts={{
            remove: deleteAction.bind(null, id),
            cancel: applyExtentAction.bind(null, id),
            undo: undoChangeAction.bind(null, id),
          }}
        />
      </div>
    </>
  );
}

export default async function PlanPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<DateQuery>;
}) {
  const { id } = await params;
  const { context, member, loaded, spine } = await workspace(id, (await searchParams).date ?? null);
  const { event, occurrence, plan } = loaded;
  const mayEdit = roleMay(loaded.access.actor, "event.plan");
  const now = context.clock.now();
  const dates = event.shape === "series" ? await datesOf(context.db, id) : [];
  const [rows, counts, stage, past, requests, rehearsals, holders, eventHolders] = await Promise.all([
    event.shape === "series" ? seriesOf(context.db, id) : [],
    registeredByDate(context.db, id),
    stageTicketsOf(context.db, id),
    pastHouse(context, event.organisationId),
    seatRequestsOf(context, member, id),
    rehearsalsOf(context, id),
    holdersCount(context, occurrence),
    mayEdit ? hearersOfEvent(context, member, id) : 0,
  ]);
  const todayLocal = wallTimeAt(now, occurrence?.zone ?? plan.zone).local;
  const registered = occurrence ? (counts.get(occurrence.id) ?? 0) : 0;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={spine} place="plan" mend={mendAction.bind(null, id)}>
        {event.shape === "standing" && (
          <RoomCode event={event} context={context} mayEdit={mayEdit} id={id} occurrence={occurrence} />
        )}
        {rows.length > 0 && (
          <p className="mb-3 text-lead">{rows.map((row) => ruleSentence(row.rule, row.startLocal)).join(" · then ")}</p>
        )}
        <PlanForm
          key={id}
          isNew={false}
          initial={plan}
          version={event.version}
          cities={zoneCities()}
          holders={holders}
          onStage={stage.filter((one) => one.role === "panelist").length}
          draftKey={`plan-${id}`}
          todayLocal={todayLocal}
          occurrenceId={occurrence?.id ?? null}
          askSeats={askSeatsAction}
          save={savePlanAction.bind(null, id)}
          current={currentPlanAction.bind(null, id, occurrence?.id ?? null)}
          mayEdit={mayEdit}
          beside={
            registered > 0 && (
              <Expectation
                registered={registered}
                houseSize={event.houseSize}
                past={past}
                expected={expect(past, registered, event.houseSize)}
              />
            )
          }
        />
        {dates.length > 0 && (
          <SeriesStrip
            mayEdit={mayEdit}
            todayLocal={todayLocal}
            dates={dates.map((date) => ({
              ...date,
              registered: counts.get(date.id) ?? 0,
              isFixed: date.phase !== "scheduled" || date.startAt <= now,
            }))}
            acts={{
              preview: previewExtentAction.bind(null, id),
              apply: applyExtentAction.bind(null, id),
              undo: undoChangeAction.bind(null, id),
            }}
          />
        )}
        {mayEdit && occurrence && (
          <RehearsalsOf rehearsals={rehearsals} occurrence={occurrence} todayLocal={todayLocal} id={id} />
        )}
        {mayEdit && <OutletsOf id={id} outlets={await outletsFor(context, member, id)} />}
        {mayEdit && (
          <ActsAndRequests
            {...{ event, id, requests, occurrence }}
            holders={{ ofDate: holders, ofEvent: eventHolders }}
          />
        )}
      </Workspace>
    </>
  );
}
