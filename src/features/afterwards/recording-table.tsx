"use client";
import { Film } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import type { RecordingAudience } from "@/core/watching";
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
  readonly publishedUntil: number | null;
  readonly audience: RecordingAudience;
  readonly durationSeconds: number | null;
  readonly sizeBytes: number;
  /** where its title picture is; null: none was taken */
  readonly pictureHref: string | null;
  /** people and browsers that watched any of it */
  readonly viewerCount: number;
  /** asked while it was watched, not answered yet */
  readonly openQuestionCount: number;
  /** what the room recorded is put together first */
  readonly state: "waiting" | "joining" | "ready" | "failed";
}

const sizeWords = (bytes: number): string =>
  bytes < 1e9 ? `${Math.max(1, Math.round(bytes / 1e6))} MB` : `${(bytes / 1e9).toFixed(1)} GB`;

const publishedWords = {
  everyone: "published",
  link: "published by its address",
  registrants: "for people who registered",
} as const;

function State({ row, now, zone }: { row: RecordingRow; now: number; zone: string }) {
  if (row.state === "failed") return <Badge tone="attention">could not be put together</Badge>;
  if (row.state !== "ready") return <Badge>being put together</Badge>;
  if (row.publishedFrom === null) return <Badge>not published</Badge>;
  if (row.publishedUntil !== null && row.publishedUntil <= now) return <Badge>over</Badge>;
  if (row.publishedFrom <= now)
    return (
      <>
        <Badge tone="action">{publishedWords[row.audience]}</Badge>
        {row.publishedUntil !== null && (
          <span className="block text-label text-ink-2">until {shortDate(row.publishedUntil, zone)}</span>
        )}
      </>
    );
  return (
    <Badge tone="attention">
      from {shortDate(row.publishedFrom, zone)} {clockTime(row.publishedFrom, zone)}
    </Badge>
  );
}

/** The picture that stands for it, else a plain one of its shape: rows keep their height. */
const TitlePicture = ({ href }: { href: string | null }) =>
  href ? (
    <img src={href} alt="" loading="lazy" className="aspect-video w-20 shrink-0 bg-ink object-contain" />
  ) : (
    <span aria-hidden className="grid aspect-video w-20 shrink-0 place-items-center bg-raised text-ink-2">
      <Film size={18} />
    </span>
  );

const columnsOf = (now: number, zone: string): readonly Column<RecordingRow>[] => [
  {
    id: "title",
    head: "Title",
    value: (row) => row.title,
    cell: (row) => (
      <span className="flex items-center gap-3">
        <TitlePicture href={row.pictureHref} />
        <span>
          <Link href={row.href} prefetch={false} dir="auto">
            {row.title}
          </Link>
          {row.openQuestionCount > 0 && (
            <Link href={row.href} prefetch={false} className="block text-label text-attention">
              {row.openQuestionCount === 1 ? "1 question to answer" : `${row.openQuestionCount} questions to answer`}
            </Link>
          )}
        </span>
      </span>
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
    cell: (row) => <span className="mono">{row.state === "ready" ? sizeWords(row.sizeBytes) : ""}</span>,
  },
  {
    id: "viewers",
    head: "Watched by",
    value: (row) => row.viewerCount,
    cell: (row) => <span className="mono">{row.viewerCount}</span>,
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
    cell: (row) => (
      <span className="flex justify-end gap-3">
        {row.state === "ready" && (
          <Link href={`/recordings/${row.id}`} prefetch={false} aria-label={`Edit ${row.title}`}>
            Edit
          </Link>
        )}
        {row.watchHref && (
          <a href={row.watchHref} aria-label={`Watch ${row.title}`}>
            Watch
          </a>
        )}
      </span>
    ),
  },
];

/** Every recording of the organisation, found by a few letters and sorted by any column. */
export function RecordingTable({ rows, now, zone }: { rows: readonly RecordingRow[]; now: number; zone: string }) {
  const [words, setWords] = useState("");
  const shown = rows.filter((row) => holdsWords(row.title, words));
  const columns = columnsOf(now, zone);
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
        hasPictures
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
