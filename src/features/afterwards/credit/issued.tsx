"use client";
import { shortDate } from "@/core/time";
import { Badge, DataTable, Empty, type Column } from "@/ui";
import { ChangeCredit, type ChangeCreditAct } from "./change-credit";

export interface IssuedRow {
  readonly id: string;
  readonly name: string;
  /** in groups, as it is printed */
  readonly printed: string;
  readonly number: string;
  readonly points: number;
  readonly outOf: number;
  readonly isWithdrawn: boolean;
  readonly issuedAt: number;
  readonly trail: readonly {
    readonly at: number;
    readonly points: number;
    readonly isWithdrawn: boolean;
    readonly why: string;
  }[];
}

/** The certificates of a date, each with its number, its PDF and its trail. */
export function Issued(props: {
  rows: readonly IssuedRow[];
  folder: string;
  zone: string;
  change: ChangeCreditAct | null;
}) {
  const { zone, change } = props;
  const columns: Column<IssuedRow>[] = [
    { id: "name", head: "Name", value: (one) => one.name, cell: (one) => <bdi>{one.name || "–"}</bdi> },
    {
      id: "points",
      head: "Points",
      value: (one) => one.points,
      cell: (one) => (
        <span className="mono">
          {one.points} of {one.outOf}
        </span>
      ),
    },
    { id: "issued", head: "Issued", value: (one) => one.issuedAt, cell: (one) => shortDate(one.issuedAt, zone) },
    {
      id: "number",
      head: "Number",
      cell: (one) => (
        <a href={`/credit/${one.number}`} className="mono">
          {one.printed}
        </a>
      ),
    },
    {
      id: "state",
      head: "State",
      value: (one) => Number(one.isWithdrawn),
      cell: (one) => (
        <>
          {one.isWithdrawn ? <Badge tone="attention">withdrawn</Badge> : <Badge tone="action">valid</Badge>}
          {one.trail.map((was) => (
            <span key={was.at} className="block text-label text-ink-2">
              {shortDate(was.at, zone)}: was {was.points}
              {was.isWithdrawn && ", withdrawn"} — {was.why}
            </span>
          ))}
        </>
      ),
    },
    {
      id: "acts",
      head: "",
      cell: (one) => (
        <span className="flex items-center justify-end gap-3 whitespace-nowrap">
          {!one.isWithdrawn && <a href={`${props.folder}/certificate-${one.number}.pdf`}>PDF</a>}
          {change && <ChangeCredit credit={one} change={change} />}
        </span>
      ),
    },
  ];
  return (
    <DataTable
      label="Certificates"
      rows={props.rows}
      columns={columns}
      keyOf={(one) => one.id}
      empty={<Empty title="No certificate was issued yet." />}
    />
  );
}
