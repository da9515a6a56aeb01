"use client";
import Link from "next/link";
import type { YearDate } from "@/contracts";
import { shortDate } from "@/core/time";
import { DataTable, type Column } from "@/ui";

const number = (id: string, head: string, value: (row: YearDate) => number, digits = 0): Column<YearDate> => ({
  id,
  head,
  value,
  cell: (row) => <span className="mono">{value(row).toFixed(digits)}</span>,
});
const columns: readonly Column<YearDate>[] = [
  {
    id: "date",
    head: "Date",
    value: (row) => row.startAt,
    cell: (row) => <span className="mono whitespace-nowrap">{shortDate(row.startAt, row.zone)}</span>,
  },
  {
    id: "title",
    head: "Event",
    value: (row) => row.title,
    cell: (row) => (
      <Link href={`/events/${row.eventId}/afterwards/${row.occurrenceId}`}>
        <bdi>{row.title}</bdi>
      </Link>
    ),
  },
  number("registered", "Registered", (row) => row.registered),
  number("came", "Came", (row) => row.came),
  number("show-up", "Show-up %", (row) => (row.registered === 0 ? 0 : (100 * row.registeredCame) / row.registered)),
  number("peak", "Peak", (row) => row.peak),
  number("hours", "Hours live", (row) => row.presentMinutes / 60, 1),
  number("again", "Came again", (row) => row.returning),
  number("questions", "Questions", (row) => row.questions),
  number("viewers", "On demand", (row) => row.viewers),
];

/** The year's dates, each leading to its report. */
export const YearDates = ({ rows }: { rows: readonly YearDate[] }) => (
  <DataTable label="Dates of the year" rows={rows} columns={columns} keyOf={(row) => row.occurrenceId} empty={null} />
);
