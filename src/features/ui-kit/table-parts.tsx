"use client";
import { DataTable, Empty, Person, type Column } from "@/ui";

interface Row {
  readonly name: string;
  readonly minutes: number | null;
}
const columns: readonly Column<Row>[] = [
  { id: "name", head: "Name", cell: (row) => <Person name={row.name} size="small" />, value: (row) => row.name },
  {
    id: "minutes",
    head: "Minutes",
    cell: (row) => <span className="mono">{row.minutes ?? "not here"}</span>,
    value: (row) => row.minutes,
  },
];

export function TableParts() {
  const shared = { columns, keyOf: (row: Row) => row.name, empty: <Empty title="Nobody came yet" /> };
  return (
    <section className="flex flex-col gap-3 border-t border-rule py-3" aria-label="Tables">
      <h2 className="text-label font-medium text-ink-2">Table, with sorting and empty</h2>
      <DataTable
        label="Presence"
        rows={[
          { name: "Ines Marl", minutes: 45 },
          { name: "Oskar Vell", minutes: null },
          { name: "Abel Tarn", minutes: 12.5 },
        ]}
        {...shared}
      />
      <DataTable label="Nobody" rows={[]} {...shared} />
    </section>
  );
}
