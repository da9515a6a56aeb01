import Link from "next/link";
import { clockTime, longDate } from "@/core/time";
import { phaseWords } from "@/features/shared/role-words";
import type { SeasonDate } from "@/contracts";

/** Dates as lines: past ones lead to what came of them, the others to their plan. */
export function SeasonTable({ dates }: { dates: readonly SeasonDate[] }) {
  return (
    <table className="mt-2 w-full text-left">
      <thead className="text-label text-ink-2">
        <tr>
          <th className="py-1 font-medium">Date</th>
          <th className="font-medium">Event</th>
          <th className="text-right font-medium">Registered</th>
          <th className="pl-6 font-medium">State</th>
        </tr>
      </thead>
      <tbody>
        {dates.map((date) => {
          const isPast = ["ended", "not-held", "cancelled"].includes(date.phase);
          return (
            <tr key={date.occurrenceId} className="border-t border-rule">
              <td className="mono py-1.5">
                {longDate(date.startAt, date.zone).replace(/^\w+ /, "")} {clockTime(date.startAt, date.zone)}
              </td>
              <td>
                <Link href={isPast ? `/events/${date.eventId}/afterwards/${date.occurrenceId}` : `/events/${date.eventId}/plan?date=${date.occurrenceId}`} prefetch={false}>
                  {date.title}
                </Link>
                {date.kind === "rehearsal" && <span className="text-ink-2"> · rehearsal</span>}
              </td>
              <td className="mono text-right">{date.registered}</td>
              <td className="pl-6 text-ink-2">
                {phaseWords[date.phase]}
                {!isPast && !date.isPublished ? ", front door closed" : ""}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
