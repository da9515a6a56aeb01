"use client";
import Link from "next/link";
import { useState } from "react";
import { holdsWords } from "@/core/shared";
import { cityOf, clockTime, shortDate } from "@/core/time";
import { spanText } from "@/features/shared/times";
import { Badge, DataTable, Empty, Field, Input, type Column } from "@/ui";

export interface RecordingRow {
  readonly id: string;
  readonly title: string;
  /** the date's report, where it is published and taken off */
  readonly href: string;
  readonly watchHref: string | null;
  readonly recordedAt: number;
  readonly publishedFrom: number | null;
  readonly durationSeconds: number | null;
  readonly sizeBytes: number;
}

const sizeWords = (bytes: number): string =>
  bytes < 1e9 ? `${Math.max(1, Math.round(bytes / 1e6))} MB` : `${(bytes / 1e9).toFixed(1)} GB`;

function State({ row, now, zone }: { row: RecordingRow; now: number; zone: string }) {
  if (row.publishedFrom === null) return <Badge>not published</Badge>;
  if (row.publishedFrom <= now) return <Badge tone="action">published</Badge>;
  return (
    <Badge tone="attention">
      from {shortDate(row.publishedFrom, zone)} {clockTime(row.publishedFrom, zone)}
    </Badge>
  );
}

/** Every recording of the organisation, found by a few letters and sorted by any column. */
export function RecordingTable({ rows, now, zone }: { rows: readonly RecordingRow[]; now: number; zone: string }) {
  const [words, setWords] = useState("");
  const shown = rows.filter((row) => holdsWords(row.title, words));
  const columns: readonly Column<RecordingRow>[] = [
    {
      id: "title",
      head: "Title",
      value: (row) => row.title,
      cell: (row) => (
        <Link href={row.href} prefetch={false} dir="auto">
          {row.title}
        </Link>
      ),
    },
    {
      id: "at",
      head: `Recorded, hour in ${cityOf(zone)}`,
      value: (row) => row.recordedAt,
      cell: (row) => (
        <span className="mono">
          {shortDate(row.recordedAt, zone)} {clockTime(row.recordedAt, zone)}
        </span>
      ),
    },
    {
      id: "length",
      head: "Length",
      value: (row) => row.durationSeconds,
      cell: (row) => (
        <span className="mono">{row.durationSeconds === null ? "" : spanText(row.durationSeconds * 1000)}</span>
      ),
    },
    {
      id: "size",
      head: "Size",
      value: (row) => row.sizeBytes,
      cell: (row) => <span className="mono">{sizeWords(row.sizeBytes)}</span>,
    },
    {
      id: "state",
      head: "State",
      value: (row) => row.publishedFrom,
      cell: (row) => <State row={row} now={now} zone={zone} />,
    },
    {
      id: "watch",
      head: "",
      className: "text-end",
      cell: (row) => row.watchHref && <a href={row.watchHref}>Watch</a>,
    },
  ];
  return (
    <>
      {rows.length > 0 && (
        <Field label="Search" className="mb-2 max-w-72">
          {(ids) => <Input {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
        </Field>
      )}
      <DataTable
        label="Recordings"
        rows={shown}
        columns={columns}
        keyOf={(row) => row.id}
        empty={
          rows.length === 0 ? (
            <Empty title="No recording yet">
              One is added to a date once it is over: open the event, then its report, and upload the file there.
            </Empty>
          ) : (
            <Empty title="Nothing fits">Search for fewer letters.</Empty>
          )
        }
      />
    </>
  );
}
