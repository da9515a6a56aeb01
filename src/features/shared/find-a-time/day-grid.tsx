"use client";
import type { SlotGrid } from "@/contracts";
import { workFromMinute, workUntilMinute } from "@/core/people";
import { cityOf, clockTime, minuteMs, shortDate, wallTimeAt, weekdayName, type IntervalSet } from "@/core/time";
import { classes, Table } from "@/ui";

const hours = Array.from({ length: 24 }, (_, hour) => hour);
const isBusy = (busy: IntervalSet, at: number): boolean =>
  busy.some((span) => span.start < at + 60 * minuteMs && span.end > at);
const isWorkingHour = (at: number, zone: string): boolean => {
  const minute = Number(wallTimeAt(at, zone).local.slice(11, 13)) * 60;
  return minute >= workFromMinute && minute < workUntilMinute;
};

/** People by hours of the day of the chosen slot: busy dark, working hours plain, the others shaded. */
export function DayGrid({ grid, zone, startAt }: { grid: SlotGrid; zone: string; startAt: number }) {
  const { local } = wallTimeAt(startAt, zone);
  const midnight = startAt - (Number(local.slice(11, 13)) * 60 + Number(local.slice(14, 16))) * minuteMs;
  const chosen = grid.slots.find((slot) => slot.startAt === startAt)!;
  return (
    <Table className="w-full table-fixed text-label" aria-label={`Hours of ${local.slice(0, 10)}`}>
      <thead>
        <tr className="mono text-ink-2">
          <th className="w-44 text-left font-medium">
            {weekdayName(startAt, zone)} {shortDate(startAt, zone)}, {cityOf(zone)}
          </th>
          {hours.map((hour) => (
            <th key={hour} className="text-left font-normal">
              {String(hour).padStart(2, "0")}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {grid.people.map((person) => (
          <tr key={person.id}>
            <th className="truncate pr-2 text-left font-normal">
              {person.name} <span className="text-ink-2">{cityOf(person.zone)}</span>
            </th>
            {hours.map((hour) => {
              const at = midnight + hour * 60 * minuteMs;
              const busy = isBusy(person.busy, at);
              const isIn = at < chosen.endAt && at + 60 * minuteMs > startAt;
              const words = `${person.name}, ${clockTime(at, person.zone)} there: ${busy ? "busy" : isWorkingHour(at, person.zone) ? "free, working hours" : "free, outside working hours"}`;
              return (
                <td
                  key={hour}
                  title={words}
                  aria-label={words}
                  className={classes(
                    "h-6 border border-ground",
                    busy ? "bg-ink-2" : isWorkingHour(at, person.zone) ? "bg-sheet" : "bg-raised",
                    isIn && "border-y-2 border-y-action",
                  )}
                />
              );
            })}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
