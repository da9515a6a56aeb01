import Link from "next/link";
import { standingMay } from "@/core/people";
import { localWords, shiftLocal, wallTimeAt } from "@/core/time";
import { SlotForm } from "@/features/slots/slot-form";
import { TeamBar } from "@/features/shared/team-bar";
import { organisationOf } from "@/server/services/organisation/rules";
import { season } from "@/server/services/overview/season";
import { slotPages } from "@/server/services/way-in/slot-pages";
import { pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import { createSlotsAction } from "./actions";

export const metadata = { title: "Slots" };

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
        <div className="grid grid-cols-[1fr_24rem] gap-10">
          <div className="flex flex-col gap-8">
            {pages.length === 0 && <p className="text-ink-2">No hours are given out yet.</p>}
            {pages.map((page) => (
              <section key={page.eventId} aria-label={page.title}>
                <h2 className="text-head font-semibold" dir="auto">
                  {page.title}
                </h2>
                <p className="text-ink-2">
                  <span className="mono">{page.plan.lengthMinutes}</span> min each,{" "}
                  <span className="mono">{page.plan.pauseMinutes}</span> min between,{" "}
                  {page.plan.capacity === 1 ? "one person" : `${page.plan.capacity} people`} at a time{" "}
                  <a href={`/book/${page.slug}`} className="mono block truncate">{`/book/${page.slug}`}</a>
                </p>
                {page.bookings.length === 0 ? (
                  <p className="mt-1 text-ink-2">Nobody has booked yet.</p>
                ) : (
                  <ul className="mt-1">
                    {page.bookings.map((one) => (
                      <li
                        key={one.dateId + one.email}
                        className="grid grid-cols-[16rem_1fr_auto] gap-3 border-t border-rule py-1.5"
                      >
                        <span className="mono">{localWords(wallTimeAt(one.startAt, page.plan.zone).local)}</span>
                        <span className="truncate" dir="auto">
                          {one.name} <span className="text-ink-2">{one.email}</span>
                        </span>
                        <Link href={`/events/${page.eventId}/desk/${one.dateId}`} prefetch={false}>
                          To the desk
                        </Link>
                      </li>
                    ))}
                  </ul>
                )}
              </section>
            ))}
          </div>
          {standingMay(member.standing, "slots.edit") && (
            <SlotForm
              zone={organisation.zone}
              todayLocal={today}
              firstLocal={`${shiftLocal(today, 24 * 60).slice(0, 10)}T14:00`}
              events={events}
              make={createSlotsAction}
            />
          )}
        </div>
      </main>
    </>
  );
}
