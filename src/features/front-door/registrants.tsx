"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { shortDate, clockTime } from "@/core/time";
import {
  Badge,
  Button,
  Confirm,
  DataTable,
  Drawer,
  Empty,
  Field,
  Input,
  Person,
  Press,
  Select,
  toast,
  type Column,
} from "@/ui";

export interface RegistrantLine {
  readonly ticketId: string;
  readonly name: string;
  readonly email: string;
  readonly status: "registered" | "waiting" | "pending" | "cancelled" | "declined";
  readonly source: string;
  readonly registeredAt: number;
  /** what was asked, in the event's own words, and what was answered */
  readonly answers: readonly { readonly question: string; readonly answer: string }[];
}
export interface RegistrantActs {
  sendAgain(ticketId: string): Promise<Done<void>>;
  newLink(ticketId: string): Promise<Done<void>>;
  cancel(ticketId: string): Promise<Done<void>>;
  correct(ticketId: string, input: { email: string }): Promise<Done<void>>;
}

const statusWords: Readonly<Record<RegistrantLine["status"], string>> = {
  registered: "registered",
  waiting: "on the waiting list",
  pending: "to be decided",
  cancelled: "cancelled",
  declined: "declined",
};
const statusTone = {
  registered: "action",
  waiting: "attention",
  pending: "attention",
  cancelled: "plain",
  declined: "plain",
} as const;

const plain = (text: string): string => text.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();

/** Everyone who registered: found by a few letters, sorted by any column, and one act each beside the list. */
export function Registrants(props: {
  lines: readonly RegistrantLine[];
  zone: string;
  acts: RegistrantActs | null;
  /** beyond those shown here, all of them are in the file */
  total: number;
}) {
  const [words, setWords] = useState("");
  const [status, setStatus] = useState<string>("");
  const [openId, setOpenId] = useState<string | null>(null);
  const wanted = plain(words);
  const lines = props.lines.filter(
    (one) =>
      (status === "" || one.status === status) && (wanted === "" || plain(`${one.name} ${one.email}`).includes(wanted)),
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
        {open && <OneRegistrant key={open.ticketId} one={open} acts={props.acts} />}
      </Drawer>
    </>
  );
}

/** One person's registration: what they answered, and what can be done for them. */
function OneRegistrant({ one, acts }: { one: RegistrantLine; acts: RegistrantActs | null }) {
  const [email, setEmail] = useState(one.email);
  const [wrong, setWrong] = useState<string | undefined>();
  const [isPending, run] = useTransition();
  const attempt = (act: () => Promise<Done<void>>, words: string) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? undefined : done.words);
      if (done.ok) toast(words);
    });
  const hasMail = one.status === "registered" || one.status === "waiting";
  return (
    <div className="flex flex-col gap-4">
      <p>
        <Badge tone={statusTone[one.status]}>{statusWords[one.status]}</Badge>
      </p>
      {one.answers.length > 0 && (
        <dl className="flex flex-col gap-2">
          {one.answers.map(({ question, answer }) => (
            <div key={question}>
              <dt className="text-label text-ink-2">{question}</dt>
              <dd className="whitespace-pre-line" dir="auto">
                {answer}
              </dd>
            </div>
          ))}
        </dl>
      )}
      {acts && (
        <>
          <Field
            label="Mail address"
            hint="A new address gets the ticket; links that went to the old one stop working."
            error={wrong}
          >
            {(ids) => <Input {...ids} type="email" value={email} onChange={(event) => setEmail(event.target.value)} />}
          </Field>
          <div className="flex flex-wrap gap-2">
            <Button
              disabled={isPending || email.trim() === one.email || !hasMail}
              onClick={() =>
                attempt(() => acts.correct(one.ticketId, { email }), "Saved. The ticket is on its way there.")
              }
            >
              Save the address
            </Button>
            <Button
              weight="act"
              disabled={isPending || !hasMail}
              onClick={() => attempt(() => acts.sendAgain(one.ticketId), "Their link is on its way again.")}
            >
              Send their link again
            </Button>
            <Confirm
              trigger={<Button disabled={isPending || !hasMail}>Replace their link</Button>}
              title="Replace their link"
              act="Replace it"
              onConfirm={() =>
                attempt(() => acts.newLink(one.ticketId), "The old link is dead; a new one is on its way.")
              }
            >
              <p>
                Every link that {one.name} was sent stops working at once. A new one goes to {one.email}.
              </p>
            </Confirm>
            <Confirm
              trigger={
                <Button weight="danger" disabled={isPending || one.status === "cancelled" || one.status === "declined"}>
                  Cancel for them
                </Button>
              }
              title="Cancel for them"
              act="Cancel their registration"
              onConfirm={() => attempt(() => acts.cancel(one.ticketId), "Cancelled. They hear of it by mail.")}
            >
              <p>{one.name} loses the place and hears of it by mail; the longest waiting moves up.</p>
            </Confirm>
          </div>
        </>
      )}
    </div>
  );
}
