"use client";
import { useVirtualizer } from "@tanstack/react-virtual";
import Link from "next/link";
import { useRef } from "react";
import { Badge } from "@/ui";
import type { PersonOfDate } from "@/contracts";
import { PresenceLine } from "./presence-line";

const rowHeight = 40;
const columns = "grid grid-cols-[minmax(10rem,1.4fr)_minmax(9rem,2fr)_5.5rem_4rem_4rem_4rem_minmax(7rem,1fr)] gap-x-3";

function Marks({ row }: { row: PersonOfDate }) {
  return (
    <span className="flex gap-1 overflow-hidden whitespace-nowrap">
      {row.role === "test-guest" && <Badge>only tried</Badge>}
      {row.couldNotHear && <Badge tone="attention">could not hear</Badge>}
      {row.spoke && <Badge tone="action">spoke</Badge>}
      {row.minutes > 0 && !row.isReturning && <Badge>first time</Badge>}
    </span>
  );
}

/** People as rows, each with their presence drawn over the show; only those in view are made. */
export function PeopleTable(props: {
  rows: readonly PersonOfDate[];
  base: string;
  from: number;
  to: number;
  zone: string;
}) {
  const frame = useRef<HTMLDivElement>(null);
  // the compiler leaves what this hook gives alone, as it must
  // eslint-disable-next-line react-hooks/incompatible-library
  const list = useVirtualizer({
    count: props.rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  const heads = ["Name", "There", "Minutes", "Asked", "Votes", "Hands", ""];
  return (
    <div role="table" aria-label="People of this date" aria-rowcount={props.rows.length + 1} className="min-w-3xl">
      <div role="row" className={`${columns} border-b border-ink pb-1 text-label text-ink-2`}>
        {heads.map((head, i) => (
          <span key={head || "marks"} role="columnheader" className={i >= 2 && i <= 5 ? "text-end" : ""}>
            {head || <span className="sr-only">Marks</span>}
          </span>
        ))}
      </div>
      <div ref={frame} className="h-[56vh] overflow-y-auto" tabIndex={0} role="rowgroup" aria-label="Rows">
        <div className="relative" style={{ height: list.getTotalSize() }}>
          {list.getVirtualItems().map((item) => {
            const row = props.rows[item.index]!;
            return (
              <div
                key={row.key}
                role="row"
                aria-rowindex={item.index + 2}
                className={`${columns} absolute inset-x-0 items-center border-b border-rule hover:bg-raised`}
                style={{ height: rowHeight, transform: `translateY(${item.start}px)` }}
              >
                <span role="cell" className="min-w-0">
                  <Link href={`${props.base}/${encodeURIComponent(row.key)}`} className="block truncate">
                    <bdi>{row.name || "unmatched guest"}</bdi>
                  </Link>
                </span>
                <span role="cell">
                  <PresenceLine spans={row.presence} from={props.from} to={props.to} zone={props.zone} />
                </span>
                <span role="cell" className="mono text-end">
                  {row.minutes === 0 ? "–" : row.minutes.toFixed(1)}
                </span>
                <span role="cell" className="mono text-end">
                  {row.questions || ""}
                </span>
                <span role="cell" className="mono text-end">
                  {row.votes || ""}
                </span>
                <span role="cell" className="mono text-end">
                  {row.hands || ""}
                </span>
                <span role="cell">
                  <Marks row={row} />
                </span>
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}
