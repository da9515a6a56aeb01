import { standingMay } from "@/core/people";
import { shiftLocal, wallTimeAt } from "@/core/time";
import { SlotPages, type SlotPageView } from "@/features/slots/slot-pages";
import { TeamBar } from "@/features/shared/team-bar";
import { organisationOf } from "@/server/services/organisation/rules";
import { season } from "@/server/services/overview/season";
import { slotPages, type SlotPageLine } from "@/server/services/way-in/slot-pages";
import { pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import { cancelBookingsAction, closeSlotsAction, createSlotsAction, editSlotsAction } from "./actions";

export const metadata = { title: "Slots" };

/** What the page shows and changes of one booking page. */
function viewOf({ eventId, slug, title, plan, bookings }: SlotPageLine): SlotPageView {
  const { startLocal, untilClock, zone, lengthMinutes, pauseMinutes, capacity, rule, forEventId } = plan;
  const input = { title, startLocal, untilClock, zone, lengthMinutes, pauseMinutes, capacity, forEventId };
  const open = rule && {
    ...rule,
    byMonth: [...rule.byMonth],
    byMonthDay: [...rule.byMonthDay],
    byDay: [...rule.byDay],
  };
  return { eventId, slug, isClosed: plan.closedAt !== null, input: { ...input, rule: open }, bookings };
}

export default async function SlotsPage() {
  const { context, member } = await pageMember();
  const [pages, organisation, coming] = await Promise.all([
    slotPages(context, member),
    organisationOf(context, member.organisationId),
    season(context, member),
  ]);
  const today = wallTimeAt(context.clock.now(), organisation.zone).local;
  const events = [
    ...new Map(coming.ahead.map((date) => [date.eventId, { id: date.eventId, title: date.title }])).values(),
  ];
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-6xl px-6 py-5">
        <header className="mb-5 border-b-2 border-ink pb-2">
          <h1 className="text-title leading-tight font-semibold">Slots</h1>
          <p className="text-ink-2">
            Sound checks and open hours, booked by whoever comes. Each booking has a foyer and a room of its own.
          </p>
        </header>
        <SlotPages
          pages={pages.map(viewOf)}
          zone={organisation.zone}
          todayLocal={today}
          firstLocal={`${shiftLocal(today, 24 * 60).slice(0, 10)}T14:00`}
          events={events}
          mayEdit={standingMay(member.standing, "slots.edit")}
          acts={{
            make: createSlotsAction,
            edit: editSlotsAction,
            close: closeSlotsAction,
            cancel: cancelBookingsAction,
          }}
        />
      </main>
    </>
  );
}
