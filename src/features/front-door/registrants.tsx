"use client";
import { useState } from "react";
import { holdsWords } from "@/core/shared";
import { shortDate, clockTime } from "@/core/time";
import { Badge, DataTable, Drawer, Empty, Field, Input, Person, Press, Select, type Column } from "@/ui";
import { OneRegistrant } from "./one-registrant";
import { statusTone, statusWords, type DateOption, type RegistrantActs, type RegistrantLine } from "./registrant-line";

/** Everyone who registered: found by a few letters, sorted by any column, and one act each beside the list. */
export function Registrants(props: {
  lines: readonly RegistrantLine[];
  zone: string;
  /** the dates that somebody can be put on */
  dates: readonly DateOption[];
  acts: RegistrantActs | null;
  /** beyond those shown here, all of them are in the file */
  total: number;
}) {
  const [words, setWords] = useState("");
  const [status, setStatus] = useState<string>("");
  const [openId, setOpenId] = useState<string | null>(null);
  const lines = props.lines.filter(
    (one) => (status === "" || one.status === status) && holdsWords(`${one.name} ${one.email}`, words),
  );
  const open = props.lines.find((one) => one.ticketId === openId) ?? null;
  const columns: readonly Column<RegistrantLine>[] = [
    {
      id: "name",
      head: "Name",
      value: (one) => one.name,
      cell: (one) => (
        <Press className="block w-full text-start" onClick={() => setOpenId(one.ticketId)}>
          <Person size="small" name={one.name} about={one.email} />
        </Press>
      ),
    },
    {
      id: "status",
      head: "State",
      value: (one) => one.status,
      cell: (one) => <Badge tone={statusTone[one.status]}>{statusWords[one.status]}</Badge>,
    },
    {
      id: "at",
      head: "Registered",
      value: (one) => one.registeredAt,
      cell: (one) => (
        <span className="mono">
          {shortDate(one.registeredAt, props.zone)} {clockTime(one.registeredAt, props.zone)}
        </span>
      ),
    },
    { id: "source", head: "Came by", value: (one) => one.source, cell: (one) => one.source },
  ];
  return (
    <>
      <div className="my-2 flex flex-wrap items-end gap-3">
        <Field label="Search">
          {(ids) => <Input {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
        </Field>
        <Field label="State">
          {(ids) => (
            <Select {...ids} value={status} onChange={(event) => setStatus(event.target.value)}>
              <option value="">any</option>
              {Object.entries(statusWords).map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </div>
      <DataTable
        label="Registrants"
        rows={lines}
        columns={columns}
        keyOf={(one) => one.ticketId}
        most={200}
        empty={
          props.lines.length === 0 ? (
            <Empty title="Nobody has registered yet">Publish the page and send an invitation: they appear here.</Empty>
          ) : (
            <Empty title="Nobody fits">Search for fewer letters, or take any state.</Empty>
          )
        }
      />
      {props.total > props.lines.length && (
        <p className="mt-1 text-label text-ink-2">
          The last {props.lines.length} of {props.total}; all of them are in the file.
        </p>
      )}
      <Drawer
        isOpen={open !== null}
        onOpenChange={(isOpen) => !isOpen && setOpenId(null)}
        title={open?.name || "Registrant"}
      >
        {open && <OneRegistrant key={open.ticketId} one={open} dates={props.dates} acts={props.acts} />}
      </Drawer>
    </>
  );
}
