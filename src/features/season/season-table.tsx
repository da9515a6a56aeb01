import { Table } from "@/ui";
import Link from "next/link";
import { Fragment } from "react";
import type { SeasonDate } from "@/contracts";
import { cityOf, localWords } from "@/core/time";
import { EventMenu, type EventMenuActs } from "./event-menu";
import { phaseWords } from "@/features/shared/role-words";

const isPast = (date: SeasonDate): boolean => ["ended", "not-held", "cancelled"].includes(date.phase);

/** Dates as lines: past ones lead to what came of them, the others to their plan. */
export function SeasonTable({ dates, menu }: { dates: readonly SeasonDate[]; menu: EventMenuActs | null }) {
  return (
    <Table className="mt-2 w-full text-left">
      <thead className="text-label text-ink-2">
        <tr>
          <th className="w-60 py-1 font-medium">Date</th>
          <th className="w-40 font-medium">Where the hour is</th>
          <th className="font-medium">Event</th>
          <th className="w-28 text-right font-medium">Registered</th>
          <th className="w-56 pl-6 font-medium">State</th>
          <th className="w-16" aria-label="More" />
        </tr>
      </thead>
      <tbody>
        {dates.map((date, i) => (
          <Fragment key={date.occurrenceId}>
            {isPast(date) && i > 0 && !isPast(dates[i - 1]!) && (
              <tr>
                <th colSpan={6} scope="rowgroup" className="border-t border-ink pt-5 pb-1 font-semibold">
                  Over
                </th>
              </tr>
            )}
            <tr className="border-t border-rule">
              <td className="mono py-1.5">{localWords(date.startLocal)}</td>
              <td className="text-ink-2">{cityOf(date.zone)}</td>
              <td>
                <Link
                  href={
                    isPast(date)
                      ? `/events/${date.eventId}/afterwards/${date.occurrenceId}`
                      : `/events/${date.eventId}/plan?date=${date.occurrenceId}`
                  }
                  prefetch={false}
                >
                  {date.title}
                </Link>
                {date.kind === "rehearsal" && <span className="text-ink-2"> · rehearsal</span>}
              </td>
              <td className="mono text-right">{date.registered}</td>
              <td className="pl-6 text-ink-2">
                {phaseWords[date.phase]}
                {!isPast(date) && !date.isPublished ? ", not published" : ""}
              </td>
              <td className="text-right">{menu && <EventMenu date={date} acts={menu} />}</td>
            </tr>
          </Fragment>
        ))}
      </tbody>
    </Table>
  );
}
