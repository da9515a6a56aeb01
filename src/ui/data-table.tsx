"use client";
import { ArrowDown, ArrowUp } from "lucide-react";
import { useState, type ReactNode } from "react";
import { afterPress, sorted, type Comparable, type Sorting } from "./sorted";
import { classes } from "./classes";
import { Table, Td, Th } from "./table";

export interface Column<T> {
  readonly id: string;
  readonly head: string;
  readonly cell: (row: T) => ReactNode;
  /** makes the column one that can be sorted by */
  readonly value?: (row: T) => Comparable;
  readonly className?: string;
}

/** Rows under heads that sort; what stands there when there are none is the caller's to say. */
export function DataTable<T>(props: {
  label: string;
  rows: readonly T[];
  columns: readonly Column<T>[];
  keyOf: (row: T) => string;
  empty: ReactNode;
  /** rows as high as a picture: words stand beside its middle */
  hasPictures?: boolean;
  /** beyond so many rows the rest is a count */
  most?: number;
}) {
  const [sorting, setSorting] = useState<Sorting | null>(null);
  if (props.rows.length === 0) return <>{props.empty}</>;
  const by = props.columns.find((one) => one.id === sorting?.column)?.value;
  const rows = by && sorting ? sorted(props.rows, by, sorting.isDescending) : props.rows;
  const most = props.most ?? 500;
  return (
    <>
      <Table aria-label={props.label}>
        <thead>
          <tr>
            {props.columns.map((column) => {
              const isBy = sorting?.column === column.id;
              const order = !isBy ? "none" : sorting.isDescending ? "descending" : "ascending";
              if (!column.value) return <Th key={column.id}>{column.head}</Th>;
              return (
                <Th key={column.id} aria-sort={order}>
                  <button
                    type="button"
                    className="inline-flex items-center gap-1 hover:text-ink"
                    onClick={() => setSorting(afterPress(sorting, column.id))}
                  >
                    {column.head}
                    {isBy &&
                      (sorting.isDescending ? <ArrowDown aria-hidden size={12} /> : <ArrowUp aria-hidden size={12} />)}
                  </button>
                </Th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, most).map((row) => (
            <tr key={props.keyOf(row)}>
              {props.columns.map((column) => (
                <Td key={column.id} className={classes(props.hasPictures && "align-middle", column.className)}>
                  {column.cell(row)}
                </Td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
      {rows.length > most && <p className="mt-2 text-ink-2">and {rows.length - most} more</p>}
    </>
  );
}
